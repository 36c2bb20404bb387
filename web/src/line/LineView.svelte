<script lang="ts">
  import type { Check, Line, Station, Verdict } from '../api/types';
  import { fixed, whole } from '../lib/format';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { VERDICT_LETTERS } from '../lib/verdicts';
  import type { OperatingPoint } from './operating-point.svelte';
  import { SHAPE_HEIGHT, stationPath, WEIGHTS } from './station-shapes';

  interface Props {
    line: Line;
    ghost: Line | null; // the pinned design
    point: OperatingPoint;
    checks: readonly Check[];
    bench: string;
    onopen: (bench: string) => void;
  }
  let { line, ghost, point, checks, bench, onopen }: Props = $props();
  let width = $state(1280);

  interface Column {
    kind: string;
    title: string;
    bench: string;
    row: number | null; // its row in the core's tables; null for the plate, which does not turn
    station: Station | null;
  }

  const columns = $derived.by((): Column[] => {
    const turning = line.stations.map((station, row) => ({
      kind: station.key,
      title: station.title,
      bench: station.bench,
      row,
      station,
    }));
    const hasPlate = line.stations.some((station) => station.key === 'coupler');
    const plate = { kind: 'plate', title: 'Adapter plate', bench: 'plate', row: null, station: null };
    return hasPlate ? [...turning.slice(0, 1), plate, ...turning.slice(1)] : turning;
  });
  const weight = (kind: string) => WEIGHTS[kind] ?? 1.15;
  const total = $derived(columns.reduce((sum, column) => sum + weight(column.kind), weight('road')));
  const px = $derived((kind: string) => (Math.max(width, 860) * weight(kind)) / total);
  const worstOfPlate = $derived(checks.find((check) => check.bench === 'plate'));

  function verdictOf(column: Column): Verdict | null {
    if (column.row === null) return worstOfPlate?.verdict ?? null;
    const letter = point.case?.verdict[column.row]?.[point.index] ?? '-';
    if (letter === '?') return column.kind === 'coupler' || column.kind === 'wheel' ? null : 'not_known';
    return VERDICT_LETTERS[letter] ?? null;
  }

  function marginText(column: Column): string {
    if (column.row === null) return worstOfPlate?.margin ? fixed(worstOfPlate.margin, 2) : '';
    const margin = point.case?.margin[column.row]?.[point.index];
    if (margin === null || margin === undefined) return 'rating?';
    return margin >= 10 ? '10+' : fixed(margin, 2);
  }

  function ghostTorque(column: Column): string {
    const other = ghost?.cases.find((one) => one.key === point.case?.key);
    const row = ghost?.stations.findIndex((station) => station.key === column.kind) ?? -1;
    const index = ghost?.speed_kmh.findIndex((speed) => speed >= point.kmh) ?? -1;
    const torque = other?.torque_nm[row]?.[index];
    const now = column.row === null ? null : point.case?.torque_nm[column.row]?.[point.index];
    return torque === null || torque === undefined || torque === now ? '' : `${whole(torque)} → `;
  }
</script>

<section
  aria-label="The Line, motor to road"
  class="on-dye overflow-x-auto bg-dye text-scribe"
  bind:clientWidth={width}
>
  <div class="relative flex min-w-[860px]">
    <svg class="pointer-events-none absolute top-[25px] left-0 h-[52px] w-full" aria-hidden="true">
      <line x1="0" x2="100%" y1="26" y2="26" class="stroke-dye-grid" stroke-dasharray="14 4 3 4" />
    </svg>
    {#each columns as column (column.kind)}
      {@const verdict = verdictOf(column)}
      {@const torque = column.row === null ? null : point.case?.torque_nm[column.row]?.[point.index]}
      {@const rpm = column.row === null ? null : line.rpm[column.row]?.[point.index]}
      <button
        class={[
          'relative flex shrink-0 flex-col items-center pt-1 pb-1.5 hover:bg-dye-lit',
          column.bench === bench && 'shadow-[inset_0_3px_0_var(--color-brass-lit)]',
        ]}
        style:width="{px(column.kind)}px"
        onclick={() => onopen(column.bench)}
        aria-label="{column.title}: open its bench"
      >
        <span class="h-[20px] max-w-full truncate px-1 text-[12.5px] text-scribe-dim">{column.title}</span>
        <svg width={px(column.kind)} height={SHAPE_HEIGHT} aria-hidden="true">
          <path
            d={stationPath(column.kind, px(column.kind))}
            class={column.kind === 'plate' ? 'fill-brass-lit stroke-brass-lit' : 'fill-dye stroke-scribe'}
            stroke-width="1.3"
          />
        </svg>
        <span class="flex min-h-[50px] flex-col items-center figures text-[13px] leading-[17px]">
          {#if column.row !== null}
            <span>{whole(rpm)} <span class="text-[11px] text-scribe-dim">rpm</span></span>
            <span>
              {#if ghost}<span class="text-[11px] text-scribe-dim">{ghostTorque(column)}</span>{/if}{whole(
                torque,
              )}
              <span class="text-[11px] text-scribe-dim">N·m</span>
            </span>
          {/if}
          {#if verdict}
            <span
              class={[
                'flex items-center gap-1.5',
                verdict === 'fails' && 'text-fails-lit',
                verdict === 'tight' && 'text-brass-lit',
                verdict === 'not_known' && 'text-scribe-dim',
              ]}><VerdictMark {verdict} onDye />{marginText(column)}</span
            >
          {/if}
        </span>
      </button>
    {/each}
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
          >{whole(point.kmh)} <span class="text-[11px] text-scribe-dim">km/h</span></span
        >
        <span
          >{whole(point.case?.road_n[point.index])} <span class="text-[11px] text-scribe-dim">N</span></span
        >
      </span>
    </div>
  </div>
</section>
