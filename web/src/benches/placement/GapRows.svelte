<script lang="ts">
  import type { PlacementResult } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { saveThenFetch } from '../../parts/files';

  interface Props {
    result: PlacementResult;
    lit: string;
    onpick: (field: string) => void;
  }
  let { result, lit, onpick }: Props = $props();
  const units = useUnits();
  const editor = useEditor();
  const onPaper = $derived(`paper=${units.symbol('mm') === 'mm' ? 'a4' : 'letter'}&units=${units.system}`);
</script>

{#each result.openings as opening (opening.paper)}
  <p class="mt-1 text-[13px]">
    Opening in <strong>{opening.name}</strong>: {units.num(opening.size_mm[0], 'mm', 0)} by {units.figure(
      opening.size_mm[1],
      'mm',
      0,
    )}, its middle {units.num(opening.middle_mm[0], 'mm', 0)} forward, {units.num(
      opening.middle_mm[1],
      'mm',
      0,
    )} left, {units.figure(opening.middle_mm[2], 'mm', 0)} up.
    <button
      class="min-h-6 underline underline-offset-2"
      title="saves first, then downloads the template at 1:1, PDF"
      onclick={() => saveThenFetch(editor, `papers/${opening.paper}.pdf?${onPaper}`)}
      >print its template</button
    >
  </p>
{/each}
{#each result.cuts as cut (`${cut.field} ${cut.from_mm}`)}
  <p class="mt-1 text-[13px]">
    Cut <strong>{cut.name}</strong> from {units.figure(cut.from_mm, 'mm', 0)} to {units.figure(
      cut.to_mm,
      'mm',
      0,
    )}
    along its {cut.axis}: {units.figure(cut.to_mm - cut.from_mm, 'mm', 0)}.
  </p>
{/each}
<table class="w-full text-[13px]" aria-label="Nearest, and wanted, {units.symbol('mm')}">
  <thead class="text-ink-dim">
    <tr>
      <th class="w-5"></th>
      <th class="text-left font-normal">nearest</th>
      <th class="pl-2 text-right font-normal">gap, {units.symbol('mm')}</th>
      <th class="pl-2 text-right font-normal">moved</th>
      <th class="pl-2 text-right font-normal">wanted</th>
    </tr>
  </thead>
  <tbody>
    {#each result.gaps as gap (`${gap.unit_field} ${gap.other_field}`)}
      <tr
        class={['border-t border-edge', [gap.unit_field, gap.other_field].includes(lit) && 'bg-brass-wash']}
      >
        <td><VerdictMark verdict={gap.verdict} /></td>
        <td class="py-0.5"
          ><button class="min-h-6 text-left" onclick={() => onpick(gap.other_field)}
            >{gap.unit_body} – {gap.other}</button
          ></td
        >
        <td class="pl-2 text-right figures"
          >{gap.gap_mm < 0
            ? `overlap ${units.num(-gap.gap_mm, 'mm', 1)}`
            : units.num(gap.gap_mm, 'mm', 1)}</td
        >
        <td class="pl-2 text-right figures">{units.num(gap.least_mm, 'mm', 1)}</td>
        <td class="pl-2 text-right figures">{units.num(gap.wanted_mm, 'mm', 0)}</td>
      </tr>
    {:else}
      <tr><td></td><td class="py-1 text-ink-dim" colspan="4">Nothing near it yet.</td></tr>
    {/each}
  </tbody>
</table>
