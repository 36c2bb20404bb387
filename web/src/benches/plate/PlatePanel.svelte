<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import TextField from '../../measure/TextField.svelte';
  import { CIRCLE, FACE } from './fields';
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
  const LOCATING = [
    ['registers', 'registers'],
    ['dowels reamed after indicating', 'dowels, reamed after indicating'],
  ] as const;
  const face = (write: (to: PlateSheet['face']) => void) => change((next) => write(next.face));
</script>

<section class="px-4 py-3">
  <h2>Motor face, seen looking at it</h2>
  <NumberField
    label="Holes on the circle"
    value={sheet.face.count}
    least={0}
    greatest={60}
    {disabled}
    onchange={(value) => change((next) => (next.face.count = Math.round(value ?? 0)))}
  />
  <ReadingFields specs={CIRCLE} from={sheet.face} {disabled} change={face} />
  <ReadingField
    label="First hole at"
    quantity="angle"
    {disabled}
    value={sheet.face.first_at}
    onchange={(value) => value && change((next) => (next.face.first_at = value))}
  />
  <ReadingFields specs={FACE} from={sheet.face} {disabled} change={face} />

  <h2 class="mt-4">Plate</h2>
  <ReadingField
    label="Motor turned by"
    quantity="angle"
    {disabled}
    hint="anticlockwise from the engine side"
    value={sheet.plate.turned}
    onchange={(value) => value && change((next) => (next.plate.turned = value))}
  />
  {#if result.clocking && !disabled}
    {@const best = fixed(result.clocking.best_turn_deg, 2).replace('−', '-')}
    <p class="text-right text-[13px]">
      <button
        class="text-brass underline underline-offset-2"
        onclick={() => change((next) => (next.plate.turned = { text: `${best} deg` }))}
        >turn to the widest ligament, {best}°</button
      >
    </p>
  {/if}
  <ReadingField
    label="Thickness"
    quantity="length"
    {disabled}
    value={sheet.plate.thickness}
    onchange={(value) => change((next) => (next.plate.thickness = value))}
  />
  <TextField
    label="Material"
    value={sheet.plate.material}
    {disabled}
    onchange={(value) => change((next) => (next.plate.material = value))}
  />
  <ChoiceField
    label="Cut by"
    value={sheet.plate.process}
    options={PROCESSES}
    {disabled}
    onchange={(value) => change((next) => (next.plate.process = value))}
  />
  <ChoiceField
    label="Located by"
    none="not chosen"
    value={sheet.plate.locating === 'not chosen' ? null : sheet.plate.locating}
    options={LOCATING}
    {disabled}
    onchange={(value) => change((next) => (next.plate.locating = value))}
  />
  {#if sheet.plate.locating === 'registers'}
    <Registers
      plate={sheet.plate}
      {result}
      {disabled}
      change={(write) => change((next) => write(next.plate))}
    />
  {/if}
  <ReadingField
    label="Concentricity as machined"
    quantity="length"
    {disabled}
    value={sheet.plate.concentricity}
    onchange={(value) => change((next) => (next.plate.concentricity = value))}
  />
</section>
