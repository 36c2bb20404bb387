<script lang="ts">
  import type { Climb } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import { curvePath, type PlotFrame } from '../../drawing/plot-frame';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    climb: Climb;
    name: string;
  }
  let { climb, name }: Props = $props();
  const units = useUnits();
  const STEEPEST_SHOWN = 60;
  const LABEL_AT = 0.3; // of the way along the curves

  const steepest = $derived(
    Math.min(STEEPEST_SHOWN, Math.max(10, ...climb.peak_pct.map((pct) => pct ?? STEEPEST_SHOWN)) * 1.1),
  );
  const greatestKmh = $derived(climb.speed_kmh.at(-1) ?? 1);
  const along = $derived(Math.floor(climb.speed_kmh.length * LABEL_AT));
</script>

{#snippet inside(frame: PlotFrame)}
  <path
    d={curvePath(frame, climb.speed_kmh, climb.peak_pct)}
    class="fill-none stroke-brass-lit"
    stroke-width="2.6"
  />
  {#if climb.continuous_pct}<path
      d={curvePath(frame, climb.speed_kmh, climb.continuous_pct)}
      class="fill-none stroke-scribe"
      stroke-width="1.8"
    />{/if}
{/snippet}

{#snippet over({ x, y }: PlotFrame)}
  <text
    x={x(climb.speed_kmh[along] ?? 0)}
    y={y(Math.min(steepest, climb.peak_pct[along] ?? steepest)) - 7}
    class="fill-brass-lit plot-label text-[12.5px]">at peak torque</text
  >
  {#if climb.continuous_pct}
    <text
      x={x(climb.speed_kmh[along] ?? 0)}
      y={y(climb.continuous_pct[along] ?? 0) - 7}
      class="fill-scribe plot-label text-[12.5px]">for good, on continuous torque</text
    >
  {/if}
{/snippet}

<DyePlot
  title="Grade held laden, %, by {units.symbol('km/h')}: {name}"
  acrossUnit="km/h"
  upUnit="%"
  label="Grade held laden by road speed, {name}"
  across={greatestKmh}
  up={steepest}
  {inside}
  {over}
/>
