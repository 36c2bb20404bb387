/** Two people's changes of the same sheets, laid together: field by field, and only what both changed is asked about. */
import { inWords } from './values';

export type Path = readonly (string | number)[];

/** A field that both changed, each to something else. */
export interface Clash {
  path: Path;
  was: unknown;
  mine: unknown;
  theirs: unknown;
}

export type Side = 'mine' | 'theirs';

type Fields = Record<string, unknown>;
type Row = Fields & { name: string };
const GONE = Symbol('gone'); // of a row that one of the two took away

function same(a: unknown, b: unknown): boolean {
  return a === b || (a !== GONE && b !== GONE && JSON.stringify(a) === JSON.stringify(b));
}

function isFields(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A reading is one figure with its tool, and what changed its kind is one thing: neither is taken apart. */
function canSplit(sides: readonly unknown[]): sides is [Fields, Fields, Fields] {
  if (!sides.every(isFields) || sides.some((side) => 'text' in side)) return false;
  return ['kind', 'style'].every((key) => sides.every((side) => side[key] === sides[0]?.[key]));
}

/** Rows with names of their own are told apart by them. */
function areNamed(value: unknown): value is readonly Row[] {
  if (!Array.isArray(value) || !value.every((row) => isFields(row) && typeof row.name === 'string'))
    return false;
  const names = (value as readonly Row[]).map((row) => row.name);
  return names.every(Boolean) && new Set(names).size === names.length;
}

class Merge {
  readonly clashes: Clash[] = [];
  constructor(readonly picks: ReadonlyMap<string, Side>) {}

  of(was: unknown, mine: unknown, theirs: unknown, path: Path): unknown {
    if (same(mine, theirs) || same(was, theirs)) return mine;
    if (same(was, mine)) return theirs;
    const sides = [was, mine, theirs];
    if (canSplit(sides)) return this.#fields(...sides, path);
    if (areNamed(was) && areNamed(mine) && areNamed(theirs)) return this.#rows(was, mine, theirs, path);
    this.clashes.push({ path, was, mine, theirs });
    return this.picks.get(pathKey(path)) === 'theirs' ? theirs : mine;
  }

  #fields(was: Fields, mine: Fields, theirs: Fields, path: Path): Fields {
    const names = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
    return Object.fromEntries(
      [...names].map((name) => [name, this.of(was[name], mine[name], theirs[name], [...path, name])]),
    );
  }

  /** Mine in their order, then those that only they have. */
  #rows(was: readonly Row[], mine: readonly Row[], theirs: readonly Row[], path: Path): unknown[] {
    const names = new Set([...mine, ...theirs].map((row) => row.name));
    const find = (rows: readonly Row[], name: string) => rows.find((row) => row.name === name) ?? GONE;
    return [...names]
      .map((name) => this.of(find(was, name), find(mine, name), find(theirs, name), [...path, name]))
      .filter((row) => row !== GONE);
  }
}

/** A path as one word, to pick a side by. */
export function pathKey(path: Path): string {
  return JSON.stringify(path);
}

/** What a side holds, in words. */
export function sideWords(value: unknown): string {
  if (value === GONE) return 'taken away';
  return Array.isArray(value) ? `${value.length} rows` : inWords(value);
}

/** Lays two people's changes of `was` together; a clash takes the side that was picked, and mine until one is. */
export function merged<T>(
  was: T,
  mine: T,
  theirs: T,
  picks: ReadonlyMap<string, Side> = new Map(),
): { sheets: T; clashes: readonly Clash[] } {
  const merge = new Merge(picks);
  const sheets = merge.of(was, mine, theirs, []) as T;
  return { sheets, clashes: merge.clashes };
}
