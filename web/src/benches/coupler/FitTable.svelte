<script lang="ts">
  import type { CouplerResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    fits: CouplerResult['fits'];
    disabled: boolean;
    onchoose: (fit: string) => void;
  }
  let { fits, disabled, onchoose }: Props = $props();
  const units = useUnits();
</script>

<table class="mt-2 w-full text-[12.5px]" aria-label="Fits side by side">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">fit</th>
      <th class="text-right font-normal">holds, {units.symbol('N·m')}</th>
      <th class="text-right font-normal">hub, {units.symbol('MPa')}</th>
      <th class="text-right font-normal">heat, {units.symbol('°C')}</th>
      <th></th>
    </tr>
  </thead>
  <tbody>
    {#each fits as one (one.fit)}
      <tr class={['border-t border-edge', one.is_chosen && 'bg-brass-wash font-semibold']}>
        <td class="py-1 figures">{one.fit}</td>
        <td class="text-right figures">{units.num(one.holds_nm, 'N·m', 0)}{one.carries_it ? '' : ' ▲'}</td>
        <td class="text-right figures">{units.num(one.stress_mpa, 'MPa', 0)}{one.yields ? ' ▲' : ''}</td>
        <td class="text-right figures">{units.num(one.hot_c, '°C', 0)}{one.is_too_hot ? ' ▲' : ''}</td>
        <td class="text-right">
          {#if one.is_chosen}chosen{:else if !disabled}<button
              class="min-h-6 text-brass underline underline-offset-2"
              aria-label="Take {one.fit}"
              onclick={() => onchoose(one.fit)}>take</button
            >{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
<p class="text-[12.5px] text-ink-dim">
  ▲ less than the design torque by the fit alone; more than the hub yields at; hotter than what is beside it
  bears.
</p>
