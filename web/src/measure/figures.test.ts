import { expect, test } from 'vitest';
import cases from '../../../core/tests/data/written.json';
import { written, type System } from './figures';

test.each(cases)('$text is written as the core writes it', ({ text, written: wanted }) => {
  for (const [system, expected] of Object.entries(wanted)) {
    expect(written(text, system as System), system).toBe(expected);
  }
});
