<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import { figure, shown, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';

  type Base = PlateSheet['build_up']['base'];
  interface Props {
    base: Base;
    disabled: boolean;
    change: (write: (base: Base) => void) => void;
  }
  let { base, disabled, change }: Props = $props();
  const USUAL = ['spider as bought', 'spider drilled out', 'shaft cut'];
  const nextName = $derived(USUAL[base.rows.length] ?? `row ${base.rows.length + 1}`);
  const COLUMNS: readonly Column<Base['rows'][number]>[] = [
    shown((_, k) => String.fromCharCode(65 + k), { figures: true }),
    {
      kind: 'name',
      label: 'Name of',
      head: '',
      size: '',
      read: (row) => row.name,
      write: (row, name) => (row.name = name),
    },
    figure('shift', 'Shift of', 'length', { needed: 'A figure is needed; 0 where it is the first choice.' }),
  ];
</script>

<h3 class="mt-2">Rows of holes, a choice each</h3>
<RowTable
  label="Rows of foot holes"
  rows={base.rows}
  columns={COLUMNS}
  name={(_, k) => `row ${k + 1}`}
  {disabled}
  change={(write) => change((next) => write(next.rows))}
/>
{#if !disabled && base.rows.length < 6}
  <p class="text-right text-[13px]">
    <button
      class="text-brass underline underline-offset-2"
      onclick={() => change((next) => next.rows.push({ name: nextName, shift: { text: '0' } }))}
      >add a row: {nextName}</button
    >
  </p>
{/if}
