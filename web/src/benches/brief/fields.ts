/** The readings of the brief, in the order in which a fabricator has them in hand. */
import type { BriefSheet, Quantity, Reading } from '../../api/types';

export interface BriefField {
  label: string;
  quantity: Quantity;
  hint: string;
  read: (brief: BriefSheet) => Reading | null | undefined;
  write: (brief: BriefSheet, value: Reading | null) => void;
}

type Part = 'vehicle' | 'tyre' | 'motor' | 'wanted';
type ReadingName<P extends Part> = {
  [K in keyof BriefSheet[P]]-?: Reading extends NonNullable<BriefSheet[P][K]>
    ? NonNullable<BriefSheet[P][K]> extends object
      ? K
      : never
    : never;
}[keyof BriefSheet[P]];

function field<P extends Part>(
  part: P,
  name: ReadingName<P>,
  label: string,
  quantity: Quantity,
  hint = '',
): BriefField {
  return {
    label,
    quantity,
    hint,
    read: (brief) => brief[part][name] as Reading | null | undefined,
    write: (brief, value) => Object.assign(brief[part], { [name]: value }),
  };
}

export const VEHICLE: readonly BriefField[] = [
  field('vehicle', 'kerb_mass', 'Kerb mass', 'mass', 'weigh it, tank and engine in'),
  field('vehicle', 'laden_mass', 'Laden mass', 'mass', 'as the plate allows'),
  field('vehicle', 'wheelbase', 'Wheelbase', 'length', 'hub centre to hub centre'),
  field('vehicle', 'cg_height', 'Centre of gravity height', 'length', 'lift one axle, or estimate'),
];

export const TYRE: readonly BriefField[] = [
  field('tyre', 'roll_out', 'Roll-out, mark to mark', 'length', 'mark tyre and floor, roll, tape'),
  field('tyre', 'loaded_radius', 'Loaded radius', 'length', 'hub centre to floor'),
  field('tyre', 'free_radius', 'Free radius', 'length', 'the same, wheel hanging'),
];

export const MOTOR: readonly BriefField[] = [
  field('motor', 'peak_torque', 'Peak torque', 'torque'),
  field('motor', 'peak_power', 'Peak power', 'power'),
  field('motor', 'greatest_rpm', 'Top speed', 'spin'),
  field('motor', 'continuous_torque', 'Continuous torque', 'torque'),
  field('motor', 'continuous_power', 'Continuous power', 'power'),
  field('motor', 'overrun_torque', 'Greatest overrun torque', 'torque'),
  field('motor', 'battery_power', 'Battery power', 'power', 'what the pack lets through'),
  field('motor', 'mass', 'Mass', 'mass'),
];

export const WANTED: readonly BriefField[] = [
  field('wanted', 'top_speed', 'Top speed', 'road_speed'),
  field('wanted', 'cruise_speed', 'Cruise', 'road_speed'),
];
