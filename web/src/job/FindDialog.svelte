<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client } from '../api/client';
  import type { JobResult } from '../api/types';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { openJob } from '../routes';
  import { goTo } from './go-to';
  import { entriesOf, fieldsOf, findable, matching, type Found } from './findable';
  import { useEditor } from './job-editor.svelte';

  interface Props {
    result: JobResult;
    bench: string; // that is open
    openBench: (key: string) => Promise<void>;
    onclose: () => void;
  }
  let { result, bench, openBench, onclose }: Props = $props();
  const editor = useEditor();
  const uid = $props.id();
  let typed = $state('');
  let at = $state(0);
  let fields = $state.raw<Found[]>([]);
  const jobs = createQuery(() => ({
    queryKey: ['jobs'],
    queryFn: () => answered(client.GET('/api/jobs')),
  }));
  const all = $derived([
    ...findable(
      editor.job.benches,
      result,
      (jobs.data ?? []).filter((job) => job.id !== editor.job.id),
    ),
    ...entriesOf(editor.job.benches, editor.sheets),
    ...fields,
  ]);
  const found = $derived(matching(all, typed));
  const picked = $derived(Math.min(at, Math.max(found.length - 1, 0)));
  void fieldsOf(editor.job.benches).then((all) => (fields = all));

  async function go({ key, place, within }: Found): Promise<void> {
    onclose();
    if (!place) {
      await openJob(key.replace('job ', ''), bench);
      return;
    }
    await goTo(place, openBench);
    if (/^(check|entry) /.test(key)) {
      const row = document.querySelector<HTMLElement>(place.selector);
      if (row?.getAttribute('aria-expanded') === 'false') row.click();
    }
    if (!within) return;
    const name = within.slice(within.lastIndexOf('[')); // a bench that does not part its fields
    if (await goTo({ bench: place.bench, selector: within }, openBench)) return;
    await goTo({ bench: place.bench, selector: `main ${name}` }, openBench);
  }

  function keydown(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      at = (picked + step + found.length) % Math.max(found.length, 1);
    }
    const one = found[picked];
    if (event.key === 'Enter' && one) {
      event.preventDefault();
      void go(one);
    }
  }
</script>

<Dialog
  open
  title="Find"
  about="A job, bench, part, check, field, reading or what a job calls by a name, by any of its words."
  {onclose}
>
  <!-- svelte-ignore a11y_autofocus -->
  <input
    class="min-h-8 field-line text-[17px]"
    role="combobox"
    aria-label="Find"
    aria-expanded={found.length > 0}
    aria-controls="{uid}-list"
    aria-activedescendant={found.length > 0 ? `${uid}-${picked}` : undefined}
    autocomplete="off"
    autofocus
    placeholder="screws proof"
    bind:value={typed}
    oninput={() => (at = 0)}
    onkeydown={keydown}
  />
  <ul id="{uid}-list" role="listbox" aria-label="Found" class="min-h-40">
    {#each found as one, k (one.key)}
      <li role="option" id="{uid}-{k}" aria-selected={k === picked}>
        <button
          tabindex="-1"
          class={['flex w-full items-baseline gap-2 px-2 py-1.5 text-left', k === picked && 'bg-brass-wash']}
          onclick={() => void go(one)}
        >
          <span class="w-16 shrink-0 text-[12.5px] text-ink-dim">{one.kind}</span>
          <span>{one.title}</span>
          <span class="ml-auto text-[12.5px] text-ink-dim">{one.about}</span>
        </button>
      </li>
    {:else}
      <li class="px-2 text-ink-dim">{typed.trim() ? 'Nothing here has all of these words.' : ''}</li>
    {/each}
  </ul>
</Dialog>
