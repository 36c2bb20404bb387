<script lang="ts">
  import type { Drawing, Entity } from '../../api/types';
  import { pathData } from '../../drawing/shapes';

  interface Props {
    entities: readonly Entity[];
    ghost: Drawing | null; // the pinned design, from the same side
    outline: string; // the flange's own, as a path's points
  }
  let { entities, ghost, outline }: Props = $props();
</script>

{#if ghost}
  {#each ghost.entities as entity, k (k)}
    {#if entity.shape === 'path'}<path
        d={pathData(entity)}
        class="stroke-scribe-dim"
        stroke-dasharray="3 3"
      />
    {:else if entity.shape === 'circle'}<circle
        cx={entity.x_mm}
        cy={entity.y_mm}
        r={entity.radius_mm}
        class="stroke-scribe-dim"
        stroke-dasharray="2 2"
      />{/if}
  {/each}
{/if}
{#each entities as entity, k (k)}
  {#if entity.shape === 'path'}
    <path d={pathData(entity)} class="fill-dye-lit stroke-scribe" stroke-width="1" />
  {:else if entity.shape === 'circle' && !entity.part.startsWith('motor:')}
    <circle
      cx={entity.x_mm}
      cy={entity.y_mm}
      r={entity.radius_mm}
      class={['stroke-scribe', entity.layer === 'CUT' && 'fill-dye']}
      stroke-dasharray={entity.layer === 'CUT' ? undefined : '2.5 2'}
      stroke-width={entity.layer === 'CUT' ? 1 : 0.5}
    />
  {:else if entity.shape === 'punch'}
    <path d="M{entity.x_mm - 3} {entity.y_mm}h6M{entity.x_mm} {entity.y_mm - 3}v6" class="stroke-scribe" />
  {/if}
{/each}
{#if outline}<path d="M{outline}Z" class="stroke-scribe-dim" stroke-dasharray="6 2" />{/if}
