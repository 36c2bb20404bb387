<script lang="ts">
  import type { PlateSheet, Survey, SurveyReading } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import Button from '../../lib/ui/Button.svelte';
  import LeaveOutDialog from './LeaveOutDialog.svelte';
  import NewReading from './NewReading.svelte';
  import PhoneEntry from './PhoneEntry.svelte';
  import type { PlateState } from './plate.svelte';
  import ReadingTable from './ReadingTable.svelte';
  import { framesOf, keptReadings } from './survey-edits';
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
  const suspect = $derived(survey.readings.findIndex((one) => one.fit === 'suspect'));
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
  function measureAgain(label: string): void {
    document.querySelector<HTMLInputElement>(`input[aria-label="Reading ${label}"]`)?.focus();
  }
</script>

{#if onphone}
  {#if canAdd}
    <PhoneEntry
      holes={typed.holes}
      {survey}
      taken={survey.readings.length}
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
      <div class="shrink-0 border-t border-edge px-4 py-2 text-[13px]" aria-live="polite">
        {#each survey.says as sentence, k (sentence)}
          <p class={k === 0 && suspect >= 0 ? 'font-semibold text-fails' : 'text-ink-dim'}>
            {k === 0 && suspect >= 0 ? '▲ ' : ''}{sentence}
          </p>
        {/each}
        {#if suspect >= 0 && !disabled}
          {@const label = survey.readings[suspect]?.label ?? ''}
          <p class="mt-1.5 flex gap-2">
            <Button strong onclick={() => measureAgain(label)}>Measure {label} again</Button>
            <Button onclick={() => (leaving = suspect)}>Leave it out</Button>
          </p>
        {/if}
        {#if survey.says.length === 0 && survey.redundancy > 0}
          <p class="text-ink-dim">All {survey.readings.length} readings agree, each checked by others.</p>
        {/if}
      </div>
    {:else}
      <div class="flex-1 px-4 py-4 text-ink-dim">
        <h2 class="text-ink">
          {plate.isFace ? 'Where the motor’s holes are' : 'Where the flange holes are'}
        </h2>
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
