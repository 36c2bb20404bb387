<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { LibraryPart, PartKind } from '../api/types';
  import LibraryDialog from './LibraryDialog.svelte';
  import { KIND_WORDS, LIBRARY_QUERY, originOf, type Held } from './library';

  interface Props {
    kind: PartKind;
    held?: Held | null; // the job's copy; without one, a part is only taken
    name?: string; // what the copy is called, where its sheet does not say
    disabled?: boolean;
    ontake: (part: LibraryPart) => void; // a copy that knows where it is from
  }
  let { kind, held = null, name = '', disabled = false, ontake }: Props = $props();
  let isOpen = $state(false);
  const parts = createQuery(() => LIBRARY_QUERY);

  const origin = $derived(held ? originOf(held, parts.data ?? []) : null);
  const isBehind = $derived(origin !== null && origin.revision > (held?.library?.revision ?? 0));
  const word = $derived(
    !held ? 'from the library' : isBehind ? 'library has newer' : origin ? 'kept' : 'keep',
  );
  const title = $derived(
    !held
      ? `Take a ${KIND_WORDS[kind]} from the shop's library`
      : isBehind
        ? `The library has revision ${origin?.revision}; this job keeps ${held.library?.revision}`
        : origin
          ? `As in the library, revision ${origin.revision}`
          : "Keep it in the shop's library",
  );
</script>

<button
  class={[
    'min-h-6 min-w-6 text-[12.5px] underline-offset-2 hover:underline',
    isBehind ? 'font-semibold text-brass' : held ? 'text-ink-dim' : 'font-normal text-brass underline',
  ]}
  {disabled}
  {title}
  aria-label="{word}: {held?.name || name || KIND_WORDS[kind]}"
  onclick={() => (isOpen = true)}>{word}</button
>
{#if isOpen}
  <LibraryDialog
    {kind}
    {held}
    {origin}
    name={held?.name || name}
    parts={parts.data ?? []}
    problem={parts.error?.message ?? ''}
    ontake={(part) => {
      isOpen = false;
      ontake(part);
    }}
    onclose={() => (isOpen = false)}
  />
{/if}
