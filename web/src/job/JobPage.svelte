<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client } from '../api/client';
  import { p, route } from '../routes';
  import { useSession } from '../session/session.svelte';
  import { benchOf } from './benches';
  import { openDrafts } from './drafts';
  import { remember } from './last-job';
  import { asSaved } from './old-revision';
  import JobScreen from './JobScreen.svelte';

  const session = useSession();
  const params = $derived(route.params as { id?: string; bench?: string; number?: string });
  const id = $derived(params.id ?? '');
  const number = $derived(params.number === undefined ? null : Number(params.number)); // of an old revision
  const job = createQuery(() => ({
    queryKey: ['job', id, number],
    queryFn: async () => {
      const found = await answered(client.GET('/api/jobs/{job_id}', { params: { path: { job_id: id } } }));
      remember(id);
      if (number !== null) return asSaved(found, number);
      return { job: found, old: null, ...(await openDrafts(id, session.me?.username ?? '')) };
    },
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false, // a job being edited is never replaced behind the person's back
    refetchOnReconnect: false,
  }));
</script>

{#if job.isPending}
  <p role="status" class="p-6 text-ink-dim">Opening the job…</p>
{:else if job.isError}
  <div class="p-6">
    <p role="alert" class="text-fails">▲ {job.error.message}</p>
    <a class="underline" href={p('/')}>All jobs</a>
  </div>
{:else}
  {#key `${job.data.job.id} ${number}`}
    <JobScreen
      {...job.data}
      bench={benchOf(params.bench, job.data.job.benches)}
      username={session.me?.username ?? ''}
    />
  {/key}
{/if}
