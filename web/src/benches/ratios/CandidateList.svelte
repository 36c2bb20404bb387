<script lang="ts">
  import type { Candidate, Pick, RatiosResult } from '../../api/types';
  import { fixed, whole } from '../../lib/format';
  import type { RatiosState } from './ratios.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: RatiosResult;
    ratios: RatiosState;
    mayEdit: boolean;
    onpin: (pick: Pick) => void;
  }
  let { result, ratios, mayEdit, onpin }: Props = $props();
  const units = useUnits();
  const rows = $derived(
    result.candidates
      .filter((one) => one.is_chosen || ratios.isKept(one))
      .toSorted((a, b) => Number(a.beaten_by !== null) - Number(b.beaten_by !== null)),
  );
  const isColumn = (one: Candidate) => ratios.compared.includes(one);
</script>

<section>
  <h3>
    {rows.length < result.count ? `${rows.length} of them, whole; click a dot for another` : 'All of them'}
  </h3>
  <table class="mt-1 w-full text-[13px]" aria-label="All gearings">
    <thead class="text-ink-dim">
      <tr>
        <th class="py-1 text-left font-normal">tick to pin beside</th>
        <th class="text-right font-normal">{units.symbol('km/h')}</th>
        <th class="text-right font-normal">0–{units.num(50, 'km/h', 0)}</th>
        <th class="text-right font-normal">cruise</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as one (one.key)}
        <tr
          class={[
            'border-t border-edge',
            one.is_chosen && 'bg-brass-wash font-semibold',
            one.beaten_by !== null && !one.is_chosen && 'text-ink-dim',
          ]}
          title={one.beaten_by
            ? `${one.beaten_by} is at least as good in launch, top speed and cruise`
            : undefined}
          onmouseenter={() => (ratios.hovered = one.key)}
          onmouseleave={() => (ratios.hovered = null)}
        >
          <td class="py-1">
            <label class="flex items-center gap-2">
              <input
                type="checkbox"
                class="accent-brass"
                checked={isColumn(one)}
                disabled={one === ratios.shown || !mayEdit}
                onchange={() => onpin(one.pick)}
              />
              {one.key}
            </label>
          </td>
          <td class="text-right figures">{units.num(one.top_kmh, 'km/h', 0)}</td>
          <td class="text-right figures">{fixed(one.s_0_50, 1)}</td>
          <td class="text-right figures">{whole(one.cruise_rpm)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</section>
