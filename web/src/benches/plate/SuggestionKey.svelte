<script lang="ts">
  import type { ReadingEntry } from './reading-entry.svelte';
  import { KIND_WORDS } from './readings';

  interface Props {
    entry: ReadingEntry;
  }
  let { entry }: Props = $props();
  const to = (id: string) => (id === 'C' ? 'the shaft' : id);

  function onkeydown(event: KeyboardEvent): void {
    if (!event.altKey || event.key.toLowerCase() !== 's' || !entry.offered) return;
    event.preventDefault();
    entry.takeSuggestion();
  }
</script>

<svelte:window {onkeydown} />
{#if entry.offered}
  <button
    type="button"
    class="min-h-6 text-left text-brass underline underline-offset-2"
    title="Alt+S"
    onclick={() => entry.takeSuggestion()}
  >
    take what is suggested: {entry.offered.a} to {to(entry.offered.b)}, {KIND_WORDS[entry.offered.kind]}
  </button>
{/if}
