<script lang="ts">
  import type { Candidate, Pick, RatiosResult } from '../../api/types';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: RatiosResult;
    shown: Candidate;
    undone: readonly string[]; // what the gearing shown must do and does not
    mayEdit: boolean;
    onpin: (pick: Pick) => void;
    onchoose: (pick: Pick) => void;
  }
  let { result, shown, undone, mayEdit, onpin, onchoose }: Props = $props();
  const units = useUnits();
  const mend = $derived(result.mend);
</script>

{#snippet pinning(pick: Pick, name: string)}
  {#if mayEdit}<button
      class="text-brass underline underline-offset-2"
      aria-label="put it beside: {name}"
      onclick={() => onpin(pick)}>put it beside</button
    >{/if}
{/snippet}

{#if undone.length > 0}
  <p
    role="status"
    class="flex shrink-0 flex-wrap items-baseline gap-x-3 border-b border-edge bg-brass-wash px-4 py-1.5"
  >
    <span
      ><VerdictMark verdict="fails" silent />
      <strong class="text-fails">{shown.key} does not {units.words(undone.join(', nor '))}.</strong>
      {units.words(mend?.text ?? '')}</span
    >
    {#if mend?.pick && mend.key}
      {@const pick = mend.pick}
      {@render pinning(pick, mend.key)}
      {#if mayEdit}<button
          class="font-semibold text-brass underline underline-offset-2"
          aria-label="Take {mend.key}"
          data-field="choice"
          onclick={() => onchoose(pick)}>take it</button
        >{/if}
    {/if}
  </p>
{:else}
  <p role="status" class="flex shrink-0 flex-wrap items-baseline gap-x-3 border-b border-edge px-4 py-1.5">
    {#if result.not_judged.length > 0}
      <span
        ><VerdictMark verdict="not_known" silent />
        <strong
          >{shown.key}: not known yet whether it can {units.words(result.not_judged.join(', or '))}.</strong
        ></span
      >
    {:else}
      <span><VerdictMark verdict="holds" silent /> <strong>{shown.key} does all it must.</strong></span>
    {/if}
    {#each result.alternatives as other (other.key)}
      <span
        >{other.best_in[0]?.toUpperCase()}{other.best_in.slice(1)}: {other.key}
        <span class="text-ink-dim">({units.words(other.costs)})</span>
        {@render pinning(other.pick, other.key)}</span
      >
    {:else}
      {#if result.count > 1}<span class="text-ink-dim">Nothing else listed does.</span>{/if}
    {/each}
  </p>
{/if}
