<script lang="ts">
  import type { SurveyReading } from '../../api/types';
  import { endsOf, type PlateState } from './plate.svelte';

  interface Props {
    plate: PlateState;
    readings: readonly SurveyReading[];
    showNext: boolean;
  }
  let { plate, readings, showNext }: Props = $props();
  const EXAGGERATED = 40;

  const lit = $derived(plate.hoveredReading === null ? null : (readings[plate.hoveredReading] ?? null));
  const touching = $derived(
    plate.pickedHole === null
      ? []
      : readings.filter((reading) => endsOf(reading).includes(plate.pickedHole ?? '')),
  );
  const suspects = $derived(readings.filter((_, index) => plate.survey.readings[index]?.fit === 'suspect'));
  /** The two points that the next reading goes between. */
  const nextHoles = $derived.by(() => {
    const { next_reading: next } = plate.survey;
    return next && showNext ? [next.a, next.b].flatMap((id) => plate.hole(id) ?? []) : [];
  });

  function line(reading: SurveyReading): string {
    const [from, to] = endsOf(reading).map((id) => plate.hole(id));
    return from && to ? `M${from.x_mm} ${from.y_mm}L${to.x_mm} ${to.y_mm}` : '';
  }
</script>

{#each touching as reading, k (k)}<path d={line(reading)} class="stroke-scribe-dim" />{/each}
{#each nextHoles as hole (hole.id)}
  <circle
    cx={hole.x_mm}
    cy={hole.y_mm}
    r={hole.diameter_mm / 2 + 4}
    class="stroke-brass-lit"
    stroke-width="1.2"
  />
{/each}
{#if lit}<path d={line(lit)} class="stroke-brass-lit" stroke-width="2" />{/if}
{#each suspects as reading, k (k)}<path
    d={line(reading)}
    class="stroke-fails-lit"
    stroke-width="1.8"
  />{/each}
{#each plate.holes as hole (hole.id)}
  {#if hole.major_mm && hole.minor_mm}
    <ellipse
      cx={hole.x_mm}
      cy={hole.y_mm}
      rx={hole.major_mm * EXAGGERATED}
      ry={hole.minor_mm * EXAGGERATED}
      transform="rotate({hole.angle_deg} {hole.x_mm} {hole.y_mm})"
      class="stroke-scribe-dim"
      stroke-width="0.4"
    />
  {/if}
  {#if !plate.drawing && !hole.is_loose && hole.id !== 'C'}
    <circle cx={hole.x_mm} cy={hole.y_mm} r={hole.diameter_mm / 2} class="stroke-scribe" />
  {/if}
  {#if hole.is_loose}
    <circle
      cx={hole.x_mm}
      cy={hole.y_mm}
      r={Math.max(hole.diameter_mm / 2, 4)}
      class="stroke-fails-lit"
      stroke-dasharray="2 2"
    />
  {/if}
{/each}
