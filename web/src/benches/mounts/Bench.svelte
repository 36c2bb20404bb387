<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { MountsSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import { layoutHas } from '../../measure/layouts';
  import { useUnits } from '../../measure/units.svelte';
  import PartsPanel from '../../parts/PartsPanel.svelte';
  import { ShownPart } from '../../parts/shown-part.svelte';
  import CarryTable from './CarryTable.svelte';
  import CaseTable from './CaseTable.svelte';
  import FramePanel from './FramePanel.svelte';
  import MountsTab from './MountsTab.svelte';
  import OwnCases from './OwnCases.svelte';
  import Picture from './Picture.svelte';
  import PullPanel from './PullPanel.svelte';
  import ShakePanel from './ShakePanel.svelte';

  let { result: all }: BenchProps = $props();
  const editor = useEditor();
  const units = useUnits();
  const result = $derived(all.mounts);
  const sheet = $derived(editor.sheets.mounts);
  const disabled = $derived(!editor.mayEdit);
  const points = $derived(editor.sheets.placement.points.map((point) => point.name));
  const isLengthwise = $derived(layoutHas(editor.sheets.brief.layout).propshaft);
  const drawn = new ShownPart(() => all.parts.mounts ?? []);
  let lit = $state('');
  let picked = $state('launch');
  const shown = $derived(result.cases.find((one) => one.name === picked));
  const change = (write: (sheet: MountsSheet) => void) => editor.edit((sheets) => write(sheets.mounts));
</script>

{#snippet mounts()}<div class="px-4 py-3">
    <MountsTab
      {sheet}
      {result}
      {points}
      threads={all.plate.threads}
      {isLengthwise}
      {lit}
      {disabled}
      onpick={(field) => (lit = field)}
      {change}
    />
  </div>{/snippet}
{#snippet loads()}<div class="px-4 py-3">
    <CaseTable cases={result.cases} {picked} {disabled} onpick={(name) => (picked = name)} {change} />
    <OwnCases rows={sheet.own_cases} {disabled} change={(write) => change((next) => write(next.own_cases))} />
  </div>{/snippet}
{#snippet shakes()}<div class="px-4 py-3"><ShakePanel {sheet} {result} {disabled} {change} /></div>{/snippet}
{#snippet pull()}<div class="px-4 py-3"><PullPanel {sheet} {result} {disabled} {change} /></div>{/snippet}
{#snippet partsPanel()}<PartsPanel checks={all.checks} of={drawn} {disabled} />{/snippet}
{#snippet frame()}<div class="px-4 py-3"><FramePanel {sheet} {result} {disabled} {change} /></div>{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 min-h-0 shrink-0 md:order-1 md:w-[21rem]">
    <Tabs
      label="Mounts"
      close
      tabs={[
        { key: 'mounts', title: 'Mounts', panel: mounts },
        { key: 'loads', title: 'Loads', panel: loads },
        { key: 'shakes', title: 'Shake', panel: shakes },
        { key: 'pull', title: 'Weld', panel: pull },
        { key: 'frame', title: 'Frame', panel: frame },
        { key: 'parts', title: 'Parts', panel: partsPanel },
      ]}
    />
  </div>
  <div class="order-1 flex min-w-0 flex-1 flex-col md:order-2 md:overflow-y-auto">
    <div class="h-[440px] shrink-0">
      <Picture {all} {drawn} {shown} {lit} onpick={(field) => (lit = field)} />
    </div>
    {#each result.free as free, index (index)}
      <p class="border-b border-edge px-4 py-1 text-[13px] text-fails">
        ▲ Nothing holds it yet so that it can not {free.says}.
      </p>
    {/each}
    <Questions texts={result.queries.map((one) => one.text)} />
    <div class="px-4 py-3">
      <CarryTable
        mounts={result.mounts}
        {picked}
        {lit}
        onpick={(field) => (lit = field)}
        oncase={(name) => (picked = name)}
      />
      {#if shown?.gap_mm != null}
        <p class="mt-2 text-[13px]">
          In {shown.name}
          {shown.nearest} comes to {units.figure(shown.gap_mm, 'mm', 1)}; {units.figure(
            shown.wanted_mm,
            'mm',
            0,
          )} is wanted.
        </p>
      {/if}
      {#if result.assumed.length > 0}
        <p class="mt-2 text-[13px] text-ink-dim">
          Taken as usual: {units.words(result.assumed.map((one) => one.text).join('; '))}.
        </p>
      {/if}
    </div>
  </div>
</div>
