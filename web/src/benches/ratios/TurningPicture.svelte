<script lang="ts">
  import type { SafetyView } from '../../api/types';

  interface Props {
    turns: SafetyView['turns'];
  }
  let { turns }: Props = $props();

  // The vehicle's nose points left, so that the wheel of its near, left side rolls anticlockwise.
  const shown = $derived([...turns, { what: 'Left wheel', way: 'anticlockwise' as const, note: 'forward' }]);
  const STEP = 112;
  const RADIUS = 30;
  const wayWords = (way: string | null) => way ?? 'not known';
  const spoken = $derived(
    shown
      .map((one) => `${one.what}: ${wayWords(one.way ?? null)}${one.note ? `, ${one.note}` : ''}`)
      .join('; '),
  );
</script>

<svg
  viewBox="0 0 {STEP * shown.length} 142"
  class="my-2 w-full bg-dye text-scribe"
  role="img"
  aria-label={spoken}
>
  {#each shown as one, k (k)}
    <g transform="translate({STEP * (k + 0.5)} 52)" fill="none" stroke="currentColor" stroke-width="1.5">
      <circle r={RADIUS} stroke-dasharray={one.way ? undefined : '4 4'} />
      <circle r="5" />
      {#if one.way}
        <g class={['turns', one.way === 'anticlockwise' && 'back']}>
          <path d="M0 -9V-24 M7.8 4.5L20.8 12 M-7.8 4.5L-20.8 12" opacity="0.6" />
        </g>
        <g stroke="var(--color-brass-lit)" transform={one.way === 'anticlockwise' ? 'scale(-1 1)' : ''}>
          <path d="M-31 -22A38 38 0 0 1 31 -22" stroke-width="2.5" />
          <path d="M31 -22l-3 -11 M31 -22l-12 -1" stroke-width="2.5" />
        </g>
      {/if}
    </g>
    <g text-anchor="middle" transform="translate({STEP * (k + 0.5)} 100)">
      {#if !one.way}<text y="-42" class="fill-current text-[18px]">?</text>{/if}
      <text class="fill-current text-[13px] font-semibold">{one.what}</text>
      <text y="16" class="fill-scribe-dim text-[11.5px]">{wayWords(one.way ?? null)}</text>
      {#if one.note}<text y="31" class="fill-scribe-dim text-[11.5px]">{one.note}</text>{/if}
    </g>
  {/each}
</svg>

<style>
  @media (prefers-reduced-motion: no-preference) {
    .turns {
      animation: turn 4s linear infinite;
    }
    .back {
      animation-direction: reverse;
    }
  }
  @keyframes turn {
    to {
      transform: rotate(360deg);
    }
  }
</style>
