<script lang="ts">
  import { JAWS, type Edge, type Kind } from './readings';

  interface Props {
    kind: Kind;
    a: string;
    b: string;
    edge?: Edge;
  }
  let { kind, a, b, edge = 'centre' }: Props = $props();
  /** Where the jaws touch, along the line between the two holes. */
  const JAW_X: Partial<Record<Kind, readonly [number, number]>> = {
    inside: [58, 162],
    outside: [22, 198],
    distance: [40, 180],
    radius: [40, 180],
  };
  const jaws = $derived(JAW_X[kind]);
  const touch = $derived({ low: 162, centre: 180, high: 198 }[edge]);
</script>

<svg
  viewBox="0 0 220 96"
  class="w-full fill-none stroke-ink"
  stroke-width="2.4"
  role="img"
  aria-label="{a} {b}: {JAWS[kind]}"
>
  {#if jaws}
    <circle cx="40" cy="48" r="18" />
    {#if kind === 'radius'}<path d="M30 48H50M40 38V58" /><circle
        cx="40"
        cy="48"
        r="3"
        class="fill-ink"
      />{/if}
    <circle cx="180" cy="48" r="18" />
    <path
      d="M{jaws[0]} 48V14H{jaws[1]}V48M{jaws[0]} 22H{jaws[1]}"
      class="stroke-brass"
      stroke-width="5"
      stroke-linejoin="round"
    />
    <path d="M95 14h30v-8h-30Z" class="fill-brass stroke-brass" />
  {:else if kind === 'sweep'}
    <circle cx="110" cy="40" r="32" />
    <circle cx="110" cy="40" r="5" class="fill-ink" />
    <path d="M110 40 136 28" class="stroke-brass" stroke-width="3" />
    <circle cx="140" cy="26" r="6" class="fill-brass-wash stroke-brass" stroke-width="2" />
    <path d="M84 22A32 32 0 0 1 110 8M110 8l-7-4M110 8l-6 5" class="stroke-brass" stroke-width="1.6" />
  {:else}
    <circle cx="180" cy="40" r="18" />
    {#if a === 'C'}<circle cx="180" cy="40" r="3" class="fill-ink" />{/if}
    {#if kind === 'x'}
      <path d="M20 72V6M20 72H60" class="stroke-ink" stroke-width="4" />
      <path d="M20 40H{touch}M{touch} 32V48" class="stroke-brass" stroke-width="3" />
    {:else}
      <g transform="rotate(-90 180 40)">
        <path d="M146 72V6" class="stroke-ink" stroke-width="4" />
        <path d="M146 40H{touch}M{touch} 32V48" class="stroke-brass" stroke-width="3" />
      </g>
    {/if}
  {/if}
  <g class="fill-ink stroke-none figures text-[24px] font-medium" text-anchor="middle">
    {#if jaws}
      <text x="40" y="90">{a}</text><text x="180" y="90">{b}</text>
    {:else}
      <text x={kind === 'sweep' ? 180 : 60} y="90">{a}</text>
    {/if}
  </g>
</svg>
