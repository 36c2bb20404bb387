<script lang="ts">
  import { submits } from '../../lib/submits';

  interface Props {
    noun: string; // "a gear", "a final drive"
    add: (ratio: string, name: string) => Promise<boolean>;
  }
  let { noun, add }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  let ratio = $state('');

  async function submit(): Promise<void> {
    if (await add(ratio.trim(), name.trim())) name = ratio = '';
  }
</script>

<form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(submit)}>
  <label class="sr-only" for="{uid}-ratio">Ratio of {noun}</label>
  <input
    id="{uid}-ratio"
    class="field-line w-24 figures"
    placeholder="ratio, 37/9"
    required
    bind:value={ratio}
  />
  <label class="sr-only" for="{uid}-name">Name of {noun}</label>
  <input id="{uid}-name" class="field-line max-w-48" placeholder="name" maxlength="80" bind:value={name} />
  <button class="shrink-0 text-brass underline underline-offset-2">add {noun}</button>
</form>
