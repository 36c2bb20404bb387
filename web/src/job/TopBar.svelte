<script lang="ts">
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import { p } from '../routes';
  import { SYSTEMS, type System } from '../measure/figures';
  import { SYSTEM_WORDS, useUnits } from '../measure/units.svelte';
  import { useSession } from '../session/session.svelte';
  import CameBanner from './CameBanner.svelte';
  import HereToo from './HereToo.svelte';
  import HistoryDialog from './HistoryDialog.svelte';
  import OldBanner from './OldBanner.svelte';
  import type { Old } from './old-revision';
  import { useEditor } from './job-editor.svelte';
  import WrongFields from './WrongFields.svelte';

  interface Props {
    bench: string;
    old: Old | null;
    onhelp: () => void;
  }
  let { bench, old, onhelp }: Props = $props();
  const editor = useEditor();
  const units = useUnits();

  const session = useSession();
  let isHistory = $state(false);

  /** What is chosen here is kept, for every job. */
  async function keep(system: System): Promise<void> {
    await session.prefer({ units: system });
    units.endLook();
  }

  const words = $derived(
    {
      saved: `rev ${editor.number}, saved ${clockTime(editor.savedAt)} by ${editor.savedBy}`,
      unsaved: `edits on rev ${editor.number}, not saved`,
      saving: 'saving…',
      conflict: 'somebody saved in between',
      refused: 'not saved',
    }[editor.state],
  );
</script>

<header class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge bg-paper px-4 py-1.5">
  <a href={p('/')} class="text-[17px] font-bold hover:text-brass" aria-label="Fernback: all jobs">Fernback</a>
  <span class="font-semibold">{editor.job.name}</span>
  <span role="status" class={editor.isDirty ? 'font-semibold text-brass' : 'text-ink-dim'}>
    {editor.isDirty ? '● ' : ''}{words}
  </span>
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => (isHistory = true)}>revisions</button
  >
  {#if !old}<HereToo {bench} />{/if}
  <WrongFields {bench} />
  <div class="ml-auto flex items-center gap-2">
    {#if editor.mayEdit}
      <Button disabled={!editor.canUndo} onclick={() => void editor.takeBack()} title="Ctrl+Z">Undo</Button>
      <Button disabled={!editor.canRedo} onclick={() => editor.redo()} title="Ctrl+Shift+Z">Redo</Button>
    {:else}
      {#if !old}<span class="text-ink-dim">you may look, not change</span>{/if}
    {/if}
    <Button
      aria-pressed={editor.pinned !== null}
      onclick={() => editor.togglePin()}
      title="p: compare with this from now on"
    >
      {editor.pinned ? 'Unpin' : 'Pin'}
    </Button>
    <label class="flex items-center gap-1 text-[13px] text-ink-dim" title="u: look at the next">
      <span class="hidden md:inline">{units.isLook ? 'a look in' : 'in'}</span>
      <select
        class="field-line w-[4.6rem] text-ink md:w-[6.5rem]"
        aria-label="Units"
        value={units.system}
        onchange={(event) => void keep(event.currentTarget.value as System)}
      >
        {#each SYSTEMS as system (system)}<option value={system}>{SYSTEM_WORDS[system]}</option>{/each}
      </select>
    </label>
    <span class="hidden md:block"
      ><Button onclick={onhelp} title="?" aria-label="Keys and help">?</Button></span
    >
    {#if editor.mayEdit}
      <Button
        strong
        disabled={editor.state === 'saved' || editor.state === 'saving'}
        onclick={() => editor.save()}
        title="Ctrl+S">Save</Button
      >
    {/if}
  </div>
  <CameBanner />
  {#if old}<OldBanner {old} {bench} />{/if}
  {#if !editor.isKept}
    <p role="alert" class="basis-full bg-brass-wash px-3 py-1 text-fails">
      ▲ This device keeps no edits: its storage is full or off. Save before you leave.
    </p>
  {:else if editor.isAway}
    <p role="status" class="basis-full bg-brass-wash px-3 py-1">
      The server does not answer; it is asked again by itself. Your edits are kept on this device.
    </p>
  {/if}
  {#if editor.restoredFrom}
    <p role="status" class="flex basis-full items-center gap-3 bg-brass-wash px-3 py-1">
      Your edits from {clockTime(editor.restoredFrom)} were not saved; here they are again.
      <button class="underline" onclick={() => editor.discard()}>Put the saved ones back</button>
    </p>
  {/if}
</header>
{#if isHistory}<HistoryDialog {bench} onclose={() => (isHistory = false)} />{/if}
