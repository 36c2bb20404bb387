<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client, Refusal } from '../api/client';
  import Button from '../lib/ui/Button.svelte';
  import { useSession } from '../session/session.svelte';

  const session = useSession();
  let says = $state('');
  const demo = createQuery(() => ({
    queryKey: ['demo'],
    queryFn: () => answered(client.GET('/api/shops/demo')),
  }));

  /** The one who starts a shop is somebody new, not the demo's owner: signed out first. */
  async function start(): Promise<void> {
    try {
      const { link } = await answered(client.POST('/api/shops/first'));
      await session.signOut();
      window.location.assign(link);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }
</script>

{#if demo.data?.may_start_shop}
  <div class="mb-5 flex flex-wrap items-center gap-4 bg-brass-wash px-4 py-3">
    <p class="mr-auto">
      This is the demo, a shop that is made up. Try what you like, then start one of your own.
    </p>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <Button strong onclick={() => void start()}>Start a shop of your own</Button>
  </div>
{/if}
