<script lang="ts">
  import type { Drawing } from '../api/types';
  import { boundsOf, pathData } from '../drawing/shapes';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    drawing: Drawing;
    label: string;
  }
  let { drawing, label }: Props = $props();
  const bounds = $derived(
    boundsOf(
      [
        { x_mm: drawing.least_x_mm, y_mm: drawing.least_y_mm },
        { x_mm: drawing.greatest_x_mm, y_mm: drawing.greatest_y_mm },
      ],
      8,
    ),
  );
  const units = useUnits();
  const named = $derived(Math.min(13, 0.045 * (bounds.top - bounds.bottom)));
  /** A hole's name is large for the picture; what is engraved and what a turned part says as its drawing says. */
  const sizeOf = (text: { part: string; height_mm: number }) =>
    text.part.startsWith('engraved')
      ? 1.2 * text.height_mm
      : /^(step|length)/.test(text.part)
        ? 1.5 * text.height_mm
        : text.part.startsWith('section')
          ? text.height_mm
          : named;
  const texts = $derived(
    drawing.entities.flatMap((one) => (one.shape === 'text' && one.part !== 'note' ? [one] : [])),
  );
</script>

<svg
  class="max-h-[34vh] w-full bg-dye"
  viewBox="{bounds.left} {-bounds.top} {bounds.right - bounds.left} {bounds.top - bounds.bottom}"
  role="img"
  aria-label={label}
>
  <g
    transform="scale(1 -1)"
    class="fill-none stroke-scribe"
    stroke-width={Math.min(1.2, 0.01 * (bounds.top - bounds.bottom))}
  >
    {#each drawing.entities as entity, k (k)}
      {#if entity.shape === 'path'}<path
          d={pathData(entity)}
          class={entity.part.startsWith('ring:') ? 'fill-brass/60' : 'fill-dye-lit'}
        />
      {:else if entity.shape === 'circle'}<circle
          cx={entity.x_mm}
          cy={entity.y_mm}
          r={entity.radius_mm}
          class="fill-dye"
        />
      {/if}
    {/each}
  </g>
  {#each texts as text, k (k)}
    <text
      x={text.x_mm}
      y={-text.y_mm}
      text-anchor="middle"
      dominant-baseline="middle"
      font-size={sizeOf(text)}
      class={text.part.startsWith('engraved') ? 'fill-brass-lit' : 'fill-scribe'}
      >{units.words(text.text)}</text
    >
  {/each}
</svg>
