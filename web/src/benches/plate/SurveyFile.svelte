<script lang="ts">
  import { answered, client, sent } from '../../api/client';
  import type { Survey, SurveyRead, Tool } from '../../api/types';
  import FilePick from '../../measure/FilePick.svelte';
  import Button from '../../lib/ui/Button.svelte';

  interface Props {
    survey: Survey;
    isFace: boolean;
    ontake: (read: SurveyRead) => void;
  }
  let { survey, isFace, ontake }: Props = $props();
  let found = $state.raw<SurveyRead | null>(null);
  let name = $state('');
  let side = $state<Survey['seen_from']>('engine');
  let madeWith = $state<Tool | ''>('');

  async function read(file: File): Promise<void> {
    found = null;
    name = file.name;
    const seenFrom = isFace ? survey.seen_from : side;
    const body = {
      file,
      survey: JSON.stringify(survey),
      seen_from: seenFrom,
      ...(madeWith && { tool: madeWith }),
    };
    found = await answered(client.POST('/api/measure/survey-file', sent(body)));
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
  <FilePick label="Read a DXF or CSV file…" accept=".csv,.txt,.dxf,text/csv" take={read} />
  {#if found}
    {@const read = found}
    <div class="mt-1 bg-brass-wash px-2 py-1.5" role="status">
      <p>
        {name}: {read.holes.length} new holes, {read.readings.length} readings{read.outline
          ? ', and the outline'
          : ''}.
      </p>
      {#each read.notes as note, index (index)}<p class="text-ink-dim">{note}</p>{/each}
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
