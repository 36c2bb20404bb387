<script lang="ts">
  import type { PlateResult, PlateSheet, Reading } from '../../api/types';
  import ReadingField from '../../measure/ReadingField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { DOWEL, OWN } from './fields';
  import Proposals from './Proposals.svelte';
  import RegisterRows from './RegisterRows.svelte';
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
  <RegisterRows
    registers={plate.registers}
    made={result.registers}
    {disabled}
    change={(write) => change((next) => write(next.registers))}
  />
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
