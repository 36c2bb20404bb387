<script lang="ts">
  import type { Climb } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import type { PlotCurve } from '../../drawing/plot-frame';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    climb: Climb;
    name: string;
  }
  let { climb, name }: Props = $props();
  const units = useUnits();
  const STEEPEST_SHOWN = 60;

  const steepest = $derived(
    Math.min(STEEPEST_SHOWN, Math.max(10, ...climb.peak_pct.map((pct) => pct ?? STEEPEST_SHOWN)) * 1.15),
  );
  const curves = $derived<PlotCurve[]>([
    {
      key: 'peak',
      across: climb.speed_kmh,
      up: climb.peak_pct,
      stroke: 'stroke-brass-lit',
      width: 2.6,
      label: 'at peak torque',
      labelClass: 'fill-brass-lit',
      prefer: 0.4,
    },
    ...(climb.continuous_pct
      ? [
          {
            key: 'lasting',
            across: climb.speed_kmh,
            up: climb.continuous_pct,
            stroke: 'stroke-scribe',
            width: 1.8,
            label: 'for good, on continuous torque',
            prefer: 0.3,
          },
        ]
      : []),
  ]);
</script>

<DyePlot
  title="Grade held laden, %, by {units.symbol('km/h')}: {name}"
  label="Grade held laden by road speed, {name}"
  across={climb.speed_kmh.at(-1) ?? 1}
  up={steepest}
  acrossUnit="km/h"
  upUnit="%"
  {curves}
/>
