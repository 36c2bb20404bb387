<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import TextField from '../../measure/TextField.svelte';
  import BuildUpFields from './BuildUpFields.svelte';
  import { BORE, CONCENTRICITY, GEARBOX_PLATE_BORE, STOCK, THICKNESS } from './fields';
  import Registers from './Registers.svelte';

  interface Props {
    sheet: PlateSheet;
    result: PlateResult;
    disabled: boolean;
    change: (write: (sheet: PlateSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const PROCESSES = [
    ['waterjet', 'waterjet'],
    ['laser', 'laser'],
    ['plasma', 'plasma'],
    ['flame', 'flame'],
    ['milled', 'milled'],
  ] as const;
  const MATERIALS = [
    ['aluminium', 'aluminium'],
    ['steel', 'steel'],
    ['stainless', 'stainless steel'],
  ] as const;
  const OUTLINES = [
    ['holes', 'the holes'],
    ['flange', 'the flange’s outline'],
  ] as const;
  const LOCATING = [
    ['registers', 'registers'],
    ['dowels', 'dowels, reamed after indicating'],
  ] as const;
  const kind = $derived(sheet.build_up.kind);
  const plate = (write: (to: PlateSheet['plate']) => void) => change((next) => write(next.plate));
</script>

<section class="px-4 py-3">
  <h2>Plate</h2>
  <BuildUpFields
    build={sheet.build_up}
    {result}
    {disabled}
    change={(write) => change((next) => write(next.build_up))}
  />
  <ReadingFields specs={THICKNESS} from={sheet.plate} {disabled} change={plate} />
  <ChoiceField
    label="Made of"
    none="not chosen"
    value={sheet.plate.made_of}
    options={MATERIALS}
    {disabled}
    onchange={(value) => plate((next) => (next.made_of = value))}
  />
  <TextField
    label="Grade and temper"
    value={sheet.plate.material}
    {disabled}
    onchange={(value) => plate((next) => (next.material = value))}
  />
  <ChoiceField
    label="Cut by"
    value={sheet.plate.process}
    options={PROCESSES}
    {disabled}
    onchange={(value) => plate((next) => (next.process = value))}
  />
  {#if kind !== 'base'}
    <ChoiceField
      label="Edge follows"
      value={sheet.plate.outline_by}
      options={OUTLINES}
      {disabled}
      onchange={(value) => plate((next) => (next.outline_by = value))}
    />
    {#if sheet.plate.outline_by === 'flange' && !sheet.survey.outline}
      <p class="text-right text-[12.5px] text-ink-dim">
        no outline yet: read one from a DXF, under “Holes”; until then the holes decide
      </p>
    {/if}
    <ReadingFields
      specs={kind === 'two_plates' ? GEARBOX_PLATE_BORE : BORE}
      from={sheet.plate}
      {disabled}
      change={plate}
    />

    <h2 class="mt-4">What locates it</h2>
    <ChoiceField
      label="Located by"
      none="not chosen"
      value={sheet.plate.locating === 'not_chosen' ? null : sheet.plate.locating}
      options={LOCATING}
      {disabled}
      onchange={(value) => plate((next) => (next.locating = value))}
    />
    <p class="text-right text-[12.5px] text-ink-dim">never clearance screws</p>
    <Registers plate={sheet.plate} {result} {disabled} change={plate} />
    <ReadingFields specs={CONCENTRICITY} from={sheet.plate} {disabled} change={plate} />
  {/if}

  <h2 class="mt-4">For the cutter</h2>
  <TextField
    label="Part number"
    value={sheet.plate.part_number}
    {disabled}
    onchange={(value) => plate((next) => (next.part_number = value.slice(0, 30)))}
  />
  <NumberField
    label="Quantity"
    value={sheet.plate.quantity}
    least={1}
    greatest={500}
    {disabled}
    onchange={(value) => plate((next) => (next.quantity = Math.round(value ?? 1)))}
  />
  <ReadingFields specs={STOCK} from={sheet.plate} {disabled} change={plate} />
</section>
