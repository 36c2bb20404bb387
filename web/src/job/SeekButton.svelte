<script lang="ts">
  import { useUnits } from '../measure/units.svelte';
  import type { Seeker } from './seeker.svelte';

  interface Props {
    seeker: Seeker;
    key: string; // of what is sought
    text: string;
    busy: string; // what is said meanwhile
  }
  let { seeker, key, text, busy }: Props = $props();
  const units = useUnits();
</script>

<button
  class="min-h-6 text-left text-[13px] text-brass underline underline-offset-2"
  aria-busy={seeker.isBusy}
  onclick={() => void seeker.ask(key)}>{text}</button
>
{#if seeker.isBusy || seeker.found}
  <p class="text-[12.5px] text-ink-dim" role="status">
    {#if seeker.isBusy}{busy}{:else if seeker.isCurrent}{units.words(seeker.found?.says ?? '')}{:else}The job
      was changed since. Ask again.{/if}
  </p>
{/if}
