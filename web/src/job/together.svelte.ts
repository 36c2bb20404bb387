import { answered, client, Refusal } from '../api/client';
import type { Other } from '../api/types';
import { thisTab } from './drafts';
import type { JobEditor } from './job-editor.svelte';

const EVERY_MS = 5000;

function isTyping(): boolean {
  return document.activeElement?.matches('input, textarea, select') ?? false;
}

/** Who else has a job open, and what they save: shown at once where nothing of one's own would be lost. */
export class Together {
  others = $state.raw<readonly Other[]>([]);
  readonly #editor: JobEditor;
  readonly #bench: () => string;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #isGone = false;

  constructor(editor: JobEditor, bench: () => string) {
    this.#editor = editor;
    this.#bench = bench;
    void this.#ask();
  }

  async #ask(): Promise<void> {
    try {
      if (!document.hidden) await this.#hear();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error; // what the server refuses is said where something is done
    } finally {
      if (!this.#isGone) this.#timer = setTimeout(() => void this.#ask(), EVERY_MS);
    }
  }

  async #hear(): Promise<void> {
    const params = { path: { job_id: this.#editor.job.id } };
    const body = { tab: await thisTab(), bench: this.#bench() };
    const heard = await answered(client.POST('/api/jobs/{job_id}/here', { params, body }));
    if (this.#isGone) return;
    this.others = heard.others;
    await this.#editor.heardOf(heard.newest, isTyping());
  }

  leave(): void {
    this.#isGone = true;
    clearTimeout(this.#timer);
  }
}
