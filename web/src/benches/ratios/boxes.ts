import type { Box, Gearbox } from '../../api/types';
import { figure, shown, type Column } from '../../measure/rows';

/** A box of which only name and ratio are known. */
export function newBox(name: string, ratio: string): Box {
  return { name, ratio: { text: ratio }, more_ratios: [], rating_at: 'input', on_coast_flank: false };
}

export function newGearbox(): Gearbox {
  return { name: 'Gearbox', gears: [], rating_at: 'input' };
}

/** What is worth asking of a box, beside its ratio and what it bears, by where it stands. */
export interface Asks {
  reverses?: boolean; // whether it turns the line round
  coast?: boolean; // a hypoid that could be turned over
  settings?: boolean; // it may have several internal ratios
  mass?: boolean; // it hangs on the adapter plate
}

export const BOX_COLUMNS: readonly Column<Box>[] = [
  shown((box) => box.name, { head: 'name' }),
  figure('ratio', 'Ratio of', 'ratio', {
    head: 'ratio',
    size: 'w-16',
    needed: 'A ratio is needed; take the row away if it is not wanted.',
  }),
  figure('rating', 'Torque rating of', 'torque', { head: 'rating', size: 'w-20' }),
  figure('greatest_rpm', 'Greatest speed of', 'spin', { head: 'most rpm', size: 'w-20' }),
];
