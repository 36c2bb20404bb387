/** Answers come in pieces; these put the newest of each together. */
import type { Answer, Check, JobResult, Line, LineJudged, Motion } from '../api/types';

export interface Gathered {
  keys: Record<string, string>;
  checksOf: Record<string, readonly Check[]>;
  judged: LineJudged | null;
  motion: Motion | null;
  result: JobResult;
}

/** Returns what is known after an answer: its pieces, and those that it left out because they are here already. */
export function gathered(before: Gathered | null, answer: Answer): Gathered {
  const { keys, line, motion: moved, parts, checks, benches, ...results } = answer;
  const checksOf = { ...before?.checksOf, ...checks };
  const known = { ...before?.result, ...results } as JobResult;
  const judged = before?.keys.line === keys.line ? (before?.judged ?? null) : (line ?? null);
  const motion = before?.keys.motion === keys.motion ? (before?.motion ?? null) : (moved ?? null);
  const isLineKept = before !== null && before.judged === judged && before.motion === motion;
  return {
    keys,
    checksOf,
    judged,
    motion,
    result: {
      ...known,
      line: isLineKept ? before.result.line : lineOf(judged, motion),
      parts: { ...before?.result.parts, ...parts },
      checks: Object.values(checksOf)
        .flat()
        .toSorted((one, other) => one.rank - other.rank),
      benches,
    },
  };
}

/** The Line whole, of its two pieces. */
export function lineOf(judged: LineJudged | null, motion: Motion | null): Line | null {
  if (!judged || !motion) return null;
  const { speed_kmh, rpm, cases } = motion;
  return {
    ...judged,
    speed_kmh,
    rpm,
    cases: judged.cases.flatMap((one, k) => {
      const moves = cases[k];
      return moves ? [{ ...one, ...moves }] : [];
    }),
  };
}
