<script lang="ts">
  import type { BriefSheet, Gearbox, Quantity, RatiosSheet, Reading } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';

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

  const FRONT_SHAFT = [
    ['rating', 'Front propshaft torque', 'torque'],
    ['critical_rpm', 'Front propshaft critical speed', 'spin'],
    ['joint_rpm', 'Front joints turn at most', 'spin'],
  ] as const;

  interface Field {
    label: string;
    quantity: Quantity;
    value: Reading | null | undefined;
    write: (value: Reading | null) => void;
    hint?: string;
  }
  const hasGearbox = $derived(layout === 'kept_gearbox');
  const hasShaft = $derived(layout !== 'axle_unit' && layout !== 'two_units');
  const gearbox = $derived<Field[]>([
    {
      label: 'Gearbox torque',
      quantity: 'torque',
      value: sheet.gearbox?.rating,
      write: (value) => withGearbox((next) => (next.rating = value)),
    },
    {
      label: 'Gearbox input speed',
      quantity: 'spin',
      value: sheet.gearbox?.greatest_rpm,
      write: (value) => withGearbox((next) => (next.greatest_rpm = value)),
    },
  ]);
  const shaft = $derived<Field[]>([
    {
      label: isBothDriven ? 'Rear propshaft torque' : 'Propshaft torque',
      quantity: 'torque',
      value: sheet.propshaft.rating,
      write: (value) => change((next) => (next.propshaft.rating = value)),
    },
    {
      label: isBothDriven ? 'Rear propshaft critical speed' : 'Propshaft critical speed',
      quantity: 'spin',
      value: sheet.propshaft.critical_rpm,
      write: (value) => change((next) => (next.propshaft.critical_rpm = value)),
    },
    {
      label: isBothDriven ? 'Rear joints turn at most' : 'Its joints turn at most',
      quantity: 'spin',
      value: sheet.propshaft.joint_rpm,
      write: (value) => change((next) => (next.propshaft.joint_rpm = value)),
    },
  ]);
  const axles = $derived<Field[]>([
    {
      label: isBothDriven ? 'Rear axle torque, both sides' : 'Axle torque, both sides',
      quantity: 'torque',
      value: sheet.axle_rating,
      write: (value) => change((next) => (next.axle_rating = value)),
    },
  ]);
  const frontShaft = $derived<Field[]>(
    FRONT_SHAFT.map(([name, label, quantity]) => ({
      label,
      quantity,
      value: sheet.front_propshaft?.[name],
      write: (value) => change((next) => (next.front_propshaft = { ...next.front_propshaft, [name]: value })),
    })),
  );
  const frontAxle = $derived<Field[]>([
    {
      label: 'Front axle torque',
      quantity: 'torque',
      value: sheet.front_axle_rating,
      write: (value) => change((next) => (next.front_axle_rating = value)),
    },
  ]);
  const shown = $derived([
    ...(hasGearbox ? gearbox : []),
    ...(hasShaft ? shaft : []),
    ...(hasShaft && isBothDriven ? frontShaft : []),
    ...axles,
    ...(isBothDriven ? frontAxle : []),
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
      hint={field.hint}
      {disabled}
      value={field.value}
      onchange={field.write}
    />
  {/each}
</section>
