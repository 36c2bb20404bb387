<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { JobResult, Pick, RatiosResult } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import ToDoBanner from '../../ledger/ToDoBanner.svelte';
  import { whole } from '../../lib/format';
  import CandidateList from './CandidateList.svelte';
  import ChoiceHistory from './ChoiceHistory.svelte';
  import ClimbPlot from './ClimbPlot.svelte';
  import CompareTable from './CompareTable.svelte';
  import Answer from './Answer.svelte';
  import PlotSwitch, { type Plot } from './PlotSwitch.svelte';
  import Musts from './Musts.svelte';
  import type { RatiosState } from './ratios.svelte';
  import TorquePlot from './TorquePlot.svelte';
  import TradePlot from './TradePlot.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: RatiosResult;
    pinned: JobResult | null;
    ratios: RatiosState;
    mayEdit: boolean;
    onpin: (pick: Pick) => void;
    onchoose: (pick: Pick) => void;
  }
  let { result, pinned, ratios, mayEdit, onpin, onchoose }: Props = $props();
  const units = useUnits();
  const editor = useEditor();
  let plot = $state<Plot>('torque');
  let isLookingBack = $state(false);

  const ghost = $derived(
    pinned?.ratios.candidates.find((one) => one.key === pinned.line?.candidate)?.wheel_nm ?? null,
  );
  const undone = $derived(
    result.musts.filter((_, at) => ratios.doesMust(ratios.shown, at) === false).map((must) => must.text),
  );
</script>

{#if result.candidates.length === 0}
  <ToDoBanner title="No gearing to compare yet" todos={result.to_do} />
{:else}
  <div class="flex h-full flex-col">
    {#if ratios.shown}<Answer {result} shown={ratios.shown} {undone} {mayEdit} {onpin} {onchoose} />{/if}
    <Questions texts={result.queries} />
    <div class="flex min-h-0 flex-1 flex-col md:flex-row">
      <div class="flex shrink-0 flex-col gap-3 px-3 py-2 md:w-[17.5rem] md:overflow-y-auto">
        <h2>
          {result.count === 1
            ? 'One way to gear it'
            : `${whole(result.count)} ways to gear it, ${result.unbeaten} that nothing beats`}
        </h2>
        <TradePlot {ratios} wantedKmh={result.wanted_top_kmh} onpick={(pick) => mayEdit && onpin(pick)} />
        <Musts musts={result.musts} count={result.count} {ratios} />
        <CandidateList {result} {ratios} {mayEdit} {onpin} />
      </div>
      <div class="flex min-w-0 flex-1 flex-col border-edge md:overflow-y-auto md:border-l">
        <div class="relative flex shrink-0 flex-col-reverse md:block md:h-[196px]">
          {#if plot === 'climb' && result.climb}
            <ClimbPlot climb={result.climb} name={ratios.shown?.key ?? ''} />
          {:else}
            <TorquePlot {result} compared={ratios.compared} hovered={ratios.hovered} {ghost} />
          {/if}
          {#if result.climb}
            <PlotSwitch bind:plot />
          {/if}
        </div>
        <CompareTable
          {result}
          compared={ratios.compared}
          {mayEdit}
          {onchoose}
          {onpin}
          onhover={(key) => (ratios.hovered = key)}
        />
        <div class="flex flex-col gap-1 px-4 py-2 text-[13px]">
          {#if result.spreads?.measure_better}<p>{units.words(result.spreads.measure_better)}</p>{/if}
          {#if result.reason}
            <p><span class="text-ink-dim">Chosen because:</span> {result.reason}</p>
          {/if}
          <p class="text-ink-dim">
            <button class="text-brass underline underline-offset-2" onclick={() => (isLookingBack = true)}
              >What was chosen before</button
            >
            {#each [...(result.spreads?.assumed ?? []), ...(result.was?.assumed ?? [])] as assumed, k (k)}{k ===
              0
                ? ' Taken as usual: '
                : '; '}{units.words(assumed.text)}{/each}
          </p>
        </div>
      </div>
    </div>
  </div>
{/if}
{#if isLookingBack}
  <ChoiceHistory jobId={editor.job.id} revision={editor.number} onclose={() => (isLookingBack = false)} />
{/if}
