<script lang="ts">
  import type { Line } from '../api/types';
  import LineStation from './LineStation.svelte';
  import type { OperatingPoint } from './operating-point.svelte';
  import { columnsOf, StationFigures } from './station-figures.svelte';
  import { BRANCH_WEIGHT, SHAPE_HEIGHT, TRUNK_WEIGHT, WEIGHTS } from './station-shapes';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    line: Line;
    ghost: Line | null; // the pinned design
    point: OperatingPoint;
    bench: string;
    onopen: (bench: string) => void;
  }
  let { line, ghost, point, bench, onopen }: Props = $props();
  const units = useUnits();
  let width = $state(1280);
  const LANE_NAME = 44;

  // The page makes a new view for another operating point.
  // svelte-ignore state_referenced_locally
  const figures = new StationFigures(
    () => line,
    () => ghost,
    point,
    units,
  );
  const trunk = $derived(columnsOf(line, 'trunk'));
  const lanes = $derived(
    (['front', 'rear'] as const)
      .map((way) => ({ way, columns: columnsOf(line, way) }))
      .filter((lane) => lane.columns.length > 0),
  );
  const leastWidth = $derived(lanes.length > 0 ? 1100 : 860);
  // A branch has its figures in a line, which want room; beside branches what stands ahead of them, in a column, less.
  const weight = $derived((kind: string) => (lanes.length > 0 ? TRUNK_WEIGHT : (WEIGHTS[kind] ?? 1.15)));
  const laneWeight = $derived(BRANCH_WEIGHT * Math.max(0, ...lanes.map((lane) => lane.columns.length)));
  const total = $derived(
    trunk.reduce((sum, column) => sum + weight(column.kind), 0) + laneWeight + weight('road'),
  );
  const room = $derived(Math.max(width, leastWidth) - (lanes.length > 0 ? LANE_NAME : 0));
  const px = $derived((kind: string) => (room * weight(kind)) / total);
</script>

<section
  aria-label="The Line, motor to road"
  class="on-dye overflow-x-auto bg-dye text-scribe"
  bind:clientWidth={width}
>
  <div class="relative flex" style:min-width="{leastWidth}px">
    {#if trunk.length > 0}
      <svg class="pointer-events-none absolute top-[25px] left-0 h-[52px] w-full" aria-hidden="true">
        <line x1="0" x2="100%" y1="26" y2="26" class="stroke-dye-grid" stroke-dasharray="14 4 3 4" />
      </svg>
    {/if}
    {#each trunk as column (column.key)}
      <LineStation {column} {figures} {onopen} width={px(column.kind)} isOpen={column.bench === bench} />
    {/each}
    {#if lanes.length > 0}
      <div class="relative flex flex-col bg-dye">
        {#each lanes as { way, columns } (way)}
          <div class="flex border-l-2 border-dye-grid first:border-b" role="group" aria-label="{way} axle">
            <span
              class="flex items-center justify-center text-[12px] text-scribe-dim"
              style:width="{LANE_NAME - 2}px">{way}</span
            >
            {#each columns as column (column.key)}
              <LineStation
                {column}
                {figures}
                {onopen}
                width={(room * laneWeight) / total / columns.length}
                isOpen={column.bench === bench}
                isBranch
              />
            {/each}
          </div>
        {/each}
      </div>
    {/if}
    <div class="flex shrink-0 flex-col items-center pt-1" style:width="{px('road')}px">
      <span class="h-[20px] text-[12.5px] text-scribe-dim">Road</span>
      <svg width={px('road')} height={SHAPE_HEIGHT} aria-hidden="true">
        <path
          d="M{px('road') * 0.15} 26H{px('road') * 0.8}m-9 -5l9 5l-9 5M{px('road') * 0.1} 50H{px('road') *
            0.9}"
          class="fill-none stroke-scribe"
          stroke-width="1.3"
        />
      </svg>
      <span class="flex flex-col items-center figures text-[13px] leading-[17px]">
        <span class="text-[17px] leading-[19px]"
          >{units.num(point.kmh, 'km/h', 0)}
          <span class="text-[11px] text-scribe-dim">{units.symbol('km/h')}</span></span
        >
        <span
          >{units.num(point.case?.road_n[point.index], 'N', 0)}
          <span class="text-[11px] text-scribe-dim">{units.symbol('N')}</span></span
        >
      </span>
    </div>
  </div>
</section>
