/** What is asked of any screwed joint. */
import type { Joint } from '../api/types';
import { choice, number, reading, yesNo, type Form } from './fields';

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
const SCREW: Form<Joint> = [
  choice('property_class', 'Strength on the head', STRENGTHS, 'not known'),
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
  choice('condition', 'Thread is', CONDITIONS, 'not said'),
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
  yesNo('is_blind', 'The tapped holes', 'not said', ['end', 'go through']),
  reading('washer', 'Washer, thickness', 'length', '0 where there is none'),
  reading('head', 'Washer or head, diameter', 'length', 'empty: a socket head’s'),
  reading('thread_depth', 'Full thread in the tapped hole', 'length', 'turns of a screw by hand × pitch'),
  reading('countersink', 'Countersink of the tapped hole', 'length', '0 where there is none'),
  reading('tightening', 'Tightened to', 'torque', 'empty: for 70 % of proof'),
  yesNo<Joint>('is_fitted', 'Their holes are', 'not said: clearance', [
    'reamed, screws fitted',
    'clearance holes',
  ]),
];
/** Of screws on a circle, whose length and room are nobody else's. */
const REACH: Form<Joint> = [
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
