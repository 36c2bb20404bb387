<script lang="ts">
  import { answered, client, Refusal } from '../api/client';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { navigate } from '../routes';

  interface Props {
    open: boolean;
    shopId: number;
    onclose: () => void;
  }
  let { open, shopId, onclose }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  let about = $state('');
  let says = $state('');

  async function start(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    says = '';
    try {
      const body = { shop_id: shopId, name, about };
      const job = await answered(client.POST('/api/jobs', { body }));
      await navigate('/jobs/:id/:bench', { params: { id: job.id, bench: 'brief' } });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }
</script>

<Dialog {open} title="New job" about="What is being converted. Everything else can wait." {onclose}>
  <form class="flex flex-col gap-4" onsubmit={start}>
    <label for="{uid}-name">
      Name
      <input id="{uid}-name" class="field-line text-lg" required maxlength="80" bind:value={name} />
    </label>
    <label for="{uid}-about">
      Vehicle and layout, in a line
      <input id="{uid}-about" class="field-line" maxlength="2000" bind:value={about} />
    </label>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <div class="flex gap-3">
      <Button strong type="submit">Start the job</Button>
      <Button onclick={onclose}>Cancel</Button>
    </div>
  </form>
</Dialog>
