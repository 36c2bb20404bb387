<script lang="ts">
  import type { PlacementResult, PlacementSheet } from '../../api/types';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    disabled: boolean;
    played: number; // 0 to 1; 1 is where it stands
    onplay: (at: number) => void;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, disabled, played, onplay, change }: Props = $props();
  type Row = PlacementSheet['way_in'][number];
  const units = useUnits();
  const words = (keys: readonly string[]) => keys.map((key) => [key, key.replaceAll('_', ' ')] as const);
  const COLUMNS: readonly Column<Row>[] = [
    {
      kind: 'choice',
      label: 'Way of',
      head: 'goes',
      size: 'w-[5.6rem]',
      options: [['', '–'], ...words(['up', 'down', 'forward', 'back', 'left', 'right'])],
      read: (move) => move.way ?? '',
      write: (move, way) => Object.assign(move, { way: way || null }),
    },
    figure('by', 'How far,', 'length', { head: 'by', size: 'w-[4.4rem]' }),
    {
      kind: 'choice',
      label: 'Turn of',
      head: 'turning',
      size: 'w-[5.6rem] pl-2',
      options: [
        ['', '–'],
        ...words(['nose_down', 'nose_up', 'right_down', 'left_down', 'nose_left', 'nose_right']),
      ],
      read: (move) => move.turn ?? '',
      write: (move, turn) => Object.assign(move, { turn: turn || null }),
    },
    figure('angle', 'Angle of', 'angle', { head: 'by', size: 'w-14' }),
  ];
</script>

<p class="text-[12.5px] text-ink-dim">
  In order, ending where it stands. Letting the vehicle down onto the unit is the same as raising the unit.
</p>
<div data-group="way_in">
  <RowTable
    label="Moves of the way in"
    rows={sheet.way_in}
    columns={COLUMNS}
    name={(_, k) => `move ${k + 1}`}
    {disabled}
    change={(write) => change((next) => write(next.way_in))}
    none="Say how it goes in: up 430, forward 130"
  >
    {#snippet below(row, k)}
      {@const step = row.way || row.turn ? result.way_in[k] : undefined}
      {#if step?.contact_at != null}
        <p class="text-fails">
          ▲ {step.part} meets {step.to} after {units.num(100 * step.contact_at, '%', 0)} % of it. Let one of them
          go on after.
        </p>
      {:else if step && typeof step.gap_mm === 'number'}
        <p class="text-ink-dim">{step.part} passes {step.to} by {units.figure(step.gap_mm, 'mm', 1)}</p>
      {:else if step}<p class="text-ink-dim">nothing near</p>{/if}
    {/snippet}
  </RowTable>
</div>
{#if !disabled}
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => change((next) => next.way_in.push({ way: 'up', note: '' }))}>add a move</button
  >
{/if}
{#if result.way_in.length > 0}
  <label class="mt-3 block"
    >Play it back
    <input
      class="w-full accent-brass"
      type="range"
      min="0"
      max="1"
      step="0.01"
      value={played}
      oninput={(event) => onplay(event.currentTarget.valueAsNumber)}
    /></label
  >
{/if}
<p class="mt-2 border-l-2 border-brass pl-2 text-[12.5px] text-ink-dim">
  Stands under the vehicle and under the unit before anybody reaches in; nobody beneath what hangs.
</p>
