<script lang="ts">
  import type { Terminals } from '../../api/types';
  import { arcPath, arcRadius, circleRadius, type Circle } from './motor-ring';
  import { turnByPointer } from './turn-by-pointer';

  interface Props {
    holes: readonly Circle[];
    terminals: Terminals | null;
    turnedDeg: number;
    sense: number;
    onturn: ((deg: number) => void) | null; // null: may not be changed
  }
  let { holes, terminals, turnedDeg, sense, onturn }: Props = $props();
  const radius = $derived(circleRadius(holes));
  const inner = $derived(arcRadius(holes));
  const first = $derived(holes[0]);
</script>

{#if terminals}
  {@const { at_deg: at, arc_deg: wide, from_deg: from, to_deg: to } = terminals}
  {#if from !== null && to !== null}
    <path d={arcPath(from, to, inner, sense)} class="stroke-scribe-dim" stroke-width="1.5" />
  {/if}
  <path
    d={arcPath(at - wide / 2, at + Math.max(wide / 2, 1), inner, sense)}
    class="stroke-brass-lit"
    stroke-width="6"
  />
{/if}
<circle r={radius} class="stroke-brass-lit" stroke-dasharray="5 3.5" />
<g
  role="slider"
  tabindex={onturn ? 0 : -1}
  aria-label="Motor turned, degrees"
  aria-valuenow={turnedDeg}
  class={onturn ? 'cursor-grab active:cursor-grabbing' : ''}
  {@attach onturn ? turnByPointer(() => ({ turnedDeg, sense, onturn })) : undefined}
>
  <circle r={radius} class="stroke-transparent" stroke-width="26" pointer-events="stroke" />
  {#each holes as entity, k (k)}
    <circle
      cx={entity.x_mm}
      cy={entity.y_mm}
      r={entity.radius_mm}
      class={['stroke-brass-lit', entity.layer === 'CUT' && 'fill-dye']}
      stroke-dasharray={entity.layer === 'CUT' ? undefined : '2.5 2'}
      stroke-width="1.1"
    />
  {/each}
  {#if first}<path d="M0 0L{first.x_mm} {first.y_mm}" class="stroke-brass-lit" stroke-width="0.6" />{/if}
</g>
