<script lang="ts">
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import DifferenceTable from './DifferenceTable.svelte';
  import { useEditor } from './job-editor.svelte';

  const editor = useEditor();
</script>

{#if editor.theirs}
  <Dialog
    open
    title="{editor.theirs.author} saved revision {editor.theirs.number} at {clockTime(editor.theirs.savedAt)}"
    about="Your edits started from revision {editor.number}. Nothing is lost: choose which one goes on. The other stays within reach."
    onclose={() => undefined}
  >
    <DifferenceTable ours={editor.sheets} theirs={editor.theirs.sheets} heads={['yours', 'theirs']} />
    <div class="flex flex-wrap gap-3">
      <Button strong onclick={() => editor.keepMine()}>Save mine as the next revision</Button>
      <Button onclick={() => editor.takeTheirs()}>Go on from theirs</Button>
    </div>
    <p class="text-[13px] text-ink-dim">
      Theirs stays in the history when yours is saved. Yours is one undo away when you go on from theirs.
    </p>
  </Dialog>
{/if}
