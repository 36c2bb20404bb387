/** The forms of the placement: bodies, the unit, how it stands, the wheels, the room left. */
import type { PlacementSheet, ScanFound, ScanSheet, Stand, UnitBody, VehicleBody } from '../../api/types';
import { asked, choice, number, reading, text, within, yesNo, type Form } from '../../measure/fields';
import { ANGLES, spotForm } from '../../scene/spots';

type Body = VehicleBody | UnitBody;

const SHAPES = [
  ['box', 'box'],
  ['round', 'round bar or pipe'],
  ['rail', 'rail of square section'],
  ['scan', 'a scan'],
] as const;
const AXES_UP = [
  ['z', 'z'],
  ['y', 'y'],
  ['x', 'x'],
  ['minus_z', '−z'],
  ['minus_y', '−y'],
  ['minus_x', '−x'],
] as const;
export const NATURES = [
  ['fixed', 'fixed sheet or frame'],
  ['hot', 'hot or moving'],
  ['steering', 'steering or brakes'],
] as const;
export const FATES = [
  ['stays', 'stays'],
  ['after', 'goes on after'],
  ['off', 'comes off for good'],
  ['cut', 'is cut'],
] as const;

function shapeForm<T extends Body>(points: readonly string[]): Form<T> {
  const isBox = (body: T) => body.shape === 'box';
  const only = (when: (body: T) => boolean, form: Form<T>) => form.map((spec) => asked(when, spec));
  return [
    choice<Body, 'shape'>('shape', 'Taken as', SHAPES, 'not said'),
    ...only(isBox, [
      reading<Body>('length', 'Length, along', 'length'),
      reading<Body>('width', 'Width, across', 'length'),
      reading<Body>('height', 'Height', 'length'),
      choice<Body, 'turned'>(
        'turned',
        'It stands',
        [
          ['square', 'square'],
          ['by_angles', 'turned by angles'],
        ],
        'not said',
      ),
      ...within((body: Body) => body.at, spotForm('Its middle', points)),
    ] as unknown as Form<T>),
    ...only(
      (body) => isBox(body) && body.turned === 'by_angles',
      within((body: T) => body.angles, ANGLES),
    ),
    ...only((body) => body.shape === 'round', [
      reading<Body>('width', 'Diameter', 'length'),
    ] as unknown as Form<T>),
    ...only((body) => body.shape === 'rail', [
      reading<Body>('width', 'Width of its section', 'length'),
      reading<Body>('height', 'Height of its section', 'length'),
    ] as unknown as Form<T>),
  ] as Form<T>;
}

/** How a scan is laid; its unit is chosen by how long that would make it. */
export function scanForm(
  points: readonly string[],
  sizes: ScanFound['sizes'],
  length: (mm: number) => string,
): Form<ScanSheet> {
  const units = sizes.map(({ unit, length_mm }) => [unit, `${unit}: ${length(length_mm)} long`] as const);
  const isPose = (scan: ScanSheet) => scan.laid === 'pose';
  return [
    choice<ScanSheet, 'unit'>('unit', 'Its file is in', units as never, 'not said'),
    choice<ScanSheet, 'up'>('up', 'Up in its file is', AXES_UP, 'not said'),
    reading<ScanSheet>('noise', 'Its surface may be out', 'length', 'a hand-held scanner: 0.5 mm'),
    yesNo<ScanSheet>('leave_out_bits', 'Small loose bits in it', '', ['are dust', 'count']),
    choice<ScanSheet, 'laid'>(
      'laid',
      'It is laid',
      [
        ['points', 'by points found on both'],
        ['pose', 'by its place and angles'],
      ],
      'not said',
    ),
    ...[
      ...within((scan: ScanSheet) => scan.at, spotForm('Its origin', points)),
      ...within((scan: ScanSheet) => scan.angles, ANGLES),
    ].map((spec) => asked(isPose, spec)),
  ];
}

const isAfter = (body: Body) => !('fate' in body) || body.fate === 'after';

export function vehicleBodyForm(points: readonly string[]): Form<VehicleBody> {
  return [
    choice('nature', 'It is', NATURES, 'not said'),
    choice('fate', 'It', FATES),
    asked(isAfter, number('after_step', 'Goes on after move', [1, 12])),
    ...within((body: VehicleBody) => body.travel, [
      reading('up', 'Goes up with the wheels', 'length', '0 for not at all'),
      reading('down', 'Goes down', 'length'),
      reading('aside', 'Goes aside at full lock', 'length'),
    ] as Form<VehicleBody['travel']>).map((spec) => asked((body) => body.nature === 'steering', spec)),
    asked((body) => body.fate === 'off', reading('mass', 'Its mass', 'mass')),
    ...shapeForm<VehicleBody>(points),
  ];
}

export const UNIT_BODY: Form<UnitBody> = [
  yesNo('can_come_off', 'Can come off', '', ['it can', 'no']),
  asked((body) => body.can_come_off, yesNo('is_off', 'Left off', '', ['left off', 'on'])),
  yesNo('keeps_clear', 'Room to be kept clear', '', ['for a hand or a tool', 'no: it is metal']),
  number('after_step', 'Goes on after move', [1, 12], 'empty: it is on from the start'),
  ...shapeForm<UnitBody>([]),
];

export const UNIT: Form<PlacementSheet['unit']> = [
  text('name', 'Unit'),
  reading('mass', 'Mass', 'mass'),
  ...within((unit: PlacementSheet['unit']) => unit.cg, spotForm('Centre of gravity', [])),
  ...within((unit: PlacementSheet['unit']) => unit.eye, spotForm('Lifting eye', [])),
];
export const WEIGHS_IN: Form<PlacementSheet> = [
  yesNo('weighs_in', 'Its mass, and what comes off for it', 'not said', [
    'counts on top of the Brief’s masses',
    'is in the Brief’s masses already',
  ]),
];
export const UNIT_OUTPUTS: Form<PlacementSheet['unit']> = [
  choice(
    'turns',
    'Motor turning its usual way, it',
    [
      ['forward', 'rolls forward'],
      ['backward', 'rolls backward'],
    ],
    'not said',
  ),
  ...within((unit: PlacementSheet['unit']) => unit.output_a, spotForm('Left output', [])),
  ...within((unit: PlacementSheet['unit']) => unit.output_b, spotForm('Right output', [])),
];

export const WAYS = [
  ['as_made', 'as made'],
  ['turned', 'turned about its output line'],
  ['end_for_end', 'end for end'],
  ['lengthwise', 'lengthwise, own final drive'],
] as const;

export function standForm(points: readonly string[]): Form<Stand> {
  return [
    choice('way', 'Stands', WAYS, 'not said'),
    ...within((stand: Stand) => stand.at, spotForm('Its origin', points)),
    ...within((stand: Stand) => stand.angles, ANGLES),
    ...[
      ...within((stand: Stand) => stand.final_left, spotForm('Final drive, left', points)),
      ...within((stand: Stand) => stand.final_right, spotForm('Final drive, right', points)),
    ].map((spec) => asked((stand: Stand) => stand.way === 'lengthwise', spec)),
  ];
}

export function wheelsForm(points: readonly string[]): Form<PlacementSheet['wheels']> {
  return [
    ...within((wheels: PlacementSheet['wheels']) => wheels.left, spotForm('Left outer joint', points)),
    ...within((wheels: PlacementSheet['wheels']) => wheels.right, spotForm('Right outer joint', points)),
    reading('bump', 'Wheels rise to the stop', 'length'),
    reading('droop', 'Wheels drop', 'length'),
  ];
}

export const KEEP_OFF: Form<PlacementSheet> = [
  reading('travel', 'Mounts let it move', 'length', 'empty: the usual, shown below'),
  reading('clearance_was', 'Ground clearance as it was', 'length'),
  ...within((sheet: PlacementSheet) => sheet.wanted, [
    reading('fixed', 'Wanted to sheet and frame', 'length'),
    reading('hot', 'Wanted to what is hot or moves', 'length'),
    reading('steering', 'Wanted to steering and brakes', 'length'),
    reading('way_in', 'Wanted on the way in', 'length'),
  ] as Form<PlacementSheet['wanted']>),
];

export function roomForm(points: readonly string[]): Form<PlacementSheet['room']> {
  return [
    text('name', 'Where'),
    ...within(
      (room: PlacementSheet['room']) => room.corner,
      spotForm('Rearmost, right, lowest corner', points),
    ),
    reading('length', 'Room, along', 'length'),
    reading('width', 'Room, across', 'length'),
    reading('height', 'Room, upward', 'length'),
    reading('box_length', 'Box, length', 'length'),
    reading('box_width', 'Box, width', 'length'),
    reading('box_height', 'Box, height', 'length'),
    reading('box_mass', 'Box, mass', 'mass'),
    reading('gap', 'Between two', 'length', 'for plates and cables'),
    yesNo('may_stand', 'A box may lie on any side', '', ['it may', 'upright only']),
  ];
}

const SETTLED = ['settled', 'not settled'] as const;
export const DISPLACED: Form<PlacementSheet['displaced']> = [
  yesNo('column', 'Steering column and rack', 'not looked at', SETTLED),
  yesNo('selector', 'Selector and its linkage', 'not looked at', SETTLED),
  yesNo('pedals', 'Pedals, servo and their pipes', 'not looked at', SETTLED),
  yesNo('width', 'Track and overall width', 'not looked at', SETTLED),
  text('notes', 'Notes', { long: true }),
];
