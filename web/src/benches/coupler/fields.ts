/** The forms of both shafts and of each style's coupler, in the order in which their figures are taken. */
import type { CouplerSheet } from '../../api/types';
import { asked, choice, count, number, reading, text, within, yesNo, type Form } from '../../measure/fields';
import { circleJointForm, STRENGTHS } from '../../measure/screws';

type Shaft = CouplerSheet['motor_shaft'];
type Hub = CouplerSheet['hub'];
type Jaw = CouplerSheet['jaw'];

const isKeyed = (shaft: Shaft) => shaft.kind === 'keyed';
const isSplined = (shaft: Shaft) => shaft.kind === 'splined';
const isTapered = (shaft: Shaft) => shaft.kind === 'tapered';
const only = <T>(when: (from: T) => boolean, form: Form<T>) => form.map((spec) => asked(when, spec));

const KEY: Form<Shaft['key']> = [
  reading('length', 'Key length', 'length', 'over all'),
  reading('starts', 'Tip to the key’s near end', 'length'),
  choice(
    'ends',
    'Key ends',
    [
      ['square', 'square'],
      ['round', 'round'],
    ],
    'not said',
  ),
  reading('width', 'Key width', 'length', 'empty with the next two: the standard’s for that shaft'),
  reading('height', 'Key height', 'length'),
  reading('shaft_depth', 'Depth in the shaft', 'length'),
  number('bearing_mpa', 'Its flanks may bear', [1, 2500], 'empty: what the hub yields at', 'MPa'),
];
const SPLINE: Form<Shaft['spline']> = [
  number('teeth', 'Teeth, counted', [4, 120], 'mark one with a pen'),
  reading('root', 'Across the roots', 'length', 'caliper in two opposite gaps'),
  reading('length', 'Length of full teeth', 'length'),
  reading('starts', 'Tip to the first full tooth', 'length'),
  reading('hub_teeth', 'Full teeth in its hub', 'length', 'from the hub’s mouth'),
  choice(
    'hub',
    'Its hub is',
    [
      ['hardened', 'hardened, fixed'],
      ['soft', 'not hardened, fixed'],
      ['hardened_sliding', 'hardened, slides under torque'],
      ['soft_sliding', 'not hardened, slides under torque'],
    ],
    'not known',
  ),
];
const TAPER: Form<Shaft['taper']> = [
  reading('length', 'Length of the taper', 'length'),
  number('one_in', 'Taper, one in', [3, 100], 'on the diameter'),
  text('nut', 'Thread of its nut', { empty: null, most: 20 }),
  choice('nut_class', 'Strength of that thread', STRENGTHS, 'not known'),
  reading('tightening', 'Nut tightened to', 'torque'),
];

const END: Form<Shaft> = [
  choice(
    'kind',
    'It is',
    [
      ['keyed', 'keyed'],
      ['splined', 'splined'],
      ['tapered', 'tapered'],
    ],
    'not said',
  ),
  reading('diameter', 'Diameter', 'length', 'of the seat; a spline over its teeth'),
  choice(
    'zone',
    'Its tolerance, by its maker',
    (['g6', 'h6', 'h7', 'k6', 'n6', 'p6', 's6'] as const).map((name) => [name, name] as const),
    'measured, or not known',
  ),
  reading('bore', 'Bored through', 'length', '0 for a solid one'),
  choice(
    'tip',
    'Its tip',
    [
      ['stands_out', 'stands out of its face'],
      ['recessed', 'is behind its face'],
    ],
    'not said',
  ),
  reading('reading', 'Face to tip, as read', 'length', 'with a bar across the face, the bar included'),
  asked((shaft) => shaft.tip === 'recessed', reading('bar', 'Thickness of that bar', 'length', '0 for none')),
  reading('end_float', 'End float', 'length', 'push and pull it against a dial; 0 for none'),
  choice(
    'read_at',
    'Tip was read',
    [
      ['in', 'pushed in'],
      ['middle', 'in the middle of it'],
      ['out', 'drawn out'],
    ],
    'not said',
  ),
  reading('least', 'Least diameter behind its seat', 'length', 'at a fillet or groove; else its own'),
  number('shear_mpa', 'Shear its steel may bear', [1, 2500], 'empty: 250, unhardened', 'MPa'),
  reading('play', 'Play across, at its tip', 'length', 'lift it against a dial; 0 for none'),
  ...only(
    isKeyed,
    within((shaft: Shaft) => shaft.key, KEY),
  ),
  ...only(
    isSplined,
    within((shaft: Shaft) => shaft.spline, SPLINE),
  ),
  ...only(
    isTapered,
    within((shaft: Shaft) => shaft.taper, TAPER),
  ),
];
export const MOTOR_SHAFT: Form<CouplerSheet> = within((sheet: CouplerSheet) => sheet.motor_shaft, END);
export const GEARBOX_SHAFT: Form<CouplerSheet> = within((sheet: CouplerSheet) => sheet.gearbox_shaft, END);

const hub = (form: Form<Hub>) => within((sheet: CouplerSheet) => sheet.hub, form);
const MADE: Form<Hub> = [
  text('part_number', 'Part number', { most: 30 }),
  choice(
    'made_of',
    'Made of',
    [
      ['steel', 'steel'],
      ['aluminium', 'aluminium'],
      ['stainless', 'stainless steel'],
    ],
    'not chosen',
  ),
  text('material', 'Material, in words'),
  reading('outside', 'Outside round its bore', 'length'),
  reading('length', 'Length over all', 'length'),
  reading('seat', 'Length of its seat', 'length', 'what bears on the shaft'),
];
const FIT: Form<Hub> = [
  reading('bore', 'Nominal bore', 'length', 'empty: of the shaft'),
  choice(
    'fit',
    'Fit that it is made for',
    (['H7/g6', 'H7/h6', 'H7/k6', 'H7/n6', 'H7/p6', 'H7/s6'] as const).map((name) => [name, name] as const),
    'not chosen',
  ),
  choice(
    'put_on',
    'Put on',
    [
      ['heated', 'heated'],
      ['degreased', 'heated, degreased'],
      ['oiled', 'pressed, oiled'],
    ],
    'not said',
  ),
  choice(
    'beside',
    'Beside it',
    [
      ['hardened', 'hardened parts only'],
      ['seals', 'a seal or bearing'],
    ],
    'not looked',
  ),
  choice(
    'kept_by',
    'Kept along the shaft by',
    [
      ['screw', 'screw and washer'],
      ['circlip', 'circlip'],
      ['grub', 'grub screws'],
      ['nut', 'the nut of its taper'],
      ['fit', 'its fit'],
      ['nothing', 'nothing'],
    ],
    'not said',
  ),
  number('hub_rz_um', 'Bore roughness Rz, µm', [0, 200], 'fine turned 6.3'),
  number('shaft_rz_um', 'Shaft roughness Rz, µm', [0, 200], 'ground 4'),
];
export const HUB_MADE: Form<CouplerSheet> = hub(MADE);
export const HUB_FIT: Form<CouplerSheet> = hub(FIT);
const PLACED: Form<Hub> = [reading('to_face', 'Motor face to the hub’s back', 'length')];
const PILOT: Form<Hub> = [
  reading('pilot_depth', 'Pilot bore, deep', 'length', 'for the gearbox shaft’s tip; 0 for none'),
];
const CHAMFERS: Form<Hub> = [reading('chamfers', 'Chamfers of both spline ends', 'length', 'together')];
const CENTRE: Form<Hub> = [
  reading('reach', 'Hub end to its spline’s far end', 'length', 'of the clutch’s centre'),
  reading('flange', 'Flange outside', 'length'),
  reading('flange_thickness', 'Flange thickness', 'length'),
];

const LIMITS: Form<CouplerSheet> = [
  reading('face_clear', 'Hub clear of a face, least', 'length'),
  reading('tip_clear', 'Tip clear of the hub, least', 'length'),
];
export const TRUE: Form<CouplerSheet> = [
  reading('runout', 'Dial on the seated hub, total', 'length', 'turned by hand, one whole turn'),
  reading('face_runout', 'Dial on its face, total', 'length', 'end float held'),
  reading('face_sweep', 'Its face read on a diameter of', 'length'),
  number('launches', 'Launches in its life', [1, 1e9], 'ten a day for thirty years: 100 000'),
  number('grade_mm_s', 'Balance grade wanted, G', [0.4, 100], 'empty: 16', 'mm/s'),
  reading('allowed_parallel', 'Offset forgiven', 'length', 'its maker’s figure; empty: usual'),
  reading('allowed_angle', 'Angle forgiven', 'angle', 'its maker’s figure; empty: usual'),
  number(
    'stiffness_nm_per_rad',
    'Torque that twists it one radian',
    [2, 10_000_000],
    'its maker’s figure',
    'N·m',
  ),
];

const SPIDER: Form<Jaw> = [
  reading('hub_length', 'Length of the gearbox’s hub', 'length', 'the motor’s is that of the hub'),
  reading('engaged', 'Least of it on a shaft', 'length'),
  reading('gap_least', 'Gap between hubs, least', 'length', 'with the spider’s end play'),
  reading('gap_greatest', 'Gap between hubs, greatest', 'length'),
  choice(
    'way',
    'Spider',
    [
      ['spider_kept', 'whole'],
      ['spider_drilled', 'drilled for the shafts'],
      ['shaft_cut', 'whole, motor shaft cut'],
    ],
    'not chosen',
  ),
  asked((jaw) => jaw.way === 'shaft_cut', reading('cut_off', 'Cut off the motor shaft', 'length')),
  asked((jaw) => jaw.way === 'spider_drilled', reading('tip_gap', 'Between the tips, least', 'length')),
  reading('motor_slide', 'Motor hub before its tip', 'length', 'below nought: the tip stands out of it'),
  reading('gearbox_slide', 'Gearbox hub before its tip', 'length'),
  reading('outside', 'Outside', 'length'),
  reading('rating', 'Spider’s rated torque', 'torque'),
  reading('greatest', 'Its top speed', 'spin', 'by its maker'),
  number('temperature', 'Factor for heat', [1, 5], 'empty: 1.2'),
  number('shock', 'Factor for shock', [1, 5], 'empty: 1, it is in the design torque'),
  number('starts', 'Factor for starts', [1, 5], 'empty: 1'),
];
const CLUTCH: Form<CouplerSheet['clutch']> = [
  number('clamp_n', 'Clamp load', [1, 100_000], 'of its cover', 'N'),
  number('friction', 'Friction of the linings', [0.06, 1], 'dry 0.3'),
  reading('lining_outside', 'Linings, outside', 'length'),
  reading('lining_inside', 'Linings, inside', 'length'),
  number('faces', 'Faces that rub', [1, 12], 'two for one disc'),
  reading('flywheel_out', 'Motor face to the friction face', 'length'),
  reading('stood_at', 'It stood from the bell-housing’s face', 'length', 'on the engine’s side above nought'),
  reading('travel', 'Release bearing forgives', 'length', 'either way'),
  reading('flywheel_grip', 'Flywheel under its bolts', 'length', 'thickness'),
];
const NOSE: Form<CouplerSheet['clutch']> = [
  yesNo('pilot_bearing', 'Pilot bearing for it', 'not said', ['there', 'none']),
];
const BOLTS: Form<CouplerSheet['bolts']> = [
  count('count', 'Bolts', [0, 24], 0),
  reading('circle', 'On a circle of', 'length'),
  reading('hole', 'Holes', 'length'),
];
const WELD: Form<CouplerSheet['weld']> = [
  reading('leg', 'Leg of the weld', 'length', 'empty where none is welded'),
  reading('diameter', 'Its diameter', 'length'),
  number('electrode_mpa', 'Filler’s tensile strength', [1, 2500], '', 'MPa'),
  yesNo('is_inspected', 'Inspected', 'not said'),
  number('cycles', 'Launches in its life', [1, 1e9], ''),
];

interface Group {
  title: string;
  form: Form<CouplerSheet>;
}
const jointOf = (threads: readonly string[]) =>
  within((sheet: CouplerSheet) => sheet.bolts.joint, circleJointForm(threads));

/** What is asked of a style's own parts; hub and shafts are asked of all. */
export function styleGroups(style: string | null, threads: readonly string[]): readonly Group[] {
  const groups: Record<string, readonly Group[]> = {
    rigid: [
      { title: 'Hub lengthwise', form: hub([...PLACED, ...CENTRE, ...PILOT, ...CHAMFERS]) },
      {
        title: 'Bolts of the clutch’s centre',
        form: [...within((sheet: CouplerSheet) => sheet.bolts, BOLTS), ...jointOf(threads)],
      },
      { title: 'Weld of the hub', form: within((sheet: CouplerSheet) => sheet.weld, WELD) },
    ],
    flexible: [{ title: 'Hubs and spider', form: within((sheet: CouplerSheet) => sheet.jaw, SPIDER) }],
    clutch: [
      { title: 'Hub lengthwise', form: hub([...PLACED, ...PILOT]) },
      { title: 'Clutch and flywheel', form: within((sheet: CouplerSheet) => sheet.clutch, CLUTCH) },
      {
        title: 'Bolts of the flywheel',
        form: [
          ...within((sheet: CouplerSheet) => sheet.flywheel_bolts, BOLTS),
          ...within((sheet: CouplerSheet) => sheet.flywheel_bolts.joint, circleJointForm(threads)),
        ],
      },
    ],
    spline: [{ title: 'Hub lengthwise', form: hub([...PLACED, ...PILOT, ...CHAMFERS]) }],
  };
  const nose = within((sheet: CouplerSheet) => sheet.clutch, NOSE);
  return [
    ...(groups[style ?? ''] ?? []),
    { title: 'Nose of the gearbox shaft', form: nose },
    { title: 'Least clearances', form: LIMITS },
  ];
}
