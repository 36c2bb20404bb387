/** Lists of readings as data, so that a form of them is a table and not a page. */
import type { Quantity, Reading } from '../api/types';

type ReadingName<T> = {
  [K in keyof T]-?: Reading extends NonNullable<T[K]>
    ? NonNullable<T[K]> extends object
      ? K
      : never
    : never;
}[keyof T];

export interface ReadingSpec<T> {
  label: string;
  quantity: Quantity;
  hint: string;
  read: (from: T) => Reading | null | undefined;
  write: (to: T, value: Reading | null) => void;
}

/** A reading of `T`, by its field's name. */
export function reading<T extends object>(
  name: ReadingName<T>,
  label: string,
  quantity: Quantity,
  hint = '',
): ReadingSpec<T> {
  return {
    label,
    quantity,
    hint,
    read: (from) => from[name] as Reading | null | undefined,
    write: (to, value) => Object.assign(to, { [name]: value }),
  };
}
