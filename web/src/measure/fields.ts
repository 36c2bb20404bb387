/** Forms as data: what is asked, in the order in which a fabricator has it in hand, is a table and not a page. */
import type { Quantity, Reading } from '../api/types';

type Named<T, V> = { [K in keyof T]-?: NonNullable<T[K]> extends V ? K : never }[keyof T];
type ReadingName<T> = {
  [K in keyof T]-?: Reading extends NonNullable<T[K]>
    ? NonNullable<T[K]> extends object
      ? K
      : never
    : never;
}[keyof T];
export type Option = readonly [key: string, title: string];

interface Asked<T, V> {
  name?: string; // the last word of the field's path
  label: string;
  hint: string;
  read: (from: T) => V | null | undefined;
  write: (to: T, value: V) => void;
  when?: (from: T) => boolean; // without it, always asked
}
type ReadingSpec<T> = Asked<T, Reading | null> & { kind: 'reading'; quantity: Quantity };
type NumberSpec<T> = Asked<T, number | null> & {
  kind: 'number';
  least: number;
  greatest: number;
  unit: string; // metric; empty for what has none
};
type ChoiceSpec<T> = Asked<T, string> & {
  kind: 'choice';
  options: (from: T) => readonly Option[];
  none: string; // offered while nothing is chosen
};
type TextSpec<T> = Asked<T, string> & { kind: 'text'; long: boolean; most: number };
export type FieldSpec<T> = ReadingSpec<T> | NumberSpec<T> | ChoiceSpec<T> | TextSpec<T>;
export type Form<T> = readonly FieldSpec<T>[];

const put = <T extends object>(to: T, name: keyof T, value: unknown) => Object.assign(to, { [name]: value });

/** A reading of `T`, by its field's name; `hint` is how to measure it. */
export function reading<T extends object>(
  name: ReadingName<T>,
  label: string,
  quantity: Quantity,
  hint = '',
): ReadingSpec<T> {
  return {
    kind: 'reading',
    name: String(name),
    label,
    quantity,
    hint,
    read: (from) => from[name] as Reading | null | undefined,
    write: (to, value) => put(to, name, value),
  };
}

/** A reading that there always is: emptied, it stays as it was. */
export function settled<T extends object>(
  name: ReadingName<T>,
  label: string,
  quantity: Quantity,
  hint = '',
): ReadingSpec<T> {
  return { ...reading(name, label, quantity, hint), write: (to, value) => value && put(to, name, value) };
}

/** A bare number between two others. */
export function number<T extends object>(
  name: Named<T, number>,
  label: string,
  [least, greatest]: readonly [number, number],
  hint = '',
  unit = '',
): NumberSpec<T> {
  return {
    kind: 'number',
    name: String(name),
    label,
    least,
    greatest,
    unit,
    hint,
    read: (from) => from[name] as number | null | undefined,
    write: (to, value) => put(to, name, value),
  };
}

/** A count; emptied, it is `empty`. */
export function count<T extends object>(
  name: Named<T, number>,
  label: string,
  between: readonly [number, number],
  empty: number,
): NumberSpec<T> {
  return {
    ...number(name, label, between),
    write: (to, value) => put(to, name, Math.round(value ?? empty)),
  };
}

type Options<T, K extends keyof T> = readonly (readonly [NonNullable<T[K]> & string, string])[];

/** One of some; `none` is offered while nothing is chosen. */
export function choice<T extends object, K extends Named<T, string>>(
  name: K,
  label: string,
  options: Options<T, K> | ((from: T) => Options<T, K>),
  none = '',
): ChoiceSpec<T> {
  return {
    kind: 'choice',
    name: String(name),
    label,
    none,
    hint: '',
    options: typeof options === 'function' ? options : () => options,
    read: (from) => from[name] as string | null | undefined,
    write: (to, value) => put(to, name, value),
  };
}

/** Yes or no; until it is answered it is neither. */
export function yesNo<T extends object>(
  name: Named<T, boolean>,
  label: string,
  none: string,
  words: readonly [yes: string, no: string] = ['yes', 'no'],
): ChoiceSpec<T> {
  return {
    kind: 'choice',
    name: String(name),
    label,
    none,
    hint: '',
    options: () => [
      ['yes', words[0]],
      ['no', words[1]],
    ],
    read: (from) => {
      const said = from[name] as boolean | null | undefined;
      return said === true ? 'yes' : said === false ? 'no' : null;
    },
    write: (to, value) => put(to, name, value === 'yes'),
  };
}

interface TextSettings {
  empty?: string | null;
  long?: boolean;
  most?: number; // characters
}

/** Words; emptied, they are `empty`. */
export function text<T extends object>(
  name: Named<T, string>,
  label: string,
  { empty = '', long = false, most = long ? 2000 : 80 }: TextSettings = {},
): TextSpec<T> {
  return {
    kind: 'text',
    name: String(name),
    label,
    long,
    most,
    hint: '',
    read: (from) => from[name] as string | null | undefined,
    write: (to, value) => put(to, name, value || empty),
  };
}

/** The same question, asked only where `when` says so. */
export function asked<T>(when: (from: T) => boolean, spec: FieldSpec<T>): FieldSpec<T> {
  return { ...spec, when };
}

/** A form of a part of `T` as one of `T`; where the part is not there yet, `make` puts it there. */
export function within<T, P>(
  part: (from: T) => P | null | undefined,
  form: Form<P>,
  make?: (to: T) => P,
): Form<T> {
  return form.map((spec) => inside(spec, part, make));
}

function inside<T, P>(
  spec: FieldSpec<P>,
  part: (from: T) => P | null | undefined,
  make?: (to: T) => P,
): FieldSpec<T> {
  const through = <V>(one: Asked<P, V>) => ({
    read: (from: T) => {
      const there = part(from);
      return there ? one.read(there) : null;
    },
    write: (to: T, value: V) => {
      const there = part(to) ?? make?.(to);
      if (there) one.write(there, value);
    },
    when: (from: T) => {
      const there = part(from);
      return one.when === undefined || (there ? one.when(there) : false);
    },
  });
  if (spec.kind === 'reading') return { ...spec, ...through<Reading | null>(spec) };
  if (spec.kind === 'number') return { ...spec, ...through<number | null>(spec) };
  if (spec.kind === 'text') return { ...spec, ...through(spec) };
  const options = (from: T) => {
    const there = part(from);
    return there ? spec.options(there) : [];
  };
  return { ...spec, ...through(spec), options };
}
