import { describe, expect, it } from 'vitest';
import type { Candidate, RatiosResult } from '../../api/types';
import { RatiosState } from './ratios.svelte';

function result(chosen: string | null): RatiosResult {
  const candidates = ['a', 'b', 'c', 'd', 'e', 'f'].map(
    (key) => ({ key, is_chosen: key === chosen, beaten_by: key === 'b' ? 'a' : null }) as Candidate,
  );
  return { candidates } as RatiosResult;
}
const keys = (state: RatiosState) => state.compared.map((one) => one.key).join('');

describe('RatiosState', () => {
  it('compares the chosen one with the first that nothing beats', () => {
    expect(keys(new RatiosState(() => result('d')))).toBe('dace');
    expect(keys(new RatiosState(() => result(null)))).toBe('acde');
  });

  it('always shows what was ticked last, and the chosen one', () => {
    const state = new RatiosState(() => result('d'));
    state.toggle('b');
    expect(keys(state)).toBe('dceb');
    state.toggle('c');
    expect(keys(state)).toBe('daeb');
    expect(state.isCompared('c')).toBe(false);
  });
});
