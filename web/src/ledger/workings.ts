/** Workings are written by the core when a check is opened, in the reader's units. */
import { getContext, setContext } from 'svelte';
import { answered, client, Refusal } from '../api/client';
import type { Sheets, WrittenWorking } from '../api/types';
import type { System } from '../measure/figures';
import type { Ranges } from './sureness.svelte';

const KEY = Symbol('workings');

export interface Workings {
  /** The working of a check as the sheets stand; null where there is none or it can't be had now. */
  of: (check: string, units: System) => Promise<WrittenWorking | null>;
  /** How sure the margins are. */
  ranges: Pick<Ranges, 'found' | 'state'>;
  /** Where the one on paper is. */
  sheet: (check: string, units: System) => string;
  /** Go to the field that a number is from. */
  goTo: (field: string) => void;
}

export function workingsOf(
  jobId: string,
  sheets: () => Sheets,
  ranges: Ranges,
  goTo: Workings['goTo'],
): Workings {
  return {
    goTo,
    ranges,
    sheet: (check, units) =>
      `/api/jobs/${jobId}/calculation-sheet.pdf?${new URLSearchParams({ check, units })}`,
    of: async (check, units) => {
      const call = client.POST('/api/jobs/{job_id}/workings', {
        params: { path: { job_id: jobId } },
        body: { sheets: sheets(), checks: [check], units },
      });
      return (await unlessRefused(answered(call)))?.[0] ?? null;
    },
  };
}

async function unlessRefused<T>(call: Promise<T>): Promise<T | null> {
  try {
    return await call;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return null;
  }
}

export function provideWorkings(workings: Workings): void {
  setContext(KEY, workings);
}

/** For a component that is mounted by itself, such as in a test. */
export function workingsContext(workings: Workings): Map<symbol, Workings> {
  return new Map([[KEY, workings]]);
}

export function useWorkings(): Workings {
  const workings = getContext<Workings | undefined>(KEY);
  if (!workings) throw new Error('useWorkings outside JobScreen.svelte');
  return workings;
}
