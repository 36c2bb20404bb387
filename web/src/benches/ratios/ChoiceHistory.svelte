<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client } from '../../api/client';
  import { clockTime } from '../../lib/format';
  import Dialog from '../../lib/ui/Dialog.svelte';

  interface Props {
    jobId: string;
    revision: number; // of the job: a save may add a choice
    onclose: () => void;
  }
  let { jobId, revision, onclose }: Props = $props();
  const choices = createQuery(() => ({
    queryKey: ['gearing-choices', jobId, revision],
    queryFn: () =>
      answered(client.GET('/api/jobs/{job_id}/gearing-choices', { params: { path: { job_id: jobId } } })),
  }));
</script>

<Dialog open title="What was chosen, and why" about="Every choice of gearing that was saved." {onclose}>
  {#if choices.isPending}
    <p role="status">Looking it up…</p>
  {:else if choices.isError}
    <p role="alert" class="text-fails">▲ {choices.error.message}</p>
  {:else}
    <ol class="text-[13px]">
      {#each choices.data as one (one.version)}
        <li class="border-t border-edge py-2">
          <p>
            <strong>{one.name || 'no choice'}</strong>
            <span class="text-ink-dim">rev {one.version}, {one.author}, {clockTime(one.saved_at)}</span>
          </p>
          {#if one.choice?.reason}<p>{one.choice.reason}</p>{/if}
        </li>
      {:else}
        <li class="text-ink-dim">None saved yet.</li>
      {/each}
    </ol>
  {/if}
</Dialog>
