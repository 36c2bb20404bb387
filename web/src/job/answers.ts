/** Answers come in pieces; these put the newest of each together. */
import type { Answer, Check, JobResult } from '../api/types';

export interface Gathered {
  keys: Record<string, string>;
  checksOf: Record<string, readonly Check[]>;
  result: JobResult;
}

/** Returns what is known after an answer: its pieces, and those that it left out because they are here already. */
export function gathered(before: Gathered | null, answer: Answer): Gathered {
  const { keys, line, parts, checks, benches, ...results } = answer;
  const checksOf = { ...before?.checksOf, ...checks };
  const known = { ...before?.result, ...results } as JobResult;
  const isLineKept = before !== null && before.keys.line === keys.line;
  return {
    keys,
    checksOf,
    result: {
      ...known,
      line: isLineKept ? before.result.line : (line ?? null),
      parts: { ...before?.result.parts, ...parts },
      checks: Object.values(checksOf)
        .flat()
        .toSorted((one, other) => one.rank - other.rank),
      benches,
    },
  };
}
