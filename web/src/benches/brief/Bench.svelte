<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import BriefForm from './BriefForm.svelte';
  import EngineTab from './EngineTab.svelte';
  import MassesTab from './MassesTab.svelte';
  import MotorTab from './MotorTab.svelte';
  import OverviewTab from './OverviewTab.svelte';

  let { result }: BenchProps = $props();
  const editor = useEditor();
  const brief = $derived(editor.sheets.brief);
  const disabled = $derived(!editor.mayEdit);
  const change = (write: (brief: BriefSheet) => void) => editor.edit((sheets) => write(sheets.brief));
</script>

{#snippet overview()}<OverviewTab result={result.brief} {brief} {disabled} {change} />{/snippet}
{#snippet motor()}<MotorTab plot={result.brief.motor ?? null} {brief} {disabled} {change} />{/snippet}
{#snippet masses()}<MassesTab
    queries={result.brief.queries}
    result={result.brief.masses}
    sheet={editor.sheets.brief.masses}
    {disabled}
    change={(write) => editor.edit((sheets) => write(sheets.brief.masses))}
  />{/snippet}
{#snippet engine()}<EngineTab was={result.ratios.was ?? null} {brief} {disabled} {change} />{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="shrink-0 overflow-y-auto px-4 py-3 md:w-[20rem]" data-testid="brief-form">
    <BriefForm {brief} {disabled} {change} />
  </div>
  <div class="min-w-0 flex-1 border-edge md:border-l">
    <Tabs
      label="Brief"
      tabs={[
        { key: 'overview', title: 'Where it stands', panel: overview },
        { key: 'motor', title: 'Motor', panel: motor },
        { key: 'masses', title: 'Masses', panel: masses },
        { key: 'engine', title: 'As it was', panel: engine },
      ]}
    />
  </div>
</div>
