import { Units } from '../../measure/units.svelte';
import { describe, expect, it } from 'vitest';
import type { Candidate, Cloud, RatiosResult } from '../../api/types';
import { compareRows, difference, shownFigure } from './compare-rows';
import { RatiosState, togglePin, tradePoints } from './ratios.svelte';

const CLOUD: Cloud = {
  options: [
    { field: 'gear', names: ['3rd', '4th'] },
    { field: 'final_drive', names: ['4.11', '3.73'] },
    { field: 'tyre', names: ['as fitted'] },
  ],
  picks: [
    [0, 0, 0],
    [0, 1, 0],
    [1, 0, 0],
    [1, 1, 0],
  ],
  names: ['3rd · 4.11', '3rd · 3.73', '4th · 4.11', '4th · 3.73'],
  top_kmh: [120, 132, 120, 132],
  s_0_50: [3.9, 4.3, 5.3, null],
  cruise_rpm: [4092, 3710, 2987, 2708],
  is_beaten: [false, false, true, false],
  does: [0b11, 0b01, 0b11, 0b10],
};

const candidate = (at: number, change: Partial<Candidate> = {}): Candidate => {
  const point = tradePoints(CLOUD)[at]!;
  return {
    key: point.name,
    pick: point.pick,
    beaten_by: null,
    is_chosen: false,
    is_pinned: false,
    ...change,
  } as Candidate;
};
const result = (candidates: Candidate[]): RatiosResult =>
  ({
    candidates,
    cloud: CLOUD,
    musts: [
      { key: 'speed', text: 'reach 120 km/h', count: 3 },
      { key: 'grade', text: 'start on 25 %', count: 3 },
    ],
  }) as RatiosResult;

describe('RatiosState', () => {
  it('puts the chosen one first and others that nothing beats beside it, until some are pinned', () => {
    const chosen = candidate(0, { is_chosen: true });
    const others = [candidate(1), candidate(2, { beaten_by: '3rd · 4.11' }), candidate(3)];
    expect(new RatiosState(() => result([chosen, ...others])).compared.map((one) => one.key)).toEqual([
      '3rd · 4.11',
      '3rd · 3.73',
      '4th · 3.73',
    ]);
    const pinned = candidate(2, { beaten_by: '3rd · 4.11', is_pinned: true });
    const state = new RatiosState(() => result([chosen, candidate(1), pinned]));
    expect(state.compared.map((one) => one.key)).toEqual(['3rd · 4.11', '4th · 4.11']);
  });

  it('keeps the points that do all that is ticked', () => {
    const state = new RatiosState(() => result([candidate(0)]));
    state.toggleMust('speed');
    expect(state.kept.map((point) => point.name)).toEqual(['3rd · 4.11', '3rd · 3.73', '4th · 4.11']);
    state.toggleMust('grade');
    expect(state.kept.map((point) => point.name)).toEqual(['3rd · 4.11', '4th · 4.11']);
    expect(state.isKept(candidate(3))).toBe(false);
    expect([state.doesMust(candidate(1), 0), state.doesMust(candidate(1), 1)]).toEqual([true, false]);
    state.toggleMust('speed');
    state.toggleMust('grade');
    expect(state.kept).toHaveLength(4);
  });
});

describe('pins', () => {
  it('come and go by what stands in the line, and a fourth takes the place of the oldest', () => {
    const picks = tradePoints(CLOUD).map((point) => point.pick);
    const three = picks.slice(0, 3);
    expect(togglePin(three, { ...picks[1]! })).toEqual([picks[0], picks[2]]);
    expect(togglePin(three, picks[3]!)).toEqual([picks[1], picks[2], picks[3]]);
  });
});

describe('the table side by side', () => {
  const units = new Units();
  const rows = compareRows(80, units);
  const row = (start: string) => rows.find((one) => one.title.startsWith(start))!;

  it('shows what others have more or less than the first, and nothing where they show alike', () => {
    const first = candidate(0, { s_0_50: 3.9, top_kmh: 120, s_0_100: null });
    const other = candidate(1, { s_0_50: 2.7, top_kmh: 120.3, s_0_100: 9 });
    expect(difference(row('0–50 km/h'), other, first, units)).toBe('−1.2');
    expect(difference(row('top speed'), other, first, units)).toBe('');
    expect(difference(row('0–100'), other, first, units)).toBe('');
    expect(shownFigure(row('0–100'), null, units)).toBe('never');
  });
});
