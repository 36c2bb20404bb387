<script lang="ts">
  import type { SideShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    side: SideShown;
    row: SideShown['heights'][number] | undefined;
  }
  let { side, row }: Props = $props();
  const units = useUnits();
  const WIDE = 320;
  const HIGH = 188;
  const LEFT = 34;
  const BOTTOM = 158;
  const window = $derived(side.window);
  const outline = $derived(window?.outline ?? []);
  const across = $derived(
    1.12 * Math.max(1, window?.plunge_mm ?? 1, ...outline.map((one) => Math.abs(one.plunge_mm))),
  );
  const up = $derived(1.12 * Math.max(1, window?.angle_deg ?? 1, ...outline.map((one) => one.inner_deg)));
  const px = (mm: number) => LEFT + ((mm + across) / (2 * across)) * (WIDE - LEFT - 10);
  const py = (deg: number) => BOTTOM - (deg / up) * (BOTTOM - 30);
  const d = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y]) => `${px(x).toFixed(1)},${py(y).toFixed(1)}`).join(' ');
</script>

<svg
  class="w-full bg-dye"
  viewBox="0 0 {WIDE} {HIGH}"
  role="img"
  aria-label="{side.name} inner joint: plunge and angle over all travel in its window"
>
  <text x="10" y="16" class="fill-scribe text-[12.5px] font-semibold">{side.name}: inner joint’s window</text>
  {#if window}
    {@const { plunge_mm: p, bent_mm: b, angle_deg: a } = window}
    <polygon
      points={d([
        [-p, 0],
        [p, 0],
        [b, a],
        [-b, a],
      ])}
      class="fill-dye-lit stroke-scribe"
      stroke-width="1.4"
    />
    <line x1={px(0)} x2={px(0)} y1={py(0)} y2={py(up)} class="stroke-dye-grid" />
    <polygon
      points={d(outline.map((one) => [one.plunge_mm, one.inner_deg]))}
      class={side.verdict === 'fails' ? 'fill-none stroke-fails-lit' : 'fill-none stroke-brass-lit'}
      stroke-width="2"
    />
    <circle cx={px(window.worst.plunge_mm)} cy={py(window.worst.inner_deg)} r="4" class="fill-brass-lit" />
    {#if row?.plunge_mm != null}
      <circle
        cx={px(row.plunge_mm)}
        cy={py(row.inner_deg)}
        r="5.5"
        class="fill-none stroke-scribe"
        stroke-width="2"
      />
    {/if}
    {#each [-p, 0, p] as at (at)}
      <text x={px(at)} y={BOTTOM + 15} text-anchor="middle" class="fill-scribe-dim figures text-[11.5px]"
        >{units.num(at, 'mm', 0)}</text
      >
    {/each}
    <text x={LEFT - 4} y={py(a) + 4} text-anchor="end" class="fill-scribe-dim figures text-[11.5px]"
      >{a.toFixed(0)}°</text
    >
    <text x={WIDE - 8} y={BOTTOM + 28} text-anchor="end" class="fill-scribe-dim text-[11.5px]"
      >plunge, {units.symbol('mm')}; worst place
      <tspan class="fill-brass-lit">●</tspan></text
    >
  {:else}
    <text x="10" y="90" class="fill-scribe-dim text-[12px]">Say what its inner joints are.</text>
  {/if}
</svg>
