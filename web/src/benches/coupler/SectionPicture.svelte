<script lang="ts">
  import type { Block, CouplerResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { drawnGaps, frameOf, placeOf, rowOf } from './section';

  interface Props {
    result: CouplerResult;
    verdictOf: (gap: string) => string;
    ondrag: ((block: Block, alongMm: number) => void) | null;
    ondrop: () => void;
  }
  let { result, verdictOf, ondrag, ondrop }: Props = $props();
  const units = useUnits();
  const gaps = $derived(drawnGaps(result.gaps));
  const frame = $derived(frameOf(result.blocks, gaps.length));
  let svg = $state<SVGSVGElement>();
  let dragged = $state.raw<{ block: Block; fromX: number } | null>(null);

  const CHAR_MM = 3.8; // of a title's letters
  const FILL: Record<string, string> = {
    machine: 'fill-dye-deep stroke-scribe-dim',
    shaft: 'fill-dye-grid stroke-scribe',
    hub: 'fill-dye-lit stroke-scribe',
    centre: 'fill-dye-lit stroke-scribe-dim',
    spider: 'fill-brass/40 stroke-brass-lit',
  };
  const STROKE: Record<string, string> = {
    fails: 'stroke-fails-lit fill-fails-lit',
    tight: 'stroke-brass-lit fill-brass-lit',
    holds: 'stroke-scribe fill-scribe',
    not_known: 'stroke-scribe-dim fill-scribe-dim',
  };

  function alongMm(event: PointerEvent): number {
    const toMm = svg?.getScreenCTM()?.inverse();
    return toMm ? new DOMPoint(event.clientX, event.clientY).matrixTransform(toMm).x : 0;
  }
  function down(event: PointerEvent, block: Block): void {
    if (!ondrag || !placeOf(block)) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragged = { block, fromX: alongMm(event) };
  }
  function move(event: PointerEvent): void {
    if (dragged) ondrag?.(dragged.block, alongMm(event) - dragged.fromX);
  }
  function up(): void {
    if (dragged) ondrop();
    dragged = null;
  }
  const spoken = $derived(
    result.gaps
      .map((gap) => `${gap.title}: ${units.figure(gap.nominal_mm, 'mm', 2)}, ${verdictOf(gap.key)}`)
      .join('; '),
  );
</script>

<svg
  bind:this={svg}
  viewBox="{frame.left} {-frame.outer} {frame.width} {frame.height}"
  class="h-full w-full touch-none text-scribe"
  role="img"
  aria-label="The coupler in section. {spoken}"
>
  <g stroke-width="0.5" vector-effect="non-scaling-stroke">
    {#each result.blocks as block, k (k)}
      {@const tall = block.outer_mm - block.inner_mm}
      {@const wide = Math.max(block.to_mm - block.from_mm, 0)}
      {@const canMove = ondrag !== null && placeOf(block) !== undefined}
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <g
        class={[FILL[block.role], canMove && 'cursor-ew-resize hover:brightness-125']}
        onpointerdown={(event) => down(event, block)}
        onpointermove={move}
        onpointerup={up}
        onpointercancel={up}
      >
        {#if block.title && canMove}<title>Drag {block.title.toLowerCase()} along the axis</title>{/if}
        <rect x={block.from_mm} y={-block.outer_mm} width={wide} height={tall} />
        <rect x={block.from_mm} y={block.inner_mm} width={wide} height={tall} />
        {#if block.title && wide > CHAR_MM * block.title.length && tall > 9}
          <text
            x={block.from_mm + wide / 2}
            y={block.role === 'shaft' ? 8 : -(block.inner_mm + tall / 2)}
            text-anchor="middle"
            dominant-baseline="central"
            class="pointer-events-none fill-scribe stroke-none text-[6.5px]">{block.title}</text
          >
        {/if}
      </g>
    {/each}
    <line
      x1={frame.left}
      x2={frame.left + frame.width}
      y1="0"
      y2="0"
      class="stroke-scribe-dim"
      stroke-dasharray="8 2 2 2"
    />
  </g>
  {#each gaps as { gap, letter, from, to }, k (gap.key)}
    {@const y = rowOf(frame, k)}
    {@const left = Math.min(from, to)}
    {@const right = Math.max(from, to)}
    <g class={STROKE[verdictOf(gap.key)]} stroke-width="0.7">
      <path d="M{left} {gap.at_mm}V{y + 2} M{right} {gap.at_mm}V{y + 2}" stroke-width="0.3" opacity="0.6" />
      <path d="M{left} {y}H{right}" stroke-width="1.6" />
      <text x={right + 2} {y} dominant-baseline="central" class="stroke-none text-[8px] font-semibold"
        >{letter}</text
      >
    </g>
  {/each}
</svg>
