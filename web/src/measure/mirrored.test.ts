import { expect, test } from 'vitest';
import { mirrored } from './mirrored';

test.each([
  ['539 mm', '-539 mm'],
  ['-21 1/4 in', '21 1/4 in'],
  ['−40', '40'],
  ['+ 12,5', '-12,5'],
  ['0 mm', '0 mm'],
  ['-0.0', '0.0'],
  ['0.5', '-0.5'],
])('%s to the left is %s on the other side', (typed, other) => {
  expect(mirrored({ y: { text: typed } })).toEqual({ y: { text: other } });
});

test('only what lies to the left is turned, however deep, and a named point is left out', () => {
  const side = {
    outer: {
      ride: { x: { text: '10' }, y: { text: '540', tool: 'tape' }, z: { text: '300' } },
      heights: [{ y: { text: '1' } }],
    },
    inner: { point: 'left stub' },
    bar: { length: { text: '410' }, mass: null },
  };
  expect(mirrored(side)).toEqual({
    outer: {
      ride: { x: { text: '10' }, y: { text: '-540', tool: 'tape' }, z: { text: '300' } },
      heights: [{ y: { text: '-1' } }],
    },
    inner: { point: null },
    bar: { length: { text: '410' }, mass: null },
  });
  expect(side.outer.ride.y.text).toBe('540');
});

test('locks, legs and turns go by the other side', () => {
  expect(mirrored({ to_left: { text: '31°' }, to_right: { text: '35°' } })).toEqual({
    to_right: { text: '31°' },
    to_left: { text: '35°' },
  });
  expect(mirrored({ roll: { text: '5°' }, pitch: { text: '5°' }, lower_left: { text: '2' } })).toEqual({
    roll: { text: '-5°' },
    pitch: { text: '5°' },
    lower_right: { text: '2' },
  });
});
