/** What differs between two versions of a job's sheets, field by field, for a person to choose between. */
import { inWords, isBranch } from './values';

export interface Difference {
  path: string;
  ours: string;
  theirs: string;
}

/** A reading is shown whole, as it was typed. */
function isLeaf(value: unknown): boolean {
  return !isBranch(value) || 'text' in value;
}

export function differences(ours: unknown, theirs: unknown, path = ''): Difference[] {
  if (JSON.stringify(ours) === JSON.stringify(theirs)) return [];
  if (isLeaf(ours) || isLeaf(theirs)) return [{ path, ours: inWords(ours), theirs: inWords(theirs) }];
  const mine: Record<string, unknown> = { ...(ours as object) };
  const other: Record<string, unknown> = { ...(theirs as object) };
  return [...new Set([...Object.keys(mine), ...Object.keys(other)])].flatMap((name) =>
    differences(mine[name], other[name], path ? `${path} › ${name.replaceAll('_', ' ')}` : name),
  );
}
