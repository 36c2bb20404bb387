<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { AxlesSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import PartsPanel from '../../parts/PartsPanel.svelte';
  import { ShownPart } from '../../parts/shown-part.svelte';
  import EndsPanel from './EndsPanel.svelte';
  import Middle from './Middle.svelte';

  let { result: all }: BenchProps = $props();
  const editor = useEditor();
  const units = useUnits();
  const result = $derived(all.axles);
  const sheet = $derived(editor.sheets.axles);
  const disabled = $derived(!editor.mayEdit);
  const points = $derived(editor.sheets.placement.points.map((point) => point.name));
  const drawn = new ShownPart(() => all.parts.axles ?? []);
  let lit = $state('');
  const change = (write: (sheet: AxlesSheet) => void) => editor.edit((sheets) => write(sheets.axles));
</script>

{#snippet ends()}<EndsPanel
    {sheet}
    {result}
    {points}
    threads={all.plate.threads}
    {lit}
    {disabled}
    {change}
    onpick={(field) => (lit = field)}
  />{/snippet}
{#snippet orders()}<PartsPanel checks={all.checks} of={drawn} {disabled} />{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 min-h-0 shrink-0 md:order-1 md:w-[21rem]">
    <Tabs
      label="Axles & propshafts"
      tabs={[
        { key: 'ends', title: 'Ends and joints', panel: ends },
        { key: 'orders', title: 'Order sheets', panel: orders },
      ]}
    />
  </div>
  <div class="order-1 flex min-w-0 flex-1 flex-col md:order-2 md:overflow-y-auto">
    <Middle
      {result}
      parts={all.parts.axles ?? []}
      {drawn}
      {lit}
      {disabled}
      {change}
      onpick={(field) => (lit = field)}
    />
    <Questions texts={result.queries.map((one) => one.text)} />
    {#if result.assumed.length > 0}
      <p class="px-4 py-2 text-[13px] text-ink-dim">
        Taken as usual: {units.words(result.assumed.map((one) => one.text).join('; '))}.
      </p>
    {/if}
  </div>
</div>
