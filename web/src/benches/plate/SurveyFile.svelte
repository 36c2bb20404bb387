<script lang="ts">
  import { answered, client, Refusal } from '../../api/client';
  import type { Survey, SurveyRead } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';

  interface Props {
    survey: Survey;
    isFace: boolean;
    ontake: (read: SurveyRead) => void;
  }
  let { survey, isFace, ontake }: Props = $props();
  const uid = $props.id();
  let found = $state.raw<SurveyRead | null>(null);
  let name = $state('');
  let says = $state('');
  let side = $state<Survey['seen_from']>('engine');
  let madeWith = $state('');

  async function read(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (!file) return;
    says = '';
    found = null;
    name = file.name;
    const body = new FormData();
    body.append('file', file);
    body.append('survey', JSON.stringify(survey));
    body.append('seen_from', isFace ? survey.seen_from : side);
    if (madeWith) body.append('tool', madeWith);
    try {
      found = await answered(
        client.POST('/api/measure/survey-file', {
          // The schema calls a file's bytes a string; the form carries the file itself.
          body: { file: file.name, survey: '', seen_from: side },
          bodySerializer: () => body,
        }),
      );
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    } finally {
      input.value = ''; // so that the same file, mended, can be chosen again
    }
  }
</script>

<section class="mt-4 text-[13px]">
  <h2 class="text-[14px]">From a file</h2>
  <p class="text-ink-dim">
    A DXF of the flange, points off a traced card (id, x_mm, y_mm, diameter_mm; id “outline” for the edge), or
    readings (kind, from, to, reading). Nothing is taken before you say so.
  </p>
  <div class="mt-1 flex flex-wrap items-baseline gap-x-3">
    {#if !isFace}
      <label
        >drawn from the <select class="field-line w-28" bind:value={side}>
          <option value="engine">engine side</option><option value="gearbox">gearbox side</option>
        </select></label
      >
    {/if}
    <label
      >made with <select class="field-line w-36" bind:value={madeWith}>
        <option value="">not said</option><option value="card">traced card</option><option value="scanner"
          >hand-held scanner</option
        >
        <option>caliper</option>
      </select></label
    >
  </div>
  <label for="{uid}-file" class="text-brass underline underline-offset-2">Read a DXF or CSV file…</label>
  <input id="{uid}-file" type="file" accept=".csv,.txt,.dxf,text/csv" class="sr-only" onchange={read} />
  {#if says}<p role="alert" class="text-fails">▲ {name}: {says} Nothing was changed.</p>{/if}
  {#if found}
    {@const read = found}
    <div class="mt-1 bg-brass-wash px-2 py-1.5" role="status">
      <p>
        {name}: {read.holes.length} new holes, {read.readings.length} readings{read.outline
          ? ', and the outline'
          : ''}.
      </p>
      {#each read.notes as note (note)}<p class="text-ink-dim">{note}</p>{/each}
      <p class="mt-1 flex gap-2">
        <Button
          strong
          onclick={() => {
            ontake(read);
            found = null;
          }}>Take them</Button
        ><Button onclick={() => (found = null)}>Not these</Button>
      </p>
    </div>
  {/if}
</section>
