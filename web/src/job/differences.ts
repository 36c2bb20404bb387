/** What differs between two versions of a job's sheets, field by field, for a person to choose between. */
export interface Difference {
  path: string;
  ours: string;
  theirs: string;
}

function isBranch(value: unknown): value is Record<string, unknown> | unknown[] {
  return typeof value === 'object' && value !== null;
}

function words(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (isBranch(value) && 'text' in value && typeof value.text === 'string') return value.text;
  return isBranch(value) ? JSON.stringify(value) : String(value);
}

/** A reading is shown whole, as it was typed. */
function isLeaf(value: unknown): boolean {
  return !isBranch(value) || 'text' in value;
}

export function differences(ours: unknown, theirs: unknown, path = ''): Difference[] {
  if (JSON.stringify(ours) === JSON.stringify(theirs)) return [];
  if (isLeaf(ours) || isLeaf(theirs)) return [{ path, ours: words(ours), theirs: words(theirs) }];
  const mine: Record<string, unknown> = { ...(ours as object) };
  const other: Record<string, unknown> = { ...(theirs as object) };
  return [...new Set([...Object.keys(mine), ...Object.keys(other)])].flatMap((name) =>
    differences(mine[name], other[name], path ? `${path} › ${name.replaceAll('_', ' ')}` : name),
  );
}
