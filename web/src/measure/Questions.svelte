<script lang="ts">
  import { useUnits } from './units.svelte';

  let { texts }: { texts: readonly string[] } = $props(); // what two figures that don't agree make the core ask
  const units = useUnits();
</script>

{#each texts as text, index (index)}
  <p class="shrink-0 border-b border-edge px-4 py-1 text-[13px] text-brass">? {units.words(text)}</p>
{/each}
