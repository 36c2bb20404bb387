<script lang="ts">
  import { client, doneOr, Refusal } from '../api/client';
  import type { JobLine } from '../api/types';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';

  let { job, onclose }: { job: JobLine; onclose: () => void } = $props();
  const uid = $props.id();
  let name = $state('');
  let says = $state('');

  async function remove(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    says = '';
    try {
      const params = { path: { job_id: job.id } };
      await doneOr(client.DELETE('/api/jobs/{job_id}', { params, body: { name } }));
      onclose();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }
</script>

<Dialog
  open
  title="Delete {job.name} for good"
  about="Its {job.version} saved revision{job.version === 1
    ? ''
    : 's'}, releases and deliveries go with it, and nothing
 brings them back. Put away, it costs nothing to keep."
  {onclose}
>
  <a
    class="min-h-6 self-start text-brass underline underline-offset-2"
    href="/api/jobs/{job.id}/pack"
    download>Keep its job file first</a
  >
  <form class="flex flex-col gap-3" onsubmit={remove}>
    <div>
      <label for="{uid}-name" class="text-ink-dim">Type its name, {job.name}</label>
      <input id="{uid}-name" class="field-line" autocomplete="off" required bind:value={name} />
    </div>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <div class="flex gap-3">
      <Button type="submit" disabled={name.trim() !== job.name}>Delete it for good</Button>
      <Button strong onclick={onclose}>Keep it</Button>
    </div>
  </form>
</Dialog>
