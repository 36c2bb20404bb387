/** The scene drawn flat: bodies as the core gives them, seen along an axis or at an angle; it works out no engineering. */
import type { DrawnBody, Frame } from '../api/types';

export type Point3 = readonly [number, number, number];
export type Point2 = readonly [number, number];
export interface Eye {
  across: Point3; // to the right of the picture
  up: Point3;
  toward: Point3; // from the scene to the eye
}
export type ViewKey = 'side' | 'top' | 'rear' | 'free';
export const VIEW_TITLES: Record<ViewKey, string> = {
  side: 'Side, from the right',
  top: 'Top',
  rear: 'Rear',
  free: 'Free',
};
export const EYES: Record<Exclude<ViewKey, 'free'>, Eye> = {
  side: { across: [1, 0, 0], up: [0, 0, 1], toward: [0, -1, 0] },
  top: { across: [1, 0, 0], up: [0, 1, 0], toward: [0, 0, 1] },
  rear: { across: [0, -1, 0], up: [0, 0, 1], toward: [-1, 0, 0] },
};

/** The eye of the free view: so far round from the rear, so far above level. */
export function eyeAt(roundDeg: number, aboveDeg: number): Eye {
  const [a, b] = [(roundDeg * Math.PI) / 180, (aboveDeg * Math.PI) / 180];
  const [sa, ca, sb, cb] = [Math.sin(a), Math.cos(a), Math.sin(b), Math.cos(b)];
  return {
    across: [sa, -ca, 0],
    up: [sb * ca, sb * sa, cb],
    toward: [-cb * ca, -cb * sa, sb],
  };
}

const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const flat = (point: Point3, eye: Eye): Point2 => [dot(point, eye.across), dot(point, eye.up)];

/** A point of the unit as it stands. */
export function standing(point: Point3, frame: Frame): Point3 {
  const [x, y, z] = frame.turn.map((row, k) => dot(row, point) + (frame.at_mm[k] ?? 0));
  return [x ?? 0, y ?? 0, z ?? 0];
}

/** The hull of points in a plane, anticlockwise. */
export function hull(points: readonly Point2[]): Point2[] {
  const sorted = points.toSorted((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (along: readonly Point2[]): Point2[] => {
    const kept: Point2[] = [];
    for (const point of along) {
      while (kept.length > 1 && turnsRight(kept.at(-2), kept.at(-1), point)) kept.pop();
      kept.push(point);
    }
    return kept.slice(0, -1);
  };
  return sorted.length < 3 ? sorted : [...half(sorted), ...half(sorted.toReversed())];
}
function turnsRight(a: Point2 | undefined, b: Point2 | undefined, c: Point2): boolean {
  if (!a || !b) return false;
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) <= 1e-9;
}

export interface DrawnShape {
  key: string;
  body: DrawnBody;
  outline: readonly Point2[]; // mm in the picture's plane, y up
  lines: readonly (readonly Point2[])[];
  depth: number; // toward the eye
  isOver: boolean; // stands between the unit and the eye: it is drawn clear, so that the unit is seen
}

const BOX_EDGES = [
  [0, 1],
  [0, 2],
  [0, 4],
  [1, 3],
  [1, 5],
  [2, 3],
  [2, 6],
  [3, 7],
  [4, 5],
  [4, 6],
  [5, 7],
  [6, 7],
] as const;

/** Every body's pieces in the picture's plane, the farthest first; the unit at a frame. */
export function shapesOf(bodies: readonly DrawnBody[], frame: Frame | null, eye: Eye): DrawnShape[] {
  const drawn = bodies.flatMap((body) =>
    body.is_unit && !frame
      ? []
      : body.pieces.map((piece, k): DrawnShape => {
          const at = piece.corners_mm.map((one) => (body.is_unit && frame ? standing(one, frame) : one));
          const corners = at.map((one) => flat(one, eye));
          return {
            key: `${body.field} ${k}`,
            body,
            outline: hull(corners),
            lines: piece.kind === 'box' ? edges(corners) : rings(corners),
            depth: at.reduce((sum, one) => sum + dot(one, eye.toward), 0) / at.length,
            isOver: false,
          };
        }),
  );
  const unit = Math.max(...drawn.filter((one) => one.body.is_unit).map((one) => one.depth));
  return drawn
    .map((one) => ({ ...one, isOver: !one.body.is_unit && one.depth > unit }))
    .toSorted((a, b) => a.depth - b.depth);
}
function edges(corners: readonly Point2[]): Point2[][] {
  return BOX_EDGES.flatMap(([from, to]) => {
    const [a, b] = [corners[from], corners[to]];
    return a && b ? [[a, b]] : [];
  });
}
function rings(corners: readonly Point2[]): Point2[][] {
  const half = corners.length / 2;
  return [corners.slice(0, half), corners.slice(half)].map((ring) =>
    ring[0] ? [...ring, ring[0]] : [...ring],
  );
}

/** Points as an SVG's list. */
export const points = (line: readonly Point2[], scale: Scale): string =>
  line.map(([x, y]) => `${scale.toX(x).toFixed(1)},${scale.toY(y).toFixed(1)}`).join(' ');

export interface Bounds2 {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** What a picture shows: the unit with room round it, or everything. */
export function boundsOf(
  shapes: readonly DrawnShape[],
  roomMm: number | null,
  scanned: readonly Point2[] = [],
): Bounds2 | null {
  const unit = shapes.filter((shape) => shape.body.is_unit);
  const isAll = roomMm === null || unit.length === 0;
  const points = [...(isAll ? shapes : unit).flatMap((shape) => shape.outline), ...(isAll ? scanned : [])];
  if (points.length === 0) return null;
  const [xs, ys] = [points.map((one) => one[0]), points.map((one) => one[1])];
  const room = roomMm ?? 40;
  return {
    left: Math.min(...xs) - room,
    right: Math.max(...xs) + room,
    bottom: Math.min(...ys) - room,
    top: Math.max(...ys) + room,
  };
}

export interface Scale {
  toX: (mm: number) => number;
  toY: (mm: number) => number;
  pxPerMm: number;
}

/** Millimetres to pixels, alike both ways, in the middle of the picture. */
export function scaleOf(bounds: Bounds2, width: number, height: number): Scale {
  const pxPerMm = Math.min(width / (bounds.right - bounds.left), height / (bounds.top - bounds.bottom));
  const [x, y] = [(bounds.left + bounds.right) / 2, (bounds.bottom + bounds.top) / 2];
  return {
    pxPerMm,
    toX: (mm) => width / 2 + (mm - x) * pxPerMm,
    toY: (mm) => height / 2 - (mm - y) * pxPerMm,
  };
}

const LEAST_PX = 3; // of a line that is seen as one

/** The dimension lines that a picture shows: one that points at the eye says nothing there. */
export function seen(wishes: readonly Dimension[]): Dimension[] {
  return wishes.filter(
    (one) => one.isBad || Math.hypot(one.to[0] - one.from[0], one.to[1] - one.from[1]) >= LEAST_PX,
  );
}

/** A line of the scene with a figure. */
export interface Line3 {
  key: string;
  text: string;
  from: Point3;
  to: Point3;
  isBad: boolean;
  isLined: boolean; // else the line is drawn already, and only its figure is wanted
  isArrow?: boolean; // with a head at its end
}

export interface Dimension {
  key: string;
  text: string;
  from: Point2; // px
  to: Point2;
  isBad: boolean;
  isLined: boolean;
  isArrow?: boolean;
}
export interface PlacedDimension extends Dimension {
  x: number; // middle of its figure, px
  y: number;
}

const CHAR_PX = 7.4;
const LINE_PX = 15;
const BESIDE_PX = 5; // two figures side by side are not to read as one
const TRIES: readonly Point2[] = [
  [0, -11],
  [0, 13],
  [26, 0],
  [-26, 0],
  [30, -16],
  [-30, -16],
  [30, 18],
  [-30, 18],
  [0, -28],
  [0, 30],
  [52, 4],
  [-52, 4],
];

/** Figures beside their lines, none on another and none cut; one that has no room is left to the table. */
export function placed(wishes: readonly Dimension[], width: number, height: number): PlacedDimension[] {
  const boxes: Bounds2[] = [{ left: 0, right: 150, top: 24, bottom: 0 }]; // the picture's title
  return wishes.flatMap((wish) => {
    const half = (wish.text.length * CHAR_PX) / 2 + BESIDE_PX;
    for (const [dx, dy] of TRIES) {
      const x = (wish.from[0] + wish.to[0]) / 2 + dx;
      const y = (wish.from[1] + wish.to[1]) / 2 + dy;
      const box = { left: x - half, right: x + half, bottom: y - LINE_PX / 2, top: y + LINE_PX / 2 };
      const isIn = box.left > 2 && box.right < width - 2 && box.bottom > 2 && box.top < height - 2;
      if (isIn && !boxes.some((other) => meet(box, other))) {
        boxes.push(box);
        return [{ ...wish, x, y }];
      }
    }
    return [];
  });
}
const meet = (a: Bounds2, b: Bounds2): boolean =>
  a.left < b.right && b.left < a.right && a.bottom < b.top && b.bottom < a.top;
