<script lang="ts">
  import { SHAPE_HEIGHT, stationPath, WEIGHTS } from '../line/station-shapes';

  let { kinds }: { kinds: readonly string[] } = $props();
  const UNIT = 84; // width of a station of weight 1, in the shapes' own units
  const drawn = $derived.by(() => {
    let at = 0;
    return kinds.map((kind) => {
      const width = UNIT * (WEIGHTS[kind] ?? 1);
      const place = { kind, at, d: stationPath(kind, width) };
      at += width;
      return { ...place, end: at };
    });
  });
  const total = $derived(drawn.at(-1)?.end ?? UNIT);
</script>

<svg
  viewBox="0 -4 {total} {SHAPE_HEIGHT + 8}"
  class="h-[30px] w-full bg-dye"
  preserveAspectRatio="xMinYMid meet"
  aria-hidden="true"
>
  {#each drawn as { kind, at, d }, i (i)}
    <path
      {d}
      transform="translate({at})"
      class={kind === 'plate' ? 'fill-brass-lit stroke-brass-lit' : 'fill-dye stroke-scribe'}
      stroke-width="2"
    />
  {/each}
</svg>
