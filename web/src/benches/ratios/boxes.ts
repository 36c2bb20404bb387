import type { Box, Gearbox, Quantity } from '../../api/types';

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

export const BOX_COLUMNS = [
  ['ratio', 'ratio', 'Ratio of', 'ratio', 'w-16'],
  ['rating', 'rating', 'Torque rating of', 'torque', 'w-20'],
  ['greatest_rpm', 'most rpm', 'Greatest speed of', 'spin', 'w-20'],
] as const satisfies readonly (readonly [keyof Box, string, string, Quantity, string])[];
