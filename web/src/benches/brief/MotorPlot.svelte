<script lang="ts">
  import type { JobResult } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import { curvePath, type PlotFrame } from '../../drawing/plot-frame';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    motor: NonNullable<JobResult['brief']['motor']>;
    name: string;
    of?: 'motor' | 'engine';
    height?: number;
  }
  let { motor, name, of = 'motor', height = 280 }: Props = $props();
  const units = useUnits();
  const greatest = $derived(motor.rpm.at(-1) ?? 1);
  const isCutShort = $derived(motor.peak_nm.at(-1) === null);
</script>

{#snippet inside(frame: PlotFrame)}
  <path
    d={curvePath(frame, motor.rpm, motor.peak_nm)}
    class="fill-none stroke-brass-lit"
    stroke-width="2.5"
  />
  {#if motor.continuous_nm}
    <path
      d={curvePath(frame, motor.rpm, motor.continuous_nm)}
      class="fill-none stroke-scribe"
      stroke-width="1.6"
    />
  {/if}
{/snippet}

{#snippet over({ x, y }: PlotFrame)}
  {#if isCutShort}
    {@const last = motor.peak_nm.findLastIndex((nm) => nm !== null)}
    <circle
      cx={x(motor.rpm[last] ?? 0)}
      cy={y(motor.peak_nm[last] ?? 0)}
      r="4"
      class="fill-dye stroke-brass-lit"
      stroke-width="2"
    />
  {/if}
  {#if of === 'motor'}
    <text x={x(greatest * 0.04)} y={y(motor.peak_nm[0] ?? 0) - 7} class="fill-brass-lit text-[13px]"
      >{isCutShort ? 'peak, as far as it is known' : 'peak'}</text
    >
  {/if}
  {#if motor.continuous_nm && typeof motor.continuous_nm[1] === 'number'}
    <text x={x(greatest * 0.04)} y={y(motor.continuous_nm[0] ?? 0) - 7} class="fill-scribe text-[13px]"
      >continuous</text
    >
  {/if}
{/snippet}

<DyePlot
  title="{name}: torque, {units.symbol('N·m')}, by {of} speed, rpm"
  acrossUnit="rpm"
  upUnit="N·m"
  label="Torque of {name} against its speed"
  across={greatest}
  up={Math.max(...motor.peak_nm.map((nm) => nm ?? 0), 1) * 1.12}
  {height}
  {inside}
  {over}
/>
