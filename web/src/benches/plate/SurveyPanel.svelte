<script lang="ts">
  import type { PlateSheet, Survey, SurveyReading } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import LeaveOutDialog from './LeaveOutDialog.svelte';
  import NewReading from './NewReading.svelte';
  import PhoneEntry from './PhoneEntry.svelte';
  import type { PlateState } from './plate.svelte';
  import ReadingTable from './ReadingTable.svelte';
  import { framesOf, keptReadings } from './survey-edits';
  import SurveySays from './SurveySays.svelte';
  import SurveyStart from './SurveyStart.svelte';
  import SurveySwitch from './SurveySwitch.svelte';

  interface Props {
    sheet: PlateSheet;
    plate: PlateState;
    disabled: boolean;
    onphone: boolean;
  }
  let { sheet, plate, disabled, onphone }: Props = $props();
  const editor = useEditor();
  const typed = $derived<Survey>((plate.isFace ? sheet.face.survey : null) ?? sheet.survey);
  const survey = $derived(plate.survey);
  const canAdd = $derived(!disabled && typed.holes.length >= 2);
  let leaving = $state<number | null>(null);

  const change = (write: (survey: Survey) => void) =>
    editor.edit(({ plate: next }) => write((plate.isFace ? next.face.survey : null) ?? next.survey));

  function add(reading: SurveyReading): void {
    change((next) => (next.readings = keptReadings(next.readings, reading, survey.next_reading)));
  }
  function leave(index: number, why: string | null): void {
    change((next) => {
      const reading = next.readings[index];
      if (!reading) return;
      reading.left_out = why !== null;
      reading.why = why ?? '';
      reading.left_out_by = why === null ? '' : editor.username;
    });
    leaving = null;
  }
  function retype(index: number, text: string): void {
    change((next) => {
      const reading = next.readings[index];
      if (reading && 'reading' in reading) reading.reading.text = text;
    });
  }
</script>

{#if onphone}
  {#if canAdd}
    <PhoneEntry
      holes={typed.holes}
      {survey}
      taken={survey.readings.length}
      frames={framesOf(typed)}
      next={survey.next_reading ?? null}
      onadd={add}
    />
  {/if}
{:else}
  <div class="flex h-full min-h-0 flex-col">
    <SurveySwitch {sheet} {plate} {disabled} />
    {#if survey.readings.length > 0}
      <div class="min-h-0 flex-1 overflow-y-auto">
        <ReadingTable
          readings={typed.readings}
          {survey}
          {plate}
          {disabled}
          onchange={retype}
          onleave={(index) => (leaving = index)}
          onback={(index) => leave(index, null)}
          onremove={(index) => change((next) => next.readings.splice(index, 1))}
        />
      </div>
      <SurveySays {survey} {disabled} onleave={(index) => (leaving = index)} />
    {:else}
      <SurveyStart isFace={plate.isFace} />
    {/if}
    {#if canAdd}
      <div class="shrink-0">
        <NewReading
          holes={typed.holes}
          frames={framesOf(typed)}
          next={survey.next_reading ?? null}
          onadd={add}
        />
      </div>
    {:else if typed.holes.length < 2}
      <p class="px-4 pb-4">Name the holes first, under “Holes”.</p>
    {/if}
  </div>
{/if}
{#if leaving !== null}
  {@const index = leaving}
  <LeaveOutDialog
    label={survey.readings[index]?.label ?? ''}
    onleave={(why) => leave(index, why)}
    onclose={() => (leaving = null)}
  />
{/if}
