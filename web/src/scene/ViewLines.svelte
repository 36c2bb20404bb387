<script lang="ts">
  import type { PlacedDimension, Point2 } from './scene';

  interface Props {
    dimensions: readonly PlacedDimension[];
    shafts: readonly (readonly [from: Point2, to: Point2])[]; // px
  }
  let { dimensions, shafts }: Props = $props();

  function headAt(from: Point2, to: Point2): string {
    const turned = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
    return `translate(${to[0]} ${to[1]}) rotate(${turned})`;
  }
</script>

<g class="pointer-events-none">
  {#each shafts as [from, to], k (k)}
    <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} class="stroke-scribe" stroke-width="2.6" />
    <circle cx={to[0]} cy={to[1]} r="3.5" class="fill-dye stroke-scribe" />
  {/each}
  {#each dimensions as { key, text, from, to, x, y, isBad, isLined, isArrow } (key)}
    <g class={isBad ? 'fill-fails-lit stroke-fails-lit' : 'fill-brass-lit stroke-brass-lit'}>
      {#if isLined}
        <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke-width="1.6" />
        <circle cx={from[0]} cy={from[1]} r="2.4" class="stroke-none" />
        {#if isArrow}
          <path d="M0 0L-9 -4V4Z" class="stroke-none" transform={headAt(from, to)} />
        {:else}
          <circle cx={to[0]} cy={to[1]} r="2.4" class="stroke-none" />
        {/if}
      {/if}
      <text {x} {y} text-anchor="middle" dominant-baseline="central" class="plot-label figures text-[12px]"
        >{text}</text
      >
    </g>
  {/each}
</g>
