<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import { figure, shown, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';

  type Face = PlateSheet['face'];
  interface Props {
    face: Face;
    disabled: boolean;
    change: (write: (face: Face) => void) => void;
  }
  let { face, disabled, change }: Props = $props();
  const needed = 'A figure is needed; take the row away if the hole is not there.';
  const COLUMNS: readonly Column<Face['holes'][number]>[] = [
    shown((hole) => hole.id, { figures: true }),
    figure('x', 'x of', 'length', { size: '', needed }),
    figure('y', 'y of', 'length', { size: '', needed }),
  ];
  const nextId = $derived(
    `M${Math.max(0, ...face.holes.map((hole) => Number(/\d+$/.exec(hole.id)?.[0] ?? 0))) + 1}`,
  );
</script>

<RowTable
  label="Motor holes by coordinates"
  rows={face.holes}
  columns={COLUMNS}
  name={(hole) => hole.id}
  {disabled}
  change={(write) => change((next) => write(next.holes))}
/>
{#if !disabled}
  <p class="text-right text-[13px]">
    <button
      class="text-brass underline underline-offset-2"
      onclick={() => change((next) => next.holes.push({ id: nextId, x: { text: '0' }, y: { text: '0' } }))}
      >add {nextId}, x and y from the shaft</button
    >
  </p>
{/if}
