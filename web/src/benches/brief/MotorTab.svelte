<script lang="ts">
  import type { BriefSheet, JobResult, MotorSheet } from '../../api/types';
  import MotorFields from './MotorFields.svelte';
  import MotorPlot from './MotorPlot.svelte';

  interface Props {
    plot: JobResult['brief']['motor'];
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { plot, brief, disabled, change }: Props = $props();

  function withFront(write: (motor: MotorSheet) => void): void {
    change((next) => next.front_motor && write(next.front_motor));
  }
</script>

{#if plot}<MotorPlot motor={plot} name={brief.motor.name} height={230} />{/if}
<MotorFields
  motor={brief.motor}
  {disabled}
  change={(write) => change((next) => write(next.motor))}
  onreplace={(motor) => change((next) => (next.motor = motor))}
/>
{#if brief.layout === 'two_units'}
  <section class="border-t border-edge">
    <label class="flex items-center gap-2 px-5 pt-3">
      <input
        type="checkbox"
        class="accent-brass"
        checked={brief.front_motor !== null && brief.front_motor !== undefined}
        {disabled}
        onchange={(event) => {
          const isOther = event.currentTarget.checked;
          change((next) => (next.front_motor = isOther ? { ...next.motor, name: 'Front motor' } : null));
        }}
      />
      The front unit has another motor
    </label>
    {#if brief.front_motor}
      <MotorFields
        motor={brief.front_motor}
        {disabled}
        change={withFront}
        onreplace={(motor) => change((next) => (next.front_motor = motor))}
      />
    {/if}
  </section>
{/if}
