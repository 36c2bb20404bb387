import { describe, expect, it } from 'vitest';
import { anyOf, fixed, percent, signed, whole } from './format';

describe('figures', () => {
  it('groups thousands, shows a true minus, and a dash for what is not known', () => {
    expect([whole(5940), whole(-24), whole(null), whole(1234567)]).toEqual([
      '5\u202f940',
      '−24',
      '–',
      '1\u202f234\u202f567',
    ]);
    expect([fixed(-0.05, 2), fixed(undefined, 1)]).toEqual(['−0.05', '–']);
    expect([signed(0.123, 2), signed(-2, 1), signed(null, 1)]).toEqual(['+0.12', '−2.0', '–']);
    expect(percent(0.226)).toBe('23\u202f%');
  });

  it('gives no sign to what rounds to nought', () => {
    expect([fixed(-0.004, 2), fixed(-0, 1), fixed(-0.006, 2)]).toEqual(['0.00', '0.0', '−0.01']);
    expect([signed(-0.004, 2), signed(0.004, 2), signed(0.006, 2)]).toEqual(['0.00', '0.00', '+0.01']);
  });

  it('lists what would do', () => {
    expect([anyOf(['25']), anyOf(['25', '30']), anyOf(['25', '30', '35'])]).toEqual([
      '25',
      '25 or 30',
      '25, 30 or 35',
    ]);
  });
});
