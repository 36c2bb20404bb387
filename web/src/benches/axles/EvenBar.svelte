<!-- How unevenly an axle is driven, at the worst and at ride height, against what is comfortable and the most. -->
<script lang="ts">
  import type { LineShown } from '../../api/types';

  let { line }: { line: LineShown } = $props();
  const FILL = { holds: 'fill-holds', tight: 'fill-tight', fails: 'fill-fails', not_known: 'fill-ink-dim' };
  const scale = $derived(Math.max(line.most_rad_s2 * 1.5, (line.worst_rad_s2 ?? 0) * 1.1));
</script>

{#if line.worst_rad_s2 !== null && line.exact_rad_s2 !== null}
  <svg
    class="h-7 w-full"
    viewBox="0 0 600 28"
    preserveAspectRatio="none"
    role="img"
    aria-label="How unevenly the axle is driven: at the worst, and at ride height"
  >
    <rect x="0" y="8" width="600" height="12" class="fill-edge" />
    <rect
      x="0"
      y="8"
      width={(600 * line.worst_rad_s2) / scale}
      height="12"
      class={FILL[line.even ?? 'not_known']}
    />
    <rect x="0" y="8" width={(600 * line.exact_rad_s2) / scale} height="3" class="fill-ink" />
    <line
      x1={(600 * line.comfortable_rad_s2) / scale}
      x2={(600 * line.comfortable_rad_s2) / scale}
      y1="3"
      y2="25"
      class="stroke-ink"
    />
    <line
      x1={(600 * line.most_rad_s2) / scale}
      x2={(600 * line.most_rad_s2) / scale}
      y1="3"
      y2="25"
      class="stroke-ink"
      stroke-width="2"
    />
  </svg>
  <p class="text-[12.5px] text-ink-dim">
    Marks at {line.comfortable_rad_s2}, comfortable, and {line.most_rad_s2}, the most; the thin bar is ride
    height.
  </p>
{/if}
