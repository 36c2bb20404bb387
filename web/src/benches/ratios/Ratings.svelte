<script lang="ts">
  import type { BriefSheet, Gearbox, RatiosSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import { axleRatings, gearboxRatings, shaftRatings } from './rating-fields';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
    withGearbox: (write: (gearbox: Gearbox) => void) => void;
  }
  let { sheet, layout, isBothDriven, disabled, change, withGearbox }: Props = $props();
  const COUPLERS = [
    ['rigid', 'rigid hub'],
    ['flexible', 'flexible, rubber'],
    ['clutch', 'clutch kept'],
    ['spline', 'direct spline'],
  ] as const;
  const USES = [
    ['left_in_one', 'left in one gear'],
    ['shifted', 'still shifted'],
  ] as const;
  const SHAFTS = [
    ['input', 'its input'],
    ['output', 'its output'],
  ] as const;

  const hasGearbox = $derived(layout === 'kept_gearbox');
  const hasShaft = $derived(layout !== 'axle_unit' && layout !== 'two_units');
  const shown = $derived([
    ...(hasGearbox ? gearboxRatings(sheet, withGearbox) : []),
    ...(hasShaft ? shaftRatings(sheet, change, isBothDriven) : []),
    ...axleRatings(sheet, change, isBothDriven),
  ]);
</script>

<section>
  <h3>What each bears</h3>
  <ChoiceField
    label="Coupler"
    none="not chosen"
    value={sheet.coupler}
    options={COUPLERS}
    {disabled}
    onchange={(value) => change((next) => (next.coupler = value))}
  />
  {#if hasGearbox}
    <ChoiceField
      label="The gearbox is"
      none="not said"
      value={sheet.gearbox?.use}
      options={USES}
      {disabled}
      onchange={(value) => withGearbox((next) => (next.use = value))}
    />
    <ChoiceField
      label="Gearbox torque is stated at"
      value={sheet.gearbox?.rating_at ?? 'input'}
      options={SHAFTS}
      {disabled}
      onchange={(value) => withGearbox((next) => (next.rating_at = value))}
    />
  {/if}
  {#each shown as field (field.label)}
    <ReadingField
      label={field.label}
      quantity={field.quantity}
      {disabled}
      value={field.value}
      onchange={field.write}
    />
  {/each}
</section>
