/** How sure the margins are: asked for in the background once nothing was changed for a while. */
import { answered, client, Refusal } from '../api/client';
import type { Sheets, Sureness } from '../api/types';

const QUIET_MS = 1500;
const AGAIN_MS = 5000;

export class Ranges {
  found = $state.raw<readonly Sureness[]>([]);
  state = $state<'asked' | 'answered' | 'unanswered'>('asked');
  #timer: ReturnType<typeof setTimeout> | undefined;
  #changes = 0;
  #jobId: string;
  #sheets: () => Sheets;

  constructor(jobId: string, sheets: () => Sheets) {
    this.#jobId = jobId;
    this.#sheets = sheets;
  }

  /** Ranges are of the figures that they were asked about: with others they are gone till they are asked for again. */
  changed(): void {
    this.#changes += 1;
    this.found = [];
    this.state = 'asked';
    this.#askIn(QUIET_MS);
  }

  leave(): void {
    this.#changes += 1;
    clearTimeout(this.#timer);
  }

  #askIn(pause_ms: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#ask(), pause_ms);
  }

  async #ask(): Promise<void> {
    const asked = this.#changes;
    const call = client.POST('/api/jobs/{job_id}/sureness', {
      params: { path: { job_id: this.#jobId } },
      body: { sheets: this.#sheets() },
    });
    try {
      const answer = await answered(call);
      if (asked !== this.#changes) return;
      if (answer.is_busy) {
        this.#askIn(AGAIN_MS);
        return;
      }
      this.found = answer.ranges;
      this.state = 'answered';
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (asked !== this.#changes) return;
      this.state = 'unanswered';
    }
  }
}
