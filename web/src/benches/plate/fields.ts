/** The forms of motor face, plate, build-up and screws, in the order in which their figures are taken. */
import type { Joint, PlateSheet, Survey } from '../../api/types';
import { fig, num } from '../../measure/figures';
import { asked, choice, count, number, reading, settled, text, type Form } from '../../measure/fields';

type Face = PlateSheet['face'];
type Plate = PlateSheet['plate'];
type BuildUp = PlateSheet['build_up'];
type OwnRegister = PlateSheet['flange_register'];
export type Register = Plate['registers'][number];

const METALS = [
  ['aluminium', 'aluminium'],
  ['steel', 'steel'],
  ['stainless', 'stainless steel'],
] as const;
export const FITS = ['H7/g6', 'H7/h6', 'H8/h6', 'H7/k6', 'H7/n6', 'H7/p6', 'H7/s6'] as const;
const FIT_OPTIONS = FITS.map((name) => [name, name] as const);

export const NUMBERED: Form<Survey> = [
  choice('numbered', 'Numbers run', [
    ['anticlockwise', 'anticlockwise'],
    ['clockwise', 'clockwise'],
  ]),
];
export const SEEN: Form<Survey> = [
  choice('seen_from', 'Looked at from', [
    ['engine', 'the engine side'],
    ['gearbox', 'the gearbox side'],
  ]),
  ...NUMBERED,
];
export const DIRECTION: Form<Survey> = [settled('direction_at', 'It lies at, from 3 o’clock', 'angle')];
/** A flange of distances alone: its bore may stand for the shaft. */
export const BORE_STANDS: Form<Survey> = [
  asked(
    (survey) => (survey.holes ?? []).some((hole) => hole.is_bore),
    reading('bore_true', 'The bore stands for the shaft, true to', 'length', 'by dial; empty: it does not'),
  ),
];
export const CIRCLE: Form<Face> = [
  count('count', 'Holes on the circle', [0, 60], 0),
  reading('bolt_circle', 'Bolt circle', 'length', 'across two opposite holes'),
  settled('first_at', 'First hole at', 'angle'),
];
export const TURNED: Form<Plate> = [
  settled('turned', 'Motor turned by', 'angle', 'anticlockwise from the engine side'),
];
const MATES = [
  ['spigot', 'stands out: a spigot'],
  ['bore', 'is sunk: a bore'],
] as const;
export const FACE: Form<Face> = [
  reading('register_size', 'Register', 'length', 'a micrometer tells more than a caliper'),
  asked((face) => Boolean(face.register_size), choice('register_kind', 'It', MATES, 'not said')),
  asked(
    (face) => Boolean(face.register_size),
    reading('register_depth', 'It stands out, or is deep', 'length', 'from the face, by depth gauge'),
  ),
  reading(
    'plate_hole',
    'Clearance hole in the plate',
    'length',
    `M10 ${num(11, 'mm')}, M8 ${num(9, 'mm')}, M12 ${fig(13.5, 'mm')}`,
  ),
  reading('counterbore', 'Counterbore, when heads are sunk', 'length'),
  reading('counterbore_depth', 'Counterbore depth', 'length'),
];
export const MOTOR_SCREWS: Form<Face> = [
  reading('screw_length', 'Screw length', 'length', 'under the head'),
  reading(
    'depth_behind',
    'Depth behind the face',
    'length',
    'a wire down the hole, to the first thing it meets',
  ),
];
export const OVERHANG: Form<Face> = [
  reading('overhang', 'Motor’s c.g. from its face', 'length', 'balance it on a bar'),
];
export const FLANGE_SCREWS: Form<Joint> = [
  reading('length', 'Length of the gearbox screws', 'length', 'under the head'),
  reading('depth_behind', 'Depth behind the gearbox face', 'length', 'to the first thing behind'),
];
export const STANDOFF_SCREWS: Form<Joint> = [
  reading('length', 'Length of the standoff screws', 'length', 'under the head'),
  reading('depth_behind', 'Depth of the hole in a leg', 'length', 'to the end of the drill'),
];
export const SLEEVES: Form<Joint> = [
  asked(
    (joint) => joint.crush_tube,
    number('sleeve_yield_mpa', 'Yield of the sleeves', [21, 2500], '', 'MPa'),
  ),
];

export const TERMINALS: Form<Face> = [
  reading('terminals_at', 'Terminals at', 'angle', 'middle of them, from 3 o’clock, looking at the face'),
  reading('terminals_arc', 'Terminals and cables take up', 'angle', 'of the turn'),
];
export const TERMINALS_WINDOW: Form<Plate> = [
  reading('terminals_from', 'They may lie from', 'angle', 'in the vehicle, seen from the engine side'),
  reading('terminals_to', 'to', 'angle', 'anticlockwise'),
];
export const PLATE: Form<Plate> = [
  reading('thickness', 'Thickness', 'length'),
  choice('made_of', 'Made of', METALS, 'not chosen'),
  text('material', 'Grade and temper'),
  choice('process', 'Cut by', [
    ['waterjet', 'waterjet'],
    ['laser', 'laser'],
    ['plasma', 'plasma'],
    ['flame', 'flame'],
    ['milled', 'milled'],
  ]),
];
export const EDGE: Form<Plate> = [
  choice('outline_by', 'Edge follows', [
    ['holes', 'the holes'],
    ['flange', 'the flange’s outline'],
  ]),
];
export const LOCATED: Form<Plate> = [
  {
    ...choice(
      'locating',
      'Located by',
      [
        ['registers', 'registers'],
        ['dowels', 'dowels, reamed after indicating'],
      ],
      'not chosen',
    ),
    read: (plate) => (plate.locating === 'not_chosen' ? null : plate.locating),
  },
];
export const BORE: Form<Plate> = [
  reading('bore', 'Bore through it', 'length', 'empty: the motor’s register'),
];
export const GEARBOX_PLATE_BORE: Form<Plate> = [
  reading(
    'bore',
    'Bore, gearbox plate',
    'length',
    'for shaft and coupler; the motor plate has the register’s',
  ),
];
/** What the gearbox is located by. */
export const OWN: Form<OwnRegister> = [
  reading('size', 'The gearbox’s register', 'length', 'diameter, by micrometer'),
  asked((own) => Boolean(own.size), choice('kind', 'It', MATES, 'not said')),
  asked(
    (own) => Boolean(own.size),
    reading('depth', 'It stands out, or is deep', 'length', 'from the face, by depth gauge'),
  ),
];
const isRing = (register: Register) => register.kind === 'ring';
/** A register of the plate, after its size and its fit. */
export const REGISTER: Form<Register> = [
  choice(
    'side',
    'On the',
    [
      ['motor', 'motor side'],
      ['gearbox', 'gearbox side'],
    ],
    'not said',
  ),
  choice(
    'kind',
    'Made as',
    [
      ['bore', 'a bore in the plate'],
      ['spigot', 'a spigot turned on it'],
      ['ring', 'a separate ring'],
    ],
    'not said',
  ),
  reading('depth', 'Deep, or stands out', 'length', 'a bore right through: empty'),
  asked(isRing, reading('ring_outside', 'The ring sits in', 'length', 'diameter in the plate')),
  asked(isRing, reading('ring_depth', 'so deep', 'length')),
  asked(isRing, reading('ring_inside', 'Inside of the ring', 'length', 'of one that stands out')),
  reading('chamfer', 'Chamfer', 'length', '0: none'),
];
export type HoleMade = Plate['holes'][number];
const isThreaded = (hole: HoleMade) => hole.held === 'tapped' || hole.held === 'stud';
const clampsFlange = (hole: HoleMade) => isThreaded(hole) || hole.held === 'nut';
const isSunk = (hole: HoleMade) => Boolean(hole.counterbore);
/** How holes are made that are other than clearance holes; which of them stands above. */
export const holeForm = (threads: readonly string[]): Form<HoleMade> => [
  choice(
    'held',
    'Held by',
    [
      ['clearance', 'a screw through it'],
      ['tapped', 'a thread in the plate'],
      ['stud', 'a stud in the plate'],
      ['nut', 'a screw and a nut'],
      ['fitted', 'a fitted bolt, reamed'],
      ['slot', 'a slot, to turn the motor'],
      ['left_out', 'nothing: not drilled'],
    ],
    'not said',
  ),
  asked(
    isThreaded,
    choice(
      'thread',
      'Thread in the plate',
      threads.map((name) => [name, name] as const),
      'not chosen',
    ),
  ),
  asked(
    (hole) => !isThreaded(hole) && hole.held !== 'left_out',
    reading('size', 'Its diameter', 'length', 'empty: as the other face has it'),
  ),
  asked((hole) => hole.held === 'slot', reading('slot', 'Slotted either way', 'angle', 'about the shaft')),
  asked(clampsFlange, reading('clamps', 'Flange that it clamps, thick', 'length')),
  asked(clampsFlange, choice('clamps_of', 'That flange is of', METALS, 'not said')),
  reading('counterbore', 'Counterbore', 'length', 'empty: none'),
  asked(isSunk, reading('counterbore_depth', 'so deep', 'length')),
  asked(
    isSunk,
    choice(
      'counterbore_side',
      'sunk from the',
      [
        ['motor', 'motor side'],
        ['gearbox', 'gearbox side'],
      ],
      'not said',
    ),
  ),
];
export type Relief = Plate['reliefs'][number];
const isCut = (relief: Relief) => relief.cut === 'through' || relief.cut === 'pocket';
/** What stands out of a face, before and after the points of its outline. */
export const RELIEF_FACE: Form<Relief> = [
  choice(
    'side',
    'Stands out of',
    [
      ['motor', 'the motor'],
      ['gearbox', 'the gearbox'],
    ],
    'not said',
  ),
];
export const RELIEF: Form<Relief> = [
  reading(
    'width',
    'Diameter, or width',
    'length',
    'about one point or along two; empty: the points go round it',
  ),
  reading('stands_out', 'Stands out', 'length', 'by depth gauge, from the face'),
  choice(
    'cut',
    'For it',
    [
      ['through', 'cut right through'],
      ['pocket', 'mill a pocket'],
      ['nothing', 'nothing: it is clear'],
    ],
    'not said',
  ),
  asked(isCut, reading('room', 'Room round it', 'length', `castings are rough: ${fig(3, 'mm')}`)),
  asked((relief) => relief.cut === 'pocket', reading('depth', 'Depth of the pocket', 'length')),
];
export const CONCENTRICITY: Form<Plate> = [
  reading('concentricity', 'Concentricity as machined', 'length'),
  reading('out_of_parallel', 'Faces out of parallel', 'length', 'most that its thickness differs'),
];
export const DOWEL: Form<Plate> = [
  reading('dowel_size', 'Dowel', 'length', 'two of them, as far apart as the flange allows'),
  asked(
    (plate) => Boolean(plate.dowel_size),
    choice('dowel_fit', 'Dowel in its reamed hole', FIT_OPTIONS, 'not chosen'),
  ),
];
export const ORDER: Form<Plate> = [
  text('part_number', 'Part number', { most: 30 }),
  count('quantity', 'Quantity', [1, 500], 1),
  reading('kerf', 'Kerf put into the lines', 'length', 'empty: the cutter’s own'),
  reading('sheet_long', 'Stock sheet, long', 'length'),
  reading('sheet_wide', 'Stock sheet, wide', 'length'),
];
export const KIND: Form<BuildUp> = [
  choice('kind', 'Built as', [
    ['one_plate', 'one plate'],
    ['two_plates', 'two plates on standoffs'],
    ['ring', 'plate and spacer ring'],
    ['base', 'base plate, motor on feet'],
  ]),
];
export const SECOND: Form<BuildUp> = [reading('second_thickness', 'Motor plate, thickness', 'length')];
export const APART: Form<BuildUp> = [
  reading('wanted_apart', 'Faces wanted apart', 'length', 'as shafts and coupler ask for'),
];
export const STANDOFFS: Form<BuildUp['standoffs']> = [
  count('count', 'Standoffs', [0, 24], 0),
  reading('circle', 'On a circle of', 'length'),
  reading('first_at', 'First at', 'angle'),
  reading('hole', 'Hole in each plate', 'length'),
  reading('diameter', 'Diameter of a leg', 'length'),
  reading('bored', 'Bored through', 'length', 'empty: solid'),
  reading('length', 'Length as ordered', 'length', 'face to face'),
  choice(
    'fixing',
    'Fixed by',
    [
      ['bolted', 'bolted'],
      ['welded', 'welded'],
    ],
    'not chosen',
  ),
  choice('made_of', 'Legs are made of', METALS, 'not said'),
];
export const RING: Form<BuildUp['ring']> = [
  reading('thickness', 'Ring, thickness', 'length'),
  reading('inside', 'Ring, inside', 'length'),
  choice('on', 'Between the plate and', [
    ['gearbox', 'the gearbox'],
    ['motor', 'the motor'],
  ]),
];
export const BASE: Form<BuildUp['base']> = [
  reading('along', 'Feet’s holes, along the shaft', 'length'),
  reading('across', 'Feet’s holes, across', 'length'),
  reading('hole', 'Hole for the feet', 'length'),
  reading('from_face', 'Gearbox face to the first pair', 'length'),
  reading('shaft_height', 'Feet to motor shaft', 'length'),
  reading('bed_height', 'Base plate to gearbox shaft', 'length'),
];
