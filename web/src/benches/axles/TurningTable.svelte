<script lang="ts">
  import type { TurningShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  let { turning }: { turning: TurningShown } = $props();
  const units = useUnits();
  const play = $derived.by(() => {
    const { play_deg: wheel, play_at_motor_deg: motor } = turning;
    const of = `Play of ${wheel?.toFixed(1) ?? '?'}° at a wheel`;
    if (motor === null) return `${of}.`;
    return `${of} is ${motor.toFixed(1)}° at the motor, taken up with a knock unless the controller comes on gently.`;
  });
  const hasGears = $derived(turning.gears.length > 1);
</script>

<div class="px-4 py-3 text-[13px]">
  <h3>The whole line on its springs, seen from the wheels</h3>
  {#if turning.missing.length > 0}
    <p class="mt-1 text-brass">? Still wanted: {units.words(turning.missing.join('; '))}.</p>
  {/if}
  {#if turning.gears.length > 0}
    <table class="mt-2 w-full max-w-[44rem]" aria-label="Modes of the line in each gear">
      <thead class="text-ink-dim">
        <tr>
          {#if hasGears}<th class="text-left font-normal">in</th>{/if}
          <th class="pl-3 text-right font-normal">the vehicle rocks against the rotor</th>
          <th class="pl-3 text-right font-normal">the wheels swing</th>
          <th class="pl-3 text-right font-normal">a degree takes</th>
        </tr>
      </thead>
      <tbody>
        {#each turning.gears as gear (gear.gear)}
          <tr class="border-t border-edge">
            {#if hasGears}<td class="py-1">{gear.gear}</td>{/if}
            <td class="py-1 pl-3 text-right figures text-[15px] font-semibold"
              >{gear.shuffle_hz.toFixed(1)} Hz</td
            >
            <td class="pl-3 text-right figures text-[15px] font-semibold">{gear.wheels_hz.toFixed(1)} Hz</td>
            <td class="pl-3 text-right figures">{units.figure(gear.nm_per_deg, 'N·m', 0)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <h4 class="mt-3 text-ink-dim">Where something pushes it, on the road</h4>
    {#each turning.meets as meet (`${meet.gear} ${meet.text}`)}
      <p class="flex gap-3 border-t border-edge py-1">
        <span class="w-20 text-right figures text-[15px] font-semibold"
          >{units.figure(meet.kmh, 'km/h', 0)}</span
        >
        <span>{hasGears ? `${meet.gear}: ` : ''}{units.words(meet.text)}</span>
      </p>
    {:else}
      <p class="text-ink-dim">
        Nothing does between walking pace and the wanted top speed: no cross turns with it, and the motor’s
        steps come too often.
      </p>
    {/each}
  {/if}
  {#if turning.play_deg !== null}
    <p class="mt-3">
      {play}
    </p>
  {/if}
</div>
