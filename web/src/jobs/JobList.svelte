<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answered, client, sent } from '../api/client';
  import type { JobLine } from '../api/types';
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { VERDICT_WORDS } from '../lib/verdicts';
  import FilePick from '../measure/FilePick.svelte';
  import { navigate, p } from '../routes';
  import { useSession } from '../session/session.svelte';
  import YouDialog from '../session/YouDialog.svelte';
  import NewJob from './NewJob.svelte';

  const session = useSession();
  const queryClient = useQueryClient();
  const jobs = createQuery(() => ({ queryKey: ['jobs'], queryFn: () => answered(client.GET('/api/jobs')) }));
  let isStarting = $state(false);
  let isYou = $state(false);

  const editable = $derived(session.me?.shops.find((place) => place.role !== 'viewer'));

  function needs(job: JobLine): string {
    const parts = [];
    if (job.fails) parts.push(`${job.fails} failing`);
    if (job.not_known) parts.push(`${job.not_known} not known`);
    return parts.join(', ') || 'nothing open';
  }

  async function importFile(file: File): Promise<void> {
    if (!editable) return;
    const query = { shop_id: editable.shop_id };
    const job = await answered(client.POST('/api/jobs/import', { params: { query }, ...sent({ file }) }));
    await queryClient.invalidateQueries({ queryKey: ['jobs'] });
    await navigate('/jobs/:id/:bench', { params: { id: job.id, bench: 'brief' } });
  }
</script>

<header class="flex items-center gap-4 border-b border-edge px-5 py-2.5">
  <span class="text-lg font-bold">Fernback</span>
  <span class="text-ink-dim">{session.me?.shops.map((place) => place.shop).join(', ')}</span>
  <span class="ml-auto"><Button onclick={() => (isYou = true)}>{session.me?.name}</Button></span>
  <Button onclick={() => session.signOut()}>Sign out</Button>
</header>

<main class="mx-auto max-w-5xl px-5 py-8">
  <div class="mb-5 flex flex-wrap items-center gap-3">
    <h1 class="mr-auto text-2xl">Jobs</h1>
    {#if editable}
      <FilePick
        label="Open a job file…"
        accept=".json,.zip,application/json,application/zip"
        take={importFile}
        strong
      />
      <Button strong onclick={() => (isStarting = true)}>New job</Button>
    {/if}
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
    <ul class="border-t border-edge">
      {#each jobs.data as job (job.id)}
        <li class="flex items-center border-b border-edge hover:bg-brass-wash">
          <a
            href={p('/jobs/:id/:bench', { params: { id: job.id, bench: 'brief' } })}
            class="grid flex-1 gap-x-6 gap-y-1 px-2 py-4 md:grid-cols-[9rem_1fr_15rem_10rem]"
          >
            <span><span class="block text-lg font-semibold">{job.name}</span>{job.stage}</span>
            <span class="text-ink-dim">{job.about}</span>
            <span>
              <span class="flex items-center gap-2">
                <VerdictMark verdict={job.worst} silent />
                {VERDICT_WORDS[job.worst]}: {job.worst_title || 'no checks yet'}
              </span>
              <span class="ml-5 text-ink-dim">{needs(job)}</span>
            </span>
            <span class="text-ink-dim md:text-right"
              >rev {job.version}, {clockTime(job.saved_at)}<br />{job.saved_by}</span
            >
          </a>
          <a
            class="shrink-0 px-2 py-1 text-[13px] text-brass underline underline-offset-2"
            href="/api/jobs/{job.id}/pack"
            download
            title="the job file, with its scans where it has any"
            aria-label="Job file of {job.name}">file</a
          >
        </li>
      {/each}
    </ul>
  {/if}
</main>

{#if editable}
  <NewJob open={isStarting} shopId={editable.shop_id} onclose={() => (isStarting = false)} />
{/if}
<YouDialog open={isYou} onclose={() => (isYou = false)} />
