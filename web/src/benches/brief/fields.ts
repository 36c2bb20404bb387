/** The forms of the brief, in the order in which a fabricator has their figures in hand. */
import type { BriefSheet, MassesSheet, MotorSheet, Tyre } from '../../api/types';
import { asked, choice, count, number, reading, text, within, type Form } from '../../measure/fields';
import { LAYOUTS } from '../../measure/layouts';

const isAnAxleAsked = (brief: BriefSheet) => brief.layout !== 'centre_unit' && brief.layout !== 'two_units';
const AXLES = [
  ['rear', 'rear'],
  ['front', 'front'],
  ['both', 'front and rear'],
] as const;

const vehicle = (form: Form<BriefSheet['vehicle']>) => within((brief: BriefSheet) => brief.vehicle, form);
export const VEHICLE_FIRST: Form<BriefSheet> = vehicle([
  reading('kerb_mass', 'Kerb mass', 'vehicle_mass', 'weigh it, tank and engine in'),
  reading('laden_mass', 'Laden mass', 'vehicle_mass', 'as the plate allows'),
]);
export const VEHICLE_MORE: Form<BriefSheet> = vehicle([
  reading('wheelbase', 'Wheelbase', 'vehicle_length', 'hub centre to hub centre'),
  reading('cg_height', 'Centre of gravity height', 'vehicle_length', 'lift one axle, or estimate'),
  number('front_share', 'Front share of the kerb mass', [0.05, 0.95], 'weigh each axle: front over both'),
  number('cda_m2', 'Drag area C_dA', [0.1, 9], 'drag coefficient × frontal area', 'm²'),
]);

const tyre = (form: Form<Tyre>) => within((brief: BriefSheet) => brief.tyre, form);
export const TYRES_FIRST: Form<BriefSheet> = tyre([
  text('code', 'Sidewall code', { empty: null }),
  reading('roll_out', 'Roll-out', 'vehicle_length', 'mark tyre and floor, roll, tape'),
  count('roll_out_turns', 'Turns in the roll-out', [1, 20], 1),
]);
const TYRE_MORE: Form<Tyre> = [
  reading('loaded_radius', 'Loaded radius', 'length', 'hub centre to floor'),
  reading('free_radius', 'Free radius', 'length', 'the same, wheel hanging'),
];
export const TYRES_MORE: Form<BriefSheet> = [
  ...tyre(TYRE_MORE),
  {
    kind: 'text',
    label: 'Front tyre, where it is another',
    hint: '',
    long: false,
    most: 80,
    when: (brief) => !isAnAxleAsked(brief) || brief.driven === 'both',
    read: (brief) => brief.front_tyre?.code,
    write: (brief, code) => {
      brief.front_tyre = code ? { code, roll_out_turns: 1, construction: 'radial', use: 'best' } : null;
    },
  },
];

const wanted = (form: Form<BriefSheet['wanted']>) => within((brief: BriefSheet) => brief.wanted, form);
export const WANTED_FIRST: Form<BriefSheet> = [
  choice('layout', 'Layout', LAYOUTS),
  ...wanted([
    reading('top_speed', 'Top speed', 'road_speed'),
    number('hill_start_pct', 'Laden hill start, %', [1, 100], '25 is 1 in 4'),
  ]),
];
export const WANTED_MORE: Form<BriefSheet> = [
  ...wanted([reading('cruise_speed', 'Cruise', 'road_speed')]),
  ...within(
    (brief: BriefSheet) => brief.temperatures,
    [
      number('coldest_c', 'Coldest that the drive gets, °C', [-60, 20], 'empty: the usual'),
      number('warmest_c', 'Warmest, °C', [20, 200], 'empty: the usual, 80'),
    ],
  ),
  asked(
    isAnAxleAsked,
    choice('driven', 'Driven axle', (brief) =>
      AXLES.slice(0, brief.layout === 'axle_unit' || brief.layout === 'kept_transaxle' ? 2 : 3),
    ),
  ),
];

const PEAK: Form<MotorSheet> = [
  reading('peak_torque', 'Peak torque', 'torque', 'at its own shaft, before any reduction'),
  reading('peak_power', 'Peak power', 'power', 'without it the torque past standstill is not known'),
  reading('greatest_rpm', 'Motor top speed', 'spin'),
];
export const MOTOR_FIRST: Form<BriefSheet> = within((brief: BriefSheet) => brief.motor, PEAK);
export const MOTOR_PEAK: Form<MotorSheet> = [
  text('name', 'Name', { empty: 'Motor' }),
  ...PEAK,
  reading('taper_from', 'Torque tapers from', 'spin', 'only where the sheet shows it'),
  reading('taper_to', 'to, at top speed', 'torque'),
];

export const MOTOR_LASTING: Form<MotorSheet> = [
  reading('continuous_torque', 'Continuous torque', 'torque'),
  reading('continuous_power', 'Continuous power', 'power'),
  reading('overrun_torque', 'Greatest overrun torque', 'torque', '0 where there is none'),
  reading('battery_power', 'Battery power', 'power', 'what the pack lets through'),
  reading('charge_power', 'Charging power', 'power', 'what the pack takes on overrun'),
  reading('mass', 'Mass', 'mass'),
  number('rated_bus_v', 'Figures are at a bus of, V', [1, 1500], 'from the data sheet'),
  number('bus_v', 'This vehicle’s bus, V, under load', [1, 1500], 'speeds and power go with it'),
  number('inertia_kgm2', 'Rotor inertia', [0, 10], '', 'kg·m²'),
];

export const ENGINE: Form<BriefSheet['was']> = [
  reading('peak_torque', 'Peak torque at the crank', 'torque'),
  reading('peak_torque_at', 'torque made at', 'spin'),
  reading('peak_power', 'Peak power', 'power'),
  reading('peak_power_at', 'power made at', 'spin'),
  reading('greatest_rpm', 'Engine top speed', 'spin', 'empty: that of peak power'),
  reading('final_drive', 'Final drive', 'ratio', 'empty: the first one on the Ratios bench'),
  number('efficiency', 'Crank’s power at the wheels, share', [0.3, 1], '0.90 taken as usual'),
];

export const WEIGHED: Form<MassesSheet> = [
  reading('front_axle', 'Front axle, weighed', 'vehicle_mass', 'as it was, both wheels'),
  reading('rear_axle', 'Rear axle, weighed', 'vehicle_mass'),
  reading('left_side', 'Left wheels, weighed', 'vehicle_mass', 'for the left share; wants the track'),
  reading('track', 'Track', 'vehicle_length', 'between the middles of the tyres'),
];

export const LIFTED: Form<MassesSheet> = [
  reading('lift_angle', 'One axle lifted by', 'angle', 'suspension blocked; stands under it'),
  reading('lift_gain', 'The other axle gained', 'mass', 'gives the height of the centre of gravity'),
];

export const LOAD_RATINGS: Form<MassesSheet> = [
  reading('front_axle_rating', 'Front axle may carry', 'vehicle_mass'),
  reading('rear_axle_rating', 'Rear axle may carry', 'vehicle_mass'),
  reading('tyre_rating', 'One tyre may carry', 'vehicle_mass', 'load mark on its side'),
];

export const NOTES: Form<BriefSheet> = [text('notes', 'Notes', { long: true })];
