import type { ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { Point } from './plot-labels';

/** Where a plot on dye draws: its scales and the edges of its axes, px. */
export interface PlotFrame {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A curve of a plot, in metric units; broken where a figure is missing. */
export interface PlotCurve {
  key: string;
  across: readonly number[];
  up: readonly (number | null)[];
  stroke: string; // its classes
  width: number;
  dash?: string;
  label?: string;
  labelClass?: string;
  prefer?: number; // where along it the label stands best, 0 to 1
}

/** Returns the path of a curve, broken where a figure is missing. */
export function curvePath({ x, y }: PlotFrame, { across, up }: PlotCurve): string {
  return (
    line<number | null>(
      (_, k) => x(across[k] ?? 0),
      (value) => y(value ?? 0),
    ).defined((value) => value !== null)([...up]) ?? ''
  );
}

/** Its points within the axes, px. */
export function pointsOf({ x, y, left, right, top, bottom }: PlotFrame, { across, up }: PlotCurve): Point[] {
  return up.flatMap((value, k): Point[] => {
    if (value === null) return [];
    const [px, py] = [x(across[k] ?? 0), y(value)];
    return px < left - 1 || px > right + 1 || py < top - 1 || py > bottom + 1 ? [] : [[px, py]];
  });
}
