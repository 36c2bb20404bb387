<script lang="ts">
  import type { DrawnBody, Frame } from '../api/types';
  import { Hand } from './hand';
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
  import ScanCanvas from '../scans/ScanCanvas.svelte';
  import { corners, scanOnto, scansOf } from './scan-scene';
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
  let width = $state(300);
  let height = $state(220);

  const shapes = $derived(shapesOf(bodies, frame, eye));
  const scans = $derived(scansOf(bodies, frame));
  const scale = $derived(scaleOf(boundsOf(shapes, roomMm, corners(scans, eye)) ?? EMPTY, width, height));
  const at = (point: Point3): Point2 => {
    const [x, y] = flat(point, eye);
    return [scale.toX(x), scale.toY(y)];
  };
  const wishes = $derived(
    lines.map((line): Dimension => ({ ...line, from: at(line.from), to: at(line.to) })),
  );
  const dimensions = $derived(placed(seen(wishes), width, height));
  const ground = $derived(scale.toY(0));
  const hand = new Hand(() => ({ eye, pxPerMm: scale.pxPerMm, stepMm, title, onmove, onturn }));
</script>

<div
  class="relative min-h-0 min-w-0 border border-dye-grid"
  bind:clientWidth={width}
  bind:clientHeight={height}
>
  {#each scans as { field, scan, frame: carried } (field)}
    <ScanCanvas file={scan.file} onto={scanOnto(scan, carried, eye, scale)} {width} {height} isPale />
  {/each}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    {width}
    {height}
    class="absolute inset-0 touch-none text-scribe"
    role="application"
    tabindex="0"
    aria-label="{title} view. {onturn ? 'Arrow keys turn it' : onmove ? 'Arrow keys move the unit' : ''}"
    onkeydown={(event) => hand.key(event)}
    onpointerdown={(event) => hand.down(event, false)}
    onpointermove={(event) => hand.move(event)}
    onpointerup={() => hand.up()}
    onpointercancel={() => hand.up()}
  >
    {#if eye.up[2] === 1 && ground > 0 && ground < height}
      <line x1="0" x2={width} y1={ground} y2={ground} class="stroke-scribe-dim" stroke-dasharray="8 3 2 3" />
    {/if}
    <ViewShapes
      {shapes}
      {scale}
      {lit}
      canMove={onmove !== null}
      ondown={(event, isUnit) => hand.down(event, isUnit)}
      {onpick}
    />
    <ViewLines {dimensions} shafts={shafts.map((one) => [at(one.from), at(one.to)] as const)} />
  </svg>
  <button
    class="absolute top-0 left-0 min-h-6 bg-dye/80 px-2 text-[12.5px] font-semibold text-scribe"
    onclick={onlarge}>{title}</button
  >
</div>
