import { getContext, setContext } from 'svelte';

const KEY = Symbol('units');
const MODES = ['as typed', 'mm', 'inch'] as const;
const MM_PER_INCH = 25.4;

/** How readings are shown; what is kept is always as typed. */
export class UnitDisplay {
  mode = $state<(typeof MODES)[number]>('as typed');

  cycle(): void {
    this.mode = MODES[(MODES.indexOf(this.mode) + 1) % MODES.length] ?? 'as typed';
  }

  length(text: string, valueMm: number): string {
    if (this.mode === 'mm') return valueMm.toFixed(2);
    return this.mode === 'inch' ? `${(valueMm / MM_PER_INCH).toFixed(3)} in` : text;
  }
}

export function provideUnits(units: UnitDisplay): void {
  setContext(KEY, units);
}

export function useUnits(): UnitDisplay {
  const units = getContext<UnitDisplay | undefined>(KEY);
  if (!units) throw new Error('useUnits outside JobScreen.svelte');
  return units;
}
