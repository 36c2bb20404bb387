<script lang="ts">
  import type { BriefSheet, RatiosSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, layout, disabled, change }: Props = $props();
  const COUPLERS = [
    ['rigid', 'rigid hub'],
    ['flexible', 'flexible, rubber'],
    ['clutch', 'clutch kept'],
    ['spline', 'direct spline'],
  ] as const;
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
  {#if layout === 'kept_gearbox' && sheet.gearbox}
    <ReadingField
      label="Gearbox input torque"
      quantity="torque"
      {disabled}
      value={sheet.gearbox.rating}
      onchange={(value) => change((next) => next.gearbox && (next.gearbox.rating = value))}
    />
    <ReadingField
      label="Gearbox input speed"
      quantity="spin"
      {disabled}
      value={sheet.gearbox.greatest_rpm}
      onchange={(value) => change((next) => next.gearbox && (next.gearbox.greatest_rpm = value))}
    />
  {/if}
  {#if layout !== 'axle_unit'}
    <ReadingField
      label="Propshaft torque"
      quantity="torque"
      {disabled}
      value={sheet.propshaft.rating}
      onchange={(value) => change((next) => (next.propshaft.rating = value))}
    />
    <ReadingField
      label="Propshaft critical speed"
      quantity="spin"
      {disabled}
      value={sheet.propshaft.critical_rpm}
      onchange={(value) => change((next) => (next.propshaft.critical_rpm = value))}
    />
  {/if}
  <ReadingField
    label="Axle torque, both sides"
    quantity="torque"
    {disabled}
    value={sheet.axle_rating}
    onchange={(value) => change((next) => (next.axle_rating = value))}
  />
</section>
