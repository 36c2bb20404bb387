<script lang="ts">
  import type { Feature, FeatureRow } from '../api/types';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    features: readonly Feature[];
    rows: readonly FeatureRow[]; // what the core makes of those measured
    texts: string[];
    onmeasured: (k: number) => void;
  }
  let { features, rows, texts = $bindable(), onmeasured }: Props = $props();
  const units = useUnits();
  const rowOf = (feature: Feature) => rows.find((row) => row.feature === feature.title);
</script>

<table class="w-full text-[14px]" aria-label="Features to measure">
  <thead class="text-[13px] text-ink-dim">
    <tr>
      <th class="text-left font-normal">feature</th>
      <th class="text-right font-normal">drawn</th>
      <th class="text-right font-normal">measured</th>
      <th class="text-right font-normal">off by</th>
      <th class="text-right font-normal">allowed</th>
      <th></th>
    </tr>
  </thead>
  <tbody>
    {#each features as feature, k (k)}
      {@const row = rowOf(feature)}
      <tr class="border-t border-edge">
        <td class="figures">{feature.title}</td>
        <td class="text-right figures">{units.num(feature.expected_mm, 'mm', 2)}</td>
        <td class="w-28"
          ><input
            class="field-line text-right figures"
            aria-label="Measured {feature.title}"
            autocomplete="off"
            inputmode="decimal"
            bind:value={texts[k]}
            onchange={() => onmeasured(k)}
          /></td
        >
        <td class={['text-right figures', row?.verdict === 'fails' && 'font-semibold text-fails']}
          >{row ? units.figure(row.off_mm, 'mm', 2, { signed: true, bare: true }) : ''}</td
        >
        <td class="text-right figures text-ink-dim">± {units.num(feature.allowed_mm, 'mm', 1)}</td>
        <td class="pl-2"
          >{#if row}<VerdictMark verdict={row.verdict} />{/if}</td
        >
      </tr>
      {#if row?.means}<tr
          ><td colspan="6" class={row.verdict === 'fails' ? 'text-fails' : 'text-ink-dim'}
            >{units.words(row.means)}</td
          ></tr
        >{/if}
    {/each}
  </tbody>
</table>
