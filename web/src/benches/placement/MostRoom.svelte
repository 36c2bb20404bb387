<script lang="ts">
  import type { PlacementSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { takePlace } from './edits';

  interface Props {
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { change }: Props = $props();
  const seeker = new Seeker(useEditor());
  const units = useUnits();
  let says = $state('');

  async function seek(): Promise<void> {
    says = '';
    await seeker.ask('placement.most_room');
    const { found } = seeker;
    if (!found) return;
    says = seeker.isCurrent ? found.says : 'The placement was changed meanwhile. Ask again.';
    if (seeker.isCurrent) change((next) => takePlace(next, found.fields));
  }
</script>

<button
  class="min-h-6 text-brass underline underline-offset-2"
  aria-busy={seeker.isBusy}
  onclick={() => void seek()}>slide it to the most room</button
>
{#if seeker.isBusy || says}<p class="w-full text-ink-dim" role="status">
    {seeker.isBusy ? 'Sliding it about…' : units.words(says)}
  </p>{/if}
