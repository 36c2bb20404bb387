/** Figures and times for the screen. Formatting only: every figure comes from the core. */

const thin = '\u2009';

/** 5940 → "5 940"; null → a dash. */
export function whole(value: number | null | undefined): string {
  if (value === null || value === undefined) return '–';
  const digits = Math.abs(Math.round(value)).toString();
  const sign = Math.round(value) < 0 ? '−' : '';
  return sign + (digits.length > 3 ? digits.replace(/\B(?=(\d{3})+$)/g, thin) : digits);
}

/** 1.25 or −0.05; what rounds to nought has no sign. */
export function fixed(value: number | null | undefined, decimals: number): string {
  if (value === null || value === undefined) return '–';
  const digits = Math.abs(value).toFixed(decimals);
  return value < 0 && Number(digits) !== 0 ? `−${digits}` : digits;
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

/** The present moment, as drafts are stamped with it. */
export function isoNow(): string {
  return new Date().toISOString();
}
