<script lang="ts">
  import type { CouplerResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: CouplerResult;
  }
  let { result }: Props = $props();
  const units = useUnits();
  const mm = (value: number | null | undefined) => units.num(value, 'mm', 1);
</script>

<table class="w-full text-[13px]" aria-label="What can be done about the spider">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">hubs slid as they may be</th>
      <th class="text-right font-normal">faces apart, {units.symbol('mm')}</th>
      <th class="text-right font-normal">as they stand</th>
    </tr>
  </thead>
  <tbody>
    {#each result.alternatives as one (one.key)}
      <tr class="border-t border-edge">
        <td class="py-1">{one.title}</td>
        <td class="text-right figures">
          {one.is_possible ? `${mm(one.least_mm)} … ${mm(one.greatest_mm)}` : 'none'}
        </td>
        <td class="text-right">
          {one.suits_apart === true ? 'fits' : one.suits_apart === false ? 'does not fit' : '–'}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
