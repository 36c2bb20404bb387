<script lang="ts">
  import type { Spot } from '../../api/types';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';

  interface Props {
    name: string;
    along: readonly Spot[];
    points: readonly string[];
    disabled: boolean;
    change: (write: (along: Spot[]) => void) => void;
  }
  let { name, along, points, disabled, change }: Props = $props();
  const columns = $derived<readonly Column<Spot>[]>([
    {
      kind: 'choice',
      label: 'Point',
      head: 'point',
      size: 'w-20',
      options: [['', 'x y z'], ...points.map((one) => [one, one] as const)],
      read: (spot) => spot.point ?? '',
      write: (spot, point) => Object.assign(spot, { point: point || null }),
    },
    figure('x', 'forward', 'length', { head: 'forward', size: 'w-16' }),
    figure('y', 'left', 'length', { head: 'left', size: 'w-16' }),
    figure('z', 'up', 'length', { head: 'up', size: 'w-16' }),
  ]);
</script>

<p class="mt-2 text-[12.5px] text-ink-dim">Along its middle line, from one end to the other:</p>
<RowTable
  label="Places along {name}"
  rows={along}
  {columns}
  name={(_, k) => `of place ${k + 1}`}
  {disabled}
  {change}
  none="two places or more"
/>
{#if !disabled}
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => change((next) => next.push({ point: null }))}>add a place</button
  >
{/if}
