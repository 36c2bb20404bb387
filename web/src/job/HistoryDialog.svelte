<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client, Refusal } from '../api/client';
  import type { Sheets } from '../api/types';
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import DifferenceTable from './DifferenceTable.svelte';
  import { openJob } from '../routes';
  import { useEditor } from './job-editor.svelte';

  let { bench, onclose }: { bench: string; onclose: () => void } = $props();
  const editor = useEditor();
  const uid = $props.id();
  const id = editor.job.id;
  let picked = $state<number | null>(null);
  let says = $state('');
  const lines = createQuery(() => ({
    queryKey: ['versions', id, editor.number],
    queryFn: () => answered(client.GET('/api/jobs/{job_id}/versions', { params: { path: { job_id: id } } })),
  }));
  const version = createQuery(() => ({
    queryKey: ['version', id, picked],
    enabled: picked !== null,
    staleTime: Infinity, // a saved revision never changes
    queryFn: () =>
      answered(
        client.GET('/api/jobs/{job_id}/versions/{number}', {
          params: { path: { job_id: id, number: picked ?? 1 } },
        }),
      ),
  }));
  const old = $derived(version.data?.number === picked ? (version.data?.sheets as Sheets) : null);

  async function compare(sheets: Sheets): Promise<void> {
    says = '';
    try {
      await editor.pinSheets(sheets);
      onclose();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }
  async function lookAt(number: number): Promise<void> {
    onclose();
    await openJob(id, bench, number);
  }
  function bringBack(sheets: Sheets, number: number): void {
    editor.edit((now) => Object.assign(now, structuredClone(sheets)));
    editor.note ||= `as revision ${number}`;
    onclose();
  }
</script>

<Dialog
  open
  title="Saved revisions of {editor.job.name}"
  about="Every save is kept, and none is ever changed. One that is brought back becomes the newest when it is saved."
  {onclose}
>
  {#if editor.mayEdit}
    <label for="{uid}-note" class="flex items-baseline gap-3">
      <span class="text-ink-dim">Note for the next save</span>
      <input
        id="{uid}-note"
        class="field-line flex-1"
        maxlength="200"
        placeholder="as cut"
        autocomplete="off"
        bind:value={editor.note}
      />
    </label>
  {/if}
  {#if lines.isPending}<p role="status" class="text-ink-dim">Fetching them…</p>
  {:else if lines.isError}<p role="alert" class="text-fails">▲ {lines.error.message}</p>
  {:else}
    <ul class="max-h-[30dvh] overflow-auto border-y border-edge" aria-label="Revisions, the newest first">
      {#each lines.data as line (line.number)}
        <li class="border-t border-edge first:border-t-0">
          <button
            class={[
              'flex min-h-9 w-full items-center gap-3 px-2 text-left',
              picked === line.number ? 'bg-brass-wash' : 'hover:bg-brass-wash',
            ]}
            aria-pressed={picked === line.number}
            onclick={() => (picked = line.number)}
          >
            <span class="w-14 figures">rev {line.number}</span>
            <VerdictMark verdict={line.worst} silent />
            <span class="text-ink-dim">{clockTime(line.saved_at)} by {line.author}</span>
            <span class="font-semibold">{line.note}</span>
          </button>
        </li>
      {/each}
    </ul>
  {/if}
  {#if picked !== null && version.isError}
    <p role="alert" class="text-fails">▲ {version.error.message}</p>
  {:else if old !== null && picked !== null}
    {@const [sheets, number] = [old, picked]}
    <DifferenceTable ours={sheets} theirs={editor.sheets} heads={[`rev ${number}`, 'on the screen']} />
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <div class="flex flex-wrap gap-3">
      <Button strong onclick={() => void compare(sheets)}>Pin it, to compare its checks</Button>
      <Button onclick={() => void lookAt(number)}>Look at it on the benches</Button>
      {#if editor.mayEdit}
        <Button onclick={() => bringBack(sheets, number)}>Bring it back</Button>
      {/if}
    </div>
  {/if}
</Dialog>
