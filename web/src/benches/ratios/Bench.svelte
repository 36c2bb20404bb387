<script lang="ts">
  import type { Pick, RatiosSheet, Sheets } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import ToDoBanner from '../../ledger/ToDoBanner.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import ChooseDialog from './ChooseDialog.svelte';
  import PartsTab from './PartsTab.svelte';
  import { isSamePick, RatiosState, togglePin } from './ratios.svelte';
  import SafetyTab from './SafetyTab.svelte';
  import TradeTab from './TradeTab.svelte';

  let { result, pinned }: BenchProps = $props();
  const editor = useEditor();
  const sheet = $derived(editor.sheets.ratios);
  const brief = $derived(editor.sheets.brief);
  const disabled = $derived(!editor.mayEdit);
  const ratios = new RatiosState(() => result.ratios);
  let choosing = $state.raw<Pick | null>(null);

  const isBothDriven = $derived(result.brief.driven === 'both');
  const changeAll = (write: (sheets: Sheets) => void) => editor.edit(write);
  const change = (write: (sheet: RatiosSheet) => void) => changeAll((sheets) => write(sheets.ratios));
  const onpin = (pick: Pick) => change((next) => (next.compared = togglePin(next.compared, pick)));

  function choose(reason: string): void {
    const picked = choosing;
    choosing = null;
    if (picked) change((next) => (next.choice = { ...picked, reason }));
  }
</script>

{#snippet trade()}<TradeTab
    result={result.ratios}
    {pinned}
    {ratios}
    mayEdit={editor.mayEdit}
    {onpin}
    onchoose={(pick) => (choosing = pick)}
  />{/snippet}
{#snippet parts()}
  {#if result.ratios.candidates.length === 0}
    <ToDoBanner title="Before there is a gearing to compare" todos={result.ratios.to_do} />
  {/if}
  <PartsTab {sheet} layout={brief.layout} {isBothDriven} {disabled} {change} />
{/snippet}
{#snippet safety()}<SafetyTab
    sheets={editor.sheets}
    view={result.ratios.safety}
    {disabled}
    change={changeAll}
  />{/snippet}

<Tabs
  label="Ratios"
  opensAt={result.ratios.candidates.length === 0 ? 'parts' : ''}
  tabs={[
    { key: 'trade', title: 'The trade', panel: trade },
    { key: 'parts', title: 'What could stand in the line', panel: parts },
    { key: 'safety', title: 'Turning, parking, clutch', panel: safety },
  ]}
/>
{#if choosing}
  {@const picked = choosing}
  <ChooseDialog
    name={ratios.nameOf(picked)}
    point={ratios.points.find((point) => isSamePick(point.pick, picked)) ?? null}
    reason={sheet.choice && isSamePick(sheet.choice, picked) ? result.ratios.reason : ''}
    onchoose={choose}
    onclose={() => (choosing = null)}
  />
{/if}
