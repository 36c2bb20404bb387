<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import Downloads from '../../parts/Downloads.svelte';
  import PartsPanel from '../../parts/PartsPanel.svelte';
  import { viewOf } from '../../parts/sides';
  import ClockingPlot from './ClockingPlot.svelte';
  import DrawingHead from './DrawingHead.svelte';
  import HoleSetup from './HoleSetup.svelte';
  import MotorPanel from './MotorPanel.svelte';
  import { PlateState } from './plate.svelte';
  import PlateDrawing from './PlateDrawing.svelte';
  import PlatePanel from './PlatePanel.svelte';
  import ScrewsPanel from './ScrewsPanel.svelte';
  import SurveyPanel from './SurveyPanel.svelte';
  import SurveySwitch from './SurveySwitch.svelte';

  let { result, pinned }: BenchProps = $props();
  const editor = useEditor();
  const sheet = $derived(editor.sheets.plate);
  const disabled = $derived(!editor.mayEdit);
  const plate = new PlateState(
    () => result.plate,
    () => result.parts.plate ?? [],
  );
  const typed = $derived((plate.isFace ? sheet.face.survey : null) ?? sheet.survey);
  const ghost = $derived.by(() => {
    const part = pinned?.parts.plate?.find((one) => one.key === plate.part?.key);
    return !part || plate.isFace ? null : viewOf(part, plate.side);
  });
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
  const changeSurvey = (write: (survey: PlateSheet['survey']) => void) =>
    change((next) => write((plate.isFace ? next.face.survey : null) ?? next.survey));
</script>

{#snippet readingsPanel()}
  <SurveyPanel {sheet} {plate} {disabled} onphone={false} />
{/snippet}

{#snippet holesPanel()}
  <SurveySwitch {sheet} {plate} {disabled} />
  <HoleSetup survey={typed} result={plate.survey} isFace={plate.isFace} {disabled} change={changeSurvey} />
{/snippet}

{#snippet motorPanel()}
  <MotorPanel {sheet} result={result.plate} {disabled} {change} onsurvey={() => (plate.asked = 'face')} />
{/snippet}

{#snippet platePanel()}
  <PlatePanel {sheet} result={result.plate} {disabled} {change} />
{/snippet}

{#snippet screwsPanel()}
  <ScrewsPanel {sheet} result={result.plate} {disabled} {change} />
{/snippet}

{#snippet partsPanel()}
  <PartsPanel checks={result.checks} of={plate} {disabled} />
{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-1 md:hidden"><SurveyPanel {sheet} {plate} {disabled} onphone /></div>
  <div class="order-3 min-h-0 shrink-0 md:order-1 md:w-[22.5rem]">
    <Tabs
      label="Plate"
      opensAt={sheet.survey.holes.length === 0 ? 'holes' : ''}
      close
      tabs={[
        { key: 'readings', title: 'Readings', panel: readingsPanel },
        { key: 'holes', title: 'Holes', panel: holesPanel },
        { key: 'motor', title: 'Motor', panel: motorPanel },
        { key: 'plate', title: 'Plate', panel: platePanel },
        { key: 'screws', title: 'Screws', panel: screwsPanel },
        { key: 'parts', title: 'Parts', panel: partsPanel },
      ]}
    />
  </div>
  <div class="order-2 flex min-h-[21rem] min-w-0 flex-1 flex-col bg-dye">
    <DrawingHead {plate} />
    <div class="min-h-0 flex-1">
      {#if plate.holes.length > 0 || plate.drawing}
        <PlateDrawing
          result={result.plate}
          {plate}
          readings={typed.readings}
          {turnedDeg}
          {ghost}
          onturn={disabled ? null : turn}
        />
      {:else}
        <p class="px-6 py-10 text-scribe-dim">
          {plate.isFace ? 'The motor’s face' : 'The flange'} is drawn here, to scale, from the first readings on.
        </p>
      {/if}
    </div>
    {#if result.plate.clocking && !plate.isFace}<ClockingPlot
        clocking={result.plate.clocking}
        onturn={disabled ? null : turn}
      />{/if}
    <div class="border-t border-edge bg-paper px-3 py-2">
      <Downloads side={plate.side} part={plate.part} />
    </div>
  </div>
</div>
