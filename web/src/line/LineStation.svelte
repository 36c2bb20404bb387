<script lang="ts">
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import type { Column, StationFigures } from './station-figures.svelte';
  import { SHAPE_HEIGHT, stationPath } from './station-shapes';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    column: Column;
    figures: StationFigures;
    width: number;
    isOpen: boolean; // its bench is on the screen
    isBranch?: boolean; // half as high, figures in a line
    onopen: (bench: string) => void;
  }
  let { column, figures, width, isOpen, isBranch = false, onopen }: Props = $props();
  const units = useUnits();
  const BRANCH_HEIGHT = 28;
  const TIGHT_WIDTH = 178; // of a branch: its units stay out, they stand ahead of it
  const unit = $derived(isBranch && width < TIGHT_WIDTH ? 'sr-only' : 'text-[11px] text-scribe-dim');
  const height = $derived(isBranch ? BRANCH_HEIGHT : SHAPE_HEIGHT);
  const drawn = $derived((width * SHAPE_HEIGHT) / height);
  const verdict = $derived(figures.verdict(column));
  const way = $derived(column.key.includes('.') ? `${column.key.split('.')[0]} ` : '');
</script>

<button
  class={[
    'relative flex shrink-0 flex-col items-center hover:bg-dye-lit',
    isBranch ? 'pt-[3px]' : 'pt-1 pb-1.5',
    isOpen && 'shadow-[inset_0_3px_0_var(--color-brass-lit)]',
  ]}
  style:width="{width}px"
  onclick={() => onopen(column.bench)}
>
  <span
    class={[
      'max-w-full truncate px-1 text-scribe-dim',
      isBranch ? 'h-[15px] text-[11.5px] leading-[15px]' : 'h-[20px] text-[12.5px]',
    ]}
    >{#if way}<span class="sr-only">{way}</span>{/if}{column.title}</span
  >
  <svg {width} {height} viewBox="0 0 {drawn} {SHAPE_HEIGHT}" aria-hidden="true">
    <path
      d={stationPath(column.kind, drawn)}
      class={column.kind === 'plate' ? 'fill-brass-lit stroke-brass-lit' : 'fill-dye stroke-scribe'}
      stroke-width={isBranch ? 1.9 : 1.3}
    />
  </svg>
  <span
    class={[
      'flex items-center figures',
      isBranch
        ? 'h-[19px] gap-x-2 text-[12.5px] whitespace-nowrap'
        : 'min-h-[50px] flex-col text-[13px] leading-[17px]',
    ]}
  >
    {#if column.row !== null}
      <span>{figures.rpm(column)} <span class={unit}>rpm</span></span>
      <span>
        <span class="text-[11px] text-scribe-dim">{figures.ghostTorque(column)}</span>{figures.torque(column)}
        <span class={unit}>{units.symbol('N·m')}</span>
      </span>
    {/if}
    {#if verdict}
      <span
        class={[
          'flex items-center gap-1.5',
          verdict === 'fails' && 'text-fails-lit',
          verdict === 'tight' && 'text-brass-lit',
          verdict === 'not_known' && 'text-scribe-dim',
        ]}><VerdictMark {verdict} onDye />{figures.margin(column)}</span
      >
    {/if}
  </span>
  <span class="sr-only">: open its bench</span>
</button>
