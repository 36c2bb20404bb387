<script lang="ts">
  import type { Mount, Sought } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { takeBracket } from './edits';

  interface Props {
    mount: number; // counted from 1
    change: (write: (mount: Mount) => void) => void;
  }
  let { mount, change }: Props = $props();
  const seeker = new Seeker(useEditor());
  const units = useUnits();

  function take(fields: Sought['fields']): void {
    change((to) => takeBracket(to, fields));
    seeker.found = null;
  }
</script>

<button
  class="min-h-6 text-[13px] text-brass underline underline-offset-2"
  aria-busy={seeker.isBusy}
  onclick={() => void seeker.ask(`mounts.m${mount}_mend`)}>find what would hold</button
>
{#if seeker.isBusy || seeker.found}
  <p class="text-[12.5px] text-ink-dim" role="status">
    {#if seeker.isBusy}Trying…{:else if seeker.isCurrent}{units.words(seeker.found?.says ?? '')}{:else}The job
      was changed since. Ask again.{/if}
  </p>
{/if}
{#if seeker.found?.fields.length && seeker.isCurrent}
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => take(seeker.found?.fields ?? [])}>take the lightest</button
  >
{/if}
