<script lang="ts">
  import type { PlateResult, PlateSheet, Reading } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import TextField from '../../measure/TextField.svelte';

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
  const plays = $derived(sheet.plate.register_plays);

  function setPlay(k: number, value: Reading | null): void {
    change((next) => {
      const list = next.plate.register_plays;
      if (value) list[k] = value;
      else list.splice(k, 1);
    });
  }
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
  <ReadingField
    label="Bolt circle"
    quantity="length"
    {disabled}
    hint="across two opposite holes"
    value={sheet.face.bolt_circle}
    onchange={(value) => change((next) => (next.face.bolt_circle = value))}
  />
  <ReadingField
    label="First hole at"
    quantity="angle"
    {disabled}
    value={sheet.face.first_at}
    onchange={(value) => value && change((next) => (next.face.first_at = value))}
  />
  <ReadingField
    label="Register"
    quantity="length"
    {disabled}
    value={sheet.face.register_size}
    onchange={(value) => change((next) => (next.face.register_size = value))}
  />
  <ReadingField
    label="Clearance hole in the plate"
    quantity="length"
    {disabled}
    hint="M10 11, M8 9, M12 13.5 mm"
    value={sheet.face.plate_hole}
    onchange={(value) => change((next) => (next.face.plate_hole = value))}
  />
  <ReadingField
    label="Counterbore, when heads are sunk"
    quantity="length"
    {disabled}
    value={sheet.face.counterbore}
    onchange={(value) => change((next) => (next.face.counterbore = value))}
  />
  <ReadingField
    label="Counterbore depth"
    quantity="length"
    {disabled}
    value={sheet.face.counterbore_depth}
    onchange={(value) => change((next) => (next.face.counterbore_depth = value))}
  />
  <ReadingField
    label="Screw length"
    quantity="length"
    {disabled}
    value={sheet.face.screw_length}
    onchange={(value) => change((next) => (next.face.screw_length = value))}
  />
  <ReadingField
    label="Depth behind the face"
    quantity="length"
    {disabled}
    hint="a wire down the hole, to the first thing it meets"
    value={sheet.face.depth_behind}
    onchange={(value) => change((next) => (next.face.depth_behind = value))}
  />

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
    {@const best = fixed(((result.clocking.best_deg + 180) % 360) - 180, 1).replace('−', '-')}
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
      hint="bore less spigot, on diameter"
      value={null}
      onchange={(value) => setPlay(plays.length, value)}
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
