<script lang="ts">
  import { Refusal } from '../api/client';
  import type { Check, PartResult, Turning } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import PartPicture from './PartPicture.svelte';
  import StillOpen from './StillOpen.svelte';
  import { sideWords, type SideSeen } from './sides';
  import { release } from './releases';

  interface Props {
    part: PartResult;
    checks: readonly Check[];
    onclose: () => void;
  }
  let { part, checks, onclose }: Props = $props();
  const uid = $props.id();
  const editor = useEditor();
  // A part with one side has no other that the file could show.
  // svelte-ignore state_referenced_locally
  let side = $state<SideSeen | null>(part.views.length > 1 ? null : 'first');
  let runs = $state<Turning | null>(null);
  let despite = $state('');
  let says = $state('');
  let isBusy = $state(false);
  const SENSES: readonly Turning[] = ['clockwise', 'anticlockwise'];
  const open = $derived(
    checks.filter(
      (check) =>
        part.key.startsWith(`${check.bench}.`) &&
        check.key.startsWith(part.guards) &&
        (check.holds_release || (check.guards_release && check.verdict === 'not_known')),
    ),
  );
  const failing = $derived(open.filter((check) => check.holds_release));
  const isAsked = $derived(part.is_handed);
  const ready = $derived(
    side !== null && (runs !== null || !isAsked) && (failing.length === 0 || despite.trim() !== ''),
  );
  const first = $derived(part.hole_table[0]?.id ?? 'H1');

  async function confirm(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (side === null || !ready) return;
    isBusy = true;
    says = '';
    try {
      if (!(await editor.save())) {
        says = 'The edits could not be saved, so nothing was released.';
        return;
      }
      await release(editor.job.id, part, editor.number, { side, runs, despite: despite.trim() });
      await editor.refresh();
      onclose();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    } finally {
      isBusy = false;
    }
  }
</script>

<Dialog
  open
  title="Release the {part.title.toLowerCase()}"
  about="Its drawing and {part.cut
    ? 'the very bytes of the cut file'
    : 'its order sheet'} are frozen under the next letter. Later changes are told against it."
  {onclose}
>
  <form class="flex flex-col gap-3" onsubmit={confirm}>
    {#if part.views.length > 1}<fieldset>
        <legend class="font-semibold">Which side does the cut file show?</legend>
        <div class="mt-1 grid grid-cols-2 gap-3">
          {#each part.views as { side: one, drawing } (one)}
            <label class={['border-2 p-1', side === one ? 'border-brass bg-brass-wash' : 'border-edge']}>
              <input type="radio" name="{uid}-side" value={one} bind:group={side} />
              from {sideWords(part, one)}
              <PartPicture {drawing} label="{part.title} from {sideWords(part, one)}" />
            </label>
          {/each}
        </div>
      </fieldset>{:else if part.views[0]}<PartPicture
        drawing={part.views[0].drawing}
        label={part.title}
      />{/if}
    {#if isAsked}<fieldset>
        <legend class="font-semibold">
          Go and look at the {part.look_at}, standing where that picture is seen from. From {first} on, which way
          do the numbers run?
        </legend>
        <div class="mt-1 flex gap-5">
          {#each SENSES as sense (sense)}
            <label><input type="radio" name="{uid}-runs" value={sense} bind:group={runs} /> {sense}</label>
          {/each}
        </div>
        <p class="text-[13px] text-ink-dim">
          A mirrored plate passes every caliper and is scrap all the same.
        </p>
      </fieldset>{/if}
    {#if open.length > 0}
      <div class="text-[13px]">
        <StillOpen checks={open} />
        {#if failing.length > 0}
          <label for="{uid}-despite" class="mt-2 block font-semibold">Why is it released all the same?</label>
          <input id="{uid}-despite" class="field-line" maxlength="2000" bind:value={despite} />
        {/if}
      </div>
    {/if}
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
    <div class="flex items-center gap-3">
      <Button strong type="submit" disabled={!ready || isBusy}>Release it</Button>
      <Button onclick={onclose}>Not yet</Button>
      {#if editor.isDirty}<span class="text-[13px] text-ink-dim">saves the edits first</span>{/if}
    </div>
  </form>
</Dialog>
