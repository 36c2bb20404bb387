<script lang="ts">
  import type { PlateResult } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { FITS, REGISTER, type Register } from './fields';

  interface Props {
    registers: readonly Register[];
    made: PlateResult['registers']; // to what limits, in the same order
    disabled: boolean;
    change: (write: (registers: Register[]) => void) => void;
  }
  let { registers, made, disabled, change }: Props = $props();
  const units = useUnits();
  const limits = (least: number, greatest: number) =>
    `${units.num(least, 'mm', 3)}–${units.num(greatest, 'mm', 3)}`;
  const COLUMNS: readonly Column<Register>[] = [
    figure('size', 'Size of', 'length', {
      needed: 'A size is needed; take the row away if it is not wanted.',
    }),
    {
      kind: 'choice',
      label: 'Fit of',
      head: '',
      size: '',
      options: FITS.map((name) => [name, name] as const),
      read: (register) => register.fit,
      write: (register, fit) => (register.fit = FITS.find((one) => one === fit) ?? 'H7/g6'),
    },
  ];
</script>

{#if registers.length > 0}
  <RowTable
    label="Registers to make"
    rows={registers}
    columns={COLUMNS}
    name={(_, k) => `register ${k + 1} to make`}
    {disabled}
    {change}
  >
    {#snippet below(register, k)}
      {@const limit = made[k]}
      {#if limit}<p class="figures text-[12.5px] text-ink-dim">
          R{k + 1}, {register.fit}: bore {limits(limit.bore_least_mm, limit.bore_greatest_mm)}, spigot {limits(
            limit.spigot_least_mm,
            limit.spigot_greatest_mm,
          )}
        </p>{/if}
      <Fields
        form={REGISTER}
        from={register}
        {disabled}
        change={(write) =>
          change((next) => {
            const to = next[k];
            if (to) write(to);
          })}
      />
    {/snippet}
  </RowTable>
{/if}
{#if !disabled}
  <p class="text-right text-[13px]">
    <button
      class="min-h-6 text-brass underline underline-offset-2"
      onclick={() => change((next) => next.push({ size: { text: '150 mm' }, fit: 'H7/g6' }))}
      >add a register to make to a fit</button
    >
  </p>
{/if}
