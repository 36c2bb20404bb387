<script lang="ts">
  import type { Line } from '../api/types';
  import type { OperatingPoint } from './operating-point.svelte';
  import { placedLabels } from './placed-labels';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    line: Line;
    point: OperatingPoint;
  }
  let { line, point }: Props = $props();
  const units = useUnits();
  let width = $state(800);
  const PAD = 14;

  const greatest = $derived(line.speed_kmh.at(-1) ?? 1);
  const step = $derived((line.speed_kmh[1] ?? 1) - (line.speed_kmh[0] ?? 0));
  const at = $derived((kmh: number) => PAD + (kmh / greatest) * (width - 2 * PAD));
  const greatestShown = $derived(units.shown(greatest, 'km/h'));
  const marks = $derived(Array.from({ length: Math.floor(greatestShown / 2) + 1 }, (_, k) => 2 * k));
  const markAt = $derived((shown: number) => at(units.metric(shown, 'km/h')));
  const labels = $derived(
    placedLabels(
      line.ticks.map((tick) => ({ x: at(tick.kmh), text: tick.text, isLimit: tick.is_limit })),
      width,
    ),
  );
  const numberStep = $derived(greatestShown > 100 ? 20 : 10);
</script>

<section
  aria-label="Operating point"
  class="flex flex-col border-b border-steel-dark bg-steel text-ink md:flex-row md:items-stretch"
>
  <div
    role="radiogroup"
    aria-label="Case of driving"
    class="flex shrink-0 items-center gap-0.5 px-3 text-[13px]"
  >
    {#each line.cases as one (one.key)}
      <button
        role="radio"
        aria-checked={point.case?.key === one.key}
        title={units.words(one.about)}
        class={[
          'rounded-sm px-1.5 py-1 whitespace-nowrap',
          point.case?.key === one.key ? 'bg-ink text-paper' : 'text-ink hover:bg-paper',
        ]}
        onclick={() => (point.caseKey = one.key)}>{one.title}</button
      >
    {/each}
  </div>
  <div class="relative h-[50px] min-w-0 overflow-hidden md:flex-1" bind:clientWidth={width}>
    <svg {width} height="50" class="absolute inset-0" aria-hidden="true">
      {#each marks as speed (speed)}
        <line
          x1={markAt(speed)}
          x2={markAt(speed)}
          y1="0"
          y2={speed % numberStep === 0 ? 11 : speed % 10 === 0 ? 8 : 5}
          class="stroke-ink"
          stroke-width="1"
        />
        {#if speed % numberStep === 0}
          <text x={markAt(speed)} y="21" text-anchor="middle" class="fill-ink figures text-[11px]"
            >{speed}</text
          >
        {/if}
      {/each}
      {#each labels as label, k (k)}
        <line
          x1={label.x}
          x2={label.x}
          y1="0"
          y2={label.y - 3}
          class={label.isLimit ? 'stroke-fails' : 'stroke-ink'}
          stroke-width={label.isLimit ? 1.5 : 1}
          stroke-dasharray={label.isLimit ? null : '2 2'}
        />
        <text
          x={label.textX}
          y={label.y + 3}
          text-anchor={label.anchor}
          class={['text-[11px]', label.isLimit ? 'fill-fails' : 'fill-ink']}>{label.text}</text
        >
      {/each}
      <path d="M{at(point.kmh) - 8} 0h16l-8 11Z" class="fill-brass stroke-paper" stroke-width="1" /><line
        x1={at(point.kmh)}
        x2={at(point.kmh)}
        y1="0"
        y2="50"
        class="stroke-brass"
        stroke-width="1.5"
      />
    </svg>
    <input
      type="range"
      aria-label="Road speed"
      aria-valuetext={units.figure(point.kmh, 'km/h', 0)}
      class="absolute inset-y-0 w-full cursor-ew-resize opacity-0"
      min="0"
      max={greatest}
      {step}
      value={point.kmh}
      oninput={(event) => point.moveTo(event.currentTarget.valueAsNumber)}
    />
  </div>
</section>
