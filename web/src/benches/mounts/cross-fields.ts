/** The forms of a cross member: its ends, its section, and how both its ends are made. */
import type { MountsSheet } from '../../api/types';
import { asked, choice, number, reading, within, yesNo, type Form } from '../../measure/fields';
import { spotForm } from '../../scene/spots';
import { railForm, railYield, when } from './fields';

export type CrossMember = MountsSheet['crosses'][number];
type Bracket = CrossMember['bracket'];
const isWelded = (one: Bracket) => !one.landing.is_there;

export const crossEnds = (points: readonly string[]): Form<CrossMember> => [
  ...within((one: CrossMember) => one.first, spotForm('Its one end, on the vehicle', points)),
  ...within((one: CrossMember) => one.other, spotForm('Its other end', points)),
];

export const CROSS: Form<Bracket> = [
  choice<Bracket, 'kind'>(
    'kind',
    'It is made of',
    [
      ['tube', 'round tube'],
      ['box', 'one hollow box section'],
    ],
    'not said',
  ),
  asked((one: Bracket) => one.kind === 'box', reading<Bracket>('breadth', 'Across, level', 'length')),
  reading<Bracket>('depth', 'Upright', 'length', 'of a tube its diameter'),
  reading<Bracket>('wall', 'Wall', 'length'),
  reading<Bracket>('length', 'Cut to a length of', 'length', 'its landing plates come on top'),
  number<Bracket>('yield_mpa', 'Yield of its steel', [1, 2000], 'empty: the usual', 'MPa'),
  choice<Bracket, 'root_cut'>(
    'root_cut',
    'Its ends are cut',
    [
      ['square', 'square'],
      ['fitted', 'to the face, after a template'],
    ],
    'not said',
  ),
  reading<Bracket>('leg', 'Leg of the weld round either end', 'length', 'both ends alike; else the smaller'),
  yesNo<Bracket>('is_inspected', 'These welds are', 'not said', ['inspected by an expert', 'not inspected']),
  asked(
    isWelded,
    reading<Bracket>('base', 'Thickness of what they are welded to', 'length', 'of both rails the thinner'),
  ),
  ...when(
    (one: Bracket) => one.landing.is_there === true,
    within((one: Bracket) => one.rail, [railYield('Yield of what it is bolted to')]),
  ),
  ...when(isWelded, railForm('Under its ends the rail runs', 'level', 'upright')),
  choice<Bracket, 'goes_on'>(
    'goes_on',
    'It goes on',
    [
      ['before', 'before the unit'],
      ['after', 'with the unit in place'],
    ],
    'not said',
  ),
];
