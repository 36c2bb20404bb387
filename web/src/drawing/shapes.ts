/** A drawing's entities as SVG, y up: the group that holds them is turned over. */
import type { Entity } from '../api/types';

type PathEntity = Extract<Entity, { shape: 'path' }>;

/** Each bulge, the tangent of a quarter of its arc, becomes a true arc. */
export function pathData(path: PathEntity): string {
  const { vertices } = path;
  const first = vertices[0];
  if (!first) return '';
  const parts = [`M${first.x_mm} ${first.y_mm}`];
  for (const [k, start] of vertices.entries()) {
    const end = vertices[k + 1] ?? (path.closed ? first : undefined);
    if (!end) break;
    const { bulge } = start;
    const chord = Math.hypot(end.x_mm - start.x_mm, end.y_mm - start.y_mm);
    if (bulge) {
      const radius = (chord * (1 + bulge ** 2)) / (4 * Math.abs(bulge));
      parts.push(
        `A${radius} ${radius} 0 ${Math.abs(bulge) > 1 ? 1 : 0} ${bulge > 0 ? 1 : 0} ${end.x_mm} ${end.y_mm}`,
      );
    } else parts.push(`L${end.x_mm} ${end.y_mm}`);
  }
  return parts.join('') + (path.closed ? 'Z' : '');
}

export interface Bounds {
  left: number;
  bottom: number;
  right: number;
  top: number;
}

/** Bounds of points with room round them; a square of 200 mm while there are none. */
export function boundsOf(points: readonly { x_mm: number; y_mm: number }[], roomMm: number): Bounds {
  if (points.length === 0) return { left: -100, bottom: -100, right: 100, top: 100 };
  const xs = points.map((point) => point.x_mm);
  const ys = points.map((point) => point.y_mm);
  return {
    left: Math.min(...xs) - roomMm,
    bottom: Math.min(...ys) - roomMm,
    right: Math.max(...xs) + roomMm,
    top: Math.max(...ys) + roomMm,
  };
}
