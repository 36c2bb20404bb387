<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client } from '../api/client';
  import { clockTime } from '../lib/format';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { useEditor } from './job-editor.svelte';
  import { sideWords } from './merging';

  const editor = useEditor();
  const field = $derived(editor.asked);
  const changes = createQuery(() => ({
    queryKey: ['field-changes', editor.job.id, editor.number, field?.path],
    enabled: field !== null,
    queryFn: () =>
      answered(
        client.POST('/api/jobs/{job_id}/field-changes', {
          params: { path: { job_id: editor.job.id } },
          body: { path: [...(field?.path ?? [])] },
        }),
      ),
  }));
</script>

{#if field}
  <Dialog open title="{field.label}: who changed it" onclose={() => (editor.asked = null)}>
    {#if changes.isPending}<p role="status" class="text-ink-dim">Looking through the revisions…</p>
    {:else if changes.isError}<p role="alert" class="text-fails">▲ {changes.error.message}</p>
    {:else}
      <ul class="max-h-[50dvh] overflow-auto border-y border-edge" aria-label="Changes, the newest first">
        {#each changes.data as one (one.version)}
          <li
            class="grid grid-cols-[4rem_1fr] gap-x-4 border-t border-edge py-1.5 first:border-t-0 md:grid-cols-[4rem_14rem_1fr]"
          >
            <span class="figures">rev {one.version}</span>
            <span class="text-ink-dim">{clockTime(one.saved_at)} by {one.author}</span>
            <span class="figures">
              <span class="text-ink-dim">{sideWords(one.was)} →</span>
              {sideWords(one.now)}
            </span>
          </li>
        {:else}
          <li class="py-2 text-ink-dim">It was never saved with a figure in it.</li>
        {/each}
      </ul>
    {/if}
  </Dialog>
{/if}
