import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SurveyReading, SurveyResult } from '../../api/types';
import { serve } from '../../test-support';
import NewReading from './NewReading.svelte';
import PhoneEntry from './PhoneEntry.svelte';
import { aSurvey, BORE, HOLES, READ } from './plate-fixtures';
import SweepForm from './SweepForm.svelte';

const onadd = vi.fn<(reading: SurveyReading) => void>();
const NEXT = { kind: 'inside', a: 'H2', b: 'H3', why: 'the next in order', replaces: null };
const choose = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const type = (label: string, value: string) =>
  fireEvent.input(screen.getByLabelText(label), { target: { value } });

beforeEach(() => {
  onadd.mockClear();
  serve({
    measure: (body) =>
      (body as { text: string }).text.startsWith('far')
        ? { status: 422, json: { says: '“far” does not start with a number.' } }
        : { json: READ },
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('NewReading', () => {
  const desk = (next: SurveyResult['next_reading'] = NEXT, holes = HOLES) =>
    render(NewReading, { holes, frames: [], next, onadd });
  const keep = () => fireEvent.submit(screen.getByRole('form', { name: 'New reading' }));

  it('takes what is suggested, as typed, with its tool', async () => {
    desk();
    expect(screen.getByText('suggested: the next in order')).toBeTruthy();
    await type('New reading, H2 to H3', '3 51/64 in');
    await keep();
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({
      kind: 'inside',
      a: 'H2',
      b: 'H3',
      reading: { text: '3 51/64 in', tool: 'caliper' },
    });
  });

  it('takes a figure once however often Enter is hit, and the next one typed meanwhile stays', async () => {
    desk();
    await type('New reading, H2 to H3', '3 51/64 in');
    await Promise.all([keep(), keep()]);
    await type('New reading, H2 to H3', '120.5');
    await vi.waitFor(() => expect(onadd).toHaveBeenCalled());
    expect(onadd).toHaveBeenCalledOnce();
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({ reading: { text: '3 51/64 in' } });
    expect(screen.getByLabelText<HTMLInputElement>('New reading, H2 to H3').value).toBe('120.5');
  });

  it('keeps a text that can not be read in its field, and takes nothing', async () => {
    desk();
    await type('New reading, H2 to H3', 'far');
    await keep();
    expect((await screen.findByRole('alert')).textContent).toContain('does not start with a number');
    expect(screen.getByLabelText<HTMLInputElement>('New reading, H2 to H3').value).toBe('far');
    expect(onadd).not.toHaveBeenCalled();
  });

  it('goes along a square hole by hole, with the square as its tool and either edge of the shaft', async () => {
    desk();
    await choose('Kind of reading', 'x');
    await choose('From hole', 'H1');
    await type('New reading, H1 x', '-12.5');
    await keep();
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({
      kind: 'x',
      a: 'H1',
      frame: 'square',
      edge: 'centre',
      reading: { text: '-12.5', tool: 'square' },
    });
    expect(screen.getByLabelText('New reading, H2 x')).toBeTruthy();
    await choose('From hole', 'C');
    await choose('Which edge', 'low');
    await type('New reading, C x', '40');
    await keep();
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledTimes(2));
    expect(onadd.mock.calls[1]?.[0]).toMatchObject({ a: 'C', edge: 'low' });
  });

  it('leaves kind, tool and pair as they were set until the suggestion is taken by a key', async () => {
    desk();
    await choose('Kind of reading', 'outside');
    await choose('From hole', 'H1');
    await choose('Tool', 'tape');
    for (const figure of ['96.2', '97.1']) {
      await type('New reading, H1 to H3', figure);
      await keep();
    }
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledTimes(2));
    for (const [reading] of onadd.mock.calls)
      expect(reading).toMatchObject({ kind: 'outside', a: 'H1', b: 'H3', reading: { tool: 'tape' } });
    await fireEvent.keyDown(window, { key: 's', altKey: true });
    expect(screen.getByLabelText('New reading, H2 to H3')).toBeTruthy();
    expect(screen.getByLabelText<HTMLSelectElement>('Tool').value).toBe('tape');
  });

  it('shows where the jaws go for every kind', async () => {
    desk();
    for (const [kind, words] of [
      ['outside', 'jaws over both holes'],
      ['radius', 'from the shaft’s centre'],
      ['y', 'up from the square’s foot'],
    ] as const) {
      await choose('Kind of reading', kind);
      expect(screen.getByRole('img', { name: new RegExp(words) })).toBeTruthy();
    }
  });

  it('asks for a bore before a sweep', async () => {
    desk();
    await choose('Kind of reading', 'sweep');
    expect(screen.getByText(/Add the bore that the dial goes round/)).toBeTruthy();
  });
});

describe('SweepForm', () => {
  const dial = (clock: number) => `Dial at ${clock} degrees clockwise`;
  const keep = () => fireEvent.submit(screen.getByRole('form', { name: 'New dial sweep' }));

  it('wants three places, each of them readable, and names the one that is not', async () => {
    render(SweepForm, { holes: [...HOLES, BORE], onadd });
    await type(dial(0), '0.10');
    await type(dial(90), '0.06');
    await keep();
    expect((await screen.findByRole('alert')).textContent).toContain('three places');
    await type(dial(180), 'far');
    await keep();
    await vi.waitFor(() => expect(screen.getByRole('alert').textContent).toContain('At 180°'));
    expect(onadd).not.toHaveBeenCalled();
  });

  it('says what turned, and round what, by what the server knows it by', async () => {
    render(SweepForm, { holes: [...HOLES, BORE], onadd });
    await choose('what turned', 'part');
    await choose('a', 'spigot');
    for (const clock of [0, 90, 180]) await type(dial(clock), '0.02');
    await keep();
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({ turned: 'part', surface: 'spigot' });
  });

  it('keeps the dial as read, round the bore, from the first hole on', async () => {
    render(SweepForm, { holes: [...HOLES, BORE], onadd });
    for (const [clock, text] of [
      [0, '0.10'],
      [90, '-0.06'],
      [270, '0.02'],
    ] as const)
      await type(dial(clock), text);
    await keep();
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({
      kind: 'sweep',
      a: 'B1',
      towards: 'H1',
      runs: 'clockwise',
      dial: [
        { clock: { text: '0 deg' }, reading: { text: '0.10' } },
        { clock: { text: '90 deg' }, reading: { text: '-0.06' } },
        { clock: { text: '270 deg' }, reading: { text: '0.02' } },
      ],
    });
  });
});

describe('PhoneEntry', () => {
  const phone = (next: SurveyResult['next_reading'] = NEXT) =>
    render(PhoneEntry, { holes: HOLES, frames: [], survey: aSurvey(), taken: 3, next, onadd });
  const press = async (...keys: string[]) => {
    for (const key of keys) await fireEvent.click(screen.getByRole('button', { name: key }));
  };

  it('takes digits in millimetres, and fractions only in inches, the last of them', async () => {
    phone();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: '1/4' }).disabled).toBe(true);
    await press('9', '6', '.', '4', 'delete', '5');
    await press('Keep, next');
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({
      a: 'H2',
      b: 'H3',
      reading: { text: '96.5', tool: 'caliper' },
    });
    await press('mm', '3', '1/4', '1/8', 'Keep, next');
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledTimes(2));
    expect(onadd.mock.calls[1]?.[0]).toMatchObject({ reading: { text: '3 1/8 in' } });
  });

  it('lets another pair be taken than the one that is suggested', async () => {
    phone();
    await choose('Phone: kind of reading', 'y');
    await choose('Phone: from hole', 'C');
    await choose('Phone: which edge', 'high');
    await press('4', '0', 'Keep, next');
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({
      kind: 'y',
      a: 'C',
      edge: 'high',
      reading: { tool: 'square' },
    });
  });

  it('books what was taken with a tape as a tape reading', async () => {
    phone();
    await choose('Phone: tool', 'tape');
    await press('9', '6', 'Keep, next');
    await vi.waitFor(() => expect(onadd).toHaveBeenCalledOnce());
    expect(onadd.mock.calls[0]?.[0]).toMatchObject({ reading: { tool: 'tape' } });
  });

  it('says when it is measured well enough, and still takes another', async () => {
    phone(null);
    const entry = within(screen.getByRole('region', { name: 'One reading at a time' }));
    expect(entry.getByRole('heading', { name: /Measured well enough/ })).toBeTruthy();
    await choose('Phone: kind of reading', 'radius');
    expect(entry.getByRole('heading', { name: /to the shaft centre, radius/ })).toBeTruthy();
  });

  it('says that the last one did not fit when it is asked for again', () => {
    phone({ ...NEXT, replaces: 1 });
    expect(screen.getByText(/the last one did not fit/)).toBeTruthy();
  });
});
