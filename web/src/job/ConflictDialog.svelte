<script lang="ts">
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { differences } from './differences';
  import { useEditor } from './job-editor.svelte';

  const editor = useEditor();
  const found = $derived(editor.theirs ? differences(editor.sheets, editor.theirs.sheets) : []);
</script>

{#if editor.theirs}
  <Dialog
    open
    title="{editor.theirs.author} saved revision {editor.theirs.number} at {clockTime(editor.theirs.savedAt)}"
    about="Your edits started from revision {editor.number}. Nothing is lost: choose which one goes on. The other stays within reach."
    onclose={() => undefined}
  >
    <div class="max-h-[50dvh] overflow-auto border-y border-edge">
      <table class="w-full text-[13px]">
        <thead class="sticky top-0 bg-paper text-left text-ink-dim">
          <tr
            ><th class="py-1 font-normal">field</th><th class="font-normal">yours</th><th class="font-normal"
              >theirs</th
            ></tr
          >
        </thead>
        <tbody>
          {#each found as one (one.path)}
            <tr class="border-t border-edge align-top">
              <td class="py-1 pr-3">{one.path}</td>
              <td class="pr-3 figures">{one.ours}</td>
              <td class="figures">{one.theirs}</td>
            </tr>
          {:else}
            <tr><td colspan="3" class="py-2">Both hold the same figures.</td></tr>
          {/each}
        </tbody>
      </table>
    </div>
    <div class="flex flex-wrap gap-3">
      <Button strong onclick={() => editor.keepMine()}>Save mine as the next revision</Button>
      <Button onclick={() => editor.takeTheirs()}>Go on from theirs</Button>
    </div>
    <p class="text-[13px] text-ink-dim">
      Theirs stays in the history when yours is saved. Yours is one undo away when you go on from theirs.
    </p>
  </Dialog>
{/if}
