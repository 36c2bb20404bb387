import type { Verdict } from '../api/types';

/** A verdict's word, always shown beside its shape. */
export const VERDICT_WORDS: Record<Verdict, string> = {
  holds: 'Holds',
  tight: 'Tight',
  fails: 'Fails',
  not_known: 'Not known',
};

/** The core's letters for points of the Line. */
export const VERDICT_LETTERS: Record<string, Verdict> = {
  h: 'holds',
  t: 'tight',
  f: 'fails',
  '?': 'not_known',
};
