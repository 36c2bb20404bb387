<script lang="ts">
  import type { Candidate } from '../../api/types';
  import { fixed, whole } from '../../lib/format';
  import type { RatiosState } from './ratios.svelte';

  interface Props {
    candidates: readonly Candidate[];
    ratios: RatiosState;
  }
  let { candidates, ratios }: Props = $props();
  const unbeaten = $derived(candidates.filter((one) => one.beaten_by === null).length);
  const ordered = $derived(
    candidates.toSorted((a, b) => Number(a.beaten_by !== null) - Number(b.beaten_by !== null)),
  );
</script>

<section>
  <h2>
    {candidates.length === 1
      ? 'One way to gear it'
      : `${candidates.length} ways to gear it, ${unbeaten} that nothing beats`}
  </h2>
  <table class="mt-1 w-full text-[13px]" aria-label="All gearings">
    <thead class="text-ink-dim">
      <tr>
        <th class="py-1 text-left font-normal">tick to compare</th>
        <th class="text-right font-normal">top</th>
        <th class="text-right font-normal">0–50</th>
        <th class="text-right font-normal">cruise</th>
      </tr>
    </thead>
    <tbody>
      {#each ordered as one (one.key)}
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
                checked={ratios.isCompared(one.key)}
                disabled={one.is_chosen}
                onchange={() => ratios.toggle(one.key)}
              />
              {one.key}
            </label>
          </td>
          <td class="text-right figures">{whole(one.top_kmh)}</td>
          <td class="text-right figures">{fixed(one.s_0_50, 1)}</td>
          <td class="text-right figures">{whole(one.cruise_rpm)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  <p class="mt-1 text-[12.5px] text-ink-dim">
    km/h, s, motor rpm. Dimmed: another is at least as good in all three.
  </p>
</section>
