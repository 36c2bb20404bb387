<script lang="ts">
  import type { JointResult } from '../../api/types';
  import { anyOf, fixed, whole } from '../../lib/format';

  let { result }: { result: JointResult } = $props();
</script>

<p class="mt-1 bg-brass-wash px-2 py-1.5" role="status">
  {#if result.shortest_mm === null}
    Say strength, what it is screwed into and the plate’s thickness: then the length that fits is here.
  {:else}
    <strong
      >{result.stock_mm.length > 0
        ? `${anyOf(result.stock_mm.map((mm) => fixed(mm, 0)))} mm long fits`
        : 'No usual length fits'}</strong
    >: from {fixed(result.shortest_mm, 1)}
    {result.longest_mm === null ? 'up; what is behind is not known' : `to ${fixed(result.longest_mm, 1)} mm`}.
  {/if}
  {#if result.tightening_nm !== null}
    <br />Tighten to <strong>{fixed(result.tightening_nm, 0)} N·m</strong>{result.tightening_is_usual
      ? ', 70 % of proof'
      : ''}: {whole(result.preload_n)} N, a quarter more or less{result.settles_n === null
      ? ''
      : `, ${whole(result.settles_n)} of it settles`}.
  {/if}
  {#if result.threadlocker}<br />{result.count} of them, liquid threadlocker on clean, dry threads.{/if}
</p>
{#each result.sleeves as sleeve (sleeve.hole_mm)}
  <p class="mt-1 border-l-2 border-brass pl-2 text-[13px]">
    {sleeve.holes.join(', ')}: Ø{fixed(sleeve.hole_mm, 1)} is loose on {result.thread}. Sleeve
    <span class="figures whitespace-nowrap"
      >Ø{fixed(sleeve.outside_mm, 1)} × Ø{fixed(sleeve.inside_mm, 1)} × {fixed(sleeve.length_mm, 1)}</span
    >, wall {fixed(sleeve.wall_mm, 2)} mm{sleeve.can_be_turned
      ? ''
      : ': too thin to turn, bush or plug the hole'}.
  </p>
{/each}
