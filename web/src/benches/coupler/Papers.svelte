<script lang="ts">
  import type { PartResult } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import Button from '../../lib/ui/Button.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import Downloads from '../../parts/Downloads.svelte';
  import { saveThenFetch } from '../../parts/files';

  interface Props {
    hasSection: boolean;
    part: PartResult | undefined;
  }
  let { hasSection, part }: Props = $props();
  const editor = useEditor();
  const units = useUnits();
</script>

<div class="flex flex-wrap gap-2 border-t border-edge bg-paper px-3 py-2">
  {#if hasSection}
    <Button
      title="saves first, then downloads the section with its gaps, PDF, A4"
      onclick={() => saveThenFetch(editor, `papers/coupler.section.pdf?units=${units.system}`)}
      >Section</Button
    >
  {/if}
  {#if part}<Downloads side="first" {part} />{/if}
</div>
