<script lang="ts">
  import type { JobResult } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import type { PlotCurve } from '../../drawing/plot-frame';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    motor: NonNullable<JobResult['brief']['motor']>;
    name: string;
    of?: 'motor' | 'engine';
    height?: number;
  }
  let { motor, name, of = 'motor', height = 280 }: Props = $props();
  const units = useUnits();
  /** The last that is known, where the curve ends short. */
  const last = $derived(
    motor.peak_nm.at(-1) === null ? motor.peak_nm.findLastIndex((nm) => nm !== null) : -1,
  );
  const ends = $derived(last < 0 ? [] : [[motor.rpm[last] ?? 0, motor.peak_nm[last] ?? 0] as const]);
  const curves = $derived<PlotCurve[]>([
    {
      key: 'peak',
      across: motor.rpm,
      up: motor.peak_nm,
      stroke: 'stroke-brass-lit',
      width: 2.5,
      label: of === 'engine' ? undefined : last < 0 ? 'peak' : 'peak, as far as it is known',
      labelClass: 'fill-brass-lit',
    },
    ...(motor.continuous_nm
      ? [
          {
            key: 'lasting',
            across: motor.rpm,
            up: motor.continuous_nm,
            stroke: 'stroke-scribe',
            width: 1.6,
            label: 'continuous',
          },
        ]
      : []),
  ]);
</script>

<DyePlot
  title="{name}: torque, {units.symbol('N·m')}, by {of} speed, rpm"
  label="Torque of {name} against its speed"
  across={motor.rpm.at(-1) ?? 1}
  up={Math.max(...motor.peak_nm.map((nm) => nm ?? 0), 1) * 1.15}
  acrossUnit="rpm"
  upUnit="N·m"
  {height}
  {curves}
  {ends}
/>
