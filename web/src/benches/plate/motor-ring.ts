/** Where the motor's parts lie on the drawing, as the eye on this side has them. */
import type { Entity } from '../../api/types';

export type Circle = Extract<Entity, { shape: 'circle' }>;
const INSIDE_MM = 20; // from the motor's circle in to the terminals' arc

export const motorCircles = (entities: readonly Entity[]): Circle[] =>
  entities.flatMap((one) => (one.shape === 'circle' && one.part.startsWith('motor:') ? [one] : []));

export const circleRadius = (holes: readonly Circle[]): number =>
  holes[0] ? Math.hypot(holes[0].x_mm, holes[0].y_mm) : 0;

export const arcRadius = (holes: readonly Circle[]): number => Math.max(circleRadius(holes) - INSIDE_MM, 0);

/** A point on the terminals' arc. Angles run anticlockwise from the engine side; turned over, from the other end. */
export function onArc(deg: number, radius: number, sense: number): { x: number; y: number } {
  const rad = ((sense > 0 ? deg : 180 - deg) * Math.PI) / 180;
  return { x: radius * Math.cos(rad), y: radius * Math.sin(rad) };
}

export function arcPath(fromDeg: number, toDeg: number, radius: number, sense: number): string {
  const [start, end] = [onArc(fromDeg, radius, sense), onArc(toDeg, radius, sense)];
  const isLong = toDeg - fromDeg > 180 ? 1 : 0;
  return `M${start.x} ${start.y}A${radius} ${radius} 0 ${isLong} ${sense > 0 ? 1 : 0} ${end.x} ${end.y}`;
}
