import type { ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** Where a plot on dye draws: its scales and the edges of its axes, px. */
export interface PlotFrame {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Returns the path of a curve, broken where a figure is missing. */
export function curvePath(
  { x, y }: PlotFrame,
  across: readonly number[],
  up: readonly (number | null)[],
): string {
  return (
    line<number | null>(
      (_, k) => x(across[k] ?? 0),
      (value) => y(value ?? 0),
    ).defined((value) => value !== null)([...up]) ?? ''
  );
}
