/** Figures and times for the screen. Formatting only: every figure comes from the core. */

const thin = '\u202f'; // narrow, and no line ends there

/** 1790.25 → "1 790.3"; below 0 decimals it is rounded to tens. What rounds to nought has no sign. */
export function grouped(value: number, decimals: number): string {
  const tens = 10 ** Math.max(0, -decimals);
  const digits =
    tens > 1
      ? (Math.round(Math.abs(value) / tens) * tens).toFixed(0)
      : Math.abs(value).toFixed(Math.max(decimals, 0));
  const [whole = '', part] = digits.split('.');
  const sign = value < 0 && Number(digits) !== 0 ? '−' : '';
  return sign + whole.replace(/\B(?=(\d{3})+$)/g, thin) + (part ? `.${part}` : '');
}

/** 5940 → "5 940"; null → a dash. */
export function whole(value: number | null | undefined): string {
  return fixed(value, 0);
}

/** 1.25 or −0.05; null → a dash. */
export function fixed(value: number | null | undefined, decimals: number): string {
  return value === null || value === undefined ? '–' : grouped(value, decimals);
}

/** +0.12 or −0.05: for what is off one way or the other; 0.00 for what is not. */
export function signed(value: number | null | undefined, decimals: number): string {
  const digits = fixed(value, decimals);
  return value && value > 0 && Number(digits) !== 0 ? `+${digits}` : digits;
}

/** 25, 30 or 35. */
export function anyOf(texts: readonly string[]): string {
  return new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(texts);
}

export function percent(value: number | null | undefined): string {
  return value === null || value === undefined ? '–' : `${whole(100 * value)}${thin}%`;
}

export function clockTime(iso: string): string {
  const at = new Date(iso);
  const isToday = at.toDateString() === new Date().toDateString();
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return isToday ? time : `${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}, ${time}`;
}

/** A day and a time, whichever day it is: for what may be in the future. */
export function dayTime(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
}

/** The present moment, as drafts are stamped with it. */
export function isoNow(): string {
  return new Date().toISOString();
}
