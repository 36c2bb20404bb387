<script lang="ts">
  /** A formula whose names carry what follows their first underscore set low. */
  let { text }: { text: string } = $props();
  const pieces = $derived(
    text.split(/(?<=[\p{L}])_(\p{L}\w*|\d+)/u).map((piece, k) => ({ piece, isLow: k % 2 === 1 })),
  );
</script>

{#each pieces as { piece, isLow }, k (k)}{#if isLow}<sub>{piece}</sub>{:else}{piece}{/if}{/each}
