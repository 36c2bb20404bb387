<script lang="ts">
  import type { Check } from '../api/types';
  import CheckRow from './CheckRow.svelte';
  import MarginsDialog from './MarginsDialog.svelte';
  import { LedgerState } from './ledger.svelte';

  interface Props {
    checks: readonly Check[];
    pinned: readonly Check[] | null;
    bench: string;
    benchTitle: string;
  }
  let { checks, pinned, bench, benchTitle }: Props = $props();
  const uid = $props.id();
  const ledger = new LedgerState(
    () => checks,
    () => bench,
  );
  let isFolded = $state(false);
  let margin = $state<string | null>(null); // that is asked about
</script>

<section
  aria-labelledby="{uid}-title"
  class={['flex shrink-0 flex-col border-edge bg-card md:border-l', isFolded ? 'md:w-10' : 'md:w-[17.5rem]']}
>
  <div class="flex items-center gap-2 px-4 pt-3 pb-2">
    {#if !isFolded}
      <h2 id="{uid}-title" class="mr-auto">
        {ledger.isWhole ? 'Checks on the whole job' : `Checks: ${benchTitle.toLowerCase()}`}
      </h2>
      {#if ledger.hasOwn}
        <button
          class="text-[13px] text-brass underline underline-offset-2"
          onclick={() => (ledger.wholeJob = !ledger.wholeJob)}
          >{ledger.wholeJob ? 'this bench' : 'whole job'}</button
        >
      {/if}
    {/if}
    <button
      class="hidden px-1 text-ink-dim md:block"
      aria-label={isFolded ? 'Unfold the checks' : 'Fold the checks'}
      onclick={() => (isFolded = !isFolded)}>{isFolded ? '‹' : '›'}</button
    >
  </div>
  {#if !isFolded}
    <p role="status" class="px-4 pb-2 text-[13px] text-ink-dim">
      {#if ledger.shown.length === 0}No checks here yet: enter what you know on the left.
      {:else if ledger.needing === 0}None of {ledger.shown.length} needs you.
      {:else}{ledger.needing} of {ledger.shown.length} need{ledger.needing === 1 ? 's' : ''} you.{/if}
    </p>
    <ul class="min-h-0 overflow-y-auto border-t border-edge">
      {#each ledger.shown as check (check.key)}
        <CheckRow
          {check}
          before={pinned?.find((one) => one.key === check.key)}
          isOpen={ledger.openKey === check.key}
          ontoggle={() => ledger.toggle(check.key)}
          onmargin={(kind) => (margin = kind)}
        />
      {/each}
    </ul>
  {/if}
</section>
{#if margin !== null}<MarginsDialog shown={margin} onclose={() => (margin = null)} />{/if}
