import { answered, client } from '../api/client';
import type { Answer, ReadBack, Sheets, Typed } from '../api/types';
import { gathered, type Gathered } from './answers';

/** What was typed, as the core read it, and the pieces of the answer that differ from those on the screen. */
export interface Found {
  read: ReadBack | null;
  answer: Answer;
}

/** What follows from a job's sheets: asked of the core, the newest question only. */
export class Evaluation {
  #gathered = $state.raw<Gathered | null>(null);
  readonly result = $derived(this.#gathered?.result ?? null);
  isBehind = false; // the question before was given up for this one
  readonly #jobId: string;
  #asked = 0;
  #underway: AbortController | null = null;

  constructor(jobId: string) {
    this.#jobId = jobId;
  }

  /** Ask what follows from sheets; null where another question came after this one, whatever became of it. */
  async ask(sheets: Sheets, typed: Typed | null): Promise<Found | null> {
    const asked = ++this.#asked;
    this.isBehind = this.#underway !== null;
    this.#underway?.abort();
    this.#underway = new AbortController();
    try {
      const found = await evaluated(this.#jobId, sheets, this.#gathered, typed, this.#underway.signal);
      if (asked !== this.#asked) return null;
      this.#gathered = gathered(this.#gathered, found.answer);
      return found;
    } catch (error) {
      if (asked !== this.#asked) return null;
      throw error;
    } finally {
      if (asked === this.#asked) this.#underway = null;
    }
  }

  /** Give up what is still under way, when the page goes. */
  leave(): void {
    this.#underway?.abort();
    this.#asked += 1;
  }
}

async function evaluated(
  jobId: string,
  sheets: Sheets,
  before: Gathered | null,
  typed: Typed | null,
  signal?: AbortSignal,
): Promise<Found> {
  const call = client.POST('/api/jobs/{job_id}/evaluate', {
    params: { path: { job_id: jobId } },
    body: { sheets, have: before?.keys ?? {}, typed },
    signal: signal ?? null,
  });
  // The client's types make a list of three of a place; it is one all the same.
  return (await answered(call)) as unknown as Found;
}

/** What follows from other sheets, beside those on the screen. */
export async function evaluatedBeside(jobId: string, sheets: Sheets) {
  return gathered(null, (await evaluated(jobId, sheets, null, null)).answer).result;
}
