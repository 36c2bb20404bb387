import { expect, it } from 'vitest';
import { changedPath } from './whose';

const was = {
  brief: { mass: { text: '1 kg' }, items: [{ name: 'Load', mass: null }, { x: { text: '3 mm' } }] },
};
const after = (edit: (sheets: typeof was) => void) => {
  const now = structuredClone(was);
  edit(now);
  return now;
};

it('finds the field that a change writes, a reading whole and a row by its name', () => {
  expect(
    changedPath(
      was,
      after((one) => (one.brief.mass.text = '2 kg')),
    ),
  ).toEqual(['brief', 'mass']);
  const loaded = after((one) => Object.assign(one.brief.items[0]!, { mass: { text: '5 kg' } }));
  expect(changedPath(was, loaded)).toEqual(['brief', 'items', 'Load', 'mass']);
  const moved = after((one) => (one.brief.items[1]!.x!.text = '4 mm'));
  expect(changedPath(was, moved)).toEqual(['brief', 'items', 1, 'x']);
});

it('stops where several things differ, and says nothing of what does not', () => {
  const both = after((one) => {
    one.brief.mass.text = '2 kg';
    one.brief.items = [];
  });
  expect(changedPath(was, both)).toEqual(['brief']);
  expect(changedPath(was, was)).toEqual([]);
});
