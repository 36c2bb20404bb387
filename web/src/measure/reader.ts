/** What a person types is read by the core: by itself, or in the answer to the change that it makes. */
import { getContext, setContext } from 'svelte';
import { answered, client, Refusal } from '../api/client';
import { fig } from './figures';
import type { Quantity, ReadBack, Tool, Typed } from '../api/types';

const KEY = Symbol('reader');

/** What the core made of a typed text: an echo in the field's unit, or what is wrong. */
export interface Heard {
  problem: string;
  echo: string;
  inch?: string | null; // of a length
  fraction?: string | null; // nearest to it
}

const ECHOED_DIGITS = 4; // a figure that was turned into other units deserves no more
const SYMBOLS: Record<string, string> = { Nm: 'N·m', deg: '°' };

export function heardOf(read: ReadBack | null | undefined): Heard {
  if (!read) return { problem: '', echo: '' };
  const unit = SYMBOLS[read.unit] ?? read.unit;
  return {
    problem: '',
    echo: `= ${fig(unit === 'mm' ? read.value : Number(read.value.toPrecision(ECHOED_DIGITS)), unit)}`,
    inch: read.inch,
    fraction: read.fraction,
  };
}

/** Reads figures, and knows which are still under way. */
export class Reader {
  readonly #underway = new Set<Promise<Heard>>();
  /** Says what would be written were the text as it stands taken; null once it is given up. */
  readonly typing: (write: (() => void) | null) => void;
  /** Asks who changed the field that `write` writes to. */
  readonly whose: (label: string, write: () => void) => void;
  readonly #enter: ((typed: Typed, write: () => void) => Promise<Heard>) | null;

  /** `typing` keeps what stands in a field; `whose` asks who changed it; `enter` puts a typed figure into a job by one call; without a job it is read first and written then. */
  constructor(
    enter: ((typed: Typed, write: () => void) => Promise<Heard>) | null = null,
    typing: (write: (() => void) | null) => void = () => {},
    whose: (label: string, write: () => void) => void = () => {},
  ) {
    this.#enter = enter;
    this.typing = typing;
    this.whose = whose;
  }

  /** Ask the core what it makes of a text. */
  read(text: string, quantity: Quantity, unit: string | null, tool: Tool | null = null): Promise<Heard> {
    return this.#noted(asked({ text, quantity, unit, tool }));
  }

  /** Enter a typed figure: `write` puts it into the sheets, where the core can read it; else it says what is wrong. */
  take(typed: Typed, write: () => void): Promise<Heard> {
    return this.#noted(this.#enter ? this.#enter(typed, write) : readThenWrite(typed, write));
  }

  /** Wait until every figure that was typed is in or refused; the field being typed in is left and entered. */
  async settled(): Promise<void> {
    const field = document.activeElement;
    if (field instanceof HTMLInputElement) {
      field.blur();
      field.focus();
    }
    while (this.#underway.size > 0) await Promise.allSettled(this.#underway);
  }

  #noted(answer: Promise<Heard>): Promise<Heard> {
    this.#underway.add(answer);
    const done = () => this.#underway.delete(answer);
    answer.then(done, done);
    return answer;
  }
}

async function readThenWrite(typed: Typed, write: () => void): Promise<Heard> {
  const heard = await asked(typed);
  if (!heard.problem) write();
  return heard;
}

async function asked(typed: Typed): Promise<Heard> {
  try {
    return heardOf(await answered(client.POST('/api/measure', { body: typed })));
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { problem: error.message, echo: '' };
  }
}

export function provideReader(reader: () => Reader): void {
  setContext(KEY, reader);
}

/** For a component that is mounted by itself, such as in a test. */
export function readerContext(reader: () => Reader): Map<symbol, () => Reader> {
  return new Map([[KEY, reader]]);
}

/** Returns the reader of the job that a component is in; outside of one, a reader of its own. */
export function useReader(): Reader {
  return getContext<(() => Reader) | undefined>(KEY)?.() ?? new Reader();
}
