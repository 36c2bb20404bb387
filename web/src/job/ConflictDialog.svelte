<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { SvelteMap } from 'svelte/reactivity';
  import type { Sheets } from '../api/types';
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import ClashTable from './ClashTable.svelte';
  import DifferenceTable from './DifferenceTable.svelte';
  import { useEditor } from './job-editor.svelte';
  import { merged, pathKey, type Side } from './merging';

  const editor = useEditor();
  const picks = new SvelteMap<string, Side>();
  const base = createQuery(() => ({
    queryKey: ['started-from', editor.job.id, editor.number],
    enabled: editor.theirs !== null,
    queryFn: () => editor.startedFrom(),
  }));
  const both = $derived(
    editor.theirs && base.data ? merged<Sheets>(base.data, editor.sheets, editor.theirs.sheets, picks) : null,
  );
  const open = $derived(both?.clashes.filter((clash) => !picks.has(pathKey(clash.path))).length ?? 0);
</script>

{#if editor.theirs}
  <Dialog
    open
    title="{editor.theirs.author} saved revision {editor.theirs.number} at {clockTime(editor.theirs.savedAt)}"
    about="Your edits started from revision {editor.number}. Nothing is lost: whatever you choose, the other stays within reach."
    onclose={() => undefined}
  >
    {#if base.isError}
      <p role="alert" class="text-fails">▲ {base.error.message}</p>
    {:else if both === null}
      <p role="status" class="text-ink-dim">Looking at what each of you changed…</p>
    {:else if both.clashes.length}
      <p>
        You both changed {both.clashes.length === 1 ? 'one field' : `${both.clashes.length} fields`}. Choose;
        all else goes together.
      </p>
      <ClashTable clashes={both.clashes} {picks} theirName={editor.theirs.author} />
    {:else}
      <p>You changed different fields, so both go together:</p>
      <DifferenceTable ours={both.sheets} theirs={editor.theirs.sheets} heads={['yours', 'theirs']} />
    {/if}
    <div class="flex flex-wrap gap-3">
      <Button strong disabled={!both || open > 0} onclick={() => both && editor.layOver(both.sheets)}>
        Lay mine over theirs
      </Button>
      <Button onclick={() => editor.keepMine()}>Save mine alone</Button>
      <Button onclick={() => editor.takeTheirs()}>Go on from theirs</Button>
    </div>
    <p class="text-[13px] text-ink-dim">
      Laid together, they are for you to look at and save. Theirs stays in the history when yours is saved
      alone; yours is one undo away when you go on from theirs.
    </p>
  </Dialog>
{/if}
