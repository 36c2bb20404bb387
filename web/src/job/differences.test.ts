import { describe, expect, it } from 'vitest';
import { differences } from './differences';

describe('differences', () => {
  it('names each field that differs, readings as they were typed', () => {
    const ours = { brief: { kerb_mass: { text: '1080 kg', tool: null }, crr: null }, holes: [{ id: 'H1' }] };
    const theirs = {
      brief: { kerb_mass: { text: '1100 kg', tool: null }, crr: 0.01 },
      holes: [{ id: 'H1' }, { id: 'H2' }],
    };
    expect(differences(ours, theirs)).toEqual([
      { path: 'brief › kerb mass', ours: '1080 kg', theirs: '1100 kg' },
      { path: 'brief › crr', ours: 'nothing', theirs: '0.01' },
      { path: 'holes › 1', ours: 'nothing', theirs: '{"id":"H2"}' },
    ]);
  });

  it('is empty for the same sheets', () => {
    expect(differences({ a: [1, { b: null }] }, { a: [1, { b: null }] })).toEqual([]);
  });
});
