<script lang="ts">
  import type { PartResult } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import Button from '../lib/ui/Button.svelte';
  import { useUnits } from '../measure/units.svelte';
  import { saveThenFetch } from './files';
  import type { SideSeen } from './sides';

  interface Props {
    side: SideSeen;
    part: PartResult | null;
  }
  let { side, part }: Props = $props();
  const editor = useEditor();
  const units = useUnits();
  const inUnits = $derived(`units=${units.system}`);
  const first = $derived(editor.isDirty && editor.mayEdit ? 'saves first, then ' : '');
  const stem = $derived(`drawings/${part?.key ?? ''}`);
  const canNest = $derived((part?.cut?.per_sheet ?? 0) > 0);
  const files = $derived([
    { title: 'DXF', path: `${stem}.dxf?side=${side}`, tells: 'the cut file, always in mm' },
    {
      title: 'Sheet',
      path: `${stem}-sheet.pdf?side=${side}&${inUnits}`,
      tells: 'the dimensioned sheet, PDF, A3',
    },
    {
      title: 'Template A4',
      path: `${stem}-template.pdf?side=${side}&paper=a4&${inUnits}`,
      tells: 'the paper template, 1:1',
    },
  ]);
  const more = $derived([
    {
      title: 'Template, Letter',
      path: `${stem}-template.pdf?side=${side}&paper=letter&${inUnits}`,
      needs: part !== null,
    },
    { title: 'SVG at 1:1', path: `${stem}.svg?side=${side}`, needs: part !== null },
    { title: 'Sheet, SVG', path: `${stem}-sheet.svg?side=${side}&${inUnits}`, needs: part !== null },
    { title: 'Nested DXF', path: `${stem}-nested.dxf?side=${side}`, needs: canNest },
    { title: 'Holes CSV', path: `${stem}-holes.csv?${inUnits}`, needs: part !== null },
    { title: 'Calculations, PDF', path: `calculation-sheet.pdf?${inUnits}`, needs: true },
    { title: 'Cut list CSV', path: `drawings/cut-list.csv?${inUnits}`, needs: part !== null },
  ]);

  function pick(select: HTMLSelectElement): void {
    const chosen = more.find((file) => file.title === select.value);
    select.value = '';
    if (chosen) void saveThenFetch(editor, chosen.path);
  }
</script>

<div class="flex flex-wrap items-center gap-2">
  {#each files as file, k (k)}
    <Button
      strong={k === 0}
      disabled={!part}
      title="{first}downloads {file.tells}"
      onclick={() => saveThenFetch(editor, file.path)}>{file.title}</Button
    >
  {/each}
  <select
    class="field-line w-24"
    aria-label="More files"
    disabled={!part}
    onchange={(e) => pick(e.currentTarget)}
  >
    <option value="">more…</option>
    {#each more.filter((file) => file.needs) as file, index (index)}<option>{file.title}</option>{/each}
  </select>
  <Button title="{first}downloads the whole job" onclick={() => saveThenFetch(editor, 'file')}
    >Job file</Button
  >
</div>
