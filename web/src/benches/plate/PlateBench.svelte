<script lang="ts">
  import type { JobResult, PairReading, PlateSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import Button from '../../lib/ui/Button.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import ClockingPlot from './ClockingPlot.svelte';
  import Downloads from './Downloads.svelte';
  import HoleSetup from './HoleSetup.svelte';
  import HoleTable from './HoleTable.svelte';
  import NewReading from './NewReading.svelte';
  import PhoneEntry from './PhoneEntry.svelte';
  import { PlateState } from './plate.svelte';
  import PlateDrawing from './PlateDrawing.svelte';
  import PlatePanel from './PlatePanel.svelte';
  import ReadingTable from './ReadingTable.svelte';
  import ScrewsPanel from './ScrewsPanel.svelte';

  interface Props {
    result: JobResult;
    pinned: JobResult | null;
  }
  let { result, pinned }: Props = $props();
  const editor = useEditor();
  const sheet = $derived(editor.sheets.plate);
  const survey = $derived(result.plate.survey);
  const disabled = $derived(!editor.mayEdit);
  const plate = new PlateState(() => result.plate);
  const holeIds = $derived(sheet.survey.holes.map((hole) => hole.id));
  const suspect = $derived(survey.readings.findIndex((one) => one.fit === 'suspect'));
  const ghost = $derived(
    pinned ? (plate.side === 'engine' ? pinned.plate.engine_side : pinned.plate.gearbox_side) : null,
  );
  /** The angle last turned to by hand, ahead of the core's answer, so that a key held down keeps turning. */
  let byHand = $state.raw<{ text: string; deg: number } | null>(null);
  const turnedDeg = $derived(
    byHand?.text === sheet.plate.turned.text ? byHand.deg : (result.plate.clocking?.present_turn_deg ?? 0),
  );

  const change = (write: (sheet: PlateSheet) => void, gesture = '') =>
    editor.edit((sheets) => write(sheets.plate), gesture);
  function turn(deg: number): void {
    byHand = { text: `${deg} deg`, deg };
    change((next) => (next.plate.turned = { text: `${deg} deg` }), 'turn');
  }
  /** Keep a reading; one asked for again takes the place of the one that did not fit. */
  function add(reading: PairReading): void {
    const asked = survey.next_reading;
    const isAgain = asked && asked.a === reading.a && asked.b === reading.b && asked.kind === reading.kind;
    const replaced = isAgain ? (asked.replaces ?? null) : null;
    change((next) =>
      replaced === null ? next.survey.readings.push(reading) : (next.survey.readings[replaced] = reading),
    );
  }

  function retype(index: number, text: string): void {
    change((next) => {
      const reading = next.survey.readings[index];
      if (reading) reading.reading.text = text;
    });
  }
  function leave(index: number, leftOut: boolean): void {
    change((next) => {
      const reading = next.survey.readings[index];
      if (!reading) return;
      reading.left_out = leftOut;
      reading.why = leftOut ? 'it does not fit the others' : '';
    });
  }
  function measureAgain(label: string): void {
    document.querySelector<HTMLInputElement>(`input[aria-label="Reading ${label}"]`)?.focus();
  }
</script>

{#snippet findings()}
  {#each survey.says as sentence, k (sentence)}
    <p class={k === 0 && suspect >= 0 ? 'font-semibold text-fails' : 'text-ink-dim'}>
      {k === 0 && suspect >= 0 ? '▲ ' : ''}{sentence}
    </p>
  {/each}
  {#if suspect >= 0 && !disabled}
    {@const label = survey.readings[suspect]?.label ?? ''}
    <p class="mt-1.5 flex gap-2">
      <Button strong onclick={() => measureAgain(label)}>Measure {label} again</Button>
      <Button onclick={() => leave(suspect, true)}>Leave it out</Button>
    </p>
  {/if}
  {#if survey.says.length === 0 && survey.redundancy > 0}
    <p class="text-ink-dim">All {survey.readings.length} readings agree, each checked by others.</p>
  {/if}
{/snippet}

{#snippet readingsPanel()}
  <div class="flex h-full min-h-0 flex-col">
    {#if survey.readings.length > 0}
      <div class="min-h-0 flex-1 overflow-y-auto">
        <ReadingTable
          readings={sheet.survey.readings}
          {survey}
          {plate}
          {disabled}
          onchange={retype}
          onleave={leave}
          onremove={(index) => change((next) => next.survey.readings.splice(index, 1))}
        />
      </div>
      <div class="shrink-0 border-t border-edge px-4 py-2 text-[13px]" aria-live="polite">
        {@render findings()}
      </div>
    {:else}
      <div class="flex-1 px-4 py-4 text-ink-dim">
        <h2 class="text-ink">Where the flange holes are</h2>
        <p class="mt-1">
          Caliper jaws inside two holes, nearest edges; type what it says, Enter, next. Take more than are
          just enough: a wrong one then shows itself before metal is cut.
        </p>
        <svg viewBox="0 0 240 80" class="mt-3 w-full max-w-64 fill-none stroke-ink" aria-hidden="true">
          <circle cx="50" cy="50" r="20" /><circle cx="190" cy="50" r="20" />
          <path d="M70 50V14H78V50M170 50V14H162V50M70 14H170" class="stroke-brass" stroke-width="3" />
        </svg>
      </div>
    {/if}
    {#if !disabled && holeIds.length >= 2}
      <div class="shrink-0">
        <NewReading holes={holeIds} next={survey.next_reading ?? null} onadd={add} />
      </div>
    {:else if holeIds.length < 2}
      <p class="px-4 pb-4">Name the holes first, under “Holes”.</p>
    {/if}
  </div>
{/snippet}

{#snippet holesPanel()}
  <HoleSetup survey={sheet.survey} {disabled} change={(write) => change((next) => write(next.survey))} />
{/snippet}

{#snippet platePanel()}
  <PlatePanel {sheet} result={result.plate} {disabled} {change} />
{/snippet}

{#snippet screwsPanel()}
  <ScrewsPanel {sheet} result={result.plate} {disabled} {change} />
{/snippet}

{#snippet tablePanel()}
  <HoleTable result={result.plate} />
{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 min-h-0 shrink-0 md:order-1 md:w-[21.5rem]">
    <div class="md:hidden">
      {#if !disabled && holeIds.length >= 2}
        <PhoneEntry
          {survey}
          taken={survey.readings.length}
          next={survey.next_reading ?? null}
          onadd={add}
          onskip={() => document.querySelector<HTMLElement>('[data-measure]')?.focus()}
        />
      {/if}
    </div>
    <Tabs
      label="Plate"
      tabs={[
        { key: 'readings', title: 'Readings', panel: readingsPanel },
        { key: 'holes', title: 'Holes', panel: holesPanel },
        { key: 'plate', title: 'Plate', panel: platePanel },
        { key: 'screws', title: 'Screws', panel: screwsPanel },
        { key: 'table', title: 'Table', panel: tablePanel },
      ]}
    />
  </div>
  <div class="order-1 flex min-h-[21rem] min-w-0 flex-1 flex-col bg-dye md:order-2">
    <div class="on-dye flex flex-wrap items-center gap-x-4 gap-y-1 bg-dye px-3 pt-2 text-scribe">
      <h2>Seen from the {plate.side} side</h2>
      <button
        class="rounded-sm border border-scribe-dim px-2 py-1 text-[13px] hover:bg-dye-lit"
        onclick={() => plate.turnOver()}
        >Turn over to the {plate.side === 'engine' ? 'gearbox' : 'engine'} side</button
      >
      <span class="text-[12.5px] text-scribe-dim max-md:hidden"
        >ellipses ×40: where each hole may really be, 95 %</span
      >
    </div>
    <div class="min-h-0 flex-1">
      {#if plate.holes.length > 0}
        <PlateDrawing
          result={result.plate}
          {plate}
          readings={sheet.survey.readings}
          {turnedDeg}
          {ghost}
          onturn={disabled ? null : turn}
        />
      {:else}
        <p class="px-6 py-10 text-scribe-dim">
          The flange is drawn here, to scale, from the first readings on.
        </p>
      {/if}
    </div>
    {#if result.plate.clocking}<ClockingPlot
        clocking={result.plate.clocking}
        onturn={disabled ? null : turn}
      />{/if}
    <div class="border-t border-edge bg-paper px-3 py-2">
      <Downloads side={plate.side} canDraw={result.plate.engine_side !== null} />
    </div>
  </div>
</div>
