<script lang="ts">
  import type { SideShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  let { sides }: { sides: readonly SideShown[] } = $props();
  const units = useUnits();
  const WAYS = [
    { key: 'sideways', title: 'the unit to the left' },
    { key: 'upward', title: 'the unit up' },
  ] as const;
  let way = $state<(typeof WAYS)[number]['key']>('sideways');
  const rows = $derived(sides[0]?.[way] ?? []);
</script>

<div>
  <div class="flex gap-3 text-[13px]" role="group" aria-label="Which way the unit is moved">
    {#each WAYS as one (one.key)}
      <button
        class={['min-h-7', way === one.key ? 'font-semibold underline' : 'text-ink-dim']}
        aria-pressed={way === one.key}
        onclick={() => (way = one.key)}>{one.title}</button
      >
    {/each}
  </div>
  <table class="w-full text-[13px]" aria-label="What moving the unit does to both sides">
    <thead class="text-ink-dim">
      <tr>
        <th class="text-left font-normal">moved, {units.symbol('mm')}</th>
        {#each sides as side, index (index)}
          <th class="text-right font-normal">{side.name}, °</th>
          <th class="text-right font-normal">left over, {units.symbol('mm')}</th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row, k (row.by_mm)}
        <tr class={['border-t border-edge', row.by_mm === 0 && 'bg-brass-wash']}>
          <td class="figures">{units.num(row.by_mm, 'mm', 0)}</td>
          {#each sides as side, index (index)}
            {@const cell = side[way][k]}
            <td class="text-right figures">{cell ? cell.greatest_deg.toFixed(1) : '?'}</td>
            <td class="text-right figures">{cell ? units.num(cell.left_mm, 'mm', 1) : '?'}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  <p class="text-[12.5px] text-ink-dim">Greatest angle, and plunge left at the best bar, the unit at rest.</p>
</div>
