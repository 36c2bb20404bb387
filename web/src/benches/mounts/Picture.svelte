<script lang="ts">
  import type { CaseFound, JobResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import PartPicture from '../../parts/PartPicture.svelte';
  import type { ShownPart } from '../../parts/shown-part.svelte';
  import MountViews from './MountViews.svelte';

  interface Props {
    all: JobResult;
    drawn: ShownPart;
    shown: CaseFound | undefined;
    lit: string;
    onpick: (field: string) => void;
  }
  let { all, drawn, shown, lit, onpick }: Props = $props();
  const units = useUnits();
  const result = $derived(all.mounts);
</script>

{#if drawn.part?.views[0]}
  <div class="on-dye relative flex h-full flex-col justify-center bg-dye p-3">
    <PartPicture drawing={drawn.part.views[0].drawing} label={drawn.part.title} />
    <button
      class="absolute top-1 left-2 min-h-6 text-[13px] text-scribe underline underline-offset-2"
      onclick={() => (drawn.partKey = null)}>{drawn.part.title}: back to the unit</button
    >
  </div>
{:else if result.mounts.some((mount) => mount.at_mm)}
  <MountViews placement={all.placement} {result} {shown} {lit} {onpick} />
{:else}
  <p class="h-full bg-dye px-6 py-10 text-scribe-dim">
    The mounts are drawn here on the unit as it stands at Placement.
    {units.words(result.to_do[0]?.text ?? '')}
  </p>
{/if}
