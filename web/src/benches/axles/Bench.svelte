<script lang="ts">
  import type { AxlesSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import NamedRows from '../../lib/ui/NamedRows.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import PartsPanel from '../../parts/PartsPanel.svelte';
  import { ShownPart } from '../../parts/shown-part.svelte';
  import AdapterPart from './AdapterPart.svelte';
  import AxlePart from './AxlePart.svelte';
  import LinePart from './LinePart.svelte';
  import Middle from './Middle.svelte';
  import TurningPart from './TurningPart.svelte';
  import { newAdapter, newAxle, newLine } from './edits';

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

{#snippet ends()}<div class="px-4 py-3">
    <h3>Axles</h3>
    <NamedRows
      label="Axles"
      group="axles"
      prefix="axles.axles"
      rows={sheet.axles}
      {lit}
      what="an axle"
      example="rear axle"
      none="None. An axle has two shafts with a joint at each end."
      {disabled}
      make={newAxle}
      onpick={(field) => (lit = field)}
      change={(write) => change((next) => write(next.axles))}
    >
      {#snippet note(k)}
        {@const found = result.axles[k]}
        {#each [found?.left, found?.right] as side (side?.name)}
          {#if side?.verdict}<VerdictMark verdict={side.verdict} silent />{/if}
        {/each}
      {/snippet}
      {#snippet body(row, k, put)}
        <AxlePart axle={row} found={result.axles[k]} {points} {disabled} change={put} />
      {/snippet}
    </NamedRows>
    <h3 class="mt-4">Propshafts</h3>
    <NamedRows
      label="Propshafts"
      group="lines"
      prefix="axles.lines"
      rows={sheet.lines}
      {lit}
      what="a line of propshafts"
      example="rear propshaft"
      none="None. A line runs from the box to an axle."
      {disabled}
      make={newLine}
      onpick={(field) => (lit = field)}
      change={(write) => change((next) => write(next.lines))}
    >
      {#snippet note(k)}
        {@const verdict = result.lines[k]?.verdict}
        {#if verdict}<VerdictMark {verdict} silent />{/if}
      {/snippet}
      {#snippet body(row, k, put)}
        <LinePart line={row} found={result.lines[k]} {points} {disabled} change={put} />
      {/snippet}
    </NamedRows>
    <h3 class="mt-4">Flange adapters</h3>
    <NamedRows
      label="Flange adapters"
      group="adapters"
      prefix="axles.adapters"
      rows={sheet.adapters}
      {lit}
      what="a flange adapter"
      example="axle end"
      none="None. A turned disc joins a shaft to a flange of other holes."
      {disabled}
      make={newAdapter}
      onpick={(field) => (lit = field)}
      change={(write) => change((next) => write(next.adapters))}
    >
      {#snippet note(k)}
        {@const verdict = result.adapters[k]?.verdict}
        {#if verdict}<VerdictMark {verdict} silent />{/if}
      {/snippet}
      {#snippet body(row, k, put)}
        <AdapterPart
          adapter={row}
          found={result.adapters[k]}
          threads={all.plate.threads}
          {disabled}
          change={put}
        />
      {/snippet}
    </NamedRows>
    <TurningPart
      turning={sheet.turning}
      found={result.turning}
      {disabled}
      change={(write) => change((next) => write(next.turning))}
    />
  </div>{/snippet}
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
    {#each result.queries as query (query.text)}
      <p class="border-b border-edge px-4 py-1 text-[13px] text-brass">? {units.words(query.text)}</p>
    {/each}
    {#if result.assumed.length > 0}
      <p class="px-4 py-2 text-[13px] text-ink-dim">
        Taken as usual: {units.words(result.assumed.map((one) => one.text).join('; '))}.
      </p>
    {/if}
  </div>
</div>
