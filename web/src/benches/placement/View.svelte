<script lang="ts">
  import type { DrawnBody, Frame } from '../../api/types';
  import {
    boundsOf,
    flat,
    placed,
    scaleOf,
    seen,
    shapesOf,
    type Dimension,
    type Eye,
    type Line3,
    type Point2,
    type Point3,
  } from './scene';
  import ViewLines from './ViewLines.svelte';
  import ViewShapes from './ViewShapes.svelte';

  interface Props {
    title: string;
    bodies: readonly DrawnBody[];
    frame: Frame | null;
    eye: Eye;
    roomMm: number | null;
    lines: readonly Line3[];
    shafts: readonly Line3[];
    lit: string; // field of the body that is picked
    stepMm: number;
    onpick: (field: string) => void;
    onmove: ((byMm: Point3, gesture: string) => void) | null; // of the unit
    onturn?: (roundDeg: number, aboveDeg: number) => void; // of a free eye
    onlarge: () => void;
  }
  let {
    title,
    bodies,
    frame,
    eye,
    roomMm,
    lines,
    shafts,
    lit,
    stepMm,
    onpick,
    onmove,
    onturn,
    onlarge,
  }: Props = $props();
  const EMPTY = { left: -500, right: 500, bottom: 0, top: 700 };
  const KEYS: Record<string, Point2> = {
    ArrowRight: [1, 0],
    ArrowLeft: [-1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
  };
  let width = $state(300);
  let height = $state(220);
  let held = $state.raw<{ x: number; y: number; gone: Point2; isUnit: boolean } | null>(null);

  const shapes = $derived(shapesOf(bodies, frame, eye));
  const scale = $derived(scaleOf(boundsOf(shapes, roomMm) ?? EMPTY, width, height));
  const at = (point: Point3): Point2 => {
    const [x, y] = flat(point, eye);
    return [scale.toX(x), scale.toY(y)];
  };
  const wishes = $derived(
    lines.map((line): Dimension => ({ ...line, from: at(line.from), to: at(line.to) })),
  );
  const dimensions = $derived(placed(seen(wishes), width, height));
  const ground = $derived(scale.toY(0));
  const along = (dx: number, dy: number): Point3 => [
    eye.across[0] * dx + eye.up[0] * dy,
    eye.across[1] * dx + eye.up[1] * dy,
    eye.across[2] * dx + eye.up[2] * dy,
  ];
  const stepped = (px: number) => Math.round(px / scale.pxPerMm / stepMm) * stepMm;

  function down(event: PointerEvent, isUnit: boolean): void {
    if (isUnit ? !onmove : !onturn) return;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    held = { x: event.clientX, y: event.clientY, gone: [0, 0], isUnit };
  }
  function move(event: PointerEvent): void {
    if (!held) return;
    const [dx, dy] = [event.clientX - held.x, held.y - event.clientY];
    if (!held.isUnit) {
      onturn?.(dx / 2, -dy / 2);
      held = { ...held, x: event.clientX, y: event.clientY };
      return;
    }
    const gone: Point2 = [stepped(dx), stepped(dy)];
    const by = along(gone[0] - held.gone[0], gone[1] - held.gone[1]);
    if (by.some((one) => one !== 0)) onmove?.(by, `drag ${title}`);
    held = { ...held, gone };
  }
  function key(event: KeyboardEvent): void {
    const way = KEYS[event.key];
    if (!way || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    if (onturn) onturn(way[0] * 10, way[1] * 10);
    else onmove?.(along(way[0] * stepMm, way[1] * stepMm), `nudge ${title}`);
  }
  const drop = () => (held = null);
</script>

<div
  class="relative min-h-0 min-w-0 border border-dye-grid"
  bind:clientWidth={width}
  bind:clientHeight={height}
>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    {width}
    {height}
    class="absolute inset-0 touch-none text-scribe"
    role="application"
    tabindex="0"
    aria-label="{title} view. {onturn ? 'Arrow keys turn it' : onmove ? 'Arrow keys move the unit' : ''}"
    onkeydown={key}
    onpointerdown={(event) => down(event, false)}
    onpointermove={move}
    onpointerup={drop}
    onpointercancel={drop}
  >
    {#if eye.up[2] === 1 && ground > 0 && ground < height}
      <line x1="0" x2={width} y1={ground} y2={ground} class="stroke-scribe-dim" stroke-dasharray="8 3 2 3" />
    {/if}
    <ViewShapes {shapes} {scale} {lit} canMove={onmove !== null} ondown={down} {onpick} />
    <ViewLines {dimensions} shafts={shafts.map((one) => [at(one.from), at(one.to)] as const)} />
  </svg>
  <button class="absolute top-0 left-0 min-h-6 px-2 text-[12.5px] font-semibold text-scribe" onclick={onlarge}
    >{title}</button
  >
</div>
