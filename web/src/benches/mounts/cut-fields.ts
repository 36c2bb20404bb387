/** The form of a rail at a place along a cut: a section of its own, or a notch in the rail as it was. */
import type { MountsSheet } from '../../api/types';
import { asked, choice, reading, type Form } from '../../measure/fields';
import { RAIL, when } from './fields';

export type Station = MountsSheet['frame']['stations'][number];
const isNotched = (one: Station) => one.kind === 'notched';

const KIND = choice<Station, 'kind'>('kind', 'It is', [
  ['notched', 'the rail as it was, notched'],
  ['trough', 'another trough or box'],
  ['channel', 'another channel, web upright'],
  ['tube', 'a round tube'],
  ['plates', 'plates, one by one'],
  ['outline', 'from a drawing'],
]);

export const STATION: Form<Station> = [
  KIND,
  ...when(isNotched, [
    reading<Station>('notch', 'Notch, deep', 'length', 'across what is cut away'),
    choice<Station, 'notch_from'>(
      'notch_from',
      'Cut from',
      [
        ['above', 'above'],
        ['below', 'below'],
        ['left', 'the left'],
        ['right', 'the right'],
      ],
      'not said',
    ),
    reading<Station>('lid', 'What closes the notch, thick', 'length', '0: it stays open'),
    reading<Station>('plated', 'Plates on its upright walls, thick', 'length', 'empty: none'),
    asked(
      (one: Station) => Boolean(one.plated),
      choice<Station, 'plated_on'>(
        'plated_on',
        'They lie',
        [
          ['inside', 'inside the rail'],
          ['outside', 'outside it'],
        ],
        'not said',
      ),
    ),
  ]),
  ...when((one: Station) => !isNotched(one), RAIL.slice(1) as Form<Station>),
];
