<script lang="ts">
  import type { Check, Sureness } from '../api/types';
  import { useWorkings } from './workings';

  interface Props {
    check: Check;
  }
  let { check }: Props = $props();
  const workings = useWorkings();
  type State = 'unasked' | 'asking' | 'unanswered' | Sureness;
  let found = $state.raw<State>('unasked');
  const widest = $derived(typeof found === 'string' ? undefined : found.narrowers[0]);

  // A range is of the figures that it was asked about: with others it is gone till it is asked for again.
  let asked = 0;
  $effect(() => {
    void check;
    asked += 1;
    found = 'unasked';
  });
  async function ask(): Promise<void> {
    const own = ++asked;
    found = 'asking';
    const answer = await workings.sureness(check.key);
    if (own === asked) found = answer ?? 'unanswered';
  }
  const hasField = (field: string) => !/\.\d+(\.|$)/.test(field); // rows of a table have no name to go by
</script>

<div class="mt-2" aria-live="polite">
  {#if found === 'unasked'}
    <button class="min-h-6 text-brass underline underline-offset-2" onclick={ask}>How sure is it?</button>
  {:else if found === 'asking'}
    <p class="text-ink-dim">Moving each reading by its ± …</p>
  {:else if found === 'unanswered'}
    <p>No range can be had now: mend the fields marked above first.</p>
  {:else}
    <ul class="border-l-2 border-edge pl-3">
      {#each found.says as sentence, k (k)}<li class={[k === 0 && 'font-semibold']}>
          {sentence}
        </li>{/each}
    </ul>
    {#if widest && hasField(widest.field)}
      <button
        class="min-h-6 text-brass underline underline-offset-2"
        onclick={() => workings.goTo(widest.field)}>Go to {widest.what}</button
      >
    {/if}
  {/if}
</div>
