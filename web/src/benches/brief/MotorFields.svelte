<script lang="ts">
  import type { MotorSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import Fields from '../../measure/Fields.svelte';
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
    <Fields form={MOTOR_PEAK} from={motor} {disabled} {change} />
    <CurveFile
      points={motor.curve}
      {disabled}
      onchange={(points) => change((next) => (next.curve = points))}
    />
  </div>
  <div>
    <h2>What it keeps up</h2>
    <Fields form={MOTOR_LASTING} from={motor} {disabled} {change} />
  </div>
</section>
