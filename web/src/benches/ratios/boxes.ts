import type { Box, Gearbox } from '../../api/types';

/** A box of which only name and ratio are known. */
export function newBox(name: string, ratio: string): Box {
  return { name, ratio: { text: ratio }, more_ratios: [], rating_at: 'input', on_coast_flank: false };
}

export function newGearbox(): Gearbox {
  return { name: 'Gearbox', gears: [], rating_at: 'input' };
}
