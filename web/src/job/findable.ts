/** What `/` finds in a job, each with its words and where it is. */
import type { Bench, JobLine, JobResult, Sheets } from '../api/types';
import { placeOfCheck, placeOfField, withinPart, type Place } from './go-to';

export interface Found {
  key: string;
  kind: 'job' | 'bench' | 'part' | 'check' | 'field' | 'reading' | 'entry';
  title: string;
  about: string;
  place: Place | null; // null: another job
  within?: string; // where a field of that place is, once that is opened
}

const MOST_SHOWN = 12;
const FORMS = import.meta.glob<Record<string, unknown>>('../benches/*/fields.ts');

/** Returns what has all of the words typed, in any order; what begins with the first of them before others, short before long. */
export function matching(all: readonly Found[], typed: string): Found[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean).map(singular);
  if (words.length === 0) return [];
  const textOf = (one: Found) => `${one.title} ${one.about} ${one.kind}`.toLowerCase();
  const isFirst = (one: Found) => Number(textOf(one).startsWith(words[0] ?? ''));
  return all
    .filter((one) => words.every((word) => textOf(one).includes(word)))
    .toSorted((a, b) => isFirst(b) - isFirst(a) || a.title.length - b.title.length)
    .slice(0, MOST_SHOWN);
}

/** Sleeves and a sleeve are one word to whoever looks for them. */
const singular = (word: string): string => (word.length > 3 ? word.replace(/s$/, '') : word);

/** Jobs, benches, parts, checks and readings as they are now. */
export function findable(benches: readonly Bench[], result: JobResult, jobs: readonly JobLine[]): Found[] {
  const titleOf = (key: string) => benches.find((one) => one.key === key)?.title ?? key;
  return [
    ...benches.map(({ key, title }): Found => ({
      key: `bench ${key}`,
      kind: 'bench',
      title,
      about: '',
      place: { bench: key, selector: '' },
    })),
    ...Object.entries(result.parts).flatMap(([bench, parts]) =>
      parts.map(({ key, title }): Found => ({
        key: `part ${key}`,
        kind: 'part',
        title,
        about: titleOf(bench),
        place: { bench, selector: '' },
      })),
    ),
    ...result.checks.map(({ key, bench, title }): Found => ({
      key: `check ${key}`,
      kind: 'check',
      title,
      about: titleOf(bench),
      place: placeOfCheck(bench, key),
    })),
    ...result.plate.survey.readings.map(({ label, kind }, k): Found => ({
      key: `reading ${k}`,
      kind: 'reading',
      title: label,
      about: `${kind}, ${titleOf('plate')}`,
      place: { bench: 'plate', selector: `main [aria-label="${CSS.escape(`Reading ${label}`)}"]` },
    })),
    ...jobs.map(({ id, name, about }): Found => ({
      key: `job ${id}`,
      kind: 'job',
      title: name,
      about,
      place: null,
    })),
  ];
}

/** What a job calls by a name: mounts, bodies, points, shafts, and what else is entered row by row. */
export function entriesOf(benches: readonly Bench[], sheets: Sheets): Found[] {
  const bySheet = sheets as unknown as Record<string, unknown>;
  return benches.flatMap(({ key, title }) =>
    named(bySheet[key], key).flatMap(({ path, name, value }): Found[] => {
      const list = path.split('.').at(-2)?.replaceAll('_', ' ') ?? '';
      const [about, place] = [`${list}, ${title}`, placeOfField(path)];
      return [
        { key: `entry ${path}`, kind: 'entry', title: name, about, place },
        ...leaves(value).map((steps): Found => ({
          key: `entry ${path}.${steps.join('.')}`,
          kind: 'field',
          title: `${name}: ${steps.map(worded).join(' ')}`,
          about,
          place,
          within: fieldOfOpen(steps),
        })),
      ];
    }),
  );
}

interface Named {
  path: string;
  name: string;
  value: object;
}

function named(value: unknown, path: string): Named[] {
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([step, one]) => {
    const own = `${path}.${step}`;
    const row = Array.isArray(value) && typeof one === 'object' ? (one as { name?: unknown } | null) : null;
    return [
      ...(row && typeof row.name === 'string' && row.name ? [{ path: own, name: row.name, value: row }] : []),
      ...named(one, own),
    ];
  });
}

/** What is entered of a thing beside its name, each by its steps from there; of a list in it, nothing. */
function leaves(value: object, before: readonly string[] = []): string[][] {
  return Object.entries(value).flatMap(([step, one]: [string, unknown]) => {
    const steps = [...before, step];
    if (one === null || Array.isArray(one) || steps.join('.') === 'name') return [];
    return typeof one === 'object' && !('text' in one) ? leaves(one, steps) : [steps];
  });
}

/** A field of what is open, by its steps from there. */
function fieldOfOpen(steps: readonly string[]): string {
  const [name = '', part] = steps.toReversed();
  return part ? withinPart(part, name) : `main [data-field="${CSS.escape(name)}"]`;
}

function worded(step: string): string {
  return step.replace(/_(n_per_mm|mm|mpa|nm|n)$/, '').replaceAll('_', ' ');
}

/** The fields of every bench's forms; the benches are fetched for it. */
export async function fieldsOf(benches: readonly Bench[]): Promise<Found[]> {
  const found = await Promise.all(
    benches.map(async ({ key, title }) => {
      const forms = await FORMS[`../benches/${key}/fields.ts`]?.();
      return Object.values(forms ?? {})
        .flatMap((form) => (Array.isArray(form) ? (form as unknown[]) : []))
        .flatMap((spec) => fieldOf(spec, key, title));
    }),
  );
  const all = found.flat();
  return all.filter((one, k) => all.findIndex((other) => other.key === one.key) === k);
}

function fieldOf(spec: unknown, bench: string, benchTitle: string): Found[] {
  if (typeof spec !== 'object' || spec === null || !('label' in spec) || !('name' in spec)) return [];
  const { label, name } = spec;
  if (typeof label !== 'string' || typeof name !== 'string') return [];
  const place = placeOfField(`${bench}.${name}`);
  return [{ key: `field ${bench} ${label}`, kind: 'field', title: label, about: benchTitle, place }];
}
