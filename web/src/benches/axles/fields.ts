/** The forms of the shafts: an axle's joints, each side's travel and bar, a line of propshafts. */
import type { Axle, AxleSide, AxlesSheet, FlangeAdapter, PropLine, Spot } from '../../api/types';
import { asked, choice, count, number, reading, text, within, yesNo, type Form } from '../../measure/fields';
import { circleJointForm } from '../../measure/screws';
import { spotForm } from '../../scene/spots';

type Travelled = AxleSide['outer'];
type Steered = AxleSide['steered'];
type Bar = AxleSide['bar'];
type Spline = Bar['inner_spline'];
type Joint = PropLine['joints'][number];
type Tube = PropLine['tubes'][number];
type Direction = PropLine['box'];
type MockUp = Bar['mock_up'];
type Face = FlangeAdapter['shaft'];
type Flange = Axle['flange'];
type Turning = AxlesSheet['turning'];

const WHICH = [
  ['rear', 'the rear axle'],
  ['front', 'the front axle'],
] as const;
const MATERIALS = [
  ['medium_carbon', 'medium carbon, induction hardened'],
  ['alloy', 'alloy, hardened'],
  ['soft', 'not hardened'],
] as const;
const HUBS = [
  ['hardened', 'hardened, fixed'],
  ['soft', 'not hardened, fixed'],
  ['hardened_sliding', 'hardened, slides under torque'],
  ['soft_sliding', 'not hardened, slides under torque'],
] as const;
const MPA: readonly [number, number] = [1, 3000];
const when = <T>(is: (from: T) => boolean, form: Form<T>): Form<T> =>
  form.map((spec) => asked((from: T) => is(from) && (spec.when?.(from) ?? true), spec));

export const AXLE: Form<Axle> = [
  choice<Axle, 'which'>('which', 'It is', WHICH, 'the only one driven'),
  reading<Axle>('laden', 'Laden, its wheels stand higher by', 'length', 'than at ride height; 0: they don’t'),
  reading<Axle>('empty', 'Empty, they hang lower by', 'length', '0: ride height is empty'),
  choice<Axle, 'differential'>(
    'differential',
    'Its differential is',
    [
      ['open', 'open'],
      ['bias', 'limited slip by a bias ratio'],
      ['clutches', 'limited slip by clutches'],
      ['locked', 'a locker or spool'],
    ],
    'not said',
  ),
  ...when((axle: Axle) => axle.differential === 'bias', [number<Axle>('bias_ratio', 'Bias ratio', [1, 20])]),
  ...when(
    (axle: Axle) => axle.differential === 'clutches',
    [reading<Axle>('lock', 'Its clutches hold', 'torque')],
  ),
  ...within(
    (axle: Axle) => axle.inner,
    [
      choice<Axle['inner'], 'kind'>(
        'kind',
        'Inner joints are',
        [
          ['tripod', 'plunging tripods'],
          ['ball', 'plunging ball joints'],
        ],
        'not said',
      ),
      reading<Axle['inner']>('angle', 'Greatest angle of an inner joint', 'angle', 'by its maker'),
      reading<Axle['inner']>('plunge', 'Its plunge either way, running straight', 'length'),
      reading<Axle['inner']>('plunge_bent', 'Its plunge either way, at that angle', 'length'),
      reading<Axle['inner']>('rating', 'Greatest torque of an inner joint', 'torque', 'by its maker'),
      reading<Axle['inner']>(
        'capacity',
        'Dynamic capacity of an inner joint',
        'torque',
        'for its life, by its maker',
      ),
    ],
  ),
  ...within(
    (axle: Axle) => axle.outer,
    [
      reading<Axle['outer']>('angle', 'Greatest angle of an outer joint', 'angle', 'by its maker'),
      reading<Axle['outer']>('fast', 'Its greatest angle at top speed', 'angle', 'by its maker'),
      reading<Axle['outer']>('rating', 'Greatest torque of an outer joint', 'torque', 'by its maker'),
      reading<Axle['outer']>(
        'capacity',
        'Dynamic capacity of an outer joint',
        'torque',
        'for its life, by its maker',
      ),
    ],
  ),
  number<Axle>('life_h', 'Its joints are to last', [1, 1_000_000], 'hours of driving', 'h'),
  reading<Axle>('life_torque', 'Torque a side that they run with on the mean', 'torque'),
  reading<Axle>('life_speed', 'Its shafts turn with then', 'spin'),
];

/** Where a wheel takes its joint; heights are rows of their own. */
export function pathForm(points: readonly string[]): Form<Travelled> {
  return [
    ...within((path: Travelled) => path.ride, spotForm('Outer joint’s centre at ride height', points)),
    choice<Travelled, 'kind'>(
      'kind',
      'How it is known where it goes',
      [
        ['heights', 'measured at several heights'],
        ['pivots', 'on an arm about two pivots'],
      ],
      'not said',
    ),
    ...when(
      (path: Travelled) => path.kind === 'pivots',
      [
        ...within((path: Travelled) => path.pivot_a, spotForm('First pivot', points)),
        ...within((path: Travelled) => path.pivot_b, spotForm('Second pivot', points)),
      ],
    ),
    reading<Travelled>('bump', 'Rises to the bump stop by', 'length', 'from ride height'),
    reading<Travelled>('droop', 'Drops by', 'length', 'from ride height, to its stop'),
    reading<Travelled>('strap', 'A limit strap stops it after', 'length', 'empty: there is none'),
  ];
}

export const heightForm = (k: number): Form<Spot> => spotForm(`Height ${k + 1}`, []);

export function steeringForm(points: readonly string[]): Form<AxleSide> {
  return [
    yesNo<AxleSide>('steers', 'This wheel', 'not said', ['steers', 'does not steer']),
    ...when(
      (side: AxleSide) => side.steers === true,
      within(
        (side: AxleSide) => side.steered,
        [
          ...within((one: Steered) => one.pin_top, spotForm('King pin, above', points)),
          ...within((one: Steered) => one.pin_bottom, spotForm('King pin, below', points)),
          reading<Steered>('to_left', 'Lock of this wheel, steering left', 'angle'),
          reading<Steered>('to_right', 'Lock of this wheel, steering right', 'angle'),
        ],
      ),
    ),
  ];
}

export const innerForm = (points: readonly string[]): Form<AxleSide> =>
  within((side: AxleSide) => side.inner, spotForm('Inner joint’s centre', points));

const splineForm = (which: string): Form<Spline> => [
  number<Spline>('teeth', `${which} spline, teeth counted`, [4, 120]),
  reading<Spline>('outside', `${which} spline, over its teeth`, 'length'),
  reading<Spline>('root', `${which} spline, at its root`, 'length'),
  reading<Spline>('length', `${which} spline, long`, 'length'),
  reading<Spline>('engaged', `${which} spline, in its joint`, 'length', 'full teeth of both'),
  choice<Spline, 'hub'>('hub', `${which} spline goes into`, HUBS, 'not known'),
  text<Spline>('form', `${which} spline, form`, { most: 120 }),
  reading<Spline>('pin', `${which} spline, pins of`, 'length'),
  reading<Spline>('over_pins', `${which} spline, over those pins`, 'length'),
];

export const BAR: Form<Bar> = [
  reading<Bar>('inner_seat', 'Inner joint’s centre to the bar’s seat', 'length'),
  reading<Bar>('outer_seat', 'Outer joint’s centre to the bar’s seat', 'length'),
  reading<Bar>('length', 'Bar, seat to seat', 'length', 'as it is to be made'),
  reading<Bar>('made_to', 'Made to, either way', 'length'),
  reading<Bar>('diameter', 'Bar’s diameter', 'length'),
  reading<Bar>('bore', 'Its bore', 'length', '0: it is solid'),
  choice<Bar, 'material'>('material', 'It is of', MATERIALS, 'not said'),
  number<Bar>('guide_mpa', 'Greatest shear its maker allows', MPA, 'empty: the guide of its material', 'MPa'),
  number<Bar>('range_mpa', 'Shear from launch to overrun its maker allows', MPA, '', 'MPa'),
  ...within((bar: Bar) => bar.inner_spline, splineForm('Inner')),
  ...within((bar: Bar) => bar.outer_spline, splineForm('Outer')),
  text<Bar>('grooves', 'Circlip grooves', { most: 120 }),
  text<Bar>('boots', 'Boots', { most: 120 }),
  text<Bar>('measured_how', 'How its length was measured', { most: 120 }),
  text<Bar>('part_number', 'Part number', { most: 120 }),
  yesNo<Bar>('is_mock_up', 'This bar is', '', ['a mock-up: a measuring stick', 'to be made']),
  ...when(
    (bar: Bar) => bar.is_mock_up,
    within(
      (bar: Bar) => bar.mock_up,
      [
        reading<MockUp>('sleeve_bore', 'Bore of the sleeve over its cut', 'length'),
        reading<MockUp>('runout', 'Swing of a dial halfway along', 'length', 'tacked, turned on its ends'),
        reading<MockUp>(
          'proved',
          'As it fitted, seat to seat',
          'length',
          'unit in place, wheel at ride height',
        ),
      ],
    ),
  ),
];

const directionForm = (what: string): Form<Direction> => [
  reading<Direction>('falls', `${what} falls, toward the axle`, 'angle', 'rising: minus'),
  reading<Direction>('left', `${what} runs to the left, toward the axle`, 'angle', 'to the right: minus'),
];

export const LINE: Form<PropLine> = [
  choice<PropLine, 'which'>('which', 'It leads to', WHICH, 'the only axle driven'),
  ...within((line: PropLine) => line.box, directionForm('Box’s output line')),
  ...within((line: PropLine) => line.pinion, directionForm('Pinion’s line')),
  reading<PropLine>('zero', 'The inclinometer reads, on level ground', 'angle', 'empty: nought'),
  yesNo<PropLine>('is_fixed', 'The axle’s housing is', 'not said', ['bolted to the vehicle', 'sprung']),
  ...when(
    (line: PropLine) => line.is_fixed === false,
    [
      reading<PropLine>('bump', 'Where the shaft joins it, it rises by', 'length'),
      reading<PropLine>('droop', 'and drops by', 'length'),
      choice<PropLine, 'goes'>(
        'goes',
        'It goes',
        [
          ['straight', 'straight up and down, as seen'],
          ['measured', 'by an arc of its own'],
        ],
        'not said',
      ),
      reading<PropLine>(
        'laden',
        'Laden, the axle stands higher by',
        'length',
        'than at ride height; 0: it doesn’t',
      ),
      reading<PropLine>('empty', 'Empty, it hangs lower by', 'length', '0: ride height is empty'),
      reading<PropLine>('winds_up', 'Under launch the pinion’s nose winds up', 'angle', 'as seen'),
      reading<PropLine>('winds_down', 'Under brakes or reverse it winds down', 'angle', 'the most of it'),
      reading<PropLine>('pinion_ahead', 'Its joint stands ahead of the axle’s centre', 'length', 'along it'),
      reading<PropLine>('pinion_above', 'and above it', 'length', '0: level with it; below: minus'),
      number<PropLine>(
        'wind_nm_per_deg',
        'Axle torque that winds its springs up a degree',
        [1, 100_000],
        'or so: the greater of both governs',
        'N·m',
      ),
    ],
  ),
  yesNo<PropLine>('has_hoop', 'If the front joint breaks', 'not said', ['a loop catches it', 'nothing does']),
  number<PropLine>('grade_mm_s', 'Balance grade G', [0.1, 100], 'empty: the usual', 'mm/s'),
  ...when(
    (line: PropLine) => line.joints.length > 2,
    [
      ...within(
        (line: PropLine) => line.bearing,
        [
          number<PropLine['bearing']>(
            'rating_n',
            'Bearing between two shafts, greatest side force',
            [1, 1_000_000],
            'by its maker',
            'N',
          ),
          reading<PropLine['bearing']>('greatest', 'Its top speed', 'spin', 'by its maker'),
        ],
      ),
    ],
  ),
  number<PropLine>('life_h', 'Its joints are to last', [1, 1_000_000], 'hours of driving', 'h'),
  reading<PropLine>('life_torque', 'Torque that it runs with on the mean', 'torque'),
  reading<PropLine>('life_speed', 'It turns with then', 'spin'),
];

/** A place of a live axle's own arc. */
export const arcForm = (k: number): Form<PropLine['arc'][number]> => [
  reading<PropLine['arc'][number]>('up', `Place ${k + 1}, above ride by`, 'length', 'below: minus'),
  reading<PropLine['arc'][number]>('ahead', `Place ${k + 1}, nearer the box by`, 'length', 'farther: minus'),
  reading<PropLine['arc'][number]>('nose', `Place ${k + 1}, nose up by`, 'angle', 'down: minus'),
];

export const jointForm = (k: number, points: readonly string[]): Form<Joint> => [
  choice<Joint, 'kind'>(
    'kind',
    `Joint ${k + 1} is`,
    [
      ['cross', 'a cross with two yokes'],
      ['cv', 'a constant-velocity (CV) joint'],
      ['double', 'a double cross'],
      ['rubber', 'a rubber coupling'],
    ],
    'not said',
  ),
  ...within((joint: Joint) => joint.at, spotForm(`Joint ${k + 1}’s centre`, points)),
  reading<Joint>('angle', `Joint ${k + 1}, greatest angle`, 'angle', 'by its maker'),
  reading<Joint>('rating', `Joint ${k + 1}, greatest torque`, 'torque', 'by its maker'),
  ...when(
    (joint: Joint) => joint.kind !== 'rubber' && joint.kind != null,
    [reading<Joint>('capacity', `Joint ${k + 1}, dynamic capacity`, 'torque', 'for its life, by its maker')],
  ),
  ...when(
    (joint: Joint) => joint.kind === 'rubber',
    [number<Joint>('nm_per_deg', `Joint ${k + 1}, torque that turns it a degree`, [1, 100_000], '', 'N·m')],
  ),
  text<Joint>('grease', `Joint ${k + 1}, grease`, { most: 120 }),
];

export const tubeForm = (k: number): Form<Tube> => [
  reading<Tube>('outside', `Shaft ${k + 1}, diameter`, 'length'),
  reading<Tube>('wall', `Shaft ${k + 1}, wall`, 'length', 'of a solid bar half its diameter'),
  reading<Tube>('phasing', `Shaft ${k + 1}, yokes twisted by`, 'angle', '0: inner ears in line'),
  choice<Tube, 'material'>('material', `Shaft ${k + 1} is of`, MATERIALS, 'not said'),
  number<Tube>('guide_mpa', `Shaft ${k + 1}, greatest shear its maker allows`, MPA, '', 'MPa'),
  reading<Tube>('mass', `Shaft ${k + 1} weighs`, 'mass'),
  ...within(
    (tube: Tube) => tube.runs,
    [
      reading<Tube['runs']>(
        'falls',
        `Shaft ${k + 1} falls going to the axle`,
        'angle',
        'by inclinometer on it; rises: minus',
      ),
      reading<Tube['runs']>(
        'left',
        `Shaft ${k + 1} runs to the left`,
        'angle',
        'in plan, by tape; to the right: minus',
      ),
    ],
  ),
  reading<Tube>(
    'centres',
    `Shaft ${k + 1}, between joint centres`,
    'length',
    'then the next joint needs no place',
  ),
  yesNo<Tube>('slips', `Shaft ${k + 1}`, '', ['has a slip joint', 'has no slip joint']),
  ...when(
    (tube: Tube) => tube.slips,
    [
      reading<Tube>('slip', `Shaft ${k + 1}, its slip joint goes`, 'length', 'shut to fully drawn'),
      reading<Tube>('drawn', `Shaft ${k + 1}, drawn out at ride height`, 'length'),
      ...within((tube: Tube) => tube.slip_spline, splineForm(`Shaft ${k + 1}, slip`)),
    ],
  ),
  text<Tube>('flanges', `Shaft ${k + 1}, flanges`, { most: 120 }),
  text<Tube>('part_number', `Shaft ${k + 1}, part number`, { most: 120 }),
  yesNo<Tube>('is_mock_up', `Shaft ${k + 1} is`, '', ['a mock-up: a measuring stick', 'to be made']),
];

export const SHAKES: Form<Turning> = [
  reading(
    'shakes_at',
    'It shakes at',
    'road_speed',
    'by what was felt: all that comes round then stands beside it',
  ),
];
export const TURNING: Form<Turning> = [
  number<Turning>('wheel_kgm2', 'Inertia of a driven wheel', [0.01, 100], 'with tyre and brake', 'kg·m²'),
  number<Turning>(
    'tyre_nm_per_deg',
    'Torque that turns a tyre a degree on its rim',
    [1, 100_000],
    'lever on the hub, tyre on the floor',
    'N·m',
  ),
  number<Turning>(
    'half_shaft_nm_per_deg',
    'Torque that turns a half shaft a degree',
    [1, 100_000],
    'of an axle whose bars are not entered',
    'N·m',
  ),
  reading<Turning>('play', 'Free turn at a wheel', 'angle', 'motor held, the other wheel down'),
  number<Turning>('steps_a_turn', 'Torque steps of the motor in a turn', [2, 400], 'by its maker'),
];

export const ADAPTER: Form<FlangeAdapter> = [
  choice<FlangeAdapter, 'which'>('which', 'It is in the line to', WHICH, 'the only axle driven'),
  reading<FlangeAdapter>('outside', 'Outside diameter', 'length'),
  reading<FlangeAdapter>('thickness', 'Thickness', 'length'),
  reading<FlangeAdapter>('bore', 'Bore right through', 'length', '0 for none'),
  reading<FlangeAdapter>(
    'turned',
    'Far holes turned from the near ones',
    'angle',
    '0 in line; anticlockwise from the shaft',
  ),
  choice<FlangeAdapter, 'made_of'>(
    'made_of',
    'It is of',
    [
      ['steel', 'steel'],
      ['stainless', 'stainless steel'],
      ['aluminium', 'aluminium'],
    ],
    'not said',
  ),
  text<FlangeAdapter>('part_number', 'Part number', { most: 120 }),
];

/** Bolts that hold a shaft's flange. */
export const flangeForm = (what: string, threads: readonly string[]): Form<Flange> => [
  yesNo<Flange>('is_bolted', what, 'not said', ['held by bolts', 'held otherwise']),
  ...when(
    (flange: Flange) => flange.is_bolted === true,
    [
      count<Flange>('count', 'Bolts', [0, 24], 0),
      reading<Flange>('circle', 'On a circle of', 'length'),
      reading<Flange>('hole', 'Holes', 'length'),
      reading<Flange>('grip', 'What they clamp, thick', 'length'),
      ...within((flange: Flange) => flange.joint, circleJointForm(threads)),
    ],
  ),
];

/** One face of a flange adapter: its holes, and what centres it. */
export const faceForm = (threads: readonly string[]): Form<Face> => [
  count<Face>('count', 'Screws', [0, 24], 0),
  reading<Face>('circle', 'On a circle of', 'length', 'or:'),
  reading<Face>(
    'chord',
    'From one hole to the next, centres',
    'length',
    'inside and outside of both, halved',
  ),
  reading<Face>('hole', 'Holes', 'length', 'tapped: the drill’s'),
  yesNo<Face>('is_tapped', 'They are', '', ['tapped in the adapter', 'clearance holes']),
  asked(
    (face: Face) => face.is_tapped === true,
    reading<Face>('flange', 'Flange that they clamp, thick', 'length'),
  ),
  reading<Face>('register_size', 'Register, diameter', 'length', '0 where there is none'),
  ...within((face: Face) => face.joint, circleJointForm(threads)),
];
