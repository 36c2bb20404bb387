import { expect, test } from 'vitest';
import { typedNumber } from './typed-number';

test.each([
  ['0,41', 1, 0.41],
  ['41%', 1, 0.41],
  ['41 %', 1, 0.41],
  ['25%', 100, 25],
  ['0.32 x 1.62', 5, 0.5184],
  ['0,32 × 1,62', 5, 0.5184],
  ['−3', 10, -3],
])('%s is read, up to %d', (typed, greatest, number) => {
  expect(typedNumber(typed, greatest)).toBeCloseTo(number, 10);
});

test.each(['', 'x', '0.3 x', '1.2.3', 'far', '%'])('"%s" is no number', (typed) => {
  expect(typedNumber(typed, 10)).toBeNaN();
});
