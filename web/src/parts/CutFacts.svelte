<script lang="ts">
  import type { PartResult } from '../api/types';
  import { useUnits } from '../measure/units.svelte';

  let { cut }: { cut: NonNullable<PartResult['cut']> } = $props();
  const units = useUnits();
</script>

<p class="text-ink-dim">
  {cut.quantity} × {units.num(cut.width_mm, 'mm', 0)} × {units.num(
    cut.height_mm,
    'mm',
    0,
  )}{cut.thickness_mm === null ? '' : ` × ${units.num(cut.thickness_mm, 'mm', 1)}`}
  {units.symbol('mm')}, {units.words(cut.material)}
</p>
<dl class="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
  <dt>area</dt>
  <dd class="text-right figures">{units.figure(cut.area_cm2, 'cm²', 0)}</dd>
  <dt>cut length</dt>
  <dd class="text-right figures">{units.figure(cut.cut_length_mm, 'mm', 0)}</dd>
  <dt>pierces</dt>
  <dd class="text-right figures">{cut.pierces}</dd>
  <dt>mass, each</dt>
  <dd class="text-right figures">
    {cut.mass_kg === null ? 'material?' : `${units.figure(cut.mass_kg, 'kg', 2)}`}
  </dd>
  <dt>from one sheet</dt>
  <dd class="text-right figures">{cut.per_sheet === null ? 'its size?' : cut.per_sheet}</dd>
</dl>
