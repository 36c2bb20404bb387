import { describe, expect, it } from 'vitest';
import type { SideShown } from '../../api/types';
import { caseOf } from './cases';

const side = (locks: readonly number[], loads: readonly string[]) =>
  ({
    cases: locks.flatMap((lock_deg) =>
      loads.map((load) => ({ lock_deg, load, inner_mm: [0, 0, 0], heights: [] })),
    ),
  }) as unknown as SideShown;

describe('the case that is looked at', () => {
  it('is straight ahead until a lock is picked', () => {
    expect(caseOf(side([-28, 0, 32], ['at rest', 'launch']), 'launch', -1)).toMatchObject({
      lock_deg: 0,
      load: 'launch',
    });
    expect(caseOf(side([-28, 0, 32], ['at rest']), 'at rest', 2)?.lock_deg).toBe(32);
  });

  it('is straight ahead on a side that does not steer, and at rest under a load it does not know', () => {
    expect(caseOf(side([0], ['at rest']), 'launch', 2)).toMatchObject({ lock_deg: 0, load: 'at rest' });
    expect(caseOf(side([], []), 'at rest', -1)).toBeUndefined();
  });
});
