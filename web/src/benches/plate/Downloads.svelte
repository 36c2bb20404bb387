<script lang="ts">
  import { useEditor } from '../../job/job-editor.svelte';
  import Button from '../../lib/ui/Button.svelte';
  import type { SideSeen } from './plate.svelte';

  interface Props {
    side: SideSeen;
    canDraw: boolean;
  }
  let { side, canDraw }: Props = $props();
  const editor = useEditor();

  /** A drawing always belongs to a saved revision: edits are saved first. */
  async function download(path: string): Promise<void> {
    if (editor.isDirty && !(await editor.save())) return;
    const link = document.createElement('a');
    link.href = `/api/jobs/${editor.job.id}/${path}`;
    link.download = '';
    link.click();
  }
  const first = $derived(editor.isDirty && editor.mayEdit ? 'saves first, then ' : '');
</script>

<div class="flex flex-wrap items-center gap-2">
  <Button
    strong
    disabled={!canDraw}
    title="{first}downloads the cut file"
    onclick={() => download(`drawings/plate.dxf?side=${side}`)}>DXF</Button
  >
  <Button
    disabled={!canDraw}
    title="{first}downloads the drawing at 1:1"
    onclick={() => download(`drawings/plate.svg?side=${side}`)}>SVG</Button
  >
  <Button
    disabled={!canDraw}
    title="{first}downloads the hole table"
    onclick={() => download('drawings/plate-holes.csv')}>Holes CSV</Button
  >
  <Button title="{first}downloads the whole job" onclick={() => download('file')}>Job file</Button>
</div>
