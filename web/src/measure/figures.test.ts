import { expect, test } from 'vitest';
import cases from '../../../core/tests/data/written.json';
import { keptIn, meantIn, written, type System } from './figures';

test.each(cases)('$text is written as the core writes it', ({ text, written: wanted }) => {
  for (const [system, expected] of Object.entries(wanted)) {
    expect(written(text, system as System), system).toBe(expected);
  }
});

test.each([
  ['3.5', 'length', '3.5 in'],
  ['3.5 ±0.1', 'length', '3.5 in ±0.1'],
  ['8 1/4', 'length', '8 1/4 in'],
  ['8½', 'length', '8½ in'],
  ['-0.05', 'length', '-0.05 in'],
  ['1,790', 'mass', '1,790 lb'],
  ['45', 'torque', '45 lb-ft'],
  ['209.5 mm', 'length', '209.5 mm'],
  [`1' 2`, 'length', `1' 2`],
  ['5', 'angle', '5'],
  ['4.11', 'ratio', '4.11'],
  ['about nine', 'length', 'about nine'],
] as const)('a US reader who types %s as a %s means %s', (text, quantity, meant) => {
  expect(meantIn(text, quantity, 'us')).toBe(meant);
  expect(meantIn(text, quantity, 'metric')).toBe(text);
});

test('a bare number that was kept is metric, and says so beside inches', () => {
  expect(keptIn('209.55', 'length', 'us_fractions')).toBe('209.55 mm');
  expect(keptIn('209.55', 'length', 'british')).toBe('209.55');
  expect(keptIn('62', 'torque', 'british')).toBe('62 N·m');
});
