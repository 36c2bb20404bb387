<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, doneOr } from '../api/client';
  import type { JobLine } from '../api/types';
  import { Doing } from '../lib/doing.svelte';
  import { openJob } from '../routes';
  import BeginJob from './BeginJob.svelte';
  import DeleteDialog from './DeleteDialog.svelte';
  import FirstShop from './FirstShop.svelte';
  import JobFilters from './JobFilters.svelte';
  import JobRow from './JobRow.svelte';
  import ShopBar from './ShopBar.svelte';
  import { shownJobs, type Order } from './sorting';

  const queryClient = useQueryClient();
  const jobs = createQuery(() => ({
    queryKey: ['jobs'],
    queryFn: () => answered(client.GET('/api/jobs')),
    staleTime: 0, // whoever comes back from a job they began a moment ago finds it here
  }));
  let sought = $state('');
  let order = $state<Order>('touched');
  let isPutAway = $state(false);
  const asking = new Doing();
  let opened = $state.raw<JobLine | null>(null); // others have it open, who were named
  let goes = $state.raw<JobLine | null>(null); // the job that is to be deleted

  const shown = $derived(shownJobs(jobs.data ?? [], sought, order, isPutAway));

  async function doing(act: () => Promise<void>): Promise<boolean> {
    const isDone = await asking.run(act);
    await queryClient.invalidateQueries({ queryKey: ['jobs'] });
    return isDone;
  }
  const copy = (job: JobLine) =>
    doing(async () => {
      const params = { path: { job_id: job.id } };
      const body = { name: `${job.name}, again`.slice(0, 80) };
      const made = await answered(client.POST('/api/jobs/{job_id}/copy', { params, body }));
      await openJob(made.id, 'brief');
    });
  const putAway = async (job: JobLine, although_open = false) => {
    opened = null;
    const isDone = await doing(async () => {
      const params = { path: { job_id: job.id } };
      const body = { is_put_away: !job.is_put_away, although_open };
      await doneOr(client.PATCH('/api/jobs/{job_id}', { params, body }));
      if (jobs.data?.filter((one) => one.is_put_away).length === 1) isPutAway = false;
    });
    if (!isDone && !job.is_put_away && !although_open) opened = job;
  };
</script>

<ShopBar />

<main class="mx-auto max-w-5xl px-5 py-8">
  <FirstShop />
  <div class="mb-5 flex flex-wrap items-center gap-3">
    <h1 class="mr-auto text-2xl">Jobs</h1>
    <BeginJob />
  </div>
  {#if jobs.isPending}
    <p role="status" class="text-ink-dim">Fetching the jobs…</p>
  {:else if jobs.isError}
    <p role="alert" class="text-fails">▲ {jobs.error.message}</p>
  {:else if jobs.data.length === 0}
    <p class="max-w-prose text-ink-dim">
      No jobs yet. Start one with the vehicle on the floor and a tape in hand: its mass, its tyre and the
      donor motor's figures are enough to compare gearings.
    </p>
  {:else}
    <JobFilters bind:sought bind:order bind:isPutAway hasPutAway={jobs.data.some((job) => job.is_put_away)} />
    {#if asking.says}
      <p role="alert" class="text-fails">
        ▲ {asking.says}
        {#if opened}
          {@const job = opened}
          <button
            class="min-h-6 text-brass underline underline-offset-2"
            onclick={() => void putAway(job, true)}>put {job.name} away all the same</button
          >
        {/if}
      </p>
    {/if}
    <ul class="border-t border-edge">
      {#each shown as job (job.id)}
        <JobRow
          {job}
          oncopy={() => void copy(job)}
          onputaway={() => void putAway(job)}
          ondelete={() => (goes = job)}
        />
      {:else}
        <li class="py-4 text-ink-dim">None holds all of these words.</li>
      {/each}
    </ul>
  {/if}
</main>

{#if goes}
  <DeleteDialog
    job={goes}
    onclose={() => {
      goes = null;
      void queryClient.invalidateQueries({ queryKey: ['jobs'] });
    }}
  />
{/if}
