<script lang="ts">
  import type { SafetyView } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    parked: NonNullable<SafetyView['parked']>;
  }
  let { parked }: Props = $props();
  const units = useUnits();

  // Drawn with its nose to the left: down the grade when it faces down.
  const angleDeg = $derived((Math.atan(parked.grade_pct / 100) * 180) / Math.PI);
  const turnDeg = $derived(parked.is_facing_up ? angleDeg : -angleDeg);
  const downhill = $derived(parked.is_facing_up ? 1 : -1);
  const isFrontBraked = $derived(parked.braked_axle === 'front');
  const holds = $derived(parked.hold_n >= parked.down_n);
  const force = (newtons: number) => units.figure(newtons, 'N', 0);
  const wheels = $derived([
    { x: -78, isBraked: isFrontBraked },
    { x: 78, isBraked: !isFrontBraked },
  ]);
</script>

<figure class="my-2">
  <svg
    viewBox="-200 -112 400 200"
    class="w-full bg-dye text-scribe"
    role="img"
    aria-label="The laden vehicle facing {parked.is_facing_up
      ? 'up'
      : 'down'} a grade of {parked.grade_pct} %: {force(
      parked.down_n,
    )} pulls it down, its braked {parked.braked_axle} tyres hold {force(parked.hold_n)}"
  >
    <g transform="rotate({turnDeg})" fill="none" stroke="currentColor" stroke-width="1.5">
      <line x1="-230" x2="230" y1="20" y2="20" stroke-width="2" />
      <path d="M-122 -4V-24L-96 -30L-66 -56H34L64 -28L122 -22V-4Z" />
      {#each wheels as wheel (wheel.x)}
        <circle cx={wheel.x} cy="0" r="20" class="fill-dye" stroke-width={wheel.isBraked ? 3 : 1.5} />
        <circle cx={wheel.x} cy="0" r="5" />
        <text x={wheel.x} y="44" text-anchor="middle" class="fill-scribe-dim stroke-none figures text-[12px]"
          >{force(wheel.isBraked ? parked.braked_load_n : parked.other_load_n)}</text
        >
      {/each}
      <g
        stroke="var(--color-brass-lit)"
        stroke-width="2.5"
        transform="translate({downhill * 20} -74) scale({downhill} 1)"
      >
        <path d="M-40 0H40 M40 0l-10 -6 M40 0l-10 6" />
      </g>
      <text
        x={downhill * 20}
        y="-84"
        text-anchor="middle"
        class="fill-current stroke-none figures text-[13px]">{force(parked.down_n)} down the grade</text
      >
      <g stroke-width="2.5" transform="translate({isFrontBraked ? -78 : 78} 20) scale({-downhill} 1)">
        <path
          d="M-30 0H30 M30 0l-10 -6 M30 0l-10 6"
          class={holds ? '' : 'text-fails-lit'}
          stroke="currentColor"
        />
      </g>
    </g>
  </svg>
  <figcaption class="mt-1 text-[13px]">
    Laden on {parked.grade_pct} %, facing {parked.is_facing_up ? 'up' : 'down'}, which takes load off the
    braked
    {parked.braked_axle} axle. <span class="font-semibold">{force(parked.down_n)}</span> pulls it down; its
    tyres hold at most <span class="font-semibold">{force(parked.hold_n)}</span>, however strong the brake.
  </figcaption>
</figure>
