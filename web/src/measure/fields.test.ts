import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Reading } from '../api/types';
import { serve } from '../test-support';
import Fields from './Fields.svelte';
import { asked, choice, count, number, reading, settled, text, within, yesNo, type Form } from './fields';

interface Leg {
  length: Reading | null;
  at: Reading;
  many: number;
  share: number | null;
  metal: 'steel' | 'iron' | null;
  hollow: boolean | null;
  bored: Reading | null;
  grade: string;
}
const LEG: Form<Leg> = [
  reading('length', 'Length', 'length'),
  settled('at', 'Stands at', 'angle'),
  count('many', 'Legs', [0, 24], 0),
  number('share', 'Share', [0, 1]),
  choice(
    'metal',
    'Made of',
    [
      ['steel', 'steel'],
      ['iron', 'cast iron'],
    ],
    'not said',
  ),
  yesNo('hollow', 'Hollow', 'not said'),
  asked((leg) => leg.hollow === true, reading('bored', 'Bored', 'length')),
  text('grade', 'Grade', { most: 30 }),
];
const BARE: Leg = {
  length: { text: '80 mm' },
  at: { text: '0 deg' },
  many: 3,
  share: null,
  metal: null,
  hollow: null,
  bored: null,
  grade: '',
};

function form<T extends object>(shown: Form<T>, from: T): T {
  const to = structuredClone(from);
  render(Fields, {
    form: shown,
    from,
    disabled: false,
    change: (write: (next: T) => void) => write(to),
  } as never);
  return to;
}
async function type(label: string, value: string): Promise<void> {
  const input = screen.getByLabelText(label);
  await fireEvent.input(input, { target: { value } });
  await fireEvent.blur(input);
}

describe('a form as data', () => {
  beforeEach(() => serve({ measure: () => ({ json: { value: 90, unit: 'mm' } }) }));
  afterEach(() => vi.unstubAllGlobals());

  it('writes what is typed and chosen where it belongs', async () => {
    const to = form(LEG, BARE);
    await type('Length', '90');
    await type('Share', '0,4');
    await type('Legs', '4.2');
    await fireEvent.change(screen.getByLabelText('Made of'), { target: { value: 'iron' } });
    await fireEvent.change(screen.getByLabelText('Hollow'), { target: { value: 'no' } });
    await fireEvent.change(screen.getByLabelText('Grade'), { target: { value: '250' } });
    await vi.waitFor(() => expect(to.length).toEqual({ text: '90' }));
    expect(to).toMatchObject({ share: 0.4, many: 4, metal: 'iron', hollow: false, grade: '250' });
  });

  it('empties a figure, though not one that there always is, and a count to what is usual', async () => {
    const to = form(LEG, BARE);
    for (const label of ['Length', 'Stands at', 'Legs']) await type(label, '');
    expect(to).toMatchObject({ length: null, at: { text: '0 deg' }, many: 0 });
  });

  it('asks what hangs on an answer only once it is given', () => {
    form(LEG, { ...BARE, hollow: true });
    expect(screen.getByLabelText('Bored')).toBeTruthy();
    form([LEG[6]!], BARE);
    expect(screen.getAllByLabelText('Bored')).toHaveLength(1);
  });

  it('makes the part that a figure is the first of', async () => {
    const stand = within(
      (from: { leg: Leg | null }) => from.leg,
      LEG,
      (to) => (to.leg ??= { ...BARE }),
    );
    const to = form<{ leg: Leg | null }>(stand, { leg: null });
    expect(screen.getByLabelText<HTMLInputElement>('Length').value).toBe('');
    await type('Share', '0.5');
    expect(to.leg?.share).toBe(0.5);
  });
});
