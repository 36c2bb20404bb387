<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { whole } from '../lib/format';
  import { useUnits } from '../measure/units.svelte';
  import { curvePath, pointsOf, type PlotCurve, type PlotFrame } from './plot-frame';
  import { plotLabels } from './plot-labels';

  interface Props {
    title: string;
    label: string; // for who does not see it
    across: number; // both axes run from 0 to here, in metric units
    up: number;
    acrossUnit: string; // metric; its figures are the reader's
    upUnit: string;
    height?: number; // as high as its place where none is given
    curves: readonly PlotCurve[];
    ends?: readonly (readonly [number, number])[]; // where a curve ends because no more is known
  }
  let { title, label, across, up, acrossUnit, upUnit, height, curves, ends = [] }: Props = $props();
  const units = useUnits();
  const uid = $props.id();
  const LEFT = 52;
  const TOP = 34;
  const SIZE = 12.5;
  let width = $state(540);
  let room = $state(240);
  const right = $derived(width - 24); // half a figure of the last tick stands past it
  const high = $derived(height ?? room);
  const bottom = $derived(high - 30);
  const x = $derived(scaleLinear([0, across], [LEFT, right]));
  const y = $derived(scaleLinear([0, up], [bottom, TOP]));
  const frame = $derived<PlotFrame>({ x, y, left: LEFT, right, top: TOP, bottom });
  const points = $derived(curves.map((one) => pointsOf(frame, one)));
  const labels = $derived(
    plotLabels(
      curves.flatMap(({ key, label: text, prefer = 0.1 }, k) =>
        text ? [{ key, text, curve: points[k] ?? [], prefer }] : [],
      ),
      points,
      { left: LEFT + 2, right, top: TOP, bottom },
      SIZE,
    ),
  );
  /** As large as it may be without being cut. */
  const titleSize = $derived(Math.min(14, (width - LEFT - 8) / (0.58 * title.length)));
  const classOf = (key: string) => curves.find((one) => one.key === key)?.labelClass ?? 'fill-scribe';

  /** Ticks are round in the units that are read. */
  const ticksOf = (greatest: number, unit: string, count: number) =>
    scaleLinear([0, units.shown(greatest, unit)], [0, 1])
      .ticks(count)
      .map((shown) => ({ shown, metric: units.metric(shown, unit) }));
</script>

<figure
  class={['bg-dye', height === undefined && 'h-full min-h-[196px]']}
  bind:clientWidth={width}
  bind:clientHeight={room}
>
  <svg {width} height={high} role="img" aria-label={label}>
    <defs
      ><clipPath id="{uid}-clip"
        ><rect
          x={LEFT}
          y={TOP}
          width={Math.max(0, right - LEFT)}
          height={Math.max(0, bottom - TOP)}
        /></clipPath
      ></defs
    >
    <text x={LEFT} y="20" class="fill-scribe font-semibold" font-size={titleSize}>{title}</text>
    {#each ticksOf(up, upUnit, 5) as { shown, metric } (shown)}
      <line x1={LEFT} x2={right} y1={y(metric)} y2={y(metric)} class="stroke-dye-grid" />
      <text x={LEFT - 7} y={y(metric) + 4} text-anchor="end" class="fill-scribe-dim figures text-[12px]"
        >{whole(shown)}</text
      >
    {/each}
    {#each ticksOf(across, acrossUnit, width < 480 ? 5 : 8) as { shown, metric } (shown)}
      <line x1={x(metric)} x2={x(metric)} y1={TOP} y2={bottom} class="stroke-dye-grid" />
      <text x={x(metric)} y={bottom + 17} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
        >{whole(shown)}</text
      >
    {/each}
    <g clip-path="url(#{uid}-clip)" class="fill-none">
      {#each curves as curve (curve.key)}
        <path
          d={curvePath(frame, curve)}
          class={curve.stroke}
          stroke-width={curve.width}
          stroke-dasharray={curve.dash}
        />
      {/each}
    </g>
    {#each ends as [at, value] (at)}
      <circle cx={x(at)} cy={y(value)} r="4" class="fill-dye stroke-brass-lit" stroke-width="2" />
    {/each}
    {#each labels as one (one.key)}
      <text x={one.x} y={one.y} data-plot-label class={classOf(one.key)} font-size={SIZE}>{one.text}</text>
    {/each}
  </svg>
</figure>
