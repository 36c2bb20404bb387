<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import TextField from '../../measure/TextField.svelte';
  import { TYRE, VEHICLE, WANTED } from './fields';

  interface Props {
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { brief, disabled, change }: Props = $props();
  const LAYOUTS = [
    ['kept_gearbox', 'motor on the kept gearbox'],
    ['propshaft_reduction', 'reduction box on the propshaft'],
    ['axle_unit', 'drive unit on one axle'],
    ['centre_unit', 'drive unit amidships'],
    ['two_units', 'two units, front and rear'],
  ] as const;
  const ALL_AXLES = [
    ['rear', 'rear'],
    ['front', 'front'],
    ['both', 'front and rear'],
  ] as const;
  const asksAxle = $derived(brief.layout !== 'centre_unit' && brief.layout !== 'two_units');
  const axles = $derived(brief.layout === 'axle_unit' ? ALL_AXLES.slice(0, 2) : ALL_AXLES);
</script>

<div class="flex flex-col gap-5">
  <section>
    <h2>What it must do</h2>
    <ReadingFields
      specs={WANTED}
      from={brief.wanted}
      {disabled}
      change={(write) => change((next) => write(next.wanted))}
    />
    <NumberField
      label="Laden start on a grade of, %"
      value={brief.wanted.hill_start_pct}
      least={1}
      greatest={100}
      hint="25 is 1 in 4"
      {disabled}
      onchange={(value) => change((next) => (next.wanted.hill_start_pct = value))}
    />
    <ChoiceField
      label="Layout"
      value={brief.layout}
      options={LAYOUTS}
      {disabled}
      onchange={(value) => change((next) => (next.layout = value))}
    />
    {#if asksAxle}
      <ChoiceField
        label="Driven axle"
        value={brief.driven}
        options={axles}
        {disabled}
        onchange={(value) => change((next) => (next.driven = value))}
      />
    {/if}
  </section>
  <section>
    <h2>Vehicle</h2>
    <ReadingFields
      specs={VEHICLE}
      from={brief.vehicle}
      {disabled}
      change={(write) => change((next) => write(next.vehicle))}
    />
    <NumberField
      label="Front share of the kerb mass"
      value={brief.vehicle.front_share}
      least={0.05}
      greatest={0.95}
      hint="weigh each axle: front over both"
      {disabled}
      onchange={(value) => change((next) => (next.vehicle.front_share = value))}
    />
    <NumberField
      label="Drag area C_dA, m²"
      value={brief.vehicle.cda_m2}
      least={0.1}
      greatest={9}
      hint="drag coefficient × frontal area"
      {disabled}
      onchange={(value) => change((next) => (next.vehicle.cda_m2 = value))}
    />
  </section>
  <section>
    <h2 class="flex items-baseline justify-between gap-2">
      Driven tyre
      <LibraryButton
        kind="tyre"
        held={brief.tyre.code ? brief.tyre : null}
        name={brief.tyre.code ?? ''}
        {disabled}
        ontake={(part) => change((next) => (next.tyre = part.content.tyre ?? next.tyre))}
      />
    </h2>
    <TextField
      label="Code on the sidewall"
      value={brief.tyre.code}
      {disabled}
      onchange={(value) => change((next) => (next.tyre.code = value || null))}
    />
    <ReadingFields
      specs={TYRE}
      from={brief.tyre}
      {disabled}
      change={(write) => change((next) => write(next.tyre))}
    />
    <NumberField
      label="Turns in the roll-out"
      value={brief.tyre.roll_out_turns}
      least={1}
      greatest={20}
      {disabled}
      onchange={(value) => change((next) => (next.tyre.roll_out_turns = Math.round(value ?? 1)))}
    />
    {#if !asksAxle || brief.driven === 'both'}
      <TextField
        label="Front tyre, where it is another"
        value={brief.front_tyre?.code}
        {disabled}
        onchange={(value) =>
          change(
            (next) =>
              (next.front_tyre = value
                ? { code: value, roll_out_turns: 1, construction: 'radial', use: 'best' }
                : null),
          )}
      />
    {/if}
  </section>
</div>
