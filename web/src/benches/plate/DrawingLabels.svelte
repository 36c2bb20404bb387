<script lang="ts">
  import type { Entity, HoleResult, SurveyReading, Terminals } from '../../api/types';
  import { arcRadius, onArc, type Circle } from './motor-ring';
  import { endsOf, type PlateState } from './plate.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    plate: PlateState;
    readings: readonly SurveyReading[];
    entities: readonly Entity[];
    motorHoles: readonly Circle[];
    terminals: Terminals | null;
  }
  let { plate, readings, entities, motorHoles, terminals }: Props = $props();
  const units = useUnits();
  const LABEL_MM = 31; // from a hole to its name, clear of the edge
  const WRITTEN = /^(standoff:|foot:|engraved:|row$)/; // what the drawing itself says beside the survey's names

  const written = $derived(
    entities.flatMap((one) => (one.shape === 'text' && WRITTEN.test(one.part) ? [one] : [])),
  );
  const suspects = $derived(
    plate.survey.readings.flatMap((one, index) => {
      const reading = readings[index];
      return one.fit === 'suspect' && reading ? [{ off: one.off_mm, reading, index }] : [];
    }),
  );

  /** Labels stand outside their hole, away from the centre. */
  function outward(x: number, y: number, by: number): { x: number; y: number } {
    const length = Math.hypot(x, y) || 1;
    return { x: x + (x / length) * by, y: y + (y / length) * by };
  }
  const nameAt = (hole: HoleResult) =>
    hole.is_bore
      ? { x: hole.x_mm, y: hole.y_mm - hole.diameter_mm / 2 + 10 }
      : outward(hole.x_mm, hole.y_mm, LABEL_MM);
  function middle(reading: SurveyReading): { x: number; y: number } | null {
    const [from, to] = endsOf(reading).map((id) => plate.hole(id));
    return from && to ? outward((from.x_mm + to.x_mm) / 2, (from.y_mm + to.y_mm) / 2, -24) : null;
  }
  function pick(id: string): void {
    plate.pickedHole = plate.pickedHole === id ? null : id;
  }
</script>

{#each plate.holes as hole (hole.id)}
  {#if hole.id !== 'C'}
    {@const at = nameAt(hole)}
    <g
      role="button"
      tabindex="0"
      aria-label="{hole.id}: its readings"
      aria-pressed={plate.pickedHole === hole.id}
      class="cursor-pointer"
      onclick={() => pick(hole.id)}
      onkeydown={(event) => event.key === 'Enter' && pick(hole.id)}
    >
      {#if !hole.is_bore}
        <circle cx={hole.x_mm} cy={-hole.y_mm} r={hole.diameter_mm / 2 + 3} class="fill-transparent" />
      {/if}
      <text
        x={at.x}
        y={-at.y + 3}
        text-anchor="middle"
        class={['figures text-[10.5px]', hole.is_loose ? 'fill-fails-lit' : 'fill-scribe']}
        >{hole.id}{hole.is_loose ? '?' : ''}</text
      >
    </g>
  {/if}
{/each}
<g class="pointer-events-none" text-anchor="middle">
  {#each motorHoles as entity, k (k)}
    {@const at = outward(entity.x_mm, entity.y_mm, -(entity.radius_mm + 9))}
    {#if entity.layer === 'CUT' || entity.layer === 'MARK'}
      <text x={at.x} y={-at.y + 2.5} class="fill-brass-lit figures text-[9px]">{entity.part.slice(6)}</text>
    {/if}
  {/each}
  {#each suspects as { off, reading, index } (index)}
    {@const at = middle(reading)}
    {#if at}<text x={at.x} y={-at.y + 3} class="fill-fails-lit figures text-[10.5px]"
        >{units.figure(off, 'mm', 1, { signed: true })}?</text
      >{/if}
  {/each}
  {#if terminals && motorHoles.length > 0}
    {@const at = onArc(terminals.at_deg, arcRadius(motorHoles) - 13, plate.sense)}
    <text x={at.x} y={-at.y + 3} class="fill-brass-lit text-[10.5px]">terminals</text>
  {/if}
  {#each written as label, k (k)}
    <text
      x={label.x_mm}
      y={-label.y_mm + 2.5}
      transform={label.turned_deg ? `rotate(${-label.turned_deg} ${label.x_mm} ${-label.y_mm})` : undefined}
      class={['figures', label.part.startsWith('engraved') ? 'fill-scribe-dim' : 'fill-scribe']}
      font-size={label.part.startsWith('engraved') ? 5.5 : 9.5}>{label.text}</text
    >
  {/each}
</g>
