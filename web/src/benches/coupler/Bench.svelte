<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { Block, CouplerSheet, RatiosSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import PartsPanel from '../../parts/PartsPanel.svelte';
  import ApartPanel from './ApartPanel.svelte';
  import ChoosePanel from './ChoosePanel.svelte';
  import GapTable from './GapTable.svelte';
  import MakePanel from './MakePanel.svelte';
  import Papers from './Papers.svelte';
  import PartsOfIt from './PartsOfIt.svelte';
  import { lengthNow, placeOf, putLength } from './section';
  import SectionPicture from './SectionPicture.svelte';
  import ShaftsPanel from './ShaftsPanel.svelte';
  import SpiderWays from './SpiderWays.svelte';

  let { result: all }: BenchProps = $props();
  const editor = useEditor();
  const units = useUnits();
  const result = $derived(all.coupler);
  const sheet = $derived(editor.sheets.coupler);
  const disabled = $derived(!editor.mayEdit);
  const parts = $derived(all.parts.coupler ?? []);
  const shown = $derived({ parts, part: parts[0] ?? null, partKey: null });
  const change = (write: (sheet: CouplerSheet) => void, gesture = '') =>
    editor.edit((sheets) => write(sheets.coupler), gesture);
  const choose = (style: string) =>
    editor.edit((sheets) => (sheets.ratios.coupler = style as RatiosSheet['coupler']));
  const checkOf = (gap: string) => all.checks.find((check) => check.key === `coupler.gap_${gap}`);
  const todo = $derived(result.to_do[0]?.text ?? '');

  /** Where the length stood when the drag began: what the core answers meanwhile moves the picture, not the hand. */
  let began: number | null = null;
  function drag(block: Block, alongMm: number): void {
    const found = placeOf(block);
    if (!found) return;
    const [place, way] = found;
    began ??= lengthNow(place, result);
    const from = began;
    if (from !== null) change((next) => putLength(next, place, from + way * alongMm), `drag ${place}`);
  }
</script>

{#snippet shafts()}<ShaftsPanel {sheet} runout={result.runout} {disabled} {change} />{/snippet}
{#snippet pieces()}<PartsOfIt
    {sheet}
    style={result.style ?? null}
    fits={result.fits}
    threads={all.plate.threads}
    {disabled}
    {change}
  />{/snippet}
{#snippet choosing()}<ChoosePanel {result} {sheet} {disabled} onchoose={choose} {change} />{/snippet}
{#snippet making()}<MakePanel {result} />{/snippet}
{#snippet partsPanel()}<PartsPanel checks={all.checks} of={shown} {disabled} />{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 min-h-0 shrink-0 md:order-1 md:w-[21rem]">
    <Tabs
      label="Coupler"
      close
      opensAt={result.style ? '' : 'kind'}
      tabs={[
        { key: 'shafts', title: 'Shafts', panel: shafts },
        { key: 'kind', title: 'Kind', panel: choosing },
        { key: 'pieces', title: 'Coupler', panel: pieces },
        { key: 'make', title: 'Order', panel: making },
        { key: 'parts', title: 'Parts', panel: partsPanel },
      ]}
    />
  </div>
  <div class="order-1 flex min-w-0 flex-1 flex-col md:order-2 md:overflow-y-auto">
    <div class="h-[310px] shrink-0 bg-dye">
      {#if result.blocks.length > 0}
        <SectionPicture
          {result}
          verdictOf={(gap) => checkOf(gap)?.verdict ?? 'not_known'}
          ondrag={disabled ? null : drag}
          ondrop={() => (began = null)}
        />
      {:else}
        <p class="px-6 py-10 text-scribe-dim">
          The coupler is drawn here in section, to scale, once both shaft tips and the faces’ distance are
          known.
          {units.words(todo)}
        </p>
      {/if}
    </div>
    <Questions texts={[...result.queries.map((one) => one.text), ...result.notes]} />
    <div class="flex flex-col gap-3 px-4 py-3">
      <ApartPanel {result} {sheet} {disabled} {change} />
      {#if result.gaps.length > 0}<GapTable gaps={result.gaps} {checkOf} />{/if}
      {#if result.alternatives.length > 0}<SpiderWays {result} />{/if}
      {#if result.assumed.length > 0}
        <p class="text-[13px] text-ink-dim">
          Taken as usual: {units.words(result.assumed.map((one) => one.text).join('; '))}.
        </p>
      {/if}
    </div>
    <Papers hasSection={result.blocks.length > 0} part={parts[0]} />
  </div>
</div>
