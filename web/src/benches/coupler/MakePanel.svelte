<script lang="ts">
  import type { CouplerResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: CouplerResult;
  }
  let { result }: Props = $props();
  const units = useUnits();
  const turning = $derived(result.at_speed);
</script>

<div class="px-4 py-3">
  <h2>In this order</h2>
  <ol class="mt-1 flex list-decimal flex-col gap-1.5 pl-5">
    {#each result.order as step (step)}
      <li class={[step.startsWith('HOLD') && 'bg-brass-wash px-1 font-semibold']}>{step}</li>
    {/each}
  </ol>
  <h2 class="mt-5">At the motor’s top speed</h2>
  <dl class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 text-[13px]">
    <dt>rim</dt>
    <dd class="text-right figures">{units.figure(turning.rim_ms, 'm/s', 0)}</dd>
    <dt>hub’s mass, about</dt>
    <dd class="text-right figures">{units.figure(turning.hub_kg, 'kg', 2)}</dd>
    <dt>balance grade of its runout alone</dt>
    <dd class="text-right figures">
      {typeof turning.grade_mm_s === 'number' ? `G ${turning.grade_mm_s.toFixed(1)}` : '–'}
    </dd>
    <dt>force out of balance</dt>
    <dd class="text-right figures">{units.figure(turning.force_n, 'N', 0)}</dd>
  </dl>
  {#if result.shuffle}
    <h2 class="mt-5">Shuffle and hum, in the gear chosen</h2>
    <p class="text-[13px]">
      The vehicle shuffles against the motor at <strong>{result.shuffle.first_hz.toFixed(1)} Hz</strong>: the
      controller’s torque must not step faster. The rotor swings on its coupler at
      <strong>{result.shuffle.second_hz.toFixed(0)} Hz</strong>
      ({result.shuffle.rigid_second_hz.toFixed(0)} with a rigid one): once a turn meets it at
      {units.figure(result.shuffle.once_a_turn_rpm, 'rpm', 0)}, twice a turn at
      {units.figure(result.shuffle.twice_a_turn_rpm, 'rpm', 0)}. Shafts and gearbox are usual values.
    </p>
  {/if}
  <p class="mt-3 text-[13px] text-ink-dim">
    A coupler that lets go goes through the floor: keep the bell-housing closed and stand clear of its plane.
  </p>
</div>
