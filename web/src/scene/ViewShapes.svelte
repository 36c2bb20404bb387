<script lang="ts">
  import type { DrawnBody } from '../api/types';
  import { points, type DrawnShape, type Scale } from './scene';

  interface Props {
    shapes: readonly DrawnShape[];
    scale: Scale;
    lit: string;
    canMove: boolean;
    ondown: (event: PointerEvent, isUnit: boolean) => void;
    onpick: (field: string) => void;
  }
  let { shapes, scale, lit, canMove, ondown, onpick }: Props = $props();

  function look(body: DrawnBody, isOver: boolean): string {
    if (body.keeps_clear) return 'fill-none stroke-brass-lit';
    if (body.is_off || body.fate === 'off') return 'fill-none stroke-scribe-dim opacity-50';
    if (body.is_unit) return 'fill-dye-lit stroke-scribe';
    if (body.fate === 'cut') return `${isOver ? 'fill-none' : 'fill-dye-deep'} stroke-fails-lit`;
    if (body.fate === 'made') return 'fill-dye-lit/60 stroke-scribe';
    if (isOver) return 'fill-none stroke-scribe-dim opacity-60';
    return 'fill-dye-deep stroke-scribe-dim';
  }
  const isGhost = (body: DrawnBody) => body.keeps_clear || body.is_off || body.fate === 'off';
  const dash = (body: DrawnBody) => (isGhost(body) ? '2 3' : body.fate === 'after' ? '6 4' : undefined);
</script>

{#each shapes as { key, body, outline, lines, isOver } (key)}
  <!-- svelte-ignore a11y_no_static_element_interactions, a11y_click_events_have_key_events -->
  <g
    class={[look(body, isOver), body.is_unit && canMove && 'cursor-move']}
    stroke-width={body.field === lit ? 2.4 : body.is_unit ? 1.4 : 1}
    stroke-dasharray={dash(body)}
    onpointerdown={(event) => ondown(event, body.is_unit)}
    onclick={() => onpick(body.field)}
  >
    <title>{body.name}</title>
    <polygon points={points(outline, scale)} class={body.field === lit ? 'stroke-brass-lit' : ''} />
    {#if !isGhost(body)}
      <g class="pointer-events-none fill-none" stroke-width="0.5" opacity="0.5">
        {#each lines as line, k (k)}<polyline points={points(line, scale)} />{/each}
      </g>
    {/if}
  </g>
{/each}
