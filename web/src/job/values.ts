/** What stands at a place of the sheets. */
export function isBranch(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

/** In words: a reading as it was typed. */
export function inWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (isBranch(value) && typeof value.text === 'string') return value.text;
  return isBranch(value) ? JSON.stringify(value) : String(value);
}
