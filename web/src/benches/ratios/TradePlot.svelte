<script lang="ts">
  import { scaleLinear, scaleSqrt } from 'd3-scale';
  import type { Pick } from '../../api/types';
  import { fixed, whole } from '../../lib/format';
  import PlotGrid from './PlotGrid.svelte';
  import { nearest, span } from './trade-plot';
  import WantedSpeed from './WantedSpeed.svelte';
  import { isSamePick, type RatiosState, type TradePoint } from './ratios.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    ratios: RatiosState;
    wantedKmh: number | null;
    onpick: (pick: Pick) => void;
  }
  let { ratios, wantedKmh, onpick }: Props = $props();
  const units = useUnits();
  let width = $state(290);
  const HEIGHT = 236;
  const LEFT = 34;
  const RIGHT = 10;
  const TOP = 22;
  const BOTTOM = HEIGHT - 34;
  const REACH = 14; // how near the pointer must come, px

  const able = $derived(ratios.points.filter((point) => point.launchS !== null));
  const kept = $derived(new Set(ratios.kept));
  const launches = $derived(able.map((point) => point.launchS ?? 0));
  const tops = $derived(able.map((point) => point.topKmh));
  const x = $derived(scaleLinear(span(tops, wantedKmh, 20), [LEFT + 6, width - RIGHT - 6]).nice());
  const y = $derived(scaleLinear(span(launches, null, 1), [TOP + 6, BOTTOM - 6]).nice());
  const cruises = $derived(able.map((point) => point.cruiseRpm));
  const radius = $derived(scaleSqrt(span(cruises, null, 500), [2.4, 6.5]));
  const isWantedAtLeft = $derived(wantedKmh !== null && x(wantedKmh) < LEFT + 60);
  const near = $derived(able.find((point) => point.name === ratios.hovered) ?? null);

  function at(event: PointerEvent & { currentTarget: SVGSVGElement }): TradePoint | null {
    const box = event.currentTarget.getBoundingClientRect();
    const [px, py] = [event.clientX - box.left, event.clientY - box.top];
    return nearest(able, (point) => Math.hypot(x(point.topKmh) - px, y(point.launchS ?? 0) - py), REACH);
  }

  function isColumn(point: TradePoint): boolean {
    return ratios.compared.some((one) => isSamePick(one.pick, point.pick));
  }
</script>

<figure class="-mx-1" bind:clientWidth={width}>
  <!-- The list beside it offers the same by keyboard. -->
  <svg
    {width}
    height={HEIGHT}
    role="img"
    aria-label="Time to {units.figure(50, 'km/h', 0)} by top speed, one dot for each way to gear it"
    class={['block', near && 'cursor-pointer']}
    onpointermove={(event) => (ratios.hovered = at(event)?.name ?? null)}
    onpointerleave={() => (ratios.hovered = null)}
    onpointerup={(event) => {
      const point = at(event);
      if (point) onpick(point.pick);
    }}
  >
    <text x={4} y="13" class="fill-ink-dim text-[12px]"
      >0–{units.figure(50, 'km/h', 0)}, s (up is quicker)</text
    >
    <text x={width - RIGHT} y={HEIGHT - 4} text-anchor="end" class="fill-ink-dim text-[12px]"
      >top speed, {units.symbol('km/h')}</text
    >
    <PlotGrid {x} {y} left={LEFT} right={width - RIGHT} top={TOP} bottom={BOTTOM} />
    {#if wantedKmh !== null}<WantedSpeed
        x={x(wantedKmh)}
        top={TOP}
        bottom={BOTTOM}
        isAtLeft={isWantedAtLeft}
      />{/if}
    {#each able as point, index (index)}
      <circle
        cx={x(point.topKmh)}
        cy={y(point.launchS ?? 0)}
        r={radius(point.cruiseRpm)}
        class={kept.has(point)
          ? point.isBeaten
            ? 'fill-steel-dark'
            : 'fill-ink'
          : 'fill-none stroke-steel-dark'}
        fill-opacity={point.isBeaten ? 0.65 : 1}
      />
    {/each}
    {#each able.filter(isColumn) as point, index (index)}
      <circle
        cx={x(point.topKmh)}
        cy={y(point.launchS ?? 0)}
        r={radius(point.cruiseRpm) + 4}
        class={['fill-none', point.name === ratios.shown?.key ? 'stroke-brass' : 'stroke-ink-dim']}
        stroke-width={point.name === ratios.shown?.key ? 2.4 : 1.2}
      />
    {/each}
    {#if near}
      <circle
        cx={x(near.topKmh)}
        cy={y(near.launchS ?? 0)}
        r={radius(near.cruiseRpm) + 3}
        class="fill-brass stroke-paper"
      />
    {/if}
  </svg>
  <figcaption class="min-h-[38px] px-1 text-[12.5px] text-ink-dim">
    {#if near}
      <span class="font-semibold text-ink">{near.name}</span><br />
      <span class="figures">{units.figure(near.topKmh, 'km/h', 0)}</span>,
      <span class="figures">{fixed(near.launchS, 1)}</span> s,
      <span class="figures">{whole(near.cruiseRpm)}</span> rpm at cruise
    {:else}
      Black: nothing beats it. Larger: faster motor at cruise.
    {/if}
  </figcaption>
</figure>
