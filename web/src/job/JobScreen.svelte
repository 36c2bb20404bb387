<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import type { Job } from '../api/types';
  import Ledger from '../ledger/Ledger.svelte';
  import { Ranges } from '../ledger/sureness.svelte';
  import { provideWorkings, workingsOf } from '../ledger/workings';
  import { OperatingPoint } from '../line/operating-point.svelte';
  import { useUnits } from '../measure/units.svelte';
  import { benchAddress, openJob } from '../routes';
  import Steps from '../steps/Steps.svelte';
  import { fetchAhead } from './benches';
  import type { Draft, Drafts } from './drafts';
  import BenchPage from './BenchPage.svelte';
  import ConflictDialog from './ConflictDialog.svelte';
  import FindDialog from './FindDialog.svelte';
  import { goTo, placeOfField } from './go-to';
  import HelpDialog from './HelpDialog.svelte';
  import { JobEditor, provideEditor } from './job-editor.svelte';
  import JobLine from './JobLine.svelte';
  import { jobKeys } from './keys';
  import type { Old } from './old-revision';
  import TopBar from './TopBar.svelte';
  import WhoseDialog from './WhoseDialog.svelte';

  interface Props {
    job: Job;
    bench: string; // its key
    username: string;
    drafts: Drafts;
    draft: Draft | null;
    old: Old | null; // the revision that is looked at, where it is not the newest
  }
  let { job, bench, username, drafts, draft, old }: Props = $props();
  // The page makes a new screen for another job, so the first values are the ones to keep.
  // svelte-ignore state_referenced_locally
  const editor = new JobEditor(job, username, drafts, draft, old !== null);
  provideEditor(() => editor);
  const units = useUnits();
  // svelte-ignore state_referenced_locally
  const ranges = new Ranges(job.id, () => editor.sheets);
  // svelte-ignore state_referenced_locally
  provideWorkings(workingsOf(job.id, () => editor.sheets, ranges, goToField));
  const point = new OperatingPoint(() => editor.result?.line ?? null);
  let isHelping = $state(false);
  let isFinding = $state(false);

  const title = $derived(job.benches.find((one) => one.key === bench)?.title ?? '');

  const addressOf = $derived((key: string) => benchAddress(job.id, key, old?.version.number));
  async function openBench(key: string): Promise<void> {
    await openJob(job.id, key, old?.version.number);
  }
  function goToField(path: string): void {
    void goTo(placeOfField(path), openBench);
  }

  // svelte-ignore state_referenced_locally
  const onkeydown = jobKeys(job.benches, {
    goTo: (key) => void openBench(key),
    undo: () => void editor.takeBack(),
    redo: () => editor.redo(),
    save: () => void editor.save(),
    pin: () => editor.togglePin(),
    help: () => (isHelping = true),
    find: () => (isFinding = true),
    cycleUnits: () => units.cycle(),
    measure: () => document.querySelector<HTMLElement>('[data-measure]')?.focus(),
  });

  function onbeforeunload(event: BeforeUnloadEvent): void {
    // All else is kept on this device already.
    if (editor.state === 'saving' || (editor.isDirty && !editor.isKept)) event.preventDefault();
  }
  onMount(() => fetchAhead(job.benches));
  $effect(() => {
    if (editor.result) ranges.changed();
  });
  onDestroy(() => {
    editor.leave();
    ranges.leave();
  });
</script>

<svelte:window {onkeydown} {onbeforeunload} />
<svelte:head><title>{job.name}: {title}</title></svelte:head>

<div class="flex min-h-dvh flex-col md:h-dvh">
  <TopBar {bench} {old} onhelp={() => (isHelping = true)} />
  <JobLine {point} {bench} onopen={(key) => void openBench(key)} />
  <div class="flex min-h-0 flex-1 flex-col md:flex-row">
    <Steps {addressOf} {bench} benches={job.benches} states={editor.result?.benches ?? []} />
    <main data-bench={bench} class="min-h-0 min-w-0 flex-1 md:overflow-hidden">
      {#if editor.result}<BenchPage {bench} {title} result={editor.result} pinned={editor.pinned} />{/if}
    </main>
    {#if editor.result}
      <Ledger
        checks={editor.result.checks}
        pinned={editor.pinned?.checks ?? null}
        {bench}
        benchTitle={title}
      />
    {/if}
  </div>
</div>
<ConflictDialog />
<WhoseDialog />
<HelpDialog open={isHelping} benches={job.benches} onclose={() => (isHelping = false)} />
{#if isFinding && editor.result}
  <FindDialog result={editor.result} {bench} {openBench} onclose={() => (isFinding = false)} />
{/if}
