/** Where in the sheets a field writes to: found by what would differ if it did. */
import type { Path } from './merging';
import { isBranch } from './values';

/** The deepest place that holds all that differs; a row goes by its name where it has one. A reading is one place. */
export function changedPath(was: unknown, now: unknown): Path {
  if (!isBranch(was) || !isBranch(now) || 'text' in was || 'text' in now) return [];
  const keys = [...new Set([...Object.keys(was), ...Object.keys(now)])];
  const differ = keys.filter((key) => JSON.stringify(was[key]) !== JSON.stringify(now[key]));
  const [key] = differ;
  if (key === undefined || differ.length > 1) return [];
  const row = was[key];
  const name = isBranch(row) && typeof row.name === 'string' && row.name ? row.name : Number(key);
  return [Array.isArray(was) ? name : key, ...changedPath(row, now[key])];
}
