<script lang="ts">
  import type { BriefSheet, RatiosSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';

  interface Props {
    sheet: RatiosSheet;
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet, brief: BriefSheet) => void) => void;
  }
  let { sheet, brief, disabled, change }: Props = $props();
  const isUnit = $derived(['axle_unit', 'centre_unit', 'two_units'].includes(brief.layout));
  const hasKeptInput = $derived(brief.layout !== 'axle_unit' && brief.layout !== 'two_units');
  const WAYS = [
    ['clockwise', 'clockwise'],
    ['anticlockwise', 'anticlockwise'],
  ] as const;
  const FACINGS = [
    ['as_made', 'as it was made to'],
    ['tilted', 'turned or tilted'],
    ['end_for_end', 'end for end'],
  ] as const;
  const PUMPS = [
    ['none', 'splash, no pump'],
    ['electric', 'electric pump'],
    ['one_way', 'pump, one way only'],
    ['either_way', 'pump, either way'],
  ] as const;
  const YES_NO = [
    ['yes', 'yes'],
    ['no', 'no'],
  ] as const;
  const AXLES = [
    ['rear', 'rear wheels'],
    ['front', 'front wheels'],
  ] as const;
  const yesNo = (value: boolean | null | undefined) =>
    value === true ? 'yes' : value === false ? 'no' : null;
</script>

<div class="grid gap-x-10 gap-y-6 px-4 py-3 lg:grid-cols-2">
  <section>
    <h2>Which way it turns, going forward</h2>
    <p class="text-[13px] text-ink-dim">
      Stand where the motor's shaft points at you. Engine books often look from the engine's front: the other
      way round.
    </p>
    <ChoiceField
      label="The motor's usual way"
      none="not known"
      value={brief.motor.rotation}
      options={WAYS}
      {disabled}
      onchange={(value) => change((_, next) => (next.motor.rotation = value))}
    />
    {#if hasKeptInput}
      <ChoiceField
        label="The kept shaft must turn"
        none="not known"
        value={sheet.turning.kept_input}
        options={WAYS}
        {disabled}
        onchange={(value) => change((next) => (next.turning.kept_input = value))}
      />
    {/if}
    {#if isUnit}
      <ChoiceField
        label="The unit stands"
        none="not known"
        value={sheet.turning.unit_facing}
        options={FACINGS}
        {disabled}
        onchange={(value) => change((next) => (next.turning.unit_facing = value))}
      />
      <ChoiceField
        label="Oil level, pick-up and breather suit it"
        none="not checked"
        value={yesNo(sheet.turning.oil_checked)}
        options={YES_NO}
        {disabled}
        onchange={(value) => change((next) => (next.turning.oil_checked = value === 'yes'))}
      />
    {/if}
    {#if isUnit || sheet.reductions.length > 0}
      <ChoiceField
        label="Its oil"
        none="not known"
        value={sheet.turning.oil_pump}
        options={PUMPS}
        {disabled}
        onchange={(value) => change((next) => (next.turning.oil_pump = value))}
      />
    {/if}
  </section>
  <section>
    <h2>Left standing on a hill, laden</h2>
    <p class="text-[13px] text-ink-dim">
      Try the handbrake facing up and facing down, chocks behind the wheels and nobody in line. Local codes
      say what it must hold.
    </p>
    <ChoiceField
      label="A pawl locks the driveline"
      none="not known"
      value={yesNo(brief.parking.pawl)}
      options={YES_NO}
      {disabled}
      onchange={(value) => change((_, next) => (next.parking.pawl = value === 'yes'))}
    />
    {#if brief.parking.pawl}
      <ReadingField
        label="Torque the pawl holds"
        quantity="torque"
        hint="at the unit's output"
        {disabled}
        value={brief.parking.pawl_rating}
        onchange={(value) => change((_, next) => (next.parking.pawl_rating = value))}
      />
    {/if}
    <NumberField
      label="The handbrake has held, %"
      value={brief.parking.handbrake_held_pct}
      least={1}
      greatest={100}
      hint="25 is 1 in 4; what it was tried on"
      {disabled}
      onchange={(value) => change((_, next) => (next.parking.handbrake_held_pct = value))}
    />
    <ChoiceField
      label="It works on the"
      value={brief.parking.handbrake_axle}
      options={AXLES}
      {disabled}
      onchange={(value) => change((_, next) => (next.parking.handbrake_axle = value))}
    />
  </section>
  {#if sheet.coupler === 'clutch'}
    <section>
      <h2>Clutch and flywheel</h2>
      <p class="text-[13px] text-ink-dim">
        They were made for the engine's speed. One that bursts goes through the floor: keep the bell-housing
        closed, stand clear.
      </p>
      <ReadingField
        label="Clutch turns at most"
        quantity="spin"
        {disabled}
        value={sheet.clutch.greatest_rpm}
        onchange={(value) => change((next) => (next.clutch.greatest_rpm = value))}
      />
      <ReadingField
        label="Flywheel diameter"
        quantity="length"
        hint="over the rim, without the ring gear"
        {disabled}
        value={sheet.clutch.flywheel_diameter}
        onchange={(value) => change((next) => (next.clutch.flywheel_diameter = value))}
      />
      <NumberField
        label="Rim stress allowed, MPa"
        value={sheet.clutch.flywheel_limit_mpa}
        least={1}
        greatest={1000}
        hint="its maker's word, or of its iron"
        {disabled}
        onchange={(value) => change((next) => (next.clutch.flywheel_limit_mpa = value))}
      />
    </section>
  {/if}
</div>
