/** What the parts that turn are rated for: a field to each, by what stands in the line. */
import type { Gearbox, Quantity, RatiosSheet, Reading } from '../../api/types';

type Change<T> = (write: (next: T) => void) => void;
export interface RatingField {
  label: string;
  quantity: Quantity;
  value: Reading | null | undefined;
  write: (value: Reading | null) => void;
}

const SHAFT = [
  ['rating', 'torque', 'torque'],
  ['critical_rpm', 'critical speed', 'spin'],
  ['joint_rpm', 'joints turn at most', 'spin'],
] as const satisfies readonly (readonly [keyof RatiosSheet['propshaft'], string, Quantity])[];
const GEARBOX = [
  ['rating', 'Gearbox torque', 'torque'],
  ['greatest_rpm', 'Gearbox input speed', 'spin'],
] as const satisfies readonly (readonly [keyof Gearbox, string, Quantity])[];

export function gearboxRatings(sheet: RatiosSheet, withGearbox: Change<Gearbox>): RatingField[] {
  return GEARBOX.map(([part, label, quantity]) => ({
    label,
    quantity,
    value: sheet.gearbox?.[part],
    write: (value) => withGearbox((next) => (next[part] = value)),
  }));
}

/** The one shaft, or the rear and the front of two. */
export function shaftRatings(
  sheet: RatiosSheet,
  change: Change<RatiosSheet>,
  isBoth: boolean,
): RatingField[] {
  const rear = SHAFT.map(([part, what, quantity]) => ({
    label: `${isBoth ? 'Rear propshaft' : 'Propshaft'} ${what}`,
    quantity,
    value: sheet.propshaft[part],
    write: (value: Reading | null) => change((next) => (next.propshaft[part] = value)),
  }));
  if (!isBoth) return rear;
  const front = SHAFT.map(([part, what, quantity]) => ({
    label: `Front propshaft ${what}`,
    quantity,
    value: sheet.front_propshaft?.[part],
    write: (value: Reading | null) =>
      change((next) => (next.front_propshaft = { ...next.front_propshaft, [part]: value })),
  }));
  return [...rear, ...front];
}

export function axleRatings(sheet: RatiosSheet, change: Change<RatiosSheet>, isBoth: boolean): RatingField[] {
  const own: RatingField = {
    label: isBoth ? 'Rear axle torque, both sides' : 'Axle torque, both sides',
    quantity: 'torque',
    value: sheet.axle_rating,
    write: (value) => change((next) => (next.axle_rating = value)),
  };
  if (!isBoth) return [own];
  const front: RatingField = {
    label: 'Front axle torque',
    quantity: 'torque',
    value: sheet.front_axle_rating,
    write: (value) => change((next) => (next.front_axle_rating = value)),
  };
  return [own, front];
}
