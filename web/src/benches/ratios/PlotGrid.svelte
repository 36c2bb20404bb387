<script lang="ts">
  import { scaleLinear, type ScaleLinear } from 'd3-scale';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    x: ScaleLinear<number, number>;
    y: ScaleLinear<number, number>;
    left: number;
    right: number;
    top: number;
    bottom: number;
  }
  let { x, y, left, right, top, bottom }: Props = $props();
  const units = useUnits();
  /** Round in the units that are read. */
  const speeds = $derived(
    scaleLinear(
      x.domain().map((kmh) => units.shown(kmh, 'km/h')),
      [0, 1],
    )
      .ticks(5)
      .map((shown) => ({ shown, kmh: units.metric(shown, 'km/h') })),
  );
</script>

{#each y.ticks(5) as seconds (seconds)}
  <line x1={left} x2={right} y1={y(seconds)} y2={y(seconds)} class="stroke-edge" />
  <text x={left - 5} y={y(seconds) + 4} text-anchor="end" class="fill-ink-dim figures text-[11.5px]"
    >{seconds}</text
  >
{/each}
{#each speeds as { shown, kmh } (shown)}
  <line x1={x(kmh)} x2={x(kmh)} y1={top} y2={bottom} class="stroke-edge" />
  <text x={x(kmh)} y={bottom + 15} text-anchor="middle" class="fill-ink-dim figures text-[11.5px]"
    >{shown}</text
  >
{/each}
