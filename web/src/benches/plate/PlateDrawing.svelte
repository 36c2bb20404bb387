<script lang="ts">
  import type { Drawing, PlateResult, SurveyReading } from '../../api/types';
  import { boundsOf } from '../../drawing/shapes';
  import { fixed } from '../../lib/format';
  import CutLines from './CutLines.svelte';
  import DrawingLabels from './DrawingLabels.svelte';
  import { motorCircles } from './motor-ring';
  import MotorRing from './MotorRing.svelte';
  import type { PlateState } from './plate.svelte';
  import SurveyMarks from './SurveyMarks.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: PlateResult;
    plate: PlateState;
    readings: readonly SurveyReading[];
    turnedDeg: number;
    ghost: Drawing | null; // the pinned design, from the same side
    onturn: ((deg: number) => void) | null; // null: may not be changed
  }
  let { result, plate, readings, turnedDeg, ghost, onturn }: Props = $props();
  const units = useUnits();
  const ROOM_MM = 24;
  /** A scale of a round length: 100 mm, or 4 in. */
  const barMm = $derived(units.system.startsWith('us') ? units.metric(4, 'mm') : 100);

  const bounds = $derived.by(() => {
    const drawn = plate.drawing;
    if (!drawn) return boundsOf(plate.holes, 40);
    const corners = [
      { x_mm: drawn.least_x_mm, y_mm: drawn.least_y_mm },
      { x_mm: drawn.greatest_x_mm, y_mm: drawn.greatest_y_mm },
    ];
    return boundsOf(corners, ROOM_MM);
  });
  const cut = $derived(plate.drawing?.entities ?? []);
  const motorHoles = $derived(motorCircles(cut));
  const isTurned = $derived(motorHoles.length > 0 && plate.part?.key !== 'ring');
  const outline = $derived(
    plate.survey.outline.map(({ x_mm, y_mm }) => `${plate.sense * x_mm} ${y_mm}`).join('L'),
  );
</script>

<svg
  class="on-dye h-full w-full touch-none bg-dye select-none"
  viewBox="{bounds.left} {-bounds.top} {bounds.right - bounds.left} {bounds.top - bounds.bottom}"
  role="group"
  aria-label="{plate.part?.title ?? 'Flange'} to scale, {plate.seenFrom}"
>
  <g transform="scale(1 -1)" class="fill-none" stroke-width="0.7">
    <path
      d="M{bounds.left} 0H{bounds.right}M0 {bounds.bottom}V{bounds.top}"
      class="stroke-dye-grid"
      stroke-dasharray="14 3 2 3"
    />
    <CutLines entities={cut} {ghost} {outline} />
    {#if motorHoles.length > 0}
      <MotorRing
        holes={motorHoles}
        terminals={result.terminals}
        {turnedDeg}
        sense={plate.sense}
        onturn={isTurned ? onturn : null}
      />
    {/if}
    <SurveyMarks {plate} {readings} showNext={onturn !== null} />
  </g>
  <DrawingLabels {plate} {readings} entities={cut} {motorHoles} terminals={result.terminals} />
  {#if isTurned}
    <text y="-5" text-anchor="middle" class="fill-brass-lit figures text-[10.5px]"
      >turned {fixed(turnedDeg, 1)}°</text
    >
  {/if}
  <g transform="translate({bounds.left + 8} {-bounds.bottom - 8})" class="stroke-scribe" stroke-width="0.8">
    <path d="M0 -3v6M0 0h{barMm}M{barMm / 2} -2v4M{barMm} -3v6" />
    <text x={barMm + 5} y="3" stroke="none" class="fill-scribe figures text-[10px]"
      >{units.figure(barMm, 'mm', 0)}</text
    >
  </g>
</svg>
