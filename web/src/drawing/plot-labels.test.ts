import { describe, expect, it } from 'vitest';
import { plotLabels, type LabelWish, type Point } from './plot-labels';

const across = Array.from({ length: 60 }, (_, k) => 52 + 8 * k);
const curve = (height: (k: number) => number): Point[] => across.map((x, k) => [x, height(k)]);
const BOUNDS = { left: 52, right: 524, top: 34, bottom: 210 };
const wish = (key: string, points: readonly Point[], prefer = 0): LabelWish => ({
  key,
  text: `label of ${key}`,
  curve: points,
  prefer,
});

describe('labels of a plot', () => {
  const curves = [curve(() => 60), curve((k) => 70 + k), curve((k) => 200 - 2 * k), curve(() => 74)];
  const wishes = curves.map((one, k) => wish(`curve ${k}`, one));

  it('lie on no curve, on no other label, and inside the axes', () => {
    const placed = plotLabels(wishes, curves, BOUNDS, 12.5);
    expect(placed.length).toBeGreaterThanOrEqual(3);
    placed.forEach(({ box }, k) => {
      expect(box.left).toBeGreaterThanOrEqual(BOUNDS.left);
      expect(box.right).toBeLessThanOrEqual(BOUNDS.right);
      for (const other of placed.slice(k + 1)) {
        expect(
          box.right <= other.box.left ||
            other.box.right <= box.left ||
            box.bottom <= other.box.top ||
            other.box.bottom <= box.top,
        ).toBe(true);
      }
      for (const points of curves) {
        const inside = points.filter(
          ([x, y]) => x > box.left && x < box.right && y > box.top && y < box.bottom,
        );
        expect(inside).toEqual([]);
      }
    });
  });

  it('stand where they are preferred, if there is room', () => {
    const [only] = plotLabels(
      [
        wish(
          'alone',
          curve(() => 120),
          1,
        ),
      ],
      [curve(() => 120)],
      BOUNDS,
      12.5,
    );
    expect(only?.box.right).toBeCloseTo(BOUNDS.right, 0);
  });

  it('are left out where there is no room at all', () => {
    const full = Array.from({ length: 30 }, (_, k) => curve(() => 34 + 6 * k));
    expect(plotLabels([wish('lost', full[3] ?? [])], full, BOUNDS, 12.5)).toEqual([]);
  });
});
