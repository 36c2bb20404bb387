<script lang="ts">
  import { answered, client, Refusal } from '../api/client';
  import type { BriefSheet, Sheets } from '../api/types';
  import { LAYOUTS } from '../measure/layouts';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { openJob } from '../routes';
  import LayoutPicture from './LayoutPicture.svelte';

  interface Props {
    open: boolean;
    shopId: number;
    onclose: () => void;
  }
  let { open, shopId, onclose }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  let about = $state('');
  let layout = $state<BriefSheet['layout']>('kept_gearbox');
  let says = $state('');

  async function start(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    says = '';
    try {
      const sheets = { brief: { layout } } as Sheets; // the server fills in what is left out
      const body = { shop_id: shopId, name, about, sheets };
      const job = await answered(client.POST('/api/jobs', { body }));
      await openJob(job.id, 'brief');
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
      Vehicle, in a line
      <input id="{uid}-about" class="field-line" maxlength="2000" bind:value={about} />
    </label>
    <fieldset>
      <legend class="mb-1">Layout, from above, nose to the left; it can be changed later</legend>
      <div class="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {#each LAYOUTS as [key, title] (key)}
          <label
            class="flex cursor-pointer flex-col gap-1 border border-edge p-1 text-[13px] leading-tight has-checked:border-brass has-checked:bg-brass-wash has-focus-visible:outline-2 has-focus-visible:outline-brass"
          >
            <span class="block bg-dye p-1"><LayoutPicture layout={key} /></span>
            <span class="flex gap-1"
              ><input type="radio" name="{uid}-layout" value={key} class="accent-brass" bind:group={layout} />
              {title}</span
            >
          </label>
        {/each}
      </div>
    </fieldset>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <div class="flex gap-3">
      <Button strong type="submit">Start the job</Button>
      <Button onclick={onclose}>Cancel</Button>
    </div>
  </form>
</Dialog>
