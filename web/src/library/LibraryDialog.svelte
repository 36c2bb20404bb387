<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { Refusal } from '../api/client';
  import type { LibraryPart, PartKind } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { useSession } from '../session/session.svelte';
  import LibraryOffers from './LibraryOffers.svelte';
  import {
    copied,
    keepInLibrary,
    KIND_WORDS,
    LIBRARY_QUERY,
    retireFromLibrary,
    reviseInLibrary,
    summary,
    type Held,
  } from './library';

  interface Props {
    kind: PartKind;
    held: Held | null;
    origin: LibraryPart | null; // what the copy was taken from, as the library has it now
    name: string;
    parts: readonly LibraryPart[];
    problem: string;
    ontake: (part: LibraryPart) => void;
    onclose: () => void;
  }
  let { kind, held, origin, name, parts, problem, ontake, onclose }: Props = $props();
  const uid = $props.id();
  const editor = useEditor();
  const session = useSession();
  const queries = useQueryClient();
  let source = $state('');
  let says = $state('');

  const shopId = $derived(session.me?.shops.find((place) => place.shop === editor.job.shop)?.shop_id ?? 0);
  const offered = $derived(parts.filter((part) => part.content.kind === kind && part.shop_id === shopId));
  const isBehind = $derived(origin !== null && origin.revision > (held?.library?.revision ?? 0));

  async function attempt(change: () => Promise<LibraryPart>, take: boolean): Promise<void> {
    says = '';
    try {
      const part = await change();
      await queries.invalidateQueries({ queryKey: LIBRARY_QUERY.queryKey });
      if (take) ontake(copied(part));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    }
  }

  function keep(event: SubmitEvent): void {
    event.preventDefault();
    const own = held;
    if (!own) return;
    void attempt(
      () =>
        origin
          ? reviseInLibrary(origin, kind, own, source.trim())
          : keepInLibrary(shopId, kind, own, name, source.trim()),
      true,
    );
  }
</script>

<Dialog
  open
  title={held ? `${name} and the library` : `Take a ${KIND_WORDS[kind]} from the library`}
  about="The job gets its own copy: later changes in the library never change this job by themselves."
  {onclose}
>
  {#if problem || says}<p role="alert" class="text-fails">▲ {says || problem}</p>{/if}
  {#if held && isBehind && origin}
    <p class="flex flex-wrap items-baseline gap-3 bg-brass-wash px-3 py-2">
      <span
        >{origin.saved_by} wrote revision {origin.revision} on {clockTime(origin.saved_at)}: {summary(origin)}
        ({origin.source}). This job keeps revision {held.library?.revision}.</span
      >
      <Button strong onclick={() => origin && ontake(copied(origin))}>Take the newer one</Button>
    </p>
  {/if}
  {#if held}
    <form class="flex flex-col gap-3" onsubmit={keep}>
      <label for="{uid}-source"
        >{origin
          ? `Write this one back as revision ${origin.revision + 1}.`
          : 'Keep this one for other jobs.'}
        Where are its figures from?</label
      >
      <input
        id="{uid}-source"
        class="field-line"
        required
        maxlength="300"
        placeholder="data sheet, counted on the bench, dynamometer…"
        bind:value={source}
      />
      <div class="flex gap-3">
        <Button strong={!isBehind} type="submit">{origin ? 'Write it back' : 'Keep it'}</Button>
        <Button onclick={onclose}>Not now</Button>
      </div>
    </form>
  {:else}
    <LibraryOffers
      parts={offered}
      ontake={(part) => ontake(copied(part))}
      onretire={(part) => attempt(() => retireFromLibrary(part), false)}
    />
    <div><Button onclick={onclose}>Close</Button></div>
  {/if}
</Dialog>
