<script lang="ts">
  import type { Candidate, RatiosResult } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { torqueCurves } from './torque-curves';

  interface Props {
    result: RatiosResult;
    compared: readonly Candidate[];
    hovered: string | null;
    ghost: readonly (number | null)[] | null; // wheel torque of the pinned design
  }
  let { result, compared, hovered, ghost }: Props = $props();
  const units = useUnits();

  const greatestKmh = $derived(
    Math.max(40, result.was?.top_kmh ?? 0, ...compared.map((one) => one.top_kmh)) * 1.12,
  );
  const greatestNm = $derived(
    Math.max(
      100,
      ...compared.map((one) => one.launch_wheel_nm),
      result.was?.launch_wheel_nm ?? 0,
      (result.slip_nm ?? 0) * 0.6,
    ) * 1.12,
  );
</script>

<DyePlot
  title="Torque at the wheels, {units.symbol('N·m')}, by {units.symbol('km/h')}"
  label="Torque at the driven wheels by road speed"
  across={greatestKmh}
  up={greatestNm}
  acrossUnit="km/h"
  upUnit="N·m"
  curves={torqueCurves(result, compared, hovered, ghost)}
/>
