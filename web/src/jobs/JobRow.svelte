<script lang="ts">
  import type { JobLine } from '../api/types';
  import { clockTime } from '../lib/format';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { VERDICT_WORDS } from '../lib/verdicts';
  import { p } from '../routes';
  import { useSession } from '../session/session.svelte';
  import ProgressMark from '../steps/ProgressMark.svelte';
  import SmallLine from './SmallLine.svelte';

  interface Props {
    job: JobLine;
    oncopy: () => void;
    onputaway: () => void;
    ondelete: () => void;
  }
  let { job, oncopy, onputaway, ondelete }: Props = $props();
  const session = useSession();
  const needs = $derived(
    [job.fails && `${job.fails} failing`, job.not_known && `${job.not_known} not known`]
      .filter(Boolean)
      .join(', ') || 'nothing open',
  );
  const LINK = 'flex min-h-6 items-center px-1 text-left text-[13px] text-brass underline underline-offset-2';
</script>

<li class="flex items-center border-b border-edge hover:bg-brass-wash">
  <a
    href={p('/jobs/:id/:bench', { params: { id: job.id, bench: 'brief' } })}
    class="grid flex-1 gap-x-6 gap-y-1 px-2 py-4 md:grid-cols-[9rem_1fr_15rem_10rem]"
  >
    <span
      ><span class="block text-lg font-semibold">{job.name}</span
      >{job.stage}{#if session.me && session.me.shops.length > 1}
        <span class="block text-[13px] text-ink-dim">{job.shop}</span>
      {/if}</span
    >
    <span class="flex min-w-0 flex-col gap-1.5">
      {#if job.summary.line.length}<SmallLine kinds={job.summary.line} />{/if}
      <span class="line-clamp-2 text-ink-dim" title={job.about}>{job.about}</span>
    </span>
    <span>
      <span class="flex items-center gap-2">
        <VerdictMark verdict={job.worst} silent />
        {VERDICT_WORDS[job.worst]}: {job.worst_title || 'no checks yet'}
      </span>
      <span class="ml-5 text-ink-dim">{needs}</span>
      <span class="mt-1 flex gap-1.5">
        {#each job.summary.benches as step, index (index)}
          <span title="{step.title}: {step.progress}{step.worst ? `, ${VERDICT_WORDS[step.worst]}` : ''}">
            {#if step.worst === 'fails'}
              <svg viewBox="0 0 12 12" class="size-[14px]" role="img" aria-label="{step.title}: fails">
                <path d="M6 0.5 11.8 11.5H0.2Z" class="fill-fails" />
              </svg>
            {:else}<ProgressMark progress={step.progress} title={step.title} />{/if}
          </span>
        {/each}
      </span>
    </span>
    <span class="text-ink-dim md:text-right"
      >rev {job.version}, {clockTime(job.saved_at)}<br />{job.saved_by}</span
    >
  </a>
  <span class="flex w-[4.6rem] shrink-0 flex-col">
    <a
      class={LINK}
      href="/api/jobs/{job.id}/pack"
      download
      title="the job file, with its scans where it has any"
      aria-label="Job file of {job.name}">file</a
    >
    {#if job.may_edit}
      <button
        class={LINK}
        title="a new job that starts where this one stands"
        aria-label="Copy {job.name}"
        onclick={oncopy}>copy</button
      >
      <button
        class={LINK}
        aria-label="{job.is_put_away ? 'Fetch back' : 'Put away'} {job.name}"
        onclick={onputaway}>{job.is_put_away ? 'fetch back' : 'put away'}</button
      >
    {/if}
    {#if job.may_delete}
      <button class={LINK} aria-label="Delete {job.name}" onclick={ondelete}>delete…</button>
    {/if}
  </span>
</li>
