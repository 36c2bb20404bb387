<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Clocking } from '../../api/types';
  import ClockingSays from './ClockingSays.svelte';

  interface Props {
    clocking: Clocking;
    onturn: ((deg: number) => void) | null;
  }
  let { clocking, onturn }: Props = $props();
  let width = $state(500);
  const HEIGHT = 92;
  const LEFT = 12;
  const TOP = 24;
  const BOTTOM = 74;

  let hovered = $state<number | null>(null);
  /** The angle that is spoken of: under the pointer, else where the motor stands. */
  const at = $derived.by(() => {
    const deg = hovered ?? clocking.present_deg;
    const found = clocking.angle_deg.findLastIndex((one) => one <= deg);
    return found < 0 ? null : found;
  });

  const x = $derived(scaleLinear([0, 360], [LEFT, width - LEFT]));
  const y = $derived(
    scaleLinear([Math.min(0, ...clocking.share), Math.max(1.2, ...clocking.share)], [BOTTOM, TOP]),
  );
  const curve = $derived(
    line<number>(
      (_, k) => x(clocking.angle_deg[k] ?? 0),
      (share) => y(share),
    )(clocking.share) ?? '',
  );
  /** A window that passes 360° is drawn in two parts. */
  const parts = (windows: Clocking['windows']) =>
    windows.flatMap(({ from_deg: from, to_deg: to }): [number, number][] =>
      to > 360
        ? [
            [from, 360],
            [0, to - 360],
          ]
        : [[from, to]],
    );
  const spans = $derived(parts(clocking.windows));
  const allowed = $derived(parts(clocking.allowed));

  function angleAt(event: MouseEvent & { currentTarget: SVGSVGElement }): number {
    const deg = x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left);
    return Math.min(360, Math.max(0, deg));
  }
  function pick(event: MouseEvent & { currentTarget: SVGSVGElement }): void {
    const deg = Math.round(angleAt(event));
    onturn?.(deg > 180 ? deg - 360 : deg);
  }
</script>

<figure class="bg-dye-deep text-scribe" bind:clientWidth={width}>
  <!-- A convenience for the pointer: the angle is a field of its own, and the motor turns by the arrow keys. -->
  <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
  <svg
    {width}
    height={HEIGHT}
    role="img"
    aria-label="Least ligament over wanted, by clocking angle"
    onclick={pick}
    onpointermove={(event) => (hovered = angleAt(event))}
    onpointerleave={() => (hovered = null)}
    class={onturn ? 'cursor-pointer' : ''}
  >
    <text x={LEFT} y="15" class="fill-scribe-dim text-[12px]"
      >{width < 480
        ? 'ligament over wanted; shaded: enough'
        : 'least ligament over wanted, by clocking angle; shaded: enough'}{allowed.length > 0
        ? '; bar: terminals fit'
        : ''}</text
    >
    {#each spans as [from, to] (from)}
      <rect
        x={x(from)}
        y={TOP}
        width={Math.max(1, x(to) - x(from))}
        height={BOTTOM - TOP}
        class="fill-brass-lit/35"
      />
    {/each}
    {#each allowed as [from, to] (from)}
      <path d="M{x(from)} {BOTTOM + 3}H{x(to)}" class="stroke-brass-lit" stroke-width="4" />
    {/each}
    <line x1={LEFT} x2={width - LEFT} y1={y(1)} y2={y(1)} class="stroke-scribe-dim" stroke-dasharray="4 4" />
    <path d={curve} class="fill-none stroke-scribe" stroke-width="1.4" />
    <line
      x1={x(clocking.present_deg)}
      x2={x(clocking.present_deg)}
      y1={TOP - 4}
      y2={BOTTOM}
      class="stroke-brass-lit"
      stroke-width="2.5"
    />
    {#each [0, 90, 180, 270, 360] as deg (deg)}
      <text
        x={x(deg)}
        y={HEIGHT - 4}
        text-anchor={deg === 0 ? 'start' : deg === 360 ? 'end' : 'middle'}
        class="fill-scribe-dim figures text-[11px]">{deg}°</text
      >
    {/each}
  </svg>
  <figcaption class="flex justify-between gap-3 px-3 pb-1.5 text-[12.5px] text-scribe-dim" aria-live="polite">
    <ClockingSays {clocking} {at} />
  </figcaption>
</figure>
