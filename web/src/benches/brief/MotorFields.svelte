<script lang="ts">
  import type { MotorSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import TextField from '../../measure/TextField.svelte';
  import CurveFile from './CurveFile.svelte';
  import { MOTOR_LASTING, MOTOR_PEAK } from './fields';

  interface Props {
    motor: MotorSheet;
    disabled: boolean;
    change: (write: (motor: MotorSheet) => void) => void;
    onreplace: (motor: MotorSheet) => void;
  }
  let { motor, disabled, change, onreplace }: Props = $props();
</script>

<section class="grid gap-x-7 gap-y-2 px-5 py-3 [--field-width:6rem] lg:grid-cols-2">
  <div>
    <h2 class="flex items-baseline justify-between gap-2">
      Donor motor
      <span class="flex gap-3">
        {#if !disabled}<LibraryButton
            kind="motor"
            ontake={(part) => part.content.motor && onreplace(part.content.motor)}
          />{/if}
        <LibraryButton
          kind="motor"
          held={motor}
          {disabled}
          ontake={(part) => part.content.motor && onreplace(part.content.motor)}
        />
      </span>
    </h2>
    <TextField
      label="Name"
      value={motor.name}
      {disabled}
      onchange={(value) => change((next) => (next.name = value || 'Motor'))}
    />
    <ReadingFields specs={MOTOR_PEAK} from={motor} {disabled} {change} />
    <CurveFile
      points={motor.curve}
      {disabled}
      onchange={(points) => change((next) => (next.curve = points))}
    />
  </div>
  <div>
    <h2>What it keeps up</h2>
    <ReadingFields specs={MOTOR_LASTING} from={motor} {disabled} {change} />
    <NumberField
      label="Figures are at a bus of, V"
      value={motor.rated_bus_v}
      least={1}
      greatest={1500}
      hint="from the data sheet"
      {disabled}
      onchange={(value) => change((next) => (next.rated_bus_v = value))}
    />
    <NumberField
      label="This vehicle's bus, V, under load"
      value={motor.bus_v}
      least={1}
      greatest={1500}
      hint="speeds and power go with it"
      {disabled}
      onchange={(value) => change((next) => (next.bus_v = value))}
    />
    <NumberField
      label="Rotor inertia, kg·m²"
      value={motor.inertia_kgm2}
      least={0}
      greatest={10}
      {disabled}
      onchange={(value) => change((next) => (next.inertia_kgm2 = value))}
    />
  </div>
</section>
