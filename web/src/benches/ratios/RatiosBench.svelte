<script lang="ts">
  import type { Candidate, JobResult, RatiosSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import BoxList from './BoxList.svelte';
  import CandidateList from './CandidateList.svelte';
  import ChooseDialog from './ChooseDialog.svelte';
  import CompareTable from './CompareTable.svelte';
  import Ratings from './Ratings.svelte';
  import { RatiosState } from './ratios.svelte';
  import TorquePlot from './TorquePlot.svelte';

  interface Props {
    result: JobResult;
    pinned: JobResult | null;
  }
  let { result, pinned }: Props = $props();
  const editor = useEditor();
  const sheet = $derived(editor.sheets.ratios);
  const disabled = $derived(!editor.mayEdit);
  const ratios = new RatiosState(() => result.ratios);
  let choosing = $state.raw<Candidate | null>(null);

  const layout = $derived(editor.sheets.brief.layout);
  const isUnit = $derived(layout === 'axle_unit' || layout === 'centre_unit');
  const ghost = $derived(
    pinned?.ratios.candidates.find((one) => one.key === pinned.line?.candidate)?.wheel_nm ?? null,
  );
  const change = (write: (sheet: RatiosSheet) => void) => editor.edit((sheets) => write(sheets.ratios));

  function choose(reason: string): void {
    const picked = choosing;
    choosing = null;
    if (!picked) return;
    const { reduction = null, gear = null, final_drive = null } = picked;
    change((next) => (next.choice = { reduction, gear, final_drive, reason }));
  }
</script>

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 flex shrink-0 flex-col gap-5 overflow-y-auto px-4 py-3 md:order-1 md:w-[18rem]">
    {#if result.ratios.candidates.length > 0}<CandidateList
        candidates={result.ratios.candidates}
        {ratios}
      />{/if}
    <section class="flex flex-col gap-4">
      <h2>What could stand in the line</h2>
      <BoxList
        title={isUnit ? "The unit's own reduction" : 'Reduction boxes'}
        noun={isUnit ? 'a unit' : 'a reduction'}
        hint={isUnit
          ? 'Its built-in ratio, from the data sheet or by turning the input and counting.'
          : 'None: the motor drives straight on.'}
        boxes={sheet.reductions}
        {disabled}
        onchange={(boxes) => change((next) => (next.reductions = boxes))}
      />
      {#if layout === 'kept_gearbox'}
        <BoxList
          title="Gears of the kept gearbox"
          noun="a gear"
          hint="Turn the input, count output turns in each gear: input over output."
          boxes={sheet.gearbox?.gears ?? []}
          {disabled}
          onchange={(boxes) =>
            change((next) => (next.gearbox = { ...(next.gearbox ?? { name: 'Gearbox' }), gears: boxes }))}
        />
      {/if}
      {#if layout !== 'axle_unit'}
        <BoxList
          title="Final drives"
          noun="a final drive"
          hint="Count teeth: crown wheel over pinion, such as 37/9."
          boxes={sheet.final_drives}
          {disabled}
          onchange={(boxes) => change((next) => (next.final_drives = boxes))}
        />
      {/if}
      <Ratings {sheet} {layout} {disabled} {change} />
    </section>
  </div>
  <div class="order-1 flex min-w-0 flex-1 flex-col overflow-y-auto border-edge md:order-2 md:border-l">
    {#if result.ratios.candidates.length > 0}
      <div class="h-[208px] shrink-0">
        <TorquePlot result={result.ratios} compared={ratios.compared} hovered={ratios.hovered} {ghost} />
      </div>
      <CompareTable
        compared={ratios.compared}
        cruiseKmh={result.ratios.cruise_kmh}
        mayEdit={editor.mayEdit}
        onchoose={(candidate) => (choosing = candidate)}
        onhover={(key) => (ratios.hovered = key)}
      />
      {#if result.ratios.reason}
        <p class="px-4 py-2 text-[13px]">
          <span class="text-ink-dim">Chosen because:</span>
          {result.ratios.reason}
        </p>
      {/if}
    {:else}
      <div class="bg-dye px-6 py-12 text-scribe">
        <h2>No gearing to compare yet</h2>
        <ul class="mt-2 list-disc pl-5 text-scribe-dim">
          {#each result.ratios.to_do as todo (todo.field)}<li>{todo.text}</li>{/each}
        </ul>
      </div>
    {/if}
  </div>
</div>
{#if choosing}
  <ChooseDialog
    candidate={choosing}
    reason={choosing.is_chosen ? result.ratios.reason : ''}
    onchoose={choose}
    onclose={() => (choosing = null)}
  />
{/if}
