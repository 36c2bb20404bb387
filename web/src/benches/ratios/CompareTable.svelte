<script lang="ts">
  import type { Candidate, Pick, RatiosResult } from '../../api/types';
  import { compareRows, difference, shownFigure, type CompareRow } from './compare-rows';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: RatiosResult;
    compared: readonly Candidate[];
    mayEdit: boolean;
    onchoose: (pick: Pick) => void;
    onpin: (pick: Pick) => void;
    onhover: (key: string | null) => void;
  }
  let { result, compared, mayEdit, onchoose, onpin, onhover }: Props = $props();
  const units = useUnits();
  const rows = $derived(compareRows(result.cruise_kmh, units));
  const first = $derived(compared[0]);

  function spread(row: CompareRow): string {
    const found = result.spreads?.spreads.find((one) => one.figure === row.spread);
    if (!found) return '';
    const digits = units.num(found.plus_minus, row.unit ?? '', row.decimals);
    return Number(digits.replace(/\D/g, '')) === 0 ? '' : `±${digits}`;
  }
</script>

<div class="shrink-0 overflow-x-auto">
  <table class="w-full min-w-[32rem] text-[13px]" aria-label="Gearings side by side">
    <thead>
      <tr class="align-bottom">
        <th class="py-1 pr-1 pl-3 text-left font-normal text-ink-dim">side by side</th>
        {#each compared as one, k (one.key)}
          <th
            class={['px-1.5 py-1 text-right leading-4', k === 0 ? 'bg-brass-wash text-brass' : 'font-normal']}
            onmouseenter={() => onhover(one.key)}
            onmouseleave={() => onhover(null)}
            >{one.key}{#if k === 0}<span class="block text-[11.5px] font-normal"
                >{one.is_chosen ? 'chosen' : 'shown, not chosen'}</span
              >{/if}</th
          >
        {/each}
        {#if result.was}<th class="px-1.5 py-1 text-right font-normal text-ink-dim">as it was</th>{/if}
      </tr>
    </thead>
    <tbody>
      {#if mayEdit}
        <tr class="border-t border-edge">
          <td class="py-[3px] pr-1 pl-3 text-ink-dim">take one</td>
          {#each compared as one, k (one.key)}
            <td class={['px-1.5 py-[3px] text-right whitespace-nowrap', k === 0 && 'bg-brass-wash']}>
              {#if one.is_pinned && !one.is_chosen}<button
                  class="px-1 text-ink-dim hover:text-fails"
                  aria-label="Unpin {one.key}"
                  onclick={() => onpin(one.pick)}>×</button
                >{/if}
              <button
                class="text-brass underline underline-offset-2"
                aria-label="{one.is_chosen ? 'Change the reason for' : 'Choose'} {one.key}"
                onclick={() => onchoose(one.pick)}>{one.is_chosen ? 'reason' : 'choose'}</button
              >
            </td>
          {/each}
          {#if result.was}<td></td>{/if}
        </tr>
      {/if}
      <tr class="border-t border-edge">
        <th scope="row" class="py-[2px] pr-1 pl-3 text-left font-normal">top speed set by</th>
        {#each compared as one, k (one.key)}
          <td class={['px-1.5 text-right text-[12.5px] leading-4', k === 0 && 'bg-brass-wash']}
            >{one.is_top_known ? one.top_set_by : 'not all that sets it is known'}</td
          >
        {/each}
        {#if result.was}<td></td>{/if}
      </tr>
      {#each rows as row, index (index)}
        <tr class="border-t border-edge">
          <th scope="row" class="py-[2px] pr-1 pl-3 text-left font-normal whitespace-nowrap">{row.title}</th>
          {#each compared as one, k (one.key)}
            <td class={['px-1.5 text-right figures whitespace-nowrap', k === 0 && 'bg-brass-wash']}>
              {row.name && one.not_known.includes(row.name)
                ? 'not known'
                : shownFigure(row, row.figure(one), units)}{row.suffix?.(one) ?? ''}
              <span class="text-[11px] text-ink-dim"
                >{k === 0 ? spread(row) : first ? difference(row, one, first, units) : ''}</span
              >
            </td>
          {/each}
          {#if result.was}<td class="px-1.5 text-right figures whitespace-nowrap text-ink-dim"
              >{row.was ? shownFigure(row, row.was(result.was), units) : ''}</td
            >{/if}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
