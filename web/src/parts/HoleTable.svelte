<script lang="ts">
  import type { PartResult } from '../api/types';
  import { sideWords } from './sides';

  import { useUnits } from '../measure/units.svelte';
  interface Props {
    part: PartResult;
  }
  let { part }: Props = $props();
  const units = useUnits();
  /** Holes that are more than cut, by how they are made. */
  const odd = $derived(
    part.hole_table.reduce((made, hole) => {
      if (hole.made !== 'cut') made.set(hole.made, [...(made.get(hole.made) ?? []), hole.id]);
      return made;
    }, new Map<string, string[]>()),
  );
</script>

<section class="px-3 py-3">
  <h2>Hole table</h2>
  <p class="text-[13px] text-ink-dim">
    {part.title}, seen from {sideWords(part, 'first')}, {units.symbol('mm')}: x and y from the shaft's centre;
    left and foot from two square edges.
  </p>
  {#if part.hole_table.length > 0}
    <table class="mt-1 w-full text-[12.5px]" aria-label="Hole table">
      <thead class="text-ink-dim">
        <tr>
          <th class="text-left font-normal">id</th>
          <th class="text-right font-normal">x</th>
          <th class="text-right font-normal">y</th>
          <th class="text-right font-normal">left</th>
          <th class="text-right font-normal">foot</th>
          <th class="text-right font-normal">Ø</th>
          <th class="text-right font-normal">±</th>
        </tr>
      </thead>
      <tbody>
        {#each part.hole_table as hole (hole.id)}
          <tr class="border-t border-edge">
            <td class={['py-0.5 figures', hole.kind === 'motor' && 'text-brass']}>{hole.id}</td>
            <td class="text-right figures">{units.num(hole.x_mm, 'mm', 2)}</td>
            <td class="text-right figures">{units.num(hole.y_mm, 'mm', 2)}</td>
            <td class="text-right figures text-ink-dim">{units.num(hole.left_mm, 'mm', 1)}</td>
            <td class="text-right figures text-ink-dim">{units.num(hole.bottom_mm, 'mm', 1)}</td>
            <td class="text-right figures" title={hole.made}
              >{units.num(hole.finished_mm, 'mm', 1)}{hole.made === 'cut' ? '' : ' *'}</td
            >
            <td class="text-right figures text-ink-dim"
              >{hole.sure_mm === null ? 'set' : units.num(hole.sure_mm, 'mm', 2)}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    {#each odd as [made, ids] (made)}
      <p class="mt-1 text-[13px] text-ink-dim">* {ids.join(', ')}: {units.words(made)}</p>
    {/each}
  {:else}
    <p class="mt-2 text-ink-dim">Filled in as soon as three holes are settled.</p>
  {/if}
  {#if part.ligaments.length > 0}
    <h3 class="mt-4">Thinnest places</h3>
    <ul class="text-[13px]">
      {#each part.ligaments as ligament (ligament.a + ligament.b)}
        <li class="border-t border-edge py-0.5">
          {ligament.a} to {ligament.b}
          <span class="float-right figures"
            >{units.num(ligament.left_mm, 'mm', 1)} of {units.figure(ligament.wanted_mm, 'mm', 1)}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>
