/**
 * Figures in the reader's units. The core puts them into its sentences as data, ⟨294.2|N·m|0⟩, and hands out the table
 * of units; this writes them by the same rules (core/driveline/figures.py), and both are held to one list of examples.
 */
import { grouped } from '../lib/format';
import { quantities, units as table } from '../api/tables.json';
import type { Quantity } from '../api/types';

export const SYSTEMS = ['metric', 'us', 'us_fractions', 'british'] as const;
export type System = (typeof SYSTEMS)[number];

interface Shown {
  symbol: string;
  factor: number;
  offset: number;
}

const MARK = /⟨([^|⟩]*)\|([^|⟩]*)\|(\d+|g)(?:\|([snu]+))?⟩/g;
const SIXTY_FOURTHS = 64;
const EXACT_DIGITS = 6;
const MM_PER_INCH = 25.4;

export interface FigureStyle {
  signed?: boolean;
  bare?: boolean; // without its symbol
}

/** A figure as it stands in a text until it is written; of a stated size all digits are. */
export function fig(value: number, unit: string, decimals: number | null = null): string {
  return `⟨${value}|${unit}|${decimals ?? 'g'}⟩`;
}

/** The same, to be written without its symbol. */
export function num(value: number, unit: string, decimals: number | null = null): string {
  return `⟨${value}|${unit}|${decimals ?? 'g'}|n⟩`;
}

/** Returns how a metric unit is shown: its own symbol where a system leaves it alone. */
export function shownIn(unit: string, system: System): Shown {
  const units: Record<string, Shown> = table[system];
  return units[unit] ?? { symbol: unit, factor: 1, offset: 0 };
}

/** A text of the core with its figures written in a system's units. */
export function written(text: string, system: System): string {
  return text.replace(MARK, (_, value: string, unit: string, decimals: string, flags = '') =>
    flags === 'u'
      ? shownIn(unit, system).symbol
      : figure(Number(value), unit, decimals === 'g' ? null : Number(decimals), system, {
          signed: (flags as string).includes('s'),
          bare: (flags as string).includes('n'),
        }),
  );
}

const BARE = /^[\s\d.,/+\-−–⁄½¼¾⅛⅜⅝⅞⅓⅔]*\d[\s\d.,/⁄]*$|^[\s\d+\-−–]*[½¼¾⅛⅜⅝⅞⅓⅔]\s*$/;
const TOLERANCE = /\s*(?:±|\+\/-|\+-)/;

/** A reading with its unit said where it is a bare number. */
function withUnit(text: string, symbol: string): string {
  const [nominal = ''] = text.split(TOLERANCE, 1);
  if (!BARE.test(nominal) || !symbol) return text;
  return `${nominal.trimEnd()} ${symbol}${text.slice(nominal.length)}`;
}

function symbolIn(quantity: Quantity, system: System): string {
  return shownIn(quantities[quantity], system === 'us_fractions' ? 'us' : system).symbol;
}

/** What a person of a system means by a text: a bare number is in the unit that figures are shown to them in. */
export function meantIn(text: string, quantity: Quantity, system: System): string {
  const symbol = symbolIn(quantity, system);
  return symbol === quantities[quantity] ? text : withUnit(text, symbol);
}

/** A kept text as it is shown: a bare number, that is metric, says so to a person whose unit is another. */
export function keptIn(text: string, quantity: Quantity, system: System): string {
  const metric = quantities[quantity];
  return symbolIn(quantity, system) === metric ? text : withUnit(text, metric);
}

/** A metric figure as a system writes it; null decimals are of a stated size, all of whose digits are written. */
export function figure(
  value: number,
  unit: string,
  decimals: number | null,
  system: System,
  style: FigureStyle = {},
): string {
  const shown = shownIn(unit, system);
  const fraction = system === 'us_fractions' && unit === 'mm' ? sixtyFourths(value, decimals) : null;
  if (fraction) return style.signed && value > 0 ? `+${fraction}` : fraction;
  const digits = grouped(value * shown.factor + shown.offset, shownDecimals(value, unit, decimals, system));
  const number = style.signed && value > 0 && /[1-9]/.test(digits) ? `+${digits}` : digits;
  if (style.bare || !shown.symbol) return number;
  return `${number}${shown.symbol === '°' ? '' : '\u00a0'}${shown.symbol}`;
}

/** Decimals that keep a figure as fine as it was, within a factor of 2. */
export function shownDecimals(value: number, unit: string, decimals: number | null, system: System): number {
  const { factor } = shownIn(unit, system);
  const own = decimals ?? decimalsOf(value);
  if (factor === 1) return own;
  return Math.ceil((decimals === null ? Math.max(own, 1) : own) - Math.log10(2 * factor));
}

function decimalsOf(value: number): number {
  const [digits = '', exponent = '0'] = Math.abs(value)
    .toExponential(EXACT_DIGITS - 1)
    .split('e');
  const part = digits.split('.')[1]?.replace(/0+$/, '') ?? '';
  return Math.max(0, part.length - Number(exponent));
}

/** A length to the nearest 1/64 in with how far that is off; null for what is finer than that. */
function sixtyFourths(valueMm: number, decimals: number | null): string | null {
  const inch = Math.abs(valueMm) / MM_PER_INCH;
  const count = Math.round(inch * SIXTY_FOURTHS);
  if (count === 0 || (decimals ?? 0) > 2) return null;
  const sign = valueMm < 0 ? -1 : 1;
  const off = sign * (count / SIXTY_FOURTHS - inch);
  let [over, under] = [count % SIXTY_FOURTHS, SIXTY_FOURTHS];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  const whole = Math.floor(count / SIXTY_FOURTHS);
  const words = [whole > 0 || over === 0 ? `${whole}` : '', over > 0 ? `${over}/${under}` : ''];
  const error = Math.abs(off) < 5e-5 ? '' : ` (${off > 0 ? '+' : '−'}${Math.abs(off).toFixed(4)})`;
  return `${sign < 0 ? '−' : ''}${words.filter(Boolean).join(' ')}"${error}`;
}
