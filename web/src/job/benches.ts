/** The benches in working order; those after the plate are still to come. */
export const BENCHES = ['brief', 'ratios', 'plate'] as const;
export type Bench = (typeof BENCHES)[number];

export const BENCH_TITLES: Record<Bench, string> = {
  brief: 'Brief',
  ratios: 'Ratios',
  plate: 'Adapter plate',
};
export const BENCH_KEYS: Record<string, Bench> = { b: 'brief', r: 'ratios', a: 'plate' };
export const LATER = [
  'Placement',
  'Coupler',
  'Mounts',
  'Axles & propshafts',
  'Alignment',
  'Build log',
  'Parts & orders',
];

/** Returns the bench that a word names; the first one for any other word. */
export function benchOf(word: string | undefined): Bench {
  return BENCHES.find((bench) => bench === word) ?? 'brief';
}
