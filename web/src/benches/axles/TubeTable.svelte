<script lang="ts">
  import type { LineShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  let { line }: { line: LineShown } = $props();
  const units = useUnits();
  const whole = (value: number | null) => (value === null ? '?' : Math.round(value).toString());
</script>

<table class="mt-3 w-full text-[13px]" aria-label="{line.name}: shafts">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">shaft</th>
      <th class="pl-3 text-right font-normal">at ride, {units.symbol('mm')}</th>
      <th class="pl-3 text-right font-normal">longest</th>
      <th class="pl-3 text-right font-normal">slips in</th>
      <th class="pl-3 text-right font-normal">out</th>
      <th class="pl-3 text-right font-normal">whirls at, {units.symbol('rpm')}</th>
      <th class="pl-3 text-right font-normal">driving, coasting, rad/s²</th>
    </tr>
  </thead>
  <tbody>
    {#each line.tubes as tube, k (k)}
      <tr class="border-t border-edge">
        <td class="py-1">{k + 1}</td>
        <td class="pl-3 text-right figures font-semibold">{units.num(tube.length_mm, 'mm', 1)}</td>
        <td class="pl-3 text-right figures">{units.num(tube.longest_mm, 'mm', 1)}</td>
        <td class="pl-3 text-right figures">{tube.in_mm === null ? '–' : units.num(tube.in_mm, 'mm', 1)}</td>
        <td class="pl-3 text-right figures">{tube.out_mm === null ? '–' : units.num(tube.out_mm, 'mm', 1)}</td
        >
        <td class="pl-3 text-right figures"
          >{tube.critical_rpm === null ? '?' : units.num(tube.critical_rpm, 'rpm', 0)}</td
        >
        <td class="pl-3 text-right figures">{whole(tube.drive_rad_s2)}, {whole(tube.coast_rad_s2)}</td>
      </tr>
    {/each}
  </tbody>
</table>
