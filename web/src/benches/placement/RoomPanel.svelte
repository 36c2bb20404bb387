<script lang="ts">
  import type { PlacementResult, PlacementSheet, VehicleBody } from '../../api/types';
  import BodyList from './BodyList.svelte';
  import { newVehicleBody } from './edits';
  import { FATES, vehicleBodyForm } from './fields';
  import NoneNear from './NoneNear.svelte';
  import PointsPanel from './PointsPanel.svelte';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    points: readonly string[];
    lit: string;
    disabled: boolean;
    onpick: (field: string) => void;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, points, lit, disabled, onpick, change }: Props = $props();
  const missing = (field: string) => (result.to_do.some((one) => one.field === field) ? '? unfinished' : '');
  const fate = (body: VehicleBody) => FATES.find(([key]) => key === body.fate)?.[1] ?? '';
</script>

<BodyList
  label="Bodies of the vehicle"
  group="bodies"
  prefix="placement.bodies"
  rows={sheet.bodies}
  form={vehicleBodyForm(points)}
  {points}
  scans={result.scans}
  {lit}
  example="left rail"
  {disabled}
  {missing}
  note={fate}
  make={newVehicleBody}
  {onpick}
  change={(write) => change((next) => write(next.bodies))}
/>
<NoneNear {sheet} {disabled} {change} />
<h3 class="mt-3">Measured points</h3>
<PointsPanel {sheet} {result} {disabled} {change} />
