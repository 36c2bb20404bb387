/** An answer that is worked out only when somebody asks, for the sheets as they are then. */
import { answered, client, Refusal } from '../api/client';
import type { Sought } from '../api/types';
import type { JobEditor } from './job-editor.svelte';

export class Seeker {
  isBusy = $state(false);
  /** What came back; a refusal's words stand in its place. */
  found = $state.raw<Pick<Sought, 'says' | 'fields' | 'picture' | 'rows'> | null>(null);
  readonly #editor: JobEditor;
  #asked = $state.raw<JobEditor['sheets'] | null>(null);

  constructor(editor: JobEditor) {
    this.#editor = editor;
  }

  /** Whether the sheets are still those that were asked about. */
  get isCurrent(): boolean {
    return this.#asked === this.#editor.sheets;
  }

  async ask(key: string): Promise<void> {
    if (this.isBusy) return;
    this.isBusy = true;
    this.found = null;
    const { job, sheets } = this.#editor;
    this.#asked = sheets;
    try {
      this.found = await answered(
        client.POST('/api/jobs/{job_id}/seek/{key}', {
          params: { path: { job_id: job.id, key } },
          body: { sheets },
        }),
      );
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      this.found = { says: error.message, fields: [], picture: null, rows: [] };
    } finally {
      this.isBusy = false;
    }
  }
}
