/** Tables of rows that a person fills in, as data: what stands in each column, and how it is read and written. */
import type { Quantity, Reading } from '../api/types';
import type { Option } from './fields';

interface Placed {
  head: string;
  size: string; // its width, as a class
}
type Shown<R> = Placed & { kind: 'shown'; text: (row: R, k: number) => string; figures: boolean };
type Figure<R> = Placed & {
  kind: 'figure';
  label: string; // before the row's name: "Ratio of"
  quantity: Quantity;
  needed: string; // what to say when it is emptied; without it, emptying it is fine
  read: (row: R) => Reading | null | undefined;
  write: (row: R, value: Reading | null) => void;
};
type OneOf<R> = Placed & {
  kind: 'choice';
  label: string;
  options: readonly Option[];
  read: (row: R) => string;
  write: (row: R, value: string) => void;
};
type Name<R> = Placed & {
  kind: 'name';
  label: string;
  read: (row: R) => string;
  write: (row: R, value: string) => void;
};
export type Column<R> = Shown<R> | Figure<R> | OneOf<R> | Name<R>;

/** What is only read. */
export function shown<R>(
  text: (row: R, k: number) => string,
  { head = '', size = '', figures = false } = {},
): Column<R> {
  return { kind: 'shown', text, head, size, figures };
}

/** A reading of the row, by its field's name. */
export function figure<R extends object>(
  name: keyof R,
  label: string,
  quantity: Quantity,
  { head = '', size = 'w-24', needed = '' } = {},
): Column<R> {
  return {
    kind: 'figure',
    label,
    quantity,
    needed,
    head,
    size,
    read: (row) => row[name] as Reading | null | undefined,
    write: (row, value) => Object.assign(row, { [name]: value }),
  };
}
