<script lang="ts">
  import type { JointResult } from '../../api/types';
  import { anyOf } from '../../lib/format';

  import { useUnits } from '../../measure/units.svelte';
  let { result }: { result: JointResult } = $props();
  const units = useUnits();
</script>

<p class="mt-1 bg-brass-wash px-2 py-1.5" role="status">
  {#if result.shortest_mm === null}
    Say strength, what it is screwed into and the plate’s thickness: then the length that fits is here.
  {:else}
    <strong
      >{result.stock_mm.length > 0
        ? `${anyOf(result.stock_mm.map((mm) => units.figure(mm, 'mm', null)))} long fits`
        : 'No usual length fits'}</strong
    >: from {units.figure(result.shortest_mm, 'mm', 1)}
    {result.longest_mm === null
      ? 'up; what is behind is not known'
      : `to ${units.figure(result.longest_mm, 'mm', 1)}`}.
  {/if}
  {#if result.tightening_nm !== null}
    <br />Tighten to
    <strong>{units.figure(result.tightening_nm, 'N·m', 0)}</strong>{result.tightening_is_usual
      ? ', 70 % of proof'
      : ''}: {units.figure(result.preload_n, 'N', 0)}, a quarter more or less{result.settles_n === null
      ? ''
      : `, ${units.num(result.settles_n, 'N', 0)} of it settles`}.
  {/if}
  {#if result.threadlocker}<br />{result.count} of them, liquid threadlocker on clean, dry threads.{/if}
</p>
{#each result.sleeves as sleeve (sleeve.hole_mm)}
  <p class="mt-1 border-l-2 border-brass pl-2 text-[13px]">
    {sleeve.holes.join(', ')}: Ø{units.figure(sleeve.hole_mm, 'mm', 1)} is loose on {result.thread}. Sleeve
    <span class="figures whitespace-nowrap"
      >Ø{units.num(sleeve.outside_mm, 'mm', 1)} × Ø{units.num(sleeve.inside_mm, 'mm', 1)} × {units.figure(
        sleeve.length_mm,
        'mm',
        1,
      )}</span
    >, wall {units.figure(sleeve.wall_mm, 'mm', 2)}{sleeve.can_be_turned
      ? ''
      : ': too thin to turn, bush or plug the hole'}.
  </p>
{/each}
