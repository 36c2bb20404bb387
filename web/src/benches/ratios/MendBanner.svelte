<script lang="ts">
  import type { Mend, Must, Pick } from '../../api/types';

  interface Props {
    mend: Mend;
    undone: readonly Must[]; // what the gearing shown does not do
    mayEdit: boolean;
    onpin: (pick: Pick) => void;
    onchoose: (pick: Pick) => void;
  }
  let { mend, undone, mayEdit, onpin, onchoose }: Props = $props();
  const pick = $derived(mend.pick);
</script>

<p
  role="status"
  class="flex shrink-0 flex-wrap items-baseline gap-x-3 border-b border-edge bg-brass-wash px-4 py-1.5"
>
  <span
    ><strong class="text-fails">▲ It does not {undone.map((must) => must.text).join(', nor ')}.</strong>
    {mend.text}</span
  >
  {#if pick && mayEdit}
    <button class="text-brass underline underline-offset-2" onclick={() => onpin(pick)}>Put it beside</button>
    <button
      class="font-semibold text-brass underline underline-offset-2"
      aria-label="Take {mend.key}"
      onclick={() => onchoose(pick)}>Take it</button
    >
  {/if}
</p>
