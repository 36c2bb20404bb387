import type { Drawing, PartResult } from '../api/types';

/** A part's first side, or it turned over: what they are called is the part's to say. */
export type SideSeen = 'first' | 'second';
export function otherSide(side: SideSeen): SideSeen {
  return side === 'first' ? 'second' : 'first';
}

export function viewOf(part: PartResult, side: SideSeen): Drawing | null {
  return part.views.find((view) => view.side === side)?.drawing ?? null;
}

/** A side in words, with its article; before there is a part, a plate's. */
export function sideWords(part: PartResult | null, side: SideSeen): string {
  const usual = side === 'first' ? 'engine side' : 'gearbox side';
  const words = part?.views.find((view) => view.side === side)?.called ?? usual;
  return words.endsWith('side') ? `the ${words}` : words;
}
