/** The section on the screen: what can be dragged along the axis, and where each gap's bar lies. */
import type { Block, CouplerResult, CouplerSheet, GapResult } from '../../api/types';

export const LETTERS = 'ABCDEFGHIJKLMNOP';
const ROOM_MM = 6;
const ROW_MM = 10;

export interface Frame {
  left: number;
  width: number;
  outer: number; // from the axis, mm
  height: number;
}

/** The room that blocks and the rows of gaps below them take up, mm. */
export function frameOf(blocks: readonly Block[], rows: number): Frame {
  const left = Math.min(...blocks.map((one) => one.from_mm)) - ROOM_MM;
  const right = Math.max(...blocks.map((one) => one.to_mm)) + ROOM_MM;
  const outer = Math.max(...blocks.map((one) => one.outer_mm)) + ROOM_MM;
  return { left, width: right - left, outer, height: 2 * outer + rows * ROW_MM + ROOM_MM };
}

/** How far below the axis the bar of the k-th gap lies. */
export const rowOf = (frame: Frame, k: number) => frame.outer + ROW_MM * (k + 0.7);

export const drawnGaps = (gaps: readonly GapResult[]) =>
  gaps.flatMap((gap, k) =>
    typeof gap.from_mm === 'number' && typeof gap.to_mm === 'number'
      ? [{ gap, letter: LETTERS[k] ?? '', from: gap.from_mm, to: gap.to_mm }]
      : [],
  );

type Place = 'jaw.motor_slide' | 'jaw.gearbox_slide' | 'hub.to_face' | 'apart';
const PLACES: Record<string, readonly [place: Place, way: 1 | -1]> = {
  'Motor hub': ['jaw.motor_slide', 1],
  'Gearbox hub': ['jaw.gearbox_slide', -1],
  Hub: ['hub.to_face', 1],
  Gearbox: ['apart', 1],
  'Bell-housing': ['apart', 1],
};

/** Which length dragging a body changes, and which way; undefined for what stands still. */
export const placeOf = (block: Block) => PLACES[block.title];

/** Sets a length that was dragged; what it was measured with stays. */
export function putLength(sheet: CouplerSheet, place: Place, mm: number): void {
  const text = `${Number(mm.toFixed(1))} mm`;
  if (place === 'apart') sheet.apart = { ...sheet.apart, text };
  else if (place === 'hub.to_face') sheet.hub.to_face = { ...sheet.hub.to_face, text };
  else if (place === 'jaw.motor_slide') sheet.jaw.motor_slide = { ...sheet.jaw.motor_slide, text };
  else sheet.jaw.gearbox_slide = { ...sheet.jaw.gearbox_slide, text };
}

/** Where the length stands now, mm, as the core read it. */
export function lengthNow(place: Place, { placed, apart_mm }: CouplerResult): number | null {
  const lengths: Record<Place, number | null | undefined> = {
    apart: apart_mm,
    'jaw.motor_slide': placed.motor_slide_mm,
    'jaw.gearbox_slide': placed.gearbox_slide_mm,
    'hub.to_face': placed.to_face_mm,
  };
  return lengths[place] ?? null;
}
