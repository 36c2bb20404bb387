<script lang="ts">
  import type { Check, CouplerResult } from '../../api/types';
  import { VERDICT_WORDS } from '../../lib/verdicts';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { LETTERS } from './section';

  interface Props {
    gaps: CouplerResult['gaps'];
    checkOf: (gap: string) => Check | undefined;
  }
  let { gaps, checkOf }: Props = $props();
  const units = useUnits();
  const mm = (value: number) => units.num(value, 'mm', 2);
</script>

<table class="w-full text-[13px]" aria-label="Gaps at their extremes, {units.symbol('mm')}">
  <thead class="text-ink-dim">
    <tr>
      <th class="w-5"></th>
      <th class="text-left font-normal">gap</th>
      <th class="text-right font-normal">at the extremes, {units.symbol('mm')}</th>
      <th class="text-right font-normal">wanted</th>
      <th class="w-16"></th>
    </tr>
  </thead>
  <tbody>
    {#each gaps as gap, k (gap.key)}
      {@const check = checkOf(gap.key)}
      <tr class="border-t border-edge">
        <td class="font-semibold">{LETTERS[k]}</td>
        <td class="py-1">{gap.title}</td>
        <td class="text-right figures">
          {#if typeof gap.least_mm === 'number' && typeof gap.greatest_mm === 'number'}
            {mm(gap.least_mm)} … {mm(gap.greatest_mm)}
          {:else}–{/if}
        </td>
        <td class="text-right figures"
          >{typeof gap.greatest_wanted_mm === 'number'
            ? `${mm(gap.least_wanted_mm)} … ${mm(gap.greatest_wanted_mm)}`
            : `≥ ${mm(gap.least_wanted_mm)}`}</td
        >
        <td class="pl-2 text-[12.5px]">
          {#if check}<VerdictMark verdict={check.verdict} silent />
            {VERDICT_WORDS[check.verdict].toLowerCase()}{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
