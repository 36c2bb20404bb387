/** Figures and times for the screen. Formatting only: every figure comes from the core. */

const thin = '\u2009';

/** 5940 → "5 940"; null → a dash. */
export function whole(value: number | null | undefined): string {
  if (value === null || value === undefined) return '–';
  const digits = Math.abs(Math.round(value)).toString();
  const sign = Math.round(value) < 0 ? '−' : '';
  return sign + (digits.length > 3 ? digits.replace(/\B(?=(\d{3})+$)/g, thin) : digits);
}

export function fixed(value: number | null | undefined, decimals: number): string {
  return value === null || value === undefined ? '–' : value.toFixed(decimals).replace('-', '−');
}

/** +0.12 or −0.05: for what is off one way or the other. */
export function signed(value: number | null | undefined, decimals: number): string {
  if (value === null || value === undefined) return '–';
  return (value < 0 ? '−' : '+') + Math.abs(value).toFixed(decimals);
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
