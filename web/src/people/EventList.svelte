<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client, Refusal } from '../api/client';
  import type { EventLine } from '../api/types';
  import { dayTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';

  let { shopId }: { shopId: number } = $props();
  const PAGE = 100;
  let older = $state.raw<readonly EventLine[]>([]);
  let isAll = $state(false);
  let says = $state('');
  const params = (before?: number) => ({
    path: { shop_id: shopId },
    query: before === undefined ? {} : { before },
  });
  const newest = createQuery(() => ({
    queryKey: ['events', shopId],
    queryFn: () => answered(client.GET('/api/shops/{shop_id}/events', { params: params() })),
  }));
  const events = $derived([...(newest.data ?? []), ...older]);

  async function more(): Promise<void> {
    says = '';
    try {
      const found = await answered(
        client.GET('/api/shops/{shop_id}/events', { params: params(events.at(-1)?.id) }),
      );
      older = [...older, ...found];
      isAll = found.length < PAGE;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }
</script>

<section class="mt-8">
  <h2 class="mb-2 font-semibold">At the doors</h2>
  <p class="mb-2 text-ink-dim">
    Who signed in and from where, who was asked in, what was taken away. Nobody can change it.
  </p>
  {#if newest.isError}<p role="alert" class="text-fails">▲ {newest.error.message}</p>{/if}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <ul
    class="max-h-[24rem] overflow-auto border-y border-edge"
    tabindex="0"
    aria-label="What was done at the doors, the newest first"
  >
    {#each events as event (event.id)}
      <li
        class="grid grid-cols-[9rem_1fr] gap-x-4 border-t border-edge py-1.5 first:border-t-0 md:grid-cols-[9rem_10rem_1fr_9rem]"
      >
        <span class="text-ink-dim">{dayTime(event.at)}</span>
        <span class="truncate">{event.by || 'nobody known'}</span>
        <span>{event.says}</span>
        <span class="figures text-ink-dim md:text-right">{event.address}</span>
      </li>
    {:else}
      <li class="py-2 text-ink-dim">Nothing yet.</li>
    {/each}
  </ul>
  {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
  {#if !isAll && (newest.data?.length ?? 0) >= PAGE}
    <div class="mt-2"><Button onclick={() => void more()}>Older</Button></div>
  {/if}
</section>
