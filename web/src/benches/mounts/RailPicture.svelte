<script lang="ts">
  import type { MountsResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  type Rail = NonNullable<MountsResult['old_rail']>;
  interface Props {
    name: string;
    rail: Rail;
    was: Rail | null; // drawn behind it, standing on the same foot
  }
  let { name, rail, was }: Props = $props();
  const units = useUnits();
  const WIDE = 300;
  const HIGH = 118;
  const EDGE = 8;

  interface Bounds {
    left: number;
    right: number;
    low: number;
    high: number;
  }
  function boundsOf(one: Rail): Bounds {
    const at = one.plates_mm.flat(2);
    const [xs, ys] = [at.map(([x]) => x), at.map(([, y]) => y)];
    return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) };
  }
  const own = $derived(boundsOf(rail));
  const old = $derived(was ? boundsOf(was) : own);
  const high = $derived(Math.max(own.high, old.high) - Math.min(own.low, old.low));
  const wide = $derived(Math.max(own.right - own.left, old.right - old.left));
  const px = $derived(Math.min((HIGH - 2 * EDGE) / high, (WIDE - 2 * EDGE) / wide));
  const low = $derived(Math.min(own.low, old.low));
  /** Both in the middle of the picture, on one foot as they are entered. */
  function edge(plate: Rail['plates_mm'][number], of: Bounds): string {
    const middle = (of.left + of.right) / 2;
    const at = ([x, y]: readonly [number, number]) =>
      `${(WIDE / 2 + (x - middle) * px).toFixed(1)},${(HIGH - EDGE - (y - low) * px).toFixed(1)}`;
    return plate.map((ring) => `M${ring.map(at).join('L')}Z`).join('');
  }
  const size = $derived(
    `${units.num(own.right - own.left, 'mm', 0)} × ${units.figure(own.high - own.low, 'mm', 0)}`,
  );
</script>

<svg
  viewBox="0 0 {WIDE} {HIGH}"
  class="on-dye mt-1 w-full bg-dye"
  role="img"
  aria-label="Section of {name}, {size}"
>
  {#if was}
    <g class="fill-none stroke-scribe-dim" stroke-dasharray="3 3" stroke-width="0.8">
      {#each was.plates_mm as plate, k (k)}<path d={edge(plate, old)} />{/each}
    </g>
  {/if}
  <g class="fill-dye-lit stroke-scribe" fill-rule="evenodd" stroke-width="1">
    {#each rail.plates_mm as plate, k (k)}<path d={edge(plate, own)} />{/each}
  </g>
  <text x="6" y="15" class="fill-scribe figures text-[11px]">{size}</text>
  <text x="6" y="29" class="fill-scribe-dim text-[10.5px]">
    {rail.cells === 0 ? 'open' : rail.cells === 1 ? 'closed' : `${rail.cells} cells`}
  </text>
  {#if was}<text x={WIDE - 6} y="15" text-anchor="end" class="fill-scribe-dim text-[10.5px]"
      >dashed: as it was</text
    >{/if}
</svg>
