<script lang="ts">
  import { answered, client, Refusal } from '../../api/client';
  import type { PlacementSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { takePlace } from './edits';

  interface Props {
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { change }: Props = $props();
  const editor = useEditor();
  const units = useUnits();
  let isBusy = $state(false);
  let says = $state('');

  async function seek(): Promise<void> {
    if (isBusy) return;
    isBusy = true;
    says = '';
    const { sheets } = editor;
    try {
      const found = await answered(
        client.POST('/api/jobs/{job_id}/seek/{key}', {
          params: { path: { job_id: editor.job.id, key: 'placement.most_room' } },
          body: { sheets },
        }),
      );
      says = found.says;
      if (editor.sheets === sheets) change((next) => takePlace(next, found.fields));
      else says = 'The placement was changed meanwhile. Ask again.';
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    } finally {
      isBusy = false;
    }
  }
</script>

<button class="min-h-6 text-brass underline underline-offset-2" aria-busy={isBusy} onclick={() => void seek()}
  >slide it to the most room</button
>
{#if isBusy || says}<p class="w-full text-ink-dim" role="status">
    {isBusy ? 'Sliding it about…' : units.words(says)}
  </p>{/if}
