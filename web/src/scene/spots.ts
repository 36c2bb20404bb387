/** Places and turns as they are asked for. */
import type { Spot, Stand } from '../api/types';
import { asked, reading, type FieldSpec, type Form } from '../measure/fields';

/** A place: one of the measured points, or its coordinates. */
export function spotForm(what: string, points: readonly string[]): Form<Spot> {
  const point: FieldSpec<Spot> = {
    kind: 'choice',
    name: 'point',
    label: `${what} is`,
    hint: '',
    none: '',
    options: () => [['', 'by coordinates'], ...points.map((name) => [name, name] as const)],
    read: (spot) => spot.point ?? '',
    write: (spot, name) => (spot.point = name || null),
  };
  const figures: Form<Spot> = [
    reading('x', `${what}, forward`, 'length'),
    reading('y', `${what}, to the left`, 'length'),
    reading('z', `${what}, up`, 'length'),
  ];
  return [
    ...(points.length > 0 ? [point] : []),
    ...figures.map((spec) => asked((spot: Spot) => !spot.point, spec)),
  ];
}

export const ANGLES: Form<Stand['angles']> = [
  reading('roll', 'Right side down', 'angle'),
  reading('pitch', 'Nose down', 'angle'),
  reading('yaw', 'Nose left', 'angle'),
];
