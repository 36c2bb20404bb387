/** Where the trade plot's scales begin and end, and which of its points the pointer means. */

/** From least to greatest, never narrower than what can be told apart on the road. */
export function span(values: readonly number[], other: number | null, narrowest = 0): [number, number] {
  const all = other === null ? values : [...values, other];
  if (values.length === 0) return [0, 1];
  const [least, greatest] = [Math.min(...all), Math.max(...all)];
  const pad = Math.max(0, narrowest - (greatest - least)) / 2;
  return [least - pad, greatest + pad];
}

/** The one that is least far, if it is within reach. */
export function nearest<T>(points: readonly T[], far: (point: T) => number, reach: number): T | null {
  let best: T | null = null;
  let least = reach;
  for (const point of points) {
    const distance = far(point);
    if (distance > least) continue;
    [best, least] = [point, distance];
  }
  return best;
}
