<script lang="ts">
  import { submits } from '../submits';

  interface Props {
    what: string; // with its article: a mount
    example: string;
    taken?: readonly string[]; // names that no second one may have
    isFirst?: boolean; // where the key for the next reading leads
    add: (name: string) => void;
  }
  let { what, example, taken = [], isFirst = false, add }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  const wanted = $derived(name.trim());
  const isTaken = $derived(taken.includes(wanted));

  function take(): void {
    if (!wanted || isTaken) return;
    add(wanted);
    name = '';
  }
</script>

<form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(take)}>
  <label class="sr-only" for="{uid}-name">Name of {what}</label>
  <input
    id="{uid}-name"
    class="field-line"
    data-measure={isFirst || undefined}
    placeholder={example}
    maxlength="80"
    aria-invalid={isTaken}
    bind:value={name}
  />
  <button class="shrink-0 text-brass underline underline-offset-2">add {what}</button>
</form>
{#if isTaken}<p role="alert" class="text-[13px] text-fails">
    ▲ {wanted} is there already. Name it otherwise.
  </p>{/if}
