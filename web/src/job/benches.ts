/** The benches as the server names them; each has a folder under benches/, opened when it is wanted. */
import type { Component } from 'svelte';
import type { Bench, JobResult } from '../api/types';

export interface BenchProps {
  result: JobResult;
  pinned: JobResult | null;
}
type Page = Component<BenchProps>;

const PAGES = import.meta.glob<Page>('../benches/*/Bench.svelte', { import: 'default' });
const opened = new Map<string, Page>();

/** What is planned and has no bench yet. */
export const LATER = ['Alignment', 'Build log', 'Parts & orders'];

/** Returns the key of the bench that a word names; of the first one for any other word. */
export function benchOf(word: string | undefined, benches: readonly Bench[]): string {
  return (benches.find((bench) => bench.key === word) ?? benches[0])?.key ?? '';
}

/** Returns a bench's page where it has been opened before, so that coming back to it shows no gap. */
export function openedPage(key: string): Page | undefined {
  return opened.get(key);
}

export async function openPage(key: string): Promise<Page> {
  const page = await PAGES[`../benches/${key}/Bench.svelte`]?.();
  if (!page) throw new Error(`no page for bench ${key}`);
  opened.set(key, page);
  return page;
}

/** Fetch the other benches while nothing else is going on, so that they open at once. */
export function fetchAhead(benches: readonly Bench[]): void {
  const idle = window.requestIdleCallback ?? ((run: () => void) => window.setTimeout(run, 1500));
  idle(() => benches.forEach((bench) => void openPage(bench.key).catch(() => undefined)));
}
