<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answered, client } from '../api/client';
  import { Doing } from '../lib/doing.svelte';
  import Button from '../lib/ui/Button.svelte';

  const queryClient = useQueryClient();
  const demo = createQuery(() => ({
    queryKey: ['demo'],
    queryFn: () => answered(client.GET('/api/shops/demo')),
  }));

  const asking = new Doing();

  async function turn(): Promise<void> {
    const body = { is_put_away: !demo.data?.is_put_away };
    await asking.run(async () => {
      queryClient.setQueryData(['demo'], await answered(client.PATCH('/api/shops/demo', { body })));
    });
  }
</script>

{#if demo.data?.may_put_away}
  <section class="mt-8">
    <h2 class="mb-2 font-semibold">The demo</h2>
    <p class="mb-2 max-w-prose text-ink-dim">
      {demo.data.is_put_away
        ? 'It is put away: nobody signs in to it. Its jobs are kept.'
        : 'A shop that is made up, to try things in. Its people sign in with the password that ./start prints.'}
    </p>
    {#if asking.says}<p role="alert" class="text-fails">▲ {asking.says}</p>{/if}
    <Button onclick={() => void turn()}>{demo.data.is_put_away ? 'Fetch it back' : 'Put it away'}</Button>
  </section>
{/if}
