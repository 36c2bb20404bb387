<script lang="ts">
  import type { Drawing, PlateResult, SurveyReading } from '../../api/types';
  import { boundsOf, pathData } from '../../drawing/shapes';
  import { fixed, signed } from '../../lib/format';
  import { endsOf, type PlateState } from './plate.svelte';
  import { turnByPointer } from './turn-by-pointer';

  interface Props {
    result: PlateResult;
    plate: PlateState;
    readings: readonly SurveyReading[];
    turnedDeg: number;
    ghost: Drawing | null; // the pinned design, from the same side
    onturn: ((deg: number) => void) | null; // null: may not be changed
  }
  let { result, plate, readings, turnedDeg, ghost, onturn }: Props = $props();
  const EXAGGERATED = 40;
  const LABEL_MM = 31; // from a hole to its name, clear of the edge
  const ROOM_MM = 24;

  const bounds = $derived.by(() => {
    const drawn = plate.drawing;
    if (!drawn) return boundsOf(plate.holes, 40);
    const corners = [
      { x_mm: drawn.least_x_mm, y_mm: drawn.least_y_mm },
      { x_mm: drawn.greatest_x_mm, y_mm: drawn.greatest_y_mm },
    ];
    return boundsOf(corners, ROOM_MM);
  });
  const suspects = $derived(
    plate.survey.readings.map((one, index) => ({ one, index })).filter(({ one }) => one.fit === 'suspect'),
  );
  const lit = $derived(plate.hoveredReading === null ? null : (readings[plate.hoveredReading] ?? null));
  const touching = $derived(
    plate.pickedHole === null
      ? []
      : readings.filter((reading) => endsOf(reading).includes(plate.pickedHole ?? '')),
  );
  /** The two points that the next reading goes between. */
  const nextHoles = $derived.by(() => {
    const { next_reading: next } = plate.survey;
    return next && onturn ? [next.a, next.b].flatMap((id) => plate.hole(id) ?? []) : [];
  });
  const cut = $derived(plate.drawing?.entities ?? []);
  const motorHoles = $derived(
    cut.flatMap((one) => (one.shape === 'circle' && one.part.startsWith('motor:') ? [one] : [])),
  );
  const firstMotor = $derived(motorHoles[0]);
  const circleRadius = $derived(firstMotor ? Math.hypot(firstMotor.x_mm, firstMotor.y_mm) : 0);
  const barMm = 100;
  const labels = $derived(
    cut.flatMap((one) =>
      one.shape === 'text' && /^(standoff:|foot:|engraved:|row$)/.test(one.part) ? [one] : [],
    ),
  );
  const outline = $derived(
    plate.survey.outline.map(({ x_mm, y_mm }) => `${plate.sense * x_mm} ${y_mm}`).join('L'),
  );
  const arcRadius = $derived(circleRadius - 20);
  /** Angles run anticlockwise from the engine side; turned over, they run the other way from the other end. */
  const seenDeg = (deg: number) => (plate.sense > 0 ? deg : 180 - deg);
  function arc(fromDeg: number, toDeg: number): string {
    const at = (deg: number) => {
      const rad = (seenDeg(deg) * Math.PI) / 180;
      return `${arcRadius * Math.cos(rad)} ${arcRadius * Math.sin(rad)}`;
    };
    const isLong = toDeg - fromDeg > 180 ? 1 : 0;
    return `M${at(fromDeg)}A${arcRadius} ${arcRadius} 0 ${isLong} ${plate.sense > 0 ? 1 : 0} ${at(toDeg)}`;
  }

  function line(reading: SurveyReading): string {
    const [from, to] = endsOf(reading).map((id) => plate.hole(id));
    return from && to ? `M${from.x_mm} ${from.y_mm}L${to.x_mm} ${to.y_mm}` : '';
  }
  function middle(reading: SurveyReading): { x: number; y: number } | null {
    const [from, to] = endsOf(reading).map((id) => plate.hole(id));
    return from && to ? { x: (from.x_mm + to.x_mm) / 2, y: (from.y_mm + to.y_mm) / 2 } : null;
  }
  /** Labels stand outside their hole, away from the centre. */
  function outward(x: number, y: number, by: number): { x: number; y: number } {
    const length = Math.hypot(x, y) || 1;
    return { x: x + (x / length) * by, y: y + (y / length) * by };
  }
</script>

<svg
  class="on-dye h-full w-full touch-none bg-dye select-none"
  viewBox="{bounds.left} {-bounds.top} {bounds.right - bounds.left} {bounds.top - bounds.bottom}"
  role="img"
  aria-label="{plate.part?.title ?? 'Flange'} to scale, {plate.seenFrom}"
>
  <g transform="scale(1 -1)" class="fill-none" stroke-width="0.7">
    <path
      d="M{bounds.left} 0H{bounds.right}M0 {bounds.bottom}V{bounds.top}"
      class="stroke-dye-grid"
      stroke-dasharray="14 3 2 3"
    />
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
    {#each cut as entity, k (k)}
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
        <path
          d="M{entity.x_mm - 3} {entity.y_mm}h6M{entity.x_mm} {entity.y_mm - 3}v6"
          class="stroke-scribe"
        />
      {/if}
    {/each}
    {#if outline}<path d="M{outline}Z" class="stroke-scribe-dim" stroke-dasharray="6 2" />{/if}
    {#if circleRadius > 0 && result.terminals}
      {@const { at_deg: at, arc_deg: wide, from_deg: from, to_deg: to } = result.terminals}
      {#if from !== null && to !== null}<path
          d={arc(from, to)}
          class="stroke-scribe-dim"
          stroke-width="1.5"
        />{/if}
      <path d={arc(at - wide / 2, at + Math.max(wide / 2, 1))} class="stroke-brass-lit" stroke-width="6" />
    {/if}
    {#if circleRadius > 0}
      <circle r={circleRadius} class="stroke-brass-lit" stroke-dasharray="5 3.5" />
      <g
        role="slider"
        tabindex={onturn ? 0 : -1}
        aria-label="Motor turned, degrees"
        aria-valuenow={turnedDeg}
        class={onturn ? 'cursor-grab active:cursor-grabbing' : ''}
        {@attach onturn ? turnByPointer(() => ({ turnedDeg, sense: plate.sense, onturn })) : undefined}
      >
        <circle r={circleRadius} class="stroke-transparent" stroke-width="26" pointer-events="stroke" />
        {#each motorHoles as entity, k (k)}
          <circle
            cx={entity.x_mm}
            cy={entity.y_mm}
            r={entity.radius_mm}
            class={['stroke-brass-lit', entity.layer === 'CUT' && 'fill-dye']}
            stroke-dasharray={entity.layer === 'CUT' ? undefined : '2.5 2'}
            stroke-width="1.1"
          />
        {/each}
        {#if firstMotor}<path
            d="M0 0L{firstMotor.x_mm} {firstMotor.y_mm}"
            class="stroke-brass-lit"
            stroke-width="0.6"
          />{/if}
      </g>
    {/if}
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
    {#each suspects as { index } (index)}
      {@const reading = readings[index]}
      {#if reading}<path d={line(reading)} class="stroke-fails-lit" stroke-width="1.8" />{/if}
    {/each}
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
  </g>
  {#each plate.holes as hole (hole.id)}
    {#if hole.id !== 'C'}
      {@const at = hole.is_bore
        ? { x: hole.x_mm, y: hole.y_mm - hole.diameter_mm / 2 + 10 }
        : outward(hole.x_mm, hole.y_mm, LABEL_MM)}
      <g
        role="button"
        tabindex="0"
        aria-label="{hole.id}: its readings"
        aria-pressed={plate.pickedHole === hole.id}
        class="cursor-pointer"
        onclick={() => (plate.pickedHole = plate.pickedHole === hole.id ? null : hole.id)}
        onkeydown={(event) =>
          event.key === 'Enter' && (plate.pickedHole = plate.pickedHole === hole.id ? null : hole.id)}
      >
        <circle cx={hole.x_mm} cy={-hole.y_mm} r={hole.diameter_mm / 2 + 3} class="fill-transparent" />
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
  {#each motorHoles as entity (entity.part)}
    {@const at = outward(entity.x_mm, entity.y_mm, -(entity.radius_mm + 9))}
    <text
      x={at.x}
      y={-at.y + 2.5}
      text-anchor="middle"
      class="pointer-events-none fill-brass-lit figures text-[9px]">{entity.part.slice(6)}</text
    >
  {/each}
  {#each suspects as { one, index } (index)}
    {@const reading = readings[index]}
    {@const at = reading ? middle(reading) : null}
    {#if at}
      {@const off = outward(at.x, at.y, -24)}
      <text x={off.x} y={-off.y + 3} text-anchor="middle" class="fill-fails-lit figures text-[10.5px]"
        >{signed(one.off_mm, 1)} mm?</text
      >
    {/if}
  {/each}
  {#if circleRadius > 0 && result.terminals}
    {@const rad = (seenDeg(result.terminals.at_deg) * Math.PI) / 180}
    <text
      x={(arcRadius - 13) * Math.cos(rad)}
      y={-(arcRadius - 13) * Math.sin(rad) + 3}
      text-anchor="middle"
      class="pointer-events-none fill-brass-lit text-[10.5px]">terminals</text
    >
  {/if}
  {#each labels as label, k (k)}
    <text
      x={label.x_mm}
      y={-label.y_mm + 2.5}
      text-anchor="middle"
      transform={label.turned_deg ? `rotate(${-label.turned_deg} ${label.x_mm} ${-label.y_mm})` : undefined}
      class={[
        'pointer-events-none figures',
        label.part.startsWith('engraved') ? 'fill-scribe-dim' : 'fill-scribe',
      ]}
      font-size={label.part.startsWith('engraved') ? 6.5 : 9.5}>{label.text}</text
    >
  {/each}
  {#if firstMotor && plate.part?.key !== 'ring'}
    <text x="6" y="-5" class="fill-brass-lit figures text-[10.5px]">turned {fixed(turnedDeg, 1)}°</text>
  {/if}
  <g transform="translate({bounds.left + 8} {-bounds.bottom - 8})" class="stroke-scribe" stroke-width="0.8">
    <path d="M0 -3v6M0 0h{barMm}M{barMm / 2} -2v4M{barMm} -3v6" />
    <text x={barMm + 5} y="3" stroke="none" class="fill-scribe figures text-[10px]">{barMm} mm</text>
  </g>
</svg>
