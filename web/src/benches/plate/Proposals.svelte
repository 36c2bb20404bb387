<script lang="ts">
  import type { PlateResult, Reading } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import type { Register } from './fields';

  type Proposal = PlateResult['proposals'][number];
  const units = useUnits();
  interface Props {
    proposals: readonly Proposal[];
    disabled: boolean;
    ontake: (register: Register) => void;
  }
  let { proposals, disabled, ontake }: Props = $props();
  const typed = (text: string | null | undefined): Reading | null => (text ? { text } : null);

  function take(one: Proposal): void {
    const size = typed(one.size);
    if (!size || !one.kind || !one.fit) return;
    ontake({
      size,
      fit: one.fit,
      side: one.side,
      kind: one.kind,
      depth: typed(one.depth),
      chamfer: typed(one.chamfer),
      ring_outside: typed(one.ring_outside),
      ring_depth: typed(one.ring_depth),
      ring_inside: typed(one.ring_inside),
    });
  }
</script>

{#each proposals as one (one.side)}
  <p class="mt-2 border-l-4 border-brass py-1 pl-3 text-[13px]">
    {units.words(one.says)}
    {#if one.kind && !disabled}
      <button class="min-h-6 text-brass underline underline-offset-2" onclick={() => take(one)}
        >make it so</button
      >
    {/if}
  </p>
{/each}
