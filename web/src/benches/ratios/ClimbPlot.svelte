<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Climb } from '../../api/types';

  interface Props {
    climb: Climb;
    name: string;
  }
  let { climb, name }: Props = $props();
  let width = $state(540);
  let height = $state(208);
  const LEFT = 52;
  const RIGHT = 16;
  const TOP = 34;
  const STEEPEST_SHOWN = 60;
  const bottom = $derived(height - 30);

  const steepest = $derived(
    Math.min(STEEPEST_SHOWN, Math.max(10, ...climb.peak_pct.map((pct) => pct ?? STEEPEST_SHOWN)) * 1.1),
  );
  const x = $derived(scaleLinear([0, climb.speed_kmh.at(-1) ?? 1], [LEFT, width - RIGHT]));
  const y = $derived(scaleLinear([0, steepest], [bottom, TOP]));
  const path = $derived(
    (grades: readonly (number | null)[]) =>
      line<number | null>(
        (_, k) => x(climb.speed_kmh[k] ?? 0),
        (pct) => y(pct ?? 0),
      ).defined((pct) => pct !== null)([...grades]) ?? '',
  );
</script>

<figure class="h-full min-h-[200px] bg-dye" bind:clientWidth={width} bind:clientHeight={height}>
  <svg {width} {height} role="img" aria-label="Grade held laden by road speed, {name}">
    <defs
      ><clipPath id="climb-plot"
        ><rect
          x={LEFT}
          y={TOP}
          width={Math.max(0, width - LEFT - RIGHT)}
          height={Math.max(0, bottom - TOP)}
        /></clipPath
      ></defs
    >
    <text x={LEFT} y="20" class="fill-scribe text-[14px] font-semibold"
      >Grade held laden, %, by km/h: {name}</text
    >
    {#each y.ticks(5) as pct (pct)}
      <line x1={LEFT} x2={width - RIGHT} y1={y(pct)} y2={y(pct)} class="stroke-dye-grid" />
      <text x={LEFT - 7} y={y(pct) + 4} text-anchor="end" class="fill-scribe-dim figures text-[12px]"
        >{pct}</text
      >
    {/each}
    {#each x.ticks(8) as kmh (kmh)}
      <line x1={x(kmh)} x2={x(kmh)} y1={TOP} y2={bottom} class="stroke-dye-grid" />
      <text x={x(kmh)} y={bottom + 17} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
        >{kmh}</text
      >
    {/each}
    <g clip-path="url(#climb-plot)">
      <path d={path(climb.peak_pct)} class="fill-none stroke-brass-lit" stroke-width="2.6" />
      {#if climb.continuous_pct}<path
          d={path(climb.continuous_pct)}
          class="fill-none stroke-scribe"
          stroke-width="1.8"
        />{/if}
    </g>
    <text
      x={x((climb.speed_kmh.at(-1) ?? 0) * 0.3)}
      y={y(Math.min(steepest, climb.peak_pct[Math.floor(climb.peak_pct.length * 0.3)] ?? steepest)) - 7}
      class="fill-brass-lit plot-label text-[12.5px]">at peak, for a minute</text
    >
    {#if climb.continuous_pct}
      <text
        x={x((climb.speed_kmh.at(-1) ?? 0) * 0.3)}
        y={y(climb.continuous_pct[Math.floor(climb.continuous_pct.length * 0.3)] ?? 0) - 7}
        class="fill-scribe plot-label text-[12.5px]">for good, on continuous torque</text
      >
    {/if}
  </svg>
</figure>
