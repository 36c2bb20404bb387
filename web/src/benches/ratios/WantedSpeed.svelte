<script lang="ts">
  interface Props {
    x: number;
    top: number;
    bottom: number;
    isAtLeft: boolean; // of the plot, so that its words go to the right
  }
  let { x, top, bottom, isAtLeft }: Props = $props();
</script>

<line x1={x} x2={x} y1={top} y2={bottom} class="stroke-brass" stroke-dasharray="4 3" />
<text
  x={x + (isAtLeft ? 4 : -4)}
  y={bottom - 4}
  text-anchor={isAtLeft ? 'start' : 'end'}
  class="fill-brass text-[11.5px]">wanted</text
>
