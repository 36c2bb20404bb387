<script lang="ts">
  import type { PlacementResult, PlacementSheet } from '../../api/types';
  import { figure, shown, type Column } from '../../measure/rows';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import RowTable from '../../measure/RowTable.svelte';
  import AddByName from '../../lib/ui/AddByName.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import TapeRows from './TapeRows.svelte';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    disabled: boolean;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  type PointRow = PlacementSheet['points'][number];
  const units = useUnits();
  const names = $derived(sheet.points.map((point) => point.name));
  const foundOf = (point: string) => result.points.find((one) => one.name === point);

  const POINTS: readonly Column<PointRow>[] = [
    shown((point) => point.name, { head: 'point', size: 'min-w-24' }),
    figure('x', 'forward of', 'length', { head: 'forward', size: 'w-16' }),
    figure('y', 'left of', 'length', { head: 'left', size: 'w-16' }),
    figure('z', 'height of', 'length', { head: 'up', size: 'w-16' }),
  ];
  function add(name: string): void {
    change((next) => next.points.push({ name, near: { point: null } }));
  }
</script>

<p class="text-[12.5px] text-ink-dim">
  From the ground under the middle of the rear wheels, at ride height: forward, left, up. Leave open what you
  could not measure and tape the point to three others.
</p>
<div data-group="points">
  <RowTable
    label="Measured points"
    rows={sheet.points}
    columns={POINTS}
    name={(point) => point.name}
    {disabled}
    change={(write) => change((next) => write(next.points))}
  >
    {#snippet below(point)}
      {@const found = foundOf(point.name)}
      {#if found?.says}<p class="text-brass">? {found.says}</p>
        <div class="flex items-baseline gap-2">
          roughly how high
          <span class="w-20"
            ><ReadingInput
              label="Roughly how high {point.name} is"
              text={point.near.z?.text ?? ''}
              quantity="length"
              {disabled}
              onchange={(text) =>
                change((next) => {
                  const row = next.points.find((one) => one.name === point.name);
                  if (row) row.near.z = text ? { text } : null;
                })}
            /></span
          >
        </div>
      {:else if found?.at_mm && (!point.x || !point.y || !point.z)}
        <p class="figures text-ink-dim">
          at {found.at_mm.map((one) => units.num(one, 'mm', 0)).join(', ')} ± {units.figure(
            found.u_mm,
            'mm',
            1,
          )}
        </p>
      {/if}
    {/snippet}
  </RowTable>
</div>
{#if !disabled}
  <AddByName what="a point" example="left rail, front hole" taken={names} isFirst {add} />
{/if}
{#if names.length > 1 || sheet.tapes.length > 0}
  <TapeRows
    tapes={sheet.tapes}
    {names}
    fits={result.tapes}
    {disabled}
    change={(write) => change((next) => write(next.tapes))}
  />
{/if}
