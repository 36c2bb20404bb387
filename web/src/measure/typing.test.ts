import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '../api/client';
import { Doing } from '../lib/doing.svelte';
import NumberField from './NumberField.svelte';
import { Reader, readerContext, type Heard } from './reader';
import ReadingInput from './ReadingInput.svelte';
import { TypedFigure } from './typed-figure.svelte';
import { Units } from './units.svelte';

const HEARD: Heard = { problem: '', echo: '= ⟨35|mm|g⟩' };
afterEach(() => vi.unstubAllGlobals());

describe('a figure that is typed', () => {
  it('is taken once, however often it is entered while it is looked at', async () => {
    const figure = new TypedFigure();
    figure.text = ' 35 ';
    const take = vi.fn(() => Promise.resolve(HEARD));
    const done = await Promise.all([figure.commit('', take), figure.commit('', take)]);
    expect([done, take.mock.calls, figure.text]).toEqual([[true, true], [['35']], null]);
  });

  it('stays for mending where it could not be read, and is given up by Escape', async () => {
    const figure = new TypedFigure();
    figure.text = 'about nine';
    const refuse = () => Promise.resolve({ problem: 'No number.', echo: '' });
    expect(await figure.commit('9', refuse)).toBe(false);
    expect([figure.text, figure.heard.problem]).toEqual(['about nine', 'No number.']);
    figure.giveUp();
    expect([figure.text, figure.heard.problem]).toEqual([null, '']);
  });

  it('is not asked about where nothing was changed', async () => {
    const figure = new TypedFigure();
    figure.text = '9';
    const take = vi.fn(() => Promise.resolve(HEARD));
    expect(await figure.commit('9', take)).toBe(true);
    expect(take).not.toHaveBeenCalled();
  });

  it('may grow while the first of it is read: the rest is not lost', async () => {
    const figure = new TypedFigure();
    figure.text = '3';
    let answer: (heard: Heard) => void = () => {};
    const taken = figure.commit('', () => new Promise<Heard>((resolve) => (answer = resolve)));
    figure.text = '35';
    answer(HEARD);
    await taken;
    expect(figure.text).toBe('35');
  });
});

describe('ReadingInput', () => {
  it('goes on to the next field of its table only once the figure is taken', async () => {
    const enter = vi.fn((typed: { text: string }, write: () => void) => {
      if (typed.text === 'bad') return Promise.resolve({ problem: 'No number.', echo: '' });
      write();
      return Promise.resolve(HEARD);
    });
    const written: string[] = [];
    const table = document.body.appendChild(document.createElement('table'));
    const props = {
      quantity: 'length' as const,
      disabled: false,
      onchange: (text: string) => written.push(text),
    };
    const context = readerContext(() => new Reader(enter));
    for (const label of ['first', 'second'])
      render(ReadingInput, { target: table, props: { ...props, label, text: '' }, context });
    const first = screen.getByLabelText('first');
    await fireEvent.input(first, { target: { value: 'bad' } });
    await fireEvent.keyDown(first, { key: 'Enter' });
    await vi.waitFor(() => expect(screen.getByRole('alert').textContent).toContain('No number.'));
    expect(document.activeElement).not.toBe(screen.getByLabelText('second'));
    await fireEvent.input(first, { target: { value: '35' } });
    await fireEvent.keyDown(first, { key: 'Enter' });
    await vi.waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('second')));
    expect(written).toEqual(['35']);
    table.remove();
  });

  it('says what is needed where it is emptied and may not be', async () => {
    const props = { label: 'mass', text: '9', quantity: 'mass' as const, disabled: false };
    render(ReadingInput, { ...props, needed: 'A mass is needed.', onchange: () => {} });
    const field = screen.getByLabelText('mass');
    await fireEvent.input(field, { target: { value: '' } });
    await fireEvent.keyDown(field, { key: 'Enter' });
    await vi.waitFor(() => expect(screen.getByRole('alert').textContent).toContain('A mass is needed.'));
  });
});

describe('NumberField', () => {
  it('takes a comma and a printed minus, and refuses what is out of bounds by its bounds', async () => {
    const taken: (number | null)[] = [];
    const props = { label: 'Up, g', value: null, least: -20, greatest: 20 };
    render(NumberField, { ...props, onchange: (value: number | null) => taken.push(value) });
    const field = screen.getByLabelText('Up, g');
    for (const text of ['−1,5', '99', 'x', '']) {
      await fireEvent.input(field, { target: { value: text } });
      await fireEvent.keyDown(field, { key: 'Enter' });
      if (text === '99') expect(screen.getByText(/from -20 to 20|from −20 to 20/)).toBeTruthy();
    }
    expect(taken).toEqual([-1.5, null]);
  });
});

describe('whose units', () => {
  it('go round with u, and back at one’s own the look is over', () => {
    const units = new Units(() => 'us');
    const seen = [0, 1, 2, 3].map(() => {
      units.cycle();
      return [units.system, units.isLook];
    });
    expect(seen).toEqual([
      ['us_fractions', true],
      ['british', true],
      ['metric', true],
      ['us', false],
    ]);
  });

  it('echo a length in inches beside millimetres, and once alone beside inches', () => {
    const heard = { ...HEARD, inch: '1.378 in', fraction: '1 3/8"' };
    expect(new Units(() => 'metric').heard(heard)).toBe('= 35\u00a0mm = 1.378 in ≈ 1 3/8"');
    expect(new Units(() => 'us').heard(heard)).toBe('= 1.378\u00a0in ≈ 1 3/8"');
    expect(new Units(() => 'us').heard({ problem: '', echo: '= ⟨4|rpm|g⟩' })).toBe('= 4\u00a0rpm');
  });
});

describe('something asked of the server', () => {
  it('is busy until it is done, says what was refused, and forgets it the next time', async () => {
    const doing = new Doing();
    const first = doing.run(() => Promise.reject(new Refusal(409, 'Somebody was faster.')));
    expect(doing.isBusy).toBe(true);
    expect(await first).toBe(false);
    expect([doing.isBusy, doing.says]).toEqual([false, 'Somebody was faster.']);
    expect(await doing.run(() => Promise.resolve())).toBe(true);
    expect(doing.says).toBe('');
  });

  it('lets what is no refusal through', async () => {
    const doing = new Doing();
    await expect(doing.run(() => Promise.reject(new Error('a fault')))).rejects.toThrow('a fault');
    expect(doing.isBusy).toBe(false);
  });
});
