<script lang="ts">
  import type { PlacementResult, PlacementSheet } from '../../api/types';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';

  type Tape = PlacementSheet['tapes'][number];
  interface Props {
    tapes: readonly Tape[];
    names: readonly string[]; // of the points
    fits: PlacementResult['tapes'];
    disabled: boolean;
    change: (write: (tapes: Tape[]) => void) => void;
  }
  let { tapes, names, fits, disabled, change }: Props = $props();
  const units = useUnits();
  const called = (tape: Tape) => `${tape.a} to ${tape.b}`;
  const end = (key: 'a' | 'b', head: string): Column<Tape> => ({
    kind: 'choice',
    label: head,
    head,
    size: '',
    options: names.map((one) => [one, one] as const),
    read: (tape) => tape[key],
    write: (tape, point) => Object.assign(tape, { [key]: point }),
  });
  const columns = $derived([
    end('a', 'From'),
    end('b', 'to'),
    figure<Tape>('length', 'Tape', 'length', { head: 'tape', size: 'w-20' }),
  ]);
</script>

<h3 class="mt-3">Tapes between points</h3>
<div data-group="tapes">
  <RowTable label="Tapes between points" rows={tapes} {columns} name={called} {disabled} {change}>
    {#snippet below(tape)}
      {@const fit = fits.find((one) => one.label === called(tape))}
      {#if fit?.is_wrong}
        <p class="text-fails">
          ▲ does not fit the others: reads {units.figure(Math.abs(fit.off_mm), 'mm', 1)}
          {fit.off_mm > 0 ? 'long' : 'short'}
        </p>
      {/if}
    {/snippet}
  </RowTable>
</div>
{#if !disabled && names.length > 1}
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => change((next) => next.push({ a: names.at(-1) ?? '', b: names[0] ?? '' }))}
    >add a tape</button
  >
{/if}
