import { describe, expect, it } from 'vitest';
import type { DrawnBody, Frame } from '../api/types';
import { boundsOf, EYES, eyeAt, flat, hull, placed, scaleOf, seen, shapesOf, standing } from './scene';

const corners = (size: number): [number, number, number][] =>
  [0, size].flatMap((x) =>
    [0, size].flatMap((y) => [0, size].map((z): [number, number, number] => [x, y, z])),
  );
const body = (name: string, isUnit: boolean, size = 100): DrawnBody => ({
  field: name,
  name,
  is_unit: isUnit,
  nature: null,
  fate: 'stays',
  keeps_clear: false,
  is_off: false,
  scan: null,
  pieces: [{ kind: 'box', corners_mm: corners(size) }],
});
const turnedLeft: Frame = {
  at_mm: [10, 20, 30],
  turn: [
    [0, -1, 0],
    [1, 0, 0],
    [0, 0, 1],
  ],
};

describe('the scene', () => {
  it('puts a point of the unit where its frame says', () => {
    expect(standing([5, 0, 1], turnedLeft)).toEqual([10, 25, 31]);
  });

  it('shows forward to the right from the right side, and the left on the left from the rear', () => {
    expect(flat([7, 0, 0], EYES.side)).toEqual([7, 0]);
    expect(flat([0, 7, 0], EYES.rear)[0]).toBe(-7);
    expect(flat([0, 7, 0], EYES.top)).toEqual([0, 7]);
  });

  it('has a free eye whose axes are square to one another', () => {
    const { across, up, toward } = eyeAt(35, 28);
    const dot = (a: readonly number[], b: readonly number[]) =>
      a.reduce((sum, one, k) => sum + one * (b[k] ?? 0), 0);
    for (const [a, b] of [
      [across, up],
      [across, toward],
      [up, toward],
    ] as const)
      expect(dot(a, b)).toBeCloseTo(0, 12);
  });

  it('draws a box as its outline, the unit only where it stands', () => {
    expect(hull(corners(10).map(([x, y]): [number, number] => [x, y]))).toHaveLength(4);
    const bodies = [body('rail', false), body('case', true)];
    expect(shapesOf(bodies, null, EYES.side).map((one) => one.body.name)).toEqual(['rail']);
    expect(shapesOf(bodies, turnedLeft, EYES.side)).toHaveLength(2);
  });

  it('leaves what stands before the unit clear, so that the unit is seen', () => {
    const [first, last] = shapesOf([body('near', false, 400), body('case', true)], turnedLeft, EYES.top);
    expect([first?.isOver, last?.isOver]).toEqual([false, true]);
    expect(last?.body.name).toBe('near');
  });

  it('fits the unit with room round it', () => {
    const shapes = shapesOf([body('rail', false, 900), body('case', true)], turnedLeft, EYES.side);
    const bounds = boundsOf(shapes, 50);
    expect(bounds).toEqual({ left: -140, right: 60, bottom: -20, top: 180 });
    const scale = scaleOf(bounds!, 400, 200);
    expect([scale.toX(-40), scale.toY(80)]).toEqual([200, 100]);
  });

  it('puts no figure on another, and none that is cut', () => {
    const wish = (key: string, x: number) => ({
      key,
      text: '12.0',
      from: [x, 100] as const,
      to: [x + 4, 100] as const,
      isBad: false,
      isLined: true,
    });
    const found = placed([wish('a', 100), wish('b', 104), wish('c', 1)], 300, 200);
    expect(found.length).toBeGreaterThan(1);
    for (const one of found) expect(one.x).toBeGreaterThan(10);
    const [a, b] = found;
    expect(Math.abs(a!.x - b!.x) > 25 || Math.abs(a!.y - b!.y) > 14).toBe(true);
    expect(seen([{ ...wish('d', 5), to: [5, 100] }])).toEqual([]);
  });
});
