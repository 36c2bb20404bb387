<script lang="ts">
  import { scaleLinear, scaleSqrt } from 'd3-scale';
  import type { MassesResult } from '../../api/types';

  interface Props {
    result: MassesResult;
  }
  let { result }: Props = $props();
  let width = $state(520);
  const HEIGHT = 190;
  const GROUND = HEIGHT - 26;
  const PAD = 70;
  const USUAL_WHEEL_MM = 300;

  const wheelbase = $derived(result.wheelbase_mm ?? 0);
  const scale = $derived(
    Math.max(0.01, Math.min((width - 2 * PAD) / Math.max(wheelbase, 1) / 1.25, (GROUND - 24) / 1250)), // px per mm
  );
  /** The front to the left, as a side view of the left side shows it. */
  const x = $derived(
    scaleLinear([wheelbase, 0], [width / 2 - (wheelbase * scale) / 2, width / 2 + (wheelbase * scale) / 2]),
  );
  const y = $derived((mm: number) => GROUND - mm * scale);
  const wheelMm = $derived(result.wheel_centre_mm ?? USUAL_WHEEL_MM);
  const side = $derived(scaleSqrt([0, 300], [0, 38]));
  const isNarrow = $derived(width < 480); // no room for the key beside the title
  const MARKS: Record<string, string> = { was: 'as it was', kerb: 'c.g.', laden: 'laden' };
</script>

<figure class="bg-dye" bind:clientWidth={width}>
  {#if wheelbase > 0}
    <svg
      {width}
      height={HEIGHT}
      role="img"
      aria-label="Side view: where the masses and the centre of gravity are"
    >
      <text x="16" y="20" class="fill-scribe text-[14px] font-semibold">Where the masses are, left side</text>
      <line x1="16" x2={width - 16} y1={GROUND} y2={GROUND} class="stroke-scribe" />
      {#each [0, wheelbase] as at (at)}
        <circle cx={x(at)} cy={y(wheelMm)} r={wheelMm * scale} class="fill-none stroke-scribe" />
        <circle cx={x(at)} cy={y(wheelMm)} r="2" class="fill-scribe" />
      {/each}
      <text x={x(wheelbase)} y={GROUND + 17} text-anchor="middle" class="fill-scribe-dim text-[12px]"
        >front</text
      >
      <text x={x(0)} y={GROUND + 17} text-anchor="middle" class="fill-scribe-dim text-[12px]"
        >rear, datum</text
      >
      {#each result.placed as item, index (index)}
        {@const half = side(item.mass_kg) / 2}
        <rect
          x={x(item.x_mm) - half}
          y={y(item.z_mm) - half}
          width={2 * half}
          height={2 * half}
          class={['stroke-scribe-dim', item.only_laden || !item.is_on ? 'fill-none' : 'fill-scribe-dim/40']}
          stroke-dasharray={item.only_laden ? '4 3' : undefined}
        >
          <title>{item.name}</title>
        </rect>
        {#if !item.is_on}
          <path
            d="M{x(item.x_mm) - half} {y(item.z_mm) - half}l{2 * half} {2 * half}m0 {-2 * half}l{-2 *
              half} {2 * half}"
            class="stroke-scribe-dim"
          />
        {/if}
      {/each}
      {#each result.standings as standing (standing.key)}
        {#if standing.cg_forward_mm !== null && standing.cg_height_mm !== null}
          {@const [cx, cy] = [x(standing.cg_forward_mm), y(standing.cg_height_mm)]}
          <g
            class={standing.key === 'kerb' ? 'stroke-brass-lit' : 'stroke-scribe'}
            fill="none"
            stroke-width="1.8"
          >
            <circle {cx} {cy} r="6" class="fill-dye" />
            <path d="M{cx - 9} {cy}h18M{cx} {cy - 9}v18" />
          </g>
          <text
            x={cx + (standing.key === 'was' ? -12 : 12)}
            y={cy + (standing.key === 'laden' ? -8 : 14)}
            text-anchor={standing.key === 'was' ? 'end' : 'start'}
            class={['plot-label text-[12px]', standing.key === 'kerb' ? 'fill-brass-lit' : 'fill-scribe']}
            >{MARKS[standing.key]}</text
          >
        {/if}
      {/each}
      <text
        x={isNarrow ? 16 : width - 16}
        y={isNarrow ? 36 : 20}
        text-anchor={isNarrow ? 'start' : 'end'}
        class="fill-scribe-dim text-[12px]">filled: on; crossed: off; dashed: load</text
      >
    </svg>
  {:else}
    <p class="px-5 py-10 text-scribe-dim">Measure the wheelbase, and the masses are drawn here.</p>
  {/if}
</figure>
