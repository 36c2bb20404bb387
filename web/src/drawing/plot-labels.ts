/** Puts a label beside each curve of a plot where it lies on no curve, on no other label, and is not cut. */

export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}
export type Point = readonly [x: number, y: number];

export interface LabelWish {
  key: string;
  text: string;
  curve: readonly Point[]; // px, that it is of
  prefer: number; // where along it, 0 to 1
}

export interface PlacedPlotLabel {
  key: string;
  text: string;
  x: number; // its left end
  y: number; // its baseline
  box: Box;
}

const CHAR = 0.56; // of the type's size, on average
const ASCENT = 0.78;
const DESCENT = 0.24;
const GAPS = [5, 12]; // between a curve and its label, px
const TRIES = 40; // along a curve

/** Returns the labels that have a place, in the order wished; one that has none is left out. */
export function plotLabels(
  wishes: readonly LabelWish[],
  curves: readonly (readonly Point[])[],
  bounds: Box,
  size: number,
): PlacedPlotLabel[] {
  const placed: PlacedPlotLabel[] = [];
  for (const wish of wishes) {
    const found = places(wish, size).find(
      ({ box }) =>
        isInside(box, bounds) &&
        placed.every((other) => !meets(box, other.box)) &&
        !curves.some((curve) => crosses(curve, box)),
    );
    if (found) placed.push(found);
  }
  return placed;
}

/** Everywhere that a label could stand, what is preferred first. */
function places(wish: LabelWish, size: number): PlacedPlotLabel[] {
  const { key, text, curve, prefer } = wish;
  const width = CHAR * size * text.length;
  const along = Array.from({ length: TRIES }, (_, k) => k / (TRIES - 1)).toSorted(
    (a, b) => Math.abs(a - prefer) - Math.abs(b - prefer),
  );
  return along.flatMap((part) => {
    const point = curve[Math.round(part * (curve.length - 1))];
    if (!point) return [];
    return GAPS.flatMap((gap) =>
      [point[1] - gap - DESCENT * size, point[1] + gap + ASCENT * size].flatMap((y) =>
        [0, 0.5, 1].map((share) => {
          const x = point[0] - share * width;
          const box = { left: x, right: x + width, top: y - ASCENT * size, bottom: y + DESCENT * size };
          return { key, text, x, y, box };
        }),
      ),
    );
  });
}

const isInside = (box: Box, bounds: Box): boolean =>
  box.left >= bounds.left &&
  box.right <= bounds.right &&
  box.top >= bounds.top &&
  box.bottom <= bounds.bottom;

const meets = (one: Box, other: Box): boolean =>
  one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;

function crosses(curve: readonly Point[], box: Box): boolean {
  return curve.some((to, k) => {
    const from = curve[k - 1];
    return from !== undefined && isThrough(from, to, box);
  });
}

/** Whether a straight line runs through a box: it is cut down to what lies inside, side by side. */
function isThrough(from: Point, to: Point, box: Box): boolean {
  let [enters, leaves] = [0, 1];
  const sides: [number, number, number][] = [
    [from[0], to[0] - from[0], 0],
    [from[1], to[1] - from[1], 1],
  ];
  for (const [start, run, axis] of sides) {
    const [least, most] = axis === 0 ? [box.left, box.right] : [box.top, box.bottom];
    if (run === 0) {
      if (start <= least || start >= most) return false;
      continue;
    }
    const [a, b] = [(least - start) / run, (most - start) / run];
    enters = Math.max(enters, Math.min(a, b));
    leaves = Math.min(leaves, Math.max(a, b));
  }
  return enters < leaves;
}
