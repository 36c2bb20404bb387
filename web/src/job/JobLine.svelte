<script lang="ts">
  import LineView from '../line/LineView.svelte';
  import type { OperatingPoint } from '../line/operating-point.svelte';
  import SpeedRule from '../line/SpeedRule.svelte';
  import { useUnits } from '../measure/units.svelte';
  import { useEditor } from './job-editor.svelte';

  interface Props {
    point: OperatingPoint;
    bench: string; // the one that is open
    onopen: (bench: string) => void;
  }
  let { point, bench, onopen }: Props = $props();
  const editor = useEditor();
  const units = useUnits();
</script>

{#if editor.result?.line}
  <LineView line={editor.result.line} ghost={editor.pinned?.line ?? null} {point} {bench} {onopen} />
  <SpeedRule line={editor.result.line} {point} />
{:else if editor.result}
  <p class="bg-dye px-4 py-6 text-scribe">
    The Line is drawn as soon as motor, tyre and gearing are known.
    {units.words(editor.result.ratios.to_do[0]?.text ?? '')}
  </p>
{:else}
  <p class="h-[178px] bg-dye px-4 py-6 text-scribe-dim" role="status">Working it out…</p>
{/if}
