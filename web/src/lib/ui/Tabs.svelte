<script lang="ts">
  import { Tabs } from 'bits-ui';
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    tabs: readonly { key: string; title: string; panel: Snippet }[];
    close?: boolean; // many tabs in a narrow panel
    opensAt?: string; // its key; the first one when left out
  }
  let { label, tabs, close = false, opensAt = '' }: Props = $props();
  // Only where it opens: a tab that changed while somebody types in it would take the field away.
  // svelte-ignore state_referenced_locally
  let value = $state(opensAt);
  const shown = $derived(value || (tabs[0]?.key ?? ''));
</script>

<Tabs.Root value={shown} onValueChange={(key) => (value = key)} class="flex h-full min-h-0 flex-col">
  <Tabs.List
    aria-label={label}
    class={['flex shrink-0 border-b border-edge pt-2', close ? 'px-2' : 'gap-1 px-3']}
  >
    {#each tabs as tab (tab.key)}
      <Tabs.Trigger
        value={tab.key}
        class="border-b-2 border-transparent px-[7px] py-1.5 text-ink-dim hover:text-ink data-[state=active]:border-brass data-[state=active]:font-semibold data-[state=active]:text-ink"
        >{tab.title}</Tabs.Trigger
      >
    {/each}
  </Tabs.List>
  {#each tabs as tab (tab.key)}
    <Tabs.Content value={tab.key} class="min-h-0 flex-1 overflow-y-auto">{@render tab.panel()}</Tabs.Content>
  {/each}
</Tabs.Root>
