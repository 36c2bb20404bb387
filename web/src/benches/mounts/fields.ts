/** The forms of the mounts: where and how each holds, its bracket and ears, the gap that welds pull, a cut frame. */
import type { Mount, MountsSheet } from '../../api/types';
import {
  asked,
  choice,
  number,
  reading,
  text,
  within,
  yesNo,
  type FieldSpec,
  type Form,
} from '../../measure/fields';
import { BOLT, CONDITIONS, SCREWED, STRENGTHS, TIGHTENED } from '../../measure/screws';
import { ANGLES, spotForm } from '../../scene/spots';

type Bracket = Mount['bracket'];
type Ears = Mount['ears'];
type Tube = Mount['tube'];
type Cradle = Mount['cradle'];
type Landing = Bracket['landing'];
type Pull = MountsSheet['pull'];
type Cut = MountsSheet['frame'];
type Rail = Cut['old'];

const KINDS = [
  ['rubber', 'rubber bush or pad'],
  ['hard', 'hard, without rubber'],
  ['arm', 'torque arm'],
] as const;
const ARMS = [
  ['none', 'none: bolted straight on'],
  ['box', 'boxed arm'],
  ['tube', 'round tube'],
  ['channel', 'open channel'],
  ['folded', 'channel folded from sheet'],
  ['gusseted', 'shelf on gussets'],
  ['standoffs', 'plate on standoffs'],
] as const;
const STIFF: readonly [number, number] = [1, 1e7];
const HOLDS = ['it holds', 'it slides'] as const;

const isRubber = (mount: Mount) => mount.kind === 'rubber';
const isHard = (mount: Mount) => mount.kind === 'hard';
const isArm = (mount: Mount) => mount.kind === 'arm';
export const when = <T>(is: (from: T) => boolean, form: Form<T>): Form<T> =>
  form.map((spec) => asked((from: T) => is(from) && (spec.when?.(from) ?? true), spec));

const standsOn = (crosses: readonly string[]): FieldSpec<Mount> => ({
  kind: 'choice',
  name: 'stands_on',
  label: 'Its bracket stands on',
  hint: '',
  none: '',
  options: () => [['', 'the vehicle'], ...crosses.map((name) => [name, name] as const)],
  read: (mount) => mount.stands_on ?? '',
  write: (mount, name) => (mount.stands_on = name || null),
});

/** Where a mount is and how it holds. */
export function mountForm(points: readonly string[], crosses: readonly string[]): Form<Mount> {
  return [
    choice<Mount, 'kind'>('kind', 'It is a', KINDS, 'not said'),
    ...within((mount: Mount) => mount.boss, spotForm('On the unit, in its own axes', [])),
    ...when(
      (mount: Mount) => !isArm(mount) && (crosses.length > 0 || mount.stands_on !== null),
      [standsOn(crosses)],
    ),
    ...when(
      (mount: Mount) => isArm(mount) || !mount.stands_on || mount.bracket.kind !== 'none',
      within((mount: Mount) => mount.rail, spotForm('On the vehicle', points)),
    ),
    ...when(isArm, [number<Mount>('along_n_per_mm', 'Stiffness along itself', STIFF, '', 'N/mm')]),
    ...when(isRubber, [
      number<Mount>('along_n_per_mm', 'Stiffness fore and aft', STIFF, '', 'N/mm'),
      number<Mount>('across_n_per_mm', 'Stiffness across', STIFF, '', 'N/mm'),
      number<Mount>('upright_n_per_mm', 'Stiffness upright', STIFF, 'or weigh it, below', 'N/mm'),
      ...within((mount: Mount) => mount.weighed, [
        reading('mass', 'A known weight on it', 'mass'),
        reading('sinks', 'Under it, it sinks', 'length', 'by a ruler'),
      ] as Form<Mount['weighed']>),
      number<Mount>(
        'turning_nm_per_deg',
        'Resists twist about its bolt by',
        [0.1, 1e4],
        'empty: not counted on',
        'N·m/°',
      ),
      yesNo<Mount>('is_measured', 'These figures are', '', ['measured', "a catalogue's"]),
      reading<Mount>('travel', 'Goes so far before it bottoms', 'length'),
    ]),
    ...when(isHard, [
      yesNo<Mount>('holds_x', 'Fore and aft', 'not said', HOLDS),
      yesNo<Mount>('holds_y', 'Across', 'not said', HOLDS),
      yesNo<Mount>('holds_z', 'Up and down', 'not said', HOLDS),
    ]),
    number<Mount>('rating_n', 'Greatest load, by its maker', [1, 1e7], '', 'N'),
    ...when(
      (mount: Mount) => !isHard(mount),
      [yesNo<Mount>('is_caught', 'If it lets go', 'not said', ['something stops the unit', 'nothing does'])],
    ),
    ...when(
      (mount: Mount) => !isArm(mount),
      [
        yesNo<Mount>('is_turned', 'Its own axes stand', '', ['turned', 'square']),
        ...when(
          (mount: Mount) => mount.is_turned,
          within((mount: Mount) => mount.angles, ANGLES),
        ),
      ],
    ),
  ];
}

const pairs = (names: readonly string[]) => names.map((name) => [name, name] as const);
export const railYield = (label: string) =>
  number<Bracket['rail']>('yield_mpa', label, [1, 2000], 'empty: the usual', 'MPa');

/** The rail, or whatever it is, that something is welded to: a hollow one bends in. */
export const railForm = (runs: string, along: string, square: string): Form<Bracket> =>
  within(
    (one: Bracket) => one.rail,
    [
      yesNo<Bracket['rail']>('is_hollow', 'Behind that wall it is', 'not said', [
        'hollow',
        'solid, or stiffened there',
      ]),
      ...when(
        (one: Bracket['rail']) => one.is_hollow !== false,
        [
          railYield('Yield of the rail'),
          reading<Bracket['rail']>('face', 'The rail’s face, from wall to wall', 'length'),
          choice<Bracket['rail'], 'runs'>(
            'runs',
            runs,
            [
              ['across', along],
              ['upright', square],
            ],
            'not said',
          ),
        ],
      ),
    ],
  );

const isMade = (bracket: Bracket) => bracket.kind != null && bracket.kind !== 'none';

type Legs = Bracket['legs'];
const LONGER = 'longer than the rest by; shorter: below nought';
/** The legs of a plate on standoffs. */
export const LEGS: Form<Legs> = [
  reading<Legs>('across', 'Legs apart, across', 'length', 'four, in its corners'),
  reading<Legs>('upright', 'Legs apart, upright', 'length'),
  reading<Legs>('outside', 'Diameter of a leg', 'length'),
  reading<Legs>('wall', 'Wall of a leg', 'length', 'of a bar half its diameter'),
  reading<Legs>(
    'foot',
    'What stands on its middle, broad',
    'length',
    'the foot of its ears, or a mount’s own',
  ),
  yesNo<Legs>('is_stepped', 'The face below its legs is', 'not said', ['stepped', 'flat']),
  ...when(
    (one: Legs) => one.is_stepped === true,
    [
      reading<Legs>('lower_left', 'Lower left leg', 'length', `seen from the unit; ${LONGER}`),
      reading<Legs>('lower_right', 'Lower right leg', 'length', LONGER),
      reading<Legs>('upper_left', 'Upper left leg', 'length', LONGER),
      reading<Legs>('upper_right', 'Upper right leg', 'length', LONGER),
    ],
  ),
];

/** What holds a mount to the vehicle: what it is made of. */
export const BRACKET: Form<Bracket> = [
  choice<Bracket, 'kind'>('kind', 'Bracket', ARMS, 'not said'),
  ...when(isMade, [
    asked((one: Bracket) => one.kind !== 'tube', reading<Bracket>('breadth', 'Breadth, across', 'length')),
    reading<Bracket>(
      'depth',
      'Depth, upright',
      'length',
      'of a tube its diameter; of a shelf over all at its root',
    ),
    reading<Bracket>('wall', 'Wall', 'length', 'of a channel its flanges, of a shelf or plate itself'),
    asked((one: Bracket) => one.kind === 'channel', reading<Bracket>('web', 'Web', 'length')),
    asked(
      (one: Bracket) => one.kind === 'folded',
      reading<Bracket>('bend', 'Radius of its bends, inside', 'length', 'at least the sheet’s thickness'),
    ),
    asked(
      (one: Bracket) => one.kind === 'box',
      yesNo<Bracket>('has_tabs', 'Its plates are', '', ['held by tabs, in notches', 'plain']),
    ),
    ...when(
      (one: Bracket) => one.kind === 'gusseted',
      [
        number<Bracket>('gussets', 'Gussets below it', [1, 3], 'one below its middle, two at its edges'),
        reading<Bracket>('gusset', 'Thickness of a gusset', 'length'),
        reading<Bracket>(
          'nose',
          'Depth over all at the mount',
          'length',
          'the shelf’s thickness: they end in a point',
        ),
      ],
    ),
  ]),
];
/** The rest of it: how long, how it lies, how it is welded. */
export const BRACKET_SET: Form<Bracket> = [
  ...when(isMade, [
    reading<Bracket>(
      'length',
      'Cut to a length of',
      'length',
      'its landing plate comes on top; of standoffs with their plate',
    ),
    reading<Bracket>(
      'beside',
      'The load passes beside its middle by',
      'length',
      'of a channel beside its web',
    ),
    asked(
      (one: Bracket) => one.beside !== null,
      choice<Bracket, 'lies_to'>(
        'lies_to',
        'Its middle, or web, lies from the load to the',
        [
          ['front', 'front'],
          ['rear', 'rear'],
          ['left', 'left'],
          ['right', 'right'],
        ],
        'not said: both ways count',
      ),
    ),
    asked(
      (one: Bracket) => one.kind !== 'standoffs',
      choice<Bracket, 'root_cut'>(
        'root_cut',
        'Its root is cut',
        [
          ['square', 'square, as drawn'],
          ['fitted', 'to the face, after a template'],
        ],
        'not said',
      ),
    ),
    reading<Bracket>('leg', 'Leg of the weld round its root', 'length'),
    yesNo<Bracket>('is_inspected', 'That weld is', 'not said', ['inspected by an expert', 'not inspected']),
    asked(
      (one: Bracket) => !one.landing.is_there,
      reading<Bracket>('base', 'Thickness of what it is welded to', 'length'),
    ),
    ...when(
      (one: Bracket) => one.landing.is_there === true,
      within((one: Bracket) => one.rail, [railYield('Yield of what it is bolted to')]),
    ),
    ...when(
      (one: Bracket) => !one.landing.is_there,
      railForm('Under the bracket the rail runs', 'along the bracket’s breadth', 'along its depth'),
    ),
    ...when(
      (one: Bracket) => one.kind === 'box',
      [
        choice<Bracket, 'box_made'>(
          'box_made',
          'The boxed arm is',
          [
            ['section', 'one hollow section'],
            ['plates', 'welded of plates'],
          ],
          'not said',
        ),
        asked(
          (one: Bracket) => one.box_made === 'plates',
          reading<Bracket>('seam', 'Leg of the welds along its corners', 'length'),
        ),
      ],
    ),
    number<Bracket>('yield_mpa', 'Yield of its steel', [1, 2000], 'empty: the usual', 'MPa'),
    choice<Bracket, 'goes_on'>(
      'goes_on',
      'It goes on',
      [
        ['before', 'before the unit'],
        ['after', 'with the unit in place'],
      ],
      'not said',
    ),
  ]),
];

/** How a bracket is fixed to the vehicle. */
export const landingForm = (threads: readonly string[]): Form<Landing> => [
  yesNo<Landing>('is_there', 'On the vehicle it is', 'not said', ['bolted, by a landing plate', 'welded']),
  ...when(
    (one: Landing) => one.is_there === true,
    [
      reading<Landing>('breadth', 'Landing plate, across', 'length'),
      reading<Landing>('depth', 'Landing plate, upright', 'length'),
      reading<Landing>('thickness', 'Landing plate, thick', 'length'),
      reading<Landing>('across', 'Its bolts apart, across', 'length', 'four, in its corners'),
      reading<Landing>('upright', 'Its bolts apart, upright', 'length'),
      reading<Landing>('hole', 'Its holes', 'length'),
      reading<Landing>('shims', 'Shims between it and the vehicle', 'length', 'empty: none'),
      choice<Landing, 'thread'>('thread', 'Its bolts', pairs(threads), 'not known'),
      choice<Landing, 'property_class'>('property_class', 'Strength on their heads', STRENGTHS, 'not known'),
      reading<Landing>(
        'onto_across',
        'The face it lands on, across',
        'length',
        'along a rail: as far as it is flat',
      ),
      reading<Landing>('onto_upright', 'The face it lands on, upright', 'length'),
      choice<Landing, 'through'>(
        'through',
        'They go through',
        [
          ['solid', 'solid metal or one plate'],
          ['sleeves', 'a hollow rail, with sleeves'],
          ['hollow', 'a hollow rail, no sleeves'],
        ],
        'not said',
      ),
      ...when(
        (one: Landing) => one.through === 'sleeves',
        [
          reading<Landing>('sleeve_outside', 'Sleeves, outside', 'length'),
          reading<Landing>('sleeve_inside', 'Sleeves, bore', 'length'),
        ],
      ),
      reading<Landing>('goes_through', 'They clamp besides plate and shims', 'length', '0: screwed into it'),
      ...within((one: Landing) => one.screws, TIGHTENED),
    ],
  ),
];

/** What a torque arm is made of: its tube buckles. */
export const LINK: Form<Bracket> = [
  reading<Bracket>('depth', 'Diameter of its tube or rod', 'length'),
  reading<Bracket>('wall', 'Wall of the tube', 'length', 'of a rod half its diameter'),
  reading<Bracket>('beside', 'Its tube beside the line of its eyes by', 'length', '0: straight'),
  reading<Bracket>('leg', 'Leg of the welds at its eyes', 'length'),
  yesNo<Bracket>('is_inspected', 'Its welds are', 'not said', ['inspected by an expert', 'not inspected']),
  number<Bracket>('yield_mpa', 'Yield of its steel', [1, 2000], 'empty: the usual', 'MPa'),
  ...railForm('What its ears stand on runs', 'along their bolt', 'square to their bolt'),
];

/** The ring at either end of a torque arm. */
export const EYE: Form<Mount> = within(
  (mount: Mount) => mount.eye,
  [
    reading<Mount['eye']>('outside', 'Its eyes, outside', 'length'),
    reading<Mount['eye']>('bore', 'Their bore, for the bush', 'length'),
    reading<Mount['eye']>('width', 'Their width, along the bolt', 'length'),
  ],
);

export const GRIP: Form<Mount> = [
  choice<Mount, 'grip'>('grip', 'It takes hold of the unit by', [
    ['ears', 'ears and a bolt'],
    ['strap', 'a cradle and a strap'],
  ]),
];

/** A cradle and the strap over it, in the order in which they are made. */
export const cradleForm = (threads: readonly string[]): Form<Cradle> => [
  reading<Cradle>('cylinder', 'Diameter of what lies in it', 'length', 'with its lining'),
  reading<Cradle>('angle', 'It embraces it from below by', 'angle', '120° is usual'),
  reading<Cradle>('height', 'Cylinder’s middle over its foot', 'length'),
  reading<Cradle>('width', 'Its two plates, wide at the foot', 'length'),
  reading<Cradle>('plate', 'Its two plates, thick', 'length'),
  number<Cradle>('friction', 'Friction of its lining', [0.01, 1], 'some 0.15 of metal, 0.3 of rubber'),
  reading<Cradle>('breadth', 'Strap, broad', 'length'),
  reading<Cradle>('thickness', 'Strap, thick', 'length'),
  reading<Cradle>('flange', 'Cylinder’s middle down to its feet', 'length'),
  reading<Cradle>('foot', 'Its bolts off its uprights', 'length', 'to the middle of the bolt'),
  choice<Cradle, 'thread'>('thread', 'Its bolts', pairs(threads), 'not known'),
  choice<Cradle, 'property_class'>('property_class', 'Strength on their heads', STRENGTHS, 'not known'),
  choice<Cradle, 'condition'>('condition', 'Their threads are', CONDITIONS, 'not said'),
  reading<Cradle>('tightening', 'Tightened to', 'torque'),
  reading<Cradle>('clamps', 'They clamp besides the strap', 'length'),
  ...within((one: Cradle) => one.screws, SCREWED),
];

export const EARS: Form<Ears> = [
  number<Ears>('count', 'Ears on its bolt', [1, 2]),
  reading<Ears>('bolt', 'Bolt', 'length'),
  choice<Ears, 'bolt_class'>('bolt_class', 'Strength on the bolt’s head', STRENGTHS, 'not known'),
  reading<Ears>('hole', 'Hole', 'length'),
  reading<Ears>('thickness', 'Thickness of an ear', 'length'),
  reading<Ears>('width', 'Width across the hole', 'length'),
  reading<Ears>('edge', 'From the hole’s edge to the plate’s edge', 'length'),
  reading<Ears>('root', 'Width at the foot', 'length'),
  reading<Ears>('height', 'From the foot to the hole’s middle', 'length'),
  choice<Ears, 'stands'>(
    'stands',
    'They stand',
    [
      ['end', 'on the bracket’s end, in line with it'],
      ['top', 'on top of it'],
      ['under', 'under it'],
    ],
    'not said',
  ),
  reading<Ears>('leg', 'Leg of the welds at the foot', 'length', 'along both faces'),
  reading<Ears>('on', 'Thickness of what it stands on', 'length', 'empty: its bracket’s wall'),
];

/** What the bolt of two ears is tightened on. */
export const TUBE: Form<Mount> = [
  ...when(
    (mount: Mount) => mount.ears.count !== 1,
    within(
      (mount: Mount) => mount.tube,
      [
        yesNo<Tube>('is_there', 'Between its ears', 'not said', [
          'a tube that the bolt clamps',
          'nothing: castle nut and pin',
        ]),
        ...when(
          (tube: Tube) => tube.is_there === true,
          [
            reading<Tube>('gap', 'Gap between the ears, welded', 'length'),
            reading<Tube>('length', 'Length of the tube', 'length', 'a bush’s sleeve is one'),
            reading<Tube>('outside', 'Its outside', 'length'),
            reading<Tube>('inside', 'Its bore', 'length'),
            number<Tube>('yield_mpa', 'Yield of the tube', [1, 2000], 'empty: the usual', 'MPa'),
          ],
        ),
      ],
    ),
  ),
  ...when(
    (mount: Mount) => mount.ears.count !== 1 && mount.tube.is_there === true,
    within((mount: Mount) => mount.ears.screw, BOLT),
  ),
];

export const TURNS: Form<MountsSheet> = [
  choice<MountsSheet, 'output_turns'>(
    'output_turns',
    'Driving forward, seen from behind, the output turns',
    [
      ['clockwise', 'clockwise'],
      ['anticlockwise', 'anticlockwise'],
    ],
    'not said',
  ),
];

export const SUBFRAME: Form<MountsSheet> = within((sheet: MountsSheet) => sheet.subframe, [
  yesNo('is_there', 'A subframe', '', ['stays with the unit', 'is not carried over']),
  ...when(
    (one: MountsSheet['subframe']) => one.is_there,
    [
      reading<MountsSheet['subframe']>('mass', 'Subframe, mass', 'mass'),
      ...within((one: MountsSheet['subframe']) => one.cg, spotForm('Its centre of gravity', [])),
    ],
  ),
] as Form<MountsSheet['subframe']>);

type OwnCase = MountsSheet['own_cases'][number];
const G_FORCE: readonly [number, number] = [-20, 20];
export const OWN_CASE: Form<OwnCase> = [
  number<OwnCase>('forward_g', 'Thrown forward, g', G_FORCE, 'brakes throw it forward'),
  number<OwnCase>('left_g', 'Thrown to the left, g', G_FORCE),
  number<OwnCase>('up_g', 'Thrown up, g', G_FORCE, 'standing still: -1'),
  choice<OwnCase, 'torque'>('torque', 'Torque that leaves it', [
    ['none', 'none'],
    ['launch', 'launch'],
    ['overrun', 'overrun'],
    ['reverse', 'launch backward'],
    ['locked', 'wheels locked'],
    ['locked_back', 'wheels locked, rolling back'],
  ]),
];

export const SHAKES: Form<MountsSheet> = [
  number<MountsSheet>('dynamic', 'Shaken rubber is so many times as stiff', [1, 4], 'empty: the usual'),
  ...within((sheet: MountsSheet) => sheet.inertia, [
    number('roll_kgm2', 'Inertia about fore and aft', [0.001, 1e4], 'empty: of its envelope', 'kg·m²'),
    number('pitch_kgm2', 'Inertia about the line across', [0.001, 1e4], '', 'kg·m²'),
    number('yaw_kgm2', 'Inertia about the upright', [0.001, 1e4], '', 'kg·m²'),
  ] as Form<MountsSheet['inertia']>),
];

export const PULL: Form<Pull> = [
  reading<Pull>('gap', 'Gap wanted at the bolt', 'length', 'after welding'),
  reading<Pull>('least', 'It may be as little as', 'length'),
  reading<Pull>('greatest', 'and as much as', 'length'),
  yesNo<Pull>('is_lap', 'Joint', '', ['a lap', 'a tee, two fillets']),
  reading<Pull>('leg', 'Leg of the weld at the foot', 'length'),
  reading<Pull>('plate', 'Thickness of the plate under them', 'length'),
  reading<Pull>('height', 'Bolt over the foot', 'length'),
  reading<Pull>('jig', 'Gap that you jig it at', 'length', 'empty: the gap wanted'),
];

export const CUT: Form<Cut> = [
  yesNo<Cut>('is_cut', 'A frame or rail is', 'not said', ['cut', 'left whole']),
  ...when(
    (cut: Cut) => cut.is_cut === true,
    [
      yesNo<Cut>('is_heat_treated', 'Its steel is', 'not said', ['heat-treated', 'plain']),
      number<Cut>('yield_mpa', 'Yield of its steel', [1, 2000], 'empty: not known', 'MPa'),
    ],
  ),
];
export const APPROVAL: Form<Cut> = [
  text<Cut>('approved_by', 'Approved by', {}),
  text<Cut>('approved_on', 'On', { most: 20 }),
];
const isFolded = (rail: Rail) => rail.kind === 'trough' || rail.kind === 'channel';
export const RAIL: Form<Rail> = [
  choice<Rail, 'kind'>('kind', 'Its section', [
    ['trough', 'trough or box'],
    ['channel', 'channel, web upright'],
    ['tube', 'round tube'],
    ['plates', 'plates, one by one'],
    ['outline', 'from a drawing'],
  ]),
  ...when(isFolded, [reading<Rail>('breadth', 'Breadth', 'length')]),
  ...when(
    (rail: Rail) => isFolded(rail) || rail.kind === 'tube',
    [
      reading<Rail>('depth', 'Depth', 'length', 'of a tube its diameter'),
      reading<Rail>('wall', 'Wall', 'length'),
    ],
  ),
  ...when(isFolded, [
    reading<Rail>('lid', 'What closes its open side, thick', 'length', '0: it is open'),
    reading<Rail>('under', 'A plate below, thick', 'length', '0: none'),
    asked((rail: Rail) => Boolean(rail.under), reading<Rail>('under_breadth', 'That plate, broad', 'length')),
  ]),
];
