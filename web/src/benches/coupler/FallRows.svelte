<script lang="ts">
  import type { CouplerSheet } from '../../api/types';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';

  interface Props {
    sheet: CouplerSheet;
    disabled: boolean;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { sheet, disabled, change }: Props = $props();
  const ROWS: readonly Column<CouplerSheet['falls'][number]>[] = [
    figure('speed', 'Speed of', 'spin', { head: 'at', size: '' }),
    figure('share', 'Share left at', 'ratio', { head: 'share left', size: '' }),
  ];
</script>

<h3 class="mt-3">What it forgives at speed, by its maker</h3>
<p class="text-[12.5px] text-ink-dim">
  Share of what it forgives standing still: 0.75 is three quarters. Without any it is taken to fall to half.
</p>
<RowTable
  label="What the coupling forgives at speed"
  rows={sheet.falls}
  columns={ROWS}
  name={(row) => row.speed?.text ?? 'a speed'}
  {disabled}
  change={(write) => change((next) => write(next.falls))}
/>
{#if !disabled}
  <p class="text-right text-[13px]">
    <button
      class="min-h-6 text-brass underline underline-offset-2"
      onclick={() => change((next) => next.falls.push({}))}>add a speed</button
    >
  </p>
{/if}
