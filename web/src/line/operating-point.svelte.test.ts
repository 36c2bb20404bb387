import { describe, expect, it } from 'vitest';
import type { Line } from '../api/types';
import { aLine } from '../test-support';
import { OperatingPoint } from './operating-point.svelte';

describe('OperatingPoint', () => {
  it('starts at 80 km/h, or as fast as it goes', () => {
    expect(new OperatingPoint(() => aLine()).kmh).toBe(40); // top speed 50, the table has 40 and 60
    expect(new OperatingPoint(() => ({ ...aLine(), top_kmh: 200 })).kmh).toBe(60);
  });

  it('reads the table at or below the speed asked for, in the case asked for', () => {
    const point = new OperatingPoint(() => aLine());
    point.moveTo(39);
    point.caseKey = 'launch';
    expect([point.kmh, point.index, point.case?.key]).toEqual([20, 1, 'launch']);
  });

  it('stands at rest without a line, and falls back to the first case', () => {
    const none = new OperatingPoint((): Line | null => null);
    expect([none.kmh, none.index, none.case]).toEqual([0, 0, null]);
    const point = new OperatingPoint(() => aLine());
    point.caseKey = 'overrun';
    expect(point.case?.key).toBe('launch');
  });
});
