<script lang="ts">
  import type { SideShown } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';

  let { sides }: { sides: readonly SideShown[] } = $props();
  const down = $derived(
    sides.map((one) => one.heights.map((row) => row.height_mm - (one.heights[0]?.height_mm ?? 0))),
  );
  const most = $derived(Math.max(1, ...down.flat()));
  const steepest = $derived(
    Math.max(1, ...sides.flatMap((one) => one.heights.map((row) => row.inner_deg))) * 1.15,
  );
</script>

<DyePlot
  title="Inner joint’s angle from full droop up"
  label="Inner joint's angle by how far the wheel has risen from full droop"
  across={most}
  up={steepest}
  acrossUnit="mm"
  upUnit="°"
  height={190}
  curves={sides.map((one, k) => ({
    key: one.name,
    across: down[k] ?? [],
    up: one.heights.map((row) => row.inner_deg),
    stroke: k === 0 ? 'stroke-brass-lit' : 'stroke-scribe',
    width: 2.2,
    label: one.name,
    labelClass: k === 0 ? 'fill-brass-lit' : 'fill-scribe',
    prefer: k === 0 ? 0.2 : 0.8,
  }))}
/>
