<script lang="ts">
  import { otherSide, sideWords } from '../../parts/sides';
  import type { PlateState } from './plate.svelte';

  interface Props {
    plate: PlateState;
  }
  let { plate }: Props = $props();
  const released = $derived(plate.isFace ? null : (plate.part?.released ?? null));
</script>

<div class="on-dye flex flex-wrap items-center gap-x-3 gap-y-1 bg-dye px-3 pt-2 text-scribe">
  <h2>{plate.seenFrom}</h2>
  {#if !plate.isFace}
    <button
      class="rounded-sm border border-scribe-dim px-2 py-1 text-[13px] hover:bg-dye-lit"
      onclick={() => plate.turnOver()}>Turn over to {sideWords(plate.part, otherSide(plate.side))}</button
    >
  {/if}
  {#if plate.parts.length > 1 && !plate.isFace}
    <div role="radiogroup" aria-label="Which part" class="flex gap-1 text-[13px]">
      {#each plate.parts as part (part.key)}
        <button
          role="radio"
          aria-checked={plate.part?.key === part.key}
          class={[
            'rounded-sm px-2 py-1',
            plate.part?.key === part.key ? 'bg-scribe text-dye' : 'hover:bg-dye-lit',
          ]}
          onclick={() => (plate.partKey = part.key)}>{part.title}</button
        >
      {/each}
    </div>
  {/if}
  {#if released}
    <span class={['text-[13px]', released.differs.length > 0 ? 'text-fails-lit' : 'text-scribe-dim']}
      >{released.differs.length > 0
        ? `▲ differs from released ${released.letter}`
        : `as released ${released.letter}`}</span
    >
  {/if}
  {#if plate.holes.length > 0}
    <span class="text-[12.5px] text-scribe-dim max-md:hidden"
      >ellipses ×40: where each hole may really be, 95 %</span
    >
  {/if}
</div>
