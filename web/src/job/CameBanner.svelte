<script lang="ts">
  import { clockTime } from '../lib/format';
  import { useEditor } from './job-editor.svelte';

  const editor = useEditor();
</script>

{#if editor.came}
  <p role="status" class="flex basis-full items-center gap-3 bg-brass-wash px-3 py-1">
    {#if editor.came.number > editor.number}
      {editor.came.author} saved revision {editor.came.number} at {clockTime(editor.came.saved_at)}, while you
      edit revision {editor.number}.
      <button class="underline" onclick={() => void editor.lookAtBoth()}>Lay yours over theirs…</button>
    {:else}
      {editor.came.author} saved revision {editor.came.number} at {clockTime(editor.came.saved_at)}; this is
      it.
      <button class="underline" onclick={() => (editor.came = null)}>Good</button>
    {/if}
  </p>
{/if}
