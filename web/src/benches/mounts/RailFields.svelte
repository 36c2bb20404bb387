<script lang="ts" generics="R extends MountsSheet['frame']['old']">
  import type { MountsSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import type { Form } from '../../measure/fields';
  import RailDrawing from './RailDrawing.svelte';

  type Rail = MountsSheet['frame']['old'];
  type Plate = Rail['plates'][number];
  interface Props {
    name: string;
    form: Form<R>;
    rail: R;
    disabled: boolean;
    change: (write: (rail: R) => void) => void;
  }
  let { name, form, rail, disabled, change }: Props = $props();
  const plates = $derived(rail.plates);
  const COLUMNS: readonly Column<Plate>[] = [
    figure('across_1', 'Across, first end', 'length', { head: 'across', size: 'w-13' }),
    figure('up_1', 'Up, first end', 'length', { head: 'up', size: 'w-13' }),
    figure('across_2', 'Across, other end', 'length', { head: 'to across', size: 'w-13' }),
    figure('up_2', 'Up, other end', 'length', { head: 'up', size: 'w-13' }),
    figure('thickness', 'Thickness', 'length', { head: 'thick', size: 'w-13' }),
  ];
</script>

<Fields {form} from={rail} {disabled} {change} />
{#if rail.kind === 'outline'}<RailDrawing {name} {rail} {disabled} {change} />{/if}
{#if rail.kind === 'plates'}
  <p class="mt-1 text-[12.5px] text-ink-dim">
    Each plate by its middle line, from one end to the other. Plates that meet close cells by themselves.
  </p>
  <RowTable
    label="Plates of {name}"
    rows={plates}
    columns={COLUMNS}
    name={(_, k) => `of plate ${k + 1}`}
    {disabled}
    change={(write) => change((next) => write(next.plates))}
    none="one plate or more"
  />
  {#if !disabled}
    <button
      class="min-h-6 text-[13px] text-brass underline underline-offset-2"
      onclick={() => change((next) => next.plates.push({}))}>add a plate</button
    >
  {/if}
{/if}
