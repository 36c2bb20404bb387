<script lang="ts">
  import type { Candidate, RatiosResult } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import { curvePath, type PlotFrame } from '../../drawing/plot-frame';

  import RoadLoads from './RoadLoads.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: RatiosResult;
    compared: readonly Candidate[];
    hovered: string | null;
    ghost: readonly (number | null)[] | null; // wheel torque of the pinned design
  }
  let { result, compared, hovered, ghost }: Props = $props();
  const units = useUnits();

  const oldGears = $derived(result.was?.gears ?? []);
  const greatestKmh = $derived(
    Math.max(40, result.was?.top_kmh ?? 0, ...compared.map((one) => one.top_kmh)) * 1.12,
  );
  const lastShown = $derived(result.speed_kmh.findLastIndex((kmh) => kmh <= greatestKmh));
  const greatestNm = $derived(
    Math.max(
      100,
      ...compared.map((one) => one.launch_wheel_nm),
      result.was?.launch_wheel_nm ?? 0,
      (result.slip_nm ?? 0) * 0.6,
    ) * 1.08,
  );
  const path = (frame: PlotFrame, torque: readonly (number | null)[]) =>
    curvePath(frame, result.speed_kmh, torque);

  /** Labels at the left end of each curve, moved apart so that they can be read. */
  function labelsIn(frame: PlotFrame): { one: Candidate; at: number }[] {
    const wanted = compared
      .map((one) => ({ one, at: frame.y(one.wheel_nm[0] ?? 0) - 6 }))
      .toSorted((a, b) => a.at - b.at);
    let last = -Infinity;
    return wanted.map(({ one, at }) => {
      last = Math.max(at, last + 15);
      return { one, at: Math.min(last, frame.bottom - 4) };
    });
  }
</script>

{#snippet inside(frame: PlotFrame)}
  <RoadLoads {result} {frame} {lastShown} />
  {#each oldGears as gear (gear.name)}
    <path d={path(frame, gear.wheel_nm)} class="fill-none stroke-scribe-dim" stroke-opacity="0.75" />
  {/each}
  {#if ghost}<path
      d={path(frame, ghost)}
      class="fill-none stroke-scribe-dim"
      stroke-width="5"
      stroke-opacity="0.45"
    />{/if}
  {#each compared as one (one.key)}
    <path
      d={path(frame, one.wheel_nm)}
      class={['fill-none', one.is_chosen ? 'stroke-brass-lit' : 'stroke-scribe-dim']}
      stroke-width={one.key === hovered ? 3.5 : one.is_chosen ? 2.8 : 1.6}
      stroke-dasharray={one.is_chosen ? undefined : '7 4'}
    />
  {/each}
{/snippet}

{#snippet over(frame: PlotFrame)}
  {#if oldGears.length > 0}
    <text
      x={frame.right - 4}
      y={frame.top + 32}
      text-anchor="end"
      class="fill-scribe-dim plot-label text-[12.5px]">thin: the old engine, gear by gear</text
    >
  {/if}
  {#each labelsIn(frame) as { one, at } (one.key)}
    <text
      x={frame.left + 8}
      y={at}
      class={['plot-label text-[12.5px]', one.is_chosen ? 'fill-brass-lit font-semibold' : 'fill-scribe-dim']}
      >{one.key}{one.is_chosen ? ', chosen' : ''}</text
    >
  {/each}
{/snippet}

<DyePlot
  title="Torque at the driven wheels, {units.symbol('N·m')}, by {units.symbol('km/h')}"
  acrossUnit="km/h"
  upUnit="N·m"
  label="Torque at the driven wheels by road speed"
  across={greatestKmh}
  up={greatestNm}
  {inside}
  {over}
/>
