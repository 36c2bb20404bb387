<script lang="ts">
  import type { Sureness } from '../api/types';
  import { useWorkings } from './workings';

  interface Props {
    range: Sureness | undefined;
  }
  let { range }: Props = $props();
  const workings = useWorkings();
  const widest = $derived(range?.narrowers[0]);
  const hasField = (field: string) => !/\.\d+(\.|$)/.test(field); // rows of a table have no name to go by
</script>

<div class="mt-2" aria-live="polite">
  {#if range}
    <ul class="border-l-2 border-edge pl-3">
      {#each range.says as sentence, k (k)}<li class={[k === 0 && 'font-semibold']}>{sentence}</li>{/each}
    </ul>
    {#if widest && hasField(widest.field)}
      <button
        class="min-h-6 text-brass underline underline-offset-2"
        onclick={() => workings.goTo(widest.field)}>Go to {widest.what}</button
      >
    {/if}
  {:else if workings.ranges.state === 'asked'}
    <p class="text-ink-dim">How sure it is: each reading is being moved by its ± …</p>
  {:else if workings.ranges.state === 'unanswered'}
    <p>How sure it is can't be had now: mend the fields marked above first.</p>
  {/if}
</div>
