/** What is asked of any screwed joint. */
import type { Joint } from '../api/types';
import { asked, choice, number, reading, yesNo, type Form } from './fields';

export const STRENGTHS = [
  ['8.8', '8.8'],
  ['10.9', '10.9'],
  ['12.9', '12.9'],
  ['grade_5', 'grade 5'],
  ['grade_8', 'grade 8'],
] as const;
export const CONDITIONS = [
  ['dry', 'dry'],
  ['oiled', 'oiled'],
  ['threadlocker', 'threadlocker'],
] as const;
type Screwed = Pick<
  Joint,
  | 'tapped'
  | 'tapped_mpa'
  | 'surface'
  | 'is_blind'
  | 'washer'
  | 'head'
  | 'thread_depth'
  | 'countersink'
  | 'length'
  | 'depth_behind'
>;
type Tightened = Screwed & Pick<Joint, 'condition' | 'tightening'>;

const TAPPED: Form<Screwed> = [
  choice(
    'tapped',
    'Screwed into',
    [
      ['steel', 'steel'],
      ['cast_iron', 'cast iron'],
      ['aluminium_wrought', 'aluminium, wrought'],
      ['aluminium_cast', 'aluminium, cast'],
      ['nut', 'a nut of its class'],
    ],
    'not known',
  ),
  number('tapped_mpa', 'Its tensile strength', [21, 2500], 'empty: usual for the material', 'MPa'),
];
const THREAD_IS: Form<Tightened> = [choice('condition', 'Thread is', CONDITIONS, 'not said')];
const FACES: Form<Screwed> = [
  choice(
    'surface',
    'Clamped faces are',
    [
      ['dry', 'dry steel or iron'],
      ['plated', 'plated or anodised'],
      ['blasted', 'blasted'],
    ],
    'not said: least friction',
  ),
];
const BLIND: Form<Screwed> = [yesNo('is_blind', 'The tapped holes', 'not said', ['end', 'go through'])];
const WASHER: Form<Screwed> = [
  reading('washer', 'Washer, thickness', 'length', '0 where there is none'),
  reading('head', 'Washer or head, diameter', 'length', 'empty: a socket head’s'),
];
const HOLE: Form<Screwed> = [
  reading('thread_depth', 'Full thread in the tapped hole', 'length', 'turns of a screw by hand × pitch'),
  reading('countersink', 'Countersink of the tapped hole', 'length', '0 where there is none'),
];
const TORQUE: Form<Tightened> = [reading('tightening', 'Tightened to', 'torque', 'empty: for 70 % of proof')];
const SCREW: Form<Joint> = [
  choice('property_class', 'Strength on the head', STRENGTHS, 'not known'),
  ...TAPPED,
  ...THREAD_IS,
  ...FACES,
  ...BLIND,
  ...WASHER,
  ...HOLE,
  ...TORQUE,
  yesNo<Joint>('is_fitted', 'Their holes are', 'not said: clearance', [
    'reamed, screws fitted',
    'clearance holes',
  ]),
];
/** Of screws on a circle, whose length and room are nobody else's. */
const REACH: Form<Screwed> = [
  reading('length', 'Length under the head', 'length'),
  reading(
    'depth_behind',
    'Depth to the first thing behind',
    'length',
    'from the face that they are screwed into',
  ),
];
/** What is asked of any joint, its thread being one of those that the core knows. */
export const jointForm = (threads: readonly string[]): Form<Joint> => [
  choice(
    'thread',
    'Thread',
    threads.map((name) => [name, name] as const),
    'not known',
  ),
  ...SCREW,
];
/** The same of a circle of screws, with how long they are and what is behind them. */
export const circleJointForm = (threads: readonly string[]): Form<Joint> => [...jointForm(threads), ...REACH];

const isTapped = (one: Screwed) => one.tapped !== 'nut';
const asTapped: Form<Screwed> = [...BLIND, ...HOLE, REACH[1]!].map((spec) => asked(isTapped, spec));
/** Of a bolt through what it clamps, with its nut. */
export const BOLT: Form<Tightened> = [...TAPPED.slice(0, 1), ...THREAD_IS, ...WASHER, REACH[0]!, ...TORQUE];
/** Of bolts whose thread and tightening are asked elsewhere. */
export const SCREWED: Form<Screwed> = [...TAPPED, ...WASHER, REACH[0]!, ...asTapped];
/** Of bolts whose thread is asked elsewhere, and that friction holds. */
export const TIGHTENED: Form<Tightened> = [...SCREWED, ...THREAD_IS, ...FACES, ...TORQUE];
