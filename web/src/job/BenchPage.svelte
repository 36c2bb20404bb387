<script lang="ts">
  import type { JobResult } from '../api/types';
  import { openedPage, openPage } from './benches';

  interface Props {
    bench: string;
    title: string;
    result: JobResult;
    pinned: JobResult | null;
  }
  let { bench, title, result, pinned }: Props = $props();
  const Opened = $derived(openedPage(bench));
</script>

{#if Opened}
  <Opened {result} {pinned} />
{:else}
  {#await openPage(bench)}
    <p role="status" class="p-6 text-ink-dim">Opening {title}…</p>
  {:then Page}
    <Page {result} {pinned} />
  {:catch}
    <p role="alert" class="p-6 text-fails">
      ▲ This bench could not be fetched. Your edits are kept on this device; reload the page.
    </p>
  {/await}
{/if}
