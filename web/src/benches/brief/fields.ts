/** The readings of the brief, in the order in which a fabricator has them in hand. */
import type { BriefSheet, MassesSheet, MotorSheet, Tyre } from '../../api/types';
import { reading, type ReadingSpec } from '../../measure/reading-specs';

export const VEHICLE: readonly ReadingSpec<BriefSheet['vehicle']>[] = [
  reading('kerb_mass', 'Kerb mass', 'vehicle_mass', 'weigh it, tank and engine in'),
  reading('laden_mass', 'Laden mass', 'vehicle_mass', 'as the plate allows'),
  reading('wheelbase', 'Wheelbase', 'vehicle_length', 'hub centre to hub centre'),
  reading('cg_height', 'Centre of gravity height', 'vehicle_length', 'lift one axle, or estimate'),
];

export const TYRE: readonly ReadingSpec<Tyre>[] = [
  reading('roll_out', 'Roll-out, mark to mark', 'vehicle_length', 'mark tyre and floor, roll, tape'),
  reading('loaded_radius', 'Loaded radius', 'length', 'hub centre to floor'),
  reading('free_radius', 'Free radius', 'length', 'the same, wheel hanging'),
];

export const WANTED: readonly ReadingSpec<BriefSheet['wanted']>[] = [
  reading('top_speed', 'Top speed', 'road_speed'),
  reading('cruise_speed', 'Cruise', 'road_speed'),
];

export const MOTOR_PEAK: readonly ReadingSpec<MotorSheet>[] = [
  reading('peak_torque', 'Peak torque', 'torque', 'at its own shaft, before any reduction'),
  reading('peak_power', 'Peak power', 'power', 'without it the torque past standstill is not known'),
  reading('greatest_rpm', 'Top speed', 'spin'),
  reading('taper_from', 'Torque tapers from', 'spin', 'only where the sheet shows it'),
  reading('taper_to', 'to, at top speed', 'torque'),
];

export const MOTOR_LASTING: readonly ReadingSpec<MotorSheet>[] = [
  reading('continuous_torque', 'Continuous torque', 'torque'),
  reading('continuous_power', 'Continuous power', 'power'),
  reading('overrun_torque', 'Greatest overrun torque', 'torque', '0 where there is none'),
  reading('battery_power', 'Battery power', 'power', 'what the pack lets through'),
  reading('charge_power', 'Charging power', 'power', 'what the pack takes on overrun'),
  reading('mass', 'Mass', 'mass'),
];

export const ENGINE: readonly ReadingSpec<BriefSheet['was']>[] = [
  reading('peak_torque', 'Peak torque at the crank', 'torque'),
  reading('peak_torque_at', 'torque made at', 'spin'),
  reading('peak_power', 'Peak power', 'power'),
  reading('peak_power_at', 'power made at', 'spin'),
  reading('greatest_rpm', 'Engine top speed', 'spin', 'empty: that of peak power'),
  reading('final_drive', 'Final drive', 'ratio', 'empty: the first one on the Ratios bench'),
];

export const WEIGHED: readonly ReadingSpec<MassesSheet>[] = [
  reading('front_axle', 'Front axle, weighed', 'vehicle_mass', 'as it was, both wheels'),
  reading('rear_axle', 'Rear axle, weighed', 'vehicle_mass'),
  reading('left_side', 'Left wheels, weighed', 'vehicle_mass', 'for the left share; wants the track'),
  reading('track', 'Track', 'vehicle_length', 'between the middles of the tyres'),
];

export const LIFTED: readonly ReadingSpec<MassesSheet>[] = [
  reading('lift_angle', 'One axle lifted by', 'angle', 'suspension blocked; stands under it'),
  reading('lift_gain', 'The other axle gained', 'mass', 'gives the height of the centre of gravity'),
];

export const LOAD_RATINGS: readonly ReadingSpec<MassesSheet>[] = [
  reading('front_axle_rating', 'Front axle may carry', 'vehicle_mass'),
  reading('rear_axle_rating', 'Rear axle may carry', 'vehicle_mass'),
  reading('tyre_rating', 'One tyre may carry', 'vehicle_mass', 'load mark on its side'),
];
