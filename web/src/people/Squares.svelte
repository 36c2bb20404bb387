<script lang="ts">
  interface Props {
    rows: readonly string[]; // 1 for a dark square
    label: string;
  }
  let { rows, label }: Props = $props();
  const EDGE = 4; // squares of white around it, which readers of it ask for
  const size = $derived(rows.length + 2 * EDGE);
  const path = $derived(
    rows.flatMap((row, y) => [...row].map((dark, x) => (dark === '1' ? `M${x} ${y}h1v1h-1z` : ''))).join(''),
  );
</script>

<svg viewBox="-{EDGE} -{EDGE} {size} {size}" class="w-52 bg-white" role="img" aria-label={label}>
  <path d={path} fill="black" shape-rendering="crispEdges" />
</svg>
