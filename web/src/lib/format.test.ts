import { describe, expect, it } from 'vitest';
import { fixed, percent, signed, whole } from './format';

describe('figures', () => {
  it('groups thousands, shows a true minus, and a dash for what is not known', () => {
    expect([whole(5940), whole(-24), whole(null), whole(1234567)]).toEqual([
      '5\u2009940',
      '−24',
      '–',
      '1\u2009234\u2009567',
    ]);
    expect([fixed(-0.05, 2), fixed(undefined, 1)]).toEqual(['−0.05', '–']);
    expect([signed(0.123, 2), signed(-2, 1), signed(null, 1)]).toEqual(['+0.12', '−2.0', '–']);
    expect(percent(0.226)).toBe('23\u2009%');
  });
});
