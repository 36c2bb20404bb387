<script lang="ts">
  import type { AxleShown } from '../../api/types';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import AnglePlot from './AnglePlot.svelte';
  import TradePlot from './TradePlot.svelte';

  let { axle }: { axle: AxleShown } = $props();
  const units = useUnits();
  const sides = $derived([axle.left, axle.right]);
  const mm = (value: number | null, decimals = 1) =>
    value === null ? '?' : units.num(value, 'mm', decimals);
  const rows = $derived([
    {
      title: `bar, seat to seat, leaves most room at`,
      unit: units.symbol('mm'),
      of: sides.map((one) => mm(one.best_bar_mm)),
      strong: true,
    },
    { title: 'bar as chosen', unit: units.symbol('mm'), of: sides.map((one) => mm(one.chosen_bar_mm)) },
    {
      title: 'plunge left at the worst place',
      unit: units.symbol('mm'),
      of: sides.map((one) => mm(one.left_mm)),
    },
    {
      title: 'a strap would hold it that stops it after',
      unit: units.symbol('mm'),
      of: sides.map((one) =>
        one.heights.length === 0 ? '?' : one.strap_mm === null ? 'none' : mm(one.strap_mm, 0),
      ),
    },
    {
      title: 'the strap that is set straightens it by',
      unit: '°',
      of: sides.map((one) => (one.strap_buys_deg === null ? '–' : one.strap_buys_deg.toFixed(1))),
    },
    {
      title: 'greatest torque on this side',
      unit: units.symbol('N·m'),
      of: sides.map((one) => (one.torque_nm === null ? '?' : units.num(one.torque_nm, 'N·m', 0))),
    },
    {
      title: 'the bar twists by',
      unit: '°',
      of: sides.map((one) => (one.twist_deg === null ? '?' : one.twist_deg.toFixed(2))),
    },
    {
      title: 'couple of the inner joint on the unit',
      unit: units.symbol('N·m'),
      of: sides.map((one) => (one.couples_nm === null ? '?' : units.num(one.couples_nm[0], 'N·m', 1))),
    },
    {
      title: 'the bar weighs',
      unit: units.symbol('kg'),
      of: sides.map((one) => (one.mass_kg === null ? '?' : units.num(one.mass_kg, 'kg', 2))),
    },
  ]);
</script>

<table class="w-full text-[13px]" aria-label="{axle.name}: both sides">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">{axle.name}</th>
      {#each sides as side, index (index)}<th class="w-24 text-right font-normal"
          >{side.name}
          {#if side.verdict}<VerdictMark verdict={side.verdict} silent />{/if}</th
        >{/each}
      <th class="w-14"></th>
    </tr>
  </thead>
  <tbody>
    {#each rows as row, index (index)}
      <tr class="border-t border-edge">
        <td class="py-1">{row.title}</td>
        {#each row.of as cell, k (k)}<td
            class={['text-right figures', row.strong && 'text-[15px] font-semibold']}>{cell}</td
          >{/each}
        <td class="pl-2 text-ink-dim">{row.unit}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#each sides as side, index (index)}
  {#if side.worst}<p class="text-[13px] text-ink-dim">
      {side.name}: least plunge is left {units.words(side.worst)}.
    </p>{/if}
{/each}
{#each sides.filter((one) => one.radius_either_way_mm !== null) as side, index (index)}
  {@const droop = side.heights[0]}
  <p class="text-[13px] text-ink-dim">
    {side.name}: the wheel’s arc is {units.num(side.radius_mm, 'mm', 0)} ±
    {units.figure(side.radius_either_way_mm, 'mm', 0)}, so the length at full droop is known to ±
    {units.figure(droop?.either_way_mm ?? null, 'mm', 1)} (95 of 100).
  </p>
{/each}
{#if axle.twist_apart_deg !== null}
  <p class="text-[13px] text-ink-dim">The bars’ twists differ by {axle.twist_apart_deg.toFixed(2)}°.</p>
{/if}
{#each sides as side, index (index)}
  {#each side.mock_up as text, index (index)}
    <p class="text-[13px]"><span class="text-brass">{side.name} mock-up</span> {units.words(text)}</p>
  {/each}
{/each}
{#if sides.some((one) => one.heights.length > 0)}
  <div class="mt-3 grid gap-1 lg:grid-cols-2">
    <AnglePlot {sides} />
    <TradePlot {sides} />
  </div>
{/if}
