/** The forms of the ratios bench: what each part bears, what splits the torque, which way it turns, how it is parked. */
import type { BriefSheet, Gearbox, RatiosSheet, Sheets } from '../../api/types';
import { asked, choice, number, reading, within, yesNo, type Form } from '../../measure/fields';
import { layoutHas } from '../../measure/layouts';
import { newGearbox } from './boxes';

type Layout = BriefSheet['layout'];
/** The turning of a motor and its parking are told in the brief, all else here. */
type Both = Pick<Sheets, 'ratios' | 'brief'>;
type Turning = RatiosSheet['turning'];

/** How it stands against the way it was made decides which way it turns. */
const isTurnedAbout = (layout: Layout) => layoutHas(layout).unit || !layoutHas(layout).propshaft;

const COUPLER: Form<RatiosSheet> = [
  choice(
    'coupler',
    'Coupler',
    [
      ['rigid', 'rigid hub'],
      ['flexible', 'flexible, rubber'],
      ['clutch', 'clutch kept'],
      ['spline', 'direct spline'],
    ],
    'not chosen',
  ),
];
const GEARBOX: Form<Gearbox> = [
  choice(
    'use',
    'The gearbox is',
    [
      ['left_in_one', 'left in one gear'],
      ['shifted', 'still shifted'],
    ],
    'not said',
  ),
  reading('rating', 'Gearbox torque', 'torque'),
  asked(
    (gearbox) => Boolean(gearbox.rating),
    choice('rating_at', 'Gearbox torque is stated at', [
      ['input', 'its input'],
      ['output', 'its output'],
    ]),
  ),
  reading('greatest_rpm', 'Gearbox input speed', 'spin'),
];
const shaft = (name: string): Form<RatiosSheet['propshaft']> => [
  reading('rating', `${name} torque`, 'torque'),
  reading('critical_rpm', `${name} critical speed`, 'spin'),
  reading('joint_rpm', `${name} joints turn at most`, 'spin'),
];

/** What the parts that turn are rated for, by what stands in the line. */
export function ratings(layout: Layout, isBoth: boolean): Form<RatiosSheet> {
  const has = layoutHas(layout);
  const front = (sheet: RatiosSheet) => (sheet.front_propshaft ??= {});
  const gearbox = (sheet: RatiosSheet) => (sheet.gearbox ??= newGearbox());
  const rear = within(
    (sheet: RatiosSheet) => sheet.propshaft,
    shaft(isBoth ? 'Rear propshaft' : 'Propshaft'),
  );
  const other = within((sheet: RatiosSheet) => sheet.front_propshaft, shaft('Front propshaft'), front);
  const axle = isBoth ? 'Rear axle torque, both sides' : 'Axle torque, both sides';
  return [
    ...COUPLER,
    ...(has.kept_box ? within((sheet: RatiosSheet) => sheet.gearbox, GEARBOX, gearbox) : []),
    ...(has.propshaft ? rear : []),
    ...(has.propshaft && isBoth ? other : []),
    reading('axle_rating', axle, 'torque'),
    ...(isBoth ? [reading<RatiosSheet>('front_axle_rating', 'Front axle torque', 'torque')] : []),
  ];
}

/** A transfer box behind the gearbox. */
export const TRANSFER: Form<RatiosSheet['transfer']> = [
  choice(
    'use',
    'Its range is',
    [
      ['left_in_one', 'left in one'],
      ['shifted', 'still changed'],
    ],
    'not said',
  ),
  yesNo('in_one_casing', 'It stands', 'not said', ['in one casing with the gearbox', 'on mounts of its own']),
  reading('drop', 'Its outputs lie below its input by', 'length', '0: in line'),
];

export const SPLIT: Form<RatiosSheet['split']> = [
  choice('kind', 'Centre', [
    ['open', 'open differential'],
    ['limited_slip', 'limited slip'],
    ['locked', 'locked'],
  ]),
  asked(
    (split) => split.kind !== 'locked',
    number('front_share', 'Front share of the torque', [0.05, 0.95], 'a bevel one halves: 0.5'),
  ),
  asked(
    (split) => split.kind === 'limited_slip',
    number('bias_ratio', 'Bias ratio', [1, 20], 'most torque one side over the other'),
  ),
  yesNo('front_hubs_free', 'Front hubs', '', ['freewheeling', 'engaged, or none']),
];

const WAYS = [
  ['clockwise', 'clockwise'],
  ['anticlockwise', 'anticlockwise'],
] as const;
const MOTOR: Form<BriefSheet['motor']> = [choice('rotation', 'The motor’s usual way', WAYS, 'not known')];
const KEPT: Form<Turning> = [choice('kept_input', 'The kept shaft must turn', WAYS, 'not known')];
const UNIT: Form<Turning> = [
  choice(
    'unit_facing',
    'The unit stands',
    [
      ['as_made', 'as it was made to'],
      ['tilted', 'turned or tilted'],
      ['end_for_end', 'end for end'],
    ],
    'not known',
  ),
  yesNo('oil_checked', 'Oil level, pick-up and breather suit it', 'not checked'),
];
const OIL: Form<Turning> = [
  choice(
    'oil_pump',
    'Its oil',
    [
      ['none', 'splash, no pump'],
      ['electric', 'electric pump'],
      ['one_way', 'pump, one way only'],
      ['either_way', 'pump, either way'],
    ],
    'not known',
  ),
];
const turning = (form: Form<Turning>) => within((both: Both) => both.ratios.turning, form);

/** Which way it turns, as far as it can be told of what stands in the line. */
export const turningForm = ({ ratios, brief }: Both): Form<Both> => [
  ...within((both: Both) => both.brief.motor, MOTOR),
  ...(layoutHas(brief.layout).final_drive ? turning(KEPT) : []),
  ...(isTurnedAbout(brief.layout) ? turning(UNIT) : []),
  ...(isTurnedAbout(brief.layout) || ratios.reductions.length > 0 ? turning(OIL) : []),
];

export const PARKING: Form<BriefSheet['parking']> = [
  yesNo('pawl', 'A pawl locks the driveline', 'not known'),
  asked(
    (parking) => parking.pawl === true,
    reading('pawl_rating', 'Torque the pawl holds', 'torque', 'at the unit’s output'),
  ),
  number('handbrake_held_pct', 'The handbrake has held, %', [1, 100], '25 is 1 in 4; what it was tried on'),
  choice('handbrake_axle', 'It works on the', [
    ['rear', 'rear wheels'],
    ['front', 'front wheels'],
  ]),
];

export const CLUTCH: Form<RatiosSheet['clutch']> = [
  reading('greatest_rpm', 'Clutch turns at most', 'spin'),
  reading('flywheel_diameter', 'Flywheel diameter', 'length', 'over the rim, without the ring gear'),
  number('flywheel_limit_mpa', 'Rim stress allowed', [1, 1000], 'its maker’s word, or of its iron', 'MPa'),
];
