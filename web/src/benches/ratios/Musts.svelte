<script lang="ts">
  import type { Must } from '../../api/types';
  import { whole } from '../../lib/format';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import type { RatiosState } from './ratios.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    musts: readonly Must[];
    count: number;
    ratios: RatiosState;
  }
  let { musts, count, ratios }: Props = $props();
  const units = useUnits();
</script>

<section>
  <h3>It must <span class="font-normal text-ink-dim">(tick to leave the others out)</span></h3>
  <ul class="mt-1 text-[13px]">
    {#each musts as must, at (must.key)}
      {@const does = ratios.doesMust(ratios.shown, at)}
      <li class="border-t border-edge">
        <label class="flex items-center gap-2 py-1">
          <input
            type="checkbox"
            class="accent-brass"
            checked={ratios.wanted.includes(must.key)}
            onchange={() => ratios.toggleMust(must.key)}
          />
          <span class="flex-1">{units.words(must.text)}</span>
          <span class="figures text-ink-dim">{whole(must.count)} of {whole(count)}</span>
          <span class="w-5" title={does ? 'the one shown does' : 'the one shown does not'}>
            {#if does !== null}<VerdictMark verdict={does ? 'holds' : 'fails'} />{/if}
          </span>
        </label>
      </li>
    {/each}
  </ul>
</section>
