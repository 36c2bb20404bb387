<script lang="ts">
  import type { AxlesResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  let { shakes }: { shakes: NonNullable<AxlesResult['shakes']> } = $props();
  const units = useUnits();
</script>

<div class="px-4 py-3 text-[13px]">
  <h3>What comes round at {units.figure(shakes.kmh, 'km/h', 0)}</h3>
  <p class="text-ink-dim">Count the shakes, or feel which: slow is the wheels, fast is a shaft.</p>
  {#if shakes.shakes.length > 0}
    <table class="mt-2 w-full max-w-[52rem]" aria-label="What may shake, slowest first">
      <thead class="text-ink-dim">
        <tr>
          <th class="text-right font-normal">shakes</th>
          <th class="pl-3 text-left font-normal">what, how often a turn</th>
          <th class="pl-3 text-left font-normal">look for</th>
        </tr>
      </thead>
      <tbody>
        {#each shakes.shakes as one, k (k)}
          <tr class="border-t border-edge align-baseline">
            <td class="py-1 text-right figures text-[15px] font-semibold whitespace-nowrap"
              >{one.hz.toFixed(1)} Hz</td
            >
            <td class="py-1 pl-3 whitespace-nowrap">{one.what}, {one.per_turn}×</td>
            <td class="py-1 pl-3"
              >{one.because}{#if one.near}<span class="block font-semibold text-brass"
                  >sets going: {units.words(one.near)}</span
                >{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#if shakes.missing.length > 0}
    <p class="mt-1 text-brass">
      ? Not all is known that may shake. Still wanted: {units.words(shakes.missing.join('; '))}.
    </p>
  {/if}
</div>
