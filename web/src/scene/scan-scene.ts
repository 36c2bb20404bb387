/** Where a scan's picture falls in a view. */
import type { DrawnBody, DrawnScan, Frame } from '../api/types';
import type { Onto } from '../scans/picture';
import { flat, standing, type Eye, type Point2, type Point3, type Scale } from './scene';

type Turn = readonly (readonly number[])[];
const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, one, k) => sum + one * (b[k] ?? 0), 0);
const column = (turn: Turn, k: number): number[] => turn.map((row) => row[k] ?? 0);

/** A scan's own picture, before it is laid: which of its axes is up. */
export const UPRIGHT: Record<string, Turn> = {
  z: [[1, 0, 0], [0, 1, 0], [0, 0, 1]], // prettier-ignore
  y: [[1, 0, 0], [0, 0, -1], [0, 1, 0]], // prettier-ignore
  x: [[0, 0, -1], [0, 1, 0], [1, 0, 0]], // prettier-ignore
  minus_z: [[1, 0, 0], [0, -1, 0], [0, 0, -1]], // prettier-ignore
  minus_y: [[1, 0, 0], [0, 0, 1], [0, -1, 0]], // prettier-ignore
  minus_x: [[0, 0, 1], [0, 1, 0], [-1, 0, 0]], // prettier-ignore
};

/** Pixels of a point that stands at `atMm` + `turn` × `mmEach` × itself. */
export function ontoOf(turn: Turn, atMm: readonly number[], mmEach: number, eye: Eye, scale: Scale): Onto {
  const row = (way: Point3, times: number, from: number): number[] => [
    ...[0, 1, 2].map((k) => times * mmEach * dot(way, column(turn, k))),
    from + times * dot(way, atMm),
  ];
  return {
    rows: [
      row(eye.across, scale.pxPerMm, scale.toX(0)),
      row(eye.up, -scale.pxPerMm, scale.toY(0)),
      row(eye.toward, 1, 0),
    ],
    toward: [0, 1, 2].map((k) => dot(eye.toward, column(turn, k))),
  };
}

/** The same for a scan as it lies; one of the unit's goes with its frame. */
export function scanOnto(scan: DrawnScan, frame: Frame | null, eye: Eye, scale: Scale): Onto {
  if (!frame) return ontoOf(scan.turn, scan.at_mm, scan.scale, eye, scale);
  const turn = frame.turn.map((row) => [0, 1, 2].map((k) => dot(row, column(scan.turn, k))));
  const at = frame.turn.map((row, k) => dot(row, scan.at_mm) + (frame.at_mm[k] ?? 0));
  return ontoOf(turn, at, scan.scale, eye, scale);
}

interface CarriedScan {
  field: string;
  scan: DrawnScan;
  frame: Frame | null; // of the unit, where it is the unit's
}

/** The scans that a view shows, the unit's with its frame. */
export function scansOf(bodies: readonly DrawnBody[], frame: Frame | null): CarriedScan[] {
  return bodies.flatMap((body) => {
    if (!body.scan || body.is_off || body.fate === 'off' || (body.is_unit && !frame)) return [];
    return [{ field: body.field, scan: body.scan, frame: body.is_unit ? frame : null }];
  });
}

/** The corners of what scans reach, in the picture's plane. */
export function corners(scans: readonly CarriedScan[], eye: Eye): Point2[] {
  return scans.flatMap(({ scan: { least_mm, greatest_mm }, frame }) =>
    [least_mm, greatest_mm].flatMap(([x]) =>
      [least_mm, greatest_mm].flatMap(([, y]) =>
        [least_mm, greatest_mm].map(([, , z]) => {
          const point: Point3 = [x, y, z];
          return flat(frame ? standing(point, frame) : point, eye);
        }),
      ),
    ),
  );
}
