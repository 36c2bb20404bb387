<script lang="ts">
  import type { Bench, BenchState } from '../api/types';
  import { LATER } from '../job/benches';
  import ProgressMark from './ProgressMark.svelte';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';

  interface Props {
    addressOf: (bench: string) => string;
    bench: string; // the one that is open
    benches: readonly Bench[];
    states: readonly BenchState[];
  }
  let { addressOf, bench, benches, states }: Props = $props();
  const stateOf = $derived((key: string) => states.find((state) => state.bench === key));
  const isIn = $derived((key: string) => stateOf(key)?.is_in_layout ?? true);
  const out = $derived(benches.filter((one) => !isIn(one.key)));
</script>

{#snippet step(key: string, title: string)}
  {@const state = stateOf(key)}
  <li>
    <a
      href={addressOf(key)}
      aria-current={bench === key ? 'step' : undefined}
      class={[
        'flex items-center gap-2.5 px-4 py-2 leading-tight max-md:whitespace-nowrap',
        bench === key
          ? 'bg-paper font-semibold shadow-[inset_0_-3px_0_var(--color-brass)] md:shadow-[inset_3px_0_0_var(--color-brass)]'
          : 'hover:bg-paper',
      ]}
    >
      <ProgressMark progress={state?.progress ?? 'nothing yet'} />
      {title}
      {#if state?.worst === 'fails' || state?.worst === 'not_known'}
        <span class="ml-auto"><VerdictMark verdict={state.worst} /></span>
      {/if}
    </a>
  </li>
{/snippet}

<nav
  aria-label="Steps"
  class="shrink-0 border-edge bg-card max-md:overflow-x-auto max-md:border-b md:w-[9.75rem] md:border-r"
>
  <ol class="flex md:flex-col md:py-2">
    {#each benches.filter((one) => isIn(one.key)) as { key, title } (key)}
      {@render step(key, title)}
    {/each}
  </ol>
  {#if out.length > 0}
    <details class="px-4 py-1 text-[13px] text-ink-dim" open={out.some((one) => one.key === bench)}>
      <summary class="min-h-6 max-md:whitespace-nowrap">not in this layout</summary>
      <ol class="-mx-4">
        {#each out as { key, title } (key)}{@render step(key, title)}{/each}
      </ol>
    </details>
  {/if}
  <p class="mt-3 mb-1 px-4 text-[12px] text-ink-dim max-md:hidden">Still to be built</p>
  <ol class="max-md:hidden">
    {#each LATER as title, index (index)}
      <li class="px-4 py-[5px] pl-[2.55rem] text-[13px] text-ink-dim">{title}</li>
    {/each}
  </ol>
</nav>
