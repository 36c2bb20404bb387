<script lang="ts">
  import type { PlateResult, PlateSheet, Reading } from '../../api/types';
  import ReadingField from '../../measure/ReadingField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { DOWEL, FITS, OWN, REGISTER, type Register } from './fields';
  import Proposals from './Proposals.svelte';
  import PartPicture from '../../parts/PartPicture.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    sheet: PlateSheet;
    result: PlateResult;
    disabled: boolean;
    change: (write: (sheet: PlateSheet) => void) => void;
  }
  let { sheet, result, disabled, change: changeSheet }: Props = $props();
  const plate = $derived(sheet.plate);
  const change = (write: (to: PlateSheet['plate']) => void) => changeSheet((next) => write(next.plate));
  const units = useUnits();
  const limits = (least: number, greatest: number) =>
    `${units.num(least, 'mm', 3)}–${units.num(greatest, 'mm', 3)}`;
  const dowel = $derived(result.registers.find((one) => one.what.startsWith('dowel')));
  const plays = $derived(plate.register_plays);

  function setPlay(k: number, value: Reading | null): void {
    change((next) => {
      if (value) next.register_plays[k] = value;
      else next.register_plays.splice(k, 1);
    });
  }
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

{#if plate.locating === 'registers'}
  <Fields
    form={OWN}
    from={sheet.flange_register}
    {disabled}
    change={(write) => changeSheet((next) => write(next.flange_register))}
  />
  <Proposals
    proposals={result.proposals}
    {disabled}
    ontake={(register) => change((next) => next.registers.push(register))}
  />
  {#each plays as play, k (k)}
    <ReadingField
      label="Play of register {k + 1}"
      quantity="length"
      {disabled}
      value={play}
      onchange={(value) => setPlay(k, value)}
    />
  {/each}
  <ReadingField
    label="Play of register {plays.length + 1}"
    quantity="length"
    {disabled}
    hint="as made: bore less spigot, on diameter"
    value={null}
    onchange={(value) => setPlay(plays.length, value)}
  />
  {#if plate.registers.length > 0}
    <RowTable
      label="Registers to make"
      rows={plate.registers}
      columns={COLUMNS}
      name={(_, k) => `register ${k + 1} to make`}
      {disabled}
      change={(write) => change((next) => write(next.registers))}
    >
      {#snippet below(register, k)}
        {@const made = result.registers[k]}
        {#if made}<p class="figures text-[12.5px] text-ink-dim">
            {register.fit}: bore {limits(made.bore_least_mm, made.bore_greatest_mm)}, spigot {limits(
              made.spigot_least_mm,
              made.spigot_greatest_mm,
            )}
          </p>{/if}
        <Fields
          form={REGISTER}
          from={register}
          {disabled}
          change={(write) =>
            change((next) => {
              const to = next.registers[k];
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
        onclick={() => change((next) => next.registers.push({ size: { text: '150 mm' }, fit: 'H7/g6' }))}
        >add a register to make to a fit</button
      >
    </p>
  {/if}
  {#if result.section}
    <PartPicture drawing={result.section} label="The plate in section" />
  {/if}
{/if}
<Fields form={DOWEL} from={plate} {disabled} {change} />
{#if plate.dowel_size && dowel}
  <p class="text-right figures text-[12.5px] text-ink-dim">
    reamed {limits(dowel.bore_least_mm, dowel.bore_greatest_mm)}, dowel {limits(
      dowel.spigot_least_mm,
      dowel.spigot_greatest_mm,
    )}
  </p>
{/if}
