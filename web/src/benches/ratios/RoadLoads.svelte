<script lang="ts">
  import type { RatiosResult } from '../../api/types';
  import { curvePath, type PlotFrame } from '../../drawing/plot-frame';

  interface Props {
    result: RatiosResult;
    frame: PlotFrame;
    lastShown: number; // of the speeds
  }
  let { result, frame, lastShown }: Props = $props();
  const path = (torque: readonly (number | null)[]) => curvePath(frame, result.speed_kmh, torque);
</script>

{#if result.slip_nm !== null}
  <line
    x1={frame.left}
    x2={frame.right}
    y1={frame.y(result.slip_nm)}
    y2={frame.y(result.slip_nm)}
    class="stroke-fails-lit"
    stroke-dasharray="7 5"
    stroke-width="1.5"
  />
  <text
    x={frame.right - 4}
    y={frame.y(result.slip_nm) < frame.top + 16
      ? Math.max(frame.y(result.slip_nm), frame.top) + 14
      : frame.y(result.slip_nm) - 6}
    text-anchor="end"
    class="fill-fails-lit plot-label text-[13px]">tyres slip above this, dry</text
  >
{/if}
{#if result.resistance_nm}
  <path d={path(result.resistance_nm)} class="fill-none stroke-scribe" stroke-width="1.6" />
  <text
    x={frame.right - 4}
    y={frame.y(result.resistance_nm[lastShown] ?? 0) - 8}
    text-anchor="end"
    class="fill-scribe plot-label text-[13px]">resistance, level</text
  >
{/if}
{#if result.hill_resistance_nm}
  <path
    d={path(result.hill_resistance_nm)}
    class="fill-none stroke-scribe"
    stroke-width="1.2"
    stroke-dasharray="2 4"
  />
  <text
    x={frame.left + (frame.right - frame.left) * 0.42}
    y={frame.y(result.hill_resistance_nm[Math.round(lastShown * 0.42)] ?? 0) - 6}
    class="fill-scribe plot-label text-[13px]">the hill, laden</text
  >
{/if}
