/** Goes to a place on a bench: the bench is opened, then the tab that the place is on, and the place focused. */
import { tick } from 'svelte';

export interface Place {
  bench: string;
  selector: string; // of what is focused; empty for the bench itself
  exact?: string; // the same within its part, where the bench parts its fields
}

const TRIES = 40;
const PAUSE_MS = 50; // while the bench is fetched
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, PAUSE_MS));

/** The place of a field, by its path; of a list or a group of fields, the first of them. */
export function placeOfField(path: string): Place {
  const [bench = '', ...names] = path.split('.');
  const last = names.at(-1);
  const isRow = last !== undefined && /^\d+$/.test(last); // a row goes by its list, one of the unit's by that too
  const name = isRow ? names.slice(names.at(-3) === 'unit' ? -3 : -2).join('.') : last;
  if (!name) return { bench, selector: '' };
  const own = CSS.escape(name);
  const selector = `main [data-field="${own}"], main :is([data-group="${own}"], [data-part="${own}"]) :is(input, select)`;
  const part = isRow ? undefined : names.at(-2);
  return part ? { bench, selector, exact: withinPart(part, name) } : { bench, selector };
}

/** A field within its part: two parts of one thing may have fields of one name, such as a length. */
export function withinPart(part: string, name: string): string {
  return `main [data-part="${CSS.escape(part)}"] [data-field="${CSS.escape(name)}"]`;
}

/** The place of a check, in the ledger beside its bench. */
export function placeOfCheck(bench: string, key: string): Place {
  return { bench, selector: `[data-check="${CSS.escape(key)}"]` };
}

/** Whether a place can be seen once what it is folded away in is open. */
function unfolded(place: HTMLElement): boolean {
  const fold = place.closest('details');
  if (!fold?.checkVisibility()) return false;
  fold.open = true;
  return true;
}

/** The first that can be seen, else that can be unfolded. */
function shownOf(selector: string): HTMLElement | undefined {
  const places = [...document.querySelectorAll<HTMLElement>(selector)];
  return places.find((one) => one.checkVisibility()) ?? places.find(unfolded);
}

/** Marks the fields of the bench that is open whose paths are given, and no others. */
export function markWrong(paths: readonly string[], bench: string): void {
  for (const old of document.querySelectorAll('main [data-wrong]')) {
    old.removeAttribute('data-wrong');
    old.removeAttribute('aria-invalid');
  }
  for (const path of paths) {
    const place = placeOfField(path);
    if (place.bench !== bench || !place.selector) continue;
    const found = (place.exact && shownOf(place.exact)) || shownOf(place.selector);
    found?.setAttribute('data-wrong', '');
    found?.setAttribute('aria-invalid', 'true');
  }
}

/** Focuses a place; false where it is not on the screen in any tab. */
export async function goTo(place: Place, openBench: (key: string) => Promise<void>): Promise<boolean> {
  await openBench(place.bench);
  const isThere = () => document.querySelector(`main[data-bench="${CSS.escape(place.bench)}"] *`) !== null;
  for (let k = 0; k < TRIES && !isThere(); k += 1) await pause();
  if (!place.selector) return true;
  const before = document.querySelector<HTMLElement>('main [role=tab][aria-selected=true]');
  for (const tab of [null, ...document.querySelectorAll<HTMLElement>('main [role=tab]')]) {
    tab?.click();
    await tick();
    const found = (place.exact && shownOf(place.exact)) || shownOf(place.selector);
    if (found) {
      found.focus();
      found.scrollIntoView({ block: 'center' });
      return true;
    }
  }
  before?.click();
  return false;
}
