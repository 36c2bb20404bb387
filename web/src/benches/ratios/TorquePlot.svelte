<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Candidate, RatiosResult } from '../../api/types';
  import { whole } from '../../lib/format';

  interface Props {
    result: RatiosResult;
    compared: readonly Candidate[];
    hovered: string | null;
    ghost: readonly (number | null)[] | null; // wheel torque of the pinned design
  }
  let { result, compared, hovered, ghost }: Props = $props();
  let width = $state(540);
  let height = $state(260);
  const LEFT = 52;
  const TOP = 34;
  const RIGHT = 16;
  const bottom = $derived(height - 30);

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
  const x = $derived(scaleLinear([0, greatestKmh], [LEFT, width - RIGHT]));
  const y = $derived(scaleLinear([0, greatestNm], [bottom, TOP]));
  const path = $derived(
    (torque: readonly (number | null)[]) =>
      line<number | null>(
        (_, k) => x(result.speed_kmh[k] ?? 0),
        (nm) => y(nm ?? 0),
      ).defined((nm) => nm !== null)([...torque]) ?? '',
  );
  /** Labels at the left end of each curve, moved apart so that they can be read. */
  const labels = $derived.by(() => {
    const wanted = compared
      .map((one) => ({ one, at: y(one.wheel_nm[0] ?? 0) - 6 }))
      .toSorted((a, b) => a.at - b.at);
    let last = -Infinity;
    return wanted.map(({ one, at }) => {
      last = Math.max(at, last + 15);
      return { one, at: Math.min(last, bottom - 4) };
    });
  });
</script>

<figure class="h-full min-h-[200px] bg-dye" bind:clientWidth={width} bind:clientHeight={height}>
  <svg {width} {height} role="img" aria-label="Torque at the driven wheels by road speed">
    <defs
      ><clipPath id="torque-plot"
        ><rect
          x={LEFT}
          y={TOP}
          width={Math.max(0, width - LEFT - RIGHT)}
          height={Math.max(0, bottom - TOP)}
        /></clipPath
      ></defs
    >
    <text x={LEFT} y="20" class="fill-scribe text-[14px] font-semibold"
      >Torque at the driven wheels, N·m, by km/h</text
    >
    {#each y.ticks(5) as nm (nm)}
      <line x1={LEFT} x2={width - RIGHT} y1={y(nm)} y2={y(nm)} class="stroke-dye-grid" />
      <text x={LEFT - 7} y={y(nm) + 4} text-anchor="end" class="fill-scribe-dim figures text-[12px]"
        >{whole(nm)}</text
      >
    {/each}
    {#each x.ticks(8) as kmh (kmh)}
      <line x1={x(kmh)} x2={x(kmh)} y1={TOP} y2={bottom} class="stroke-dye-grid" />
      <text x={x(kmh)} y={bottom + 17} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
        >{kmh}</text
      >
    {/each}
    <g clip-path="url(#torque-plot)">
      {#if result.slip_nm !== null}
        <line
          x1={LEFT}
          x2={width - RIGHT}
          y1={y(result.slip_nm)}
          y2={y(result.slip_nm)}
          class="stroke-fails-lit"
          stroke-dasharray="7 5"
          stroke-width="1.5"
        />
        <text
          x={width - RIGHT - 4}
          y={y(result.slip_nm) < TOP + 16 ? Math.max(y(result.slip_nm), TOP) + 14 : y(result.slip_nm) - 6}
          text-anchor="end"
          class="fill-fails-lit plot-label text-[13px]">tyres slip above this, dry</text
        >
      {/if}
      {#if result.resistance_nm}
        <path d={path(result.resistance_nm)} class="fill-none stroke-scribe" stroke-width="1.6" />
        <text
          x={width - RIGHT - 4}
          y={y(result.resistance_nm[lastShown] ?? 0) - 8}
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
          x={LEFT + (width - LEFT - RIGHT) * 0.42}
          y={y(result.hill_resistance_nm[Math.round(lastShown * 0.42)] ?? 0) - 6}
          class="fill-scribe plot-label text-[13px]">the hill, laden</text
        >
      {/if}
      {#each oldGears as gear (gear.name)}
        <path d={path(gear.wheel_nm)} class="fill-none stroke-scribe-dim" stroke-opacity="0.75" />
      {/each}
      {#if ghost}<path
          d={path(ghost)}
          class="fill-none stroke-scribe-dim"
          stroke-width="5"
          stroke-opacity="0.45"
        />{/if}
      {#each compared as one (one.key)}
        <path
          d={path(one.wheel_nm)}
          class={['fill-none', one.is_chosen ? 'stroke-brass-lit' : 'stroke-scribe-dim']}
          stroke-width={one.key === hovered ? 3.5 : one.is_chosen ? 2.8 : 1.6}
          stroke-dasharray={one.is_chosen ? undefined : '7 4'}
        />
      {/each}
    </g>
    {#if oldGears.length > 0}
      <text
        x={width - RIGHT - 4}
        y={TOP + 32}
        text-anchor="end"
        class="fill-scribe-dim plot-label text-[12.5px]">thin: the old engine, gear by gear</text
      >
    {/if}
    {#each labels as { one, at } (one.key)}
      <text
        x={LEFT + 8}
        y={at}
        class={[
          'plot-label text-[12.5px]',
          one.is_chosen ? 'fill-brass-lit font-semibold' : 'fill-scribe-dim',
        ]}>{one.key}{one.is_chosen ? ', chosen' : ''}</text
      >
    {/each}
  </svg>
</figure>
