<script lang="ts">
  import { onDestroy } from 'svelte';
  import type { AxleShown, SideShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import CasePicker from './CasePicker.svelte';
  import { caseOf } from './cases';
  import { Moving, rowAt } from './moving.svelte';
  import TravelSlider from './TravelSlider.svelte';
  import WindowPicture from './WindowPicture.svelte';

  let { axle }: { axle: AxleShown } = $props();
  const units = useUnits();
  const moving = new Moving();
  onDestroy(() => moving.stop());
  const sides = $derived([axle.left, axle.right]);
  let load = $state('at rest');
  let lock = $state(-1);
  const cases = $derived(sides.map((side) => caseOf(side, load, lock)));
  const rows = $derived(cases.map((one) => rowAt(one?.heights ?? [], moving.share)));
  // From behind: the vehicle's left is on the left.
  const WIDE = 640;
  const HIGH = 196;
  const ROOM = 62;
  const points = $derived(
    sides.flatMap((side) => [
      ...(side.inner_mm ? [side.inner_mm] : []),
      ...side.heights.map((row) => row.outer_mm),
    ]),
  );
  const span = $derived(Math.max(200, ...points.map((at) => Math.abs(at[1]))));
  const scale = $derived(Math.min((WIDE / 2 - ROOM) / span, 0.62));
  const low = $derived(Math.min(...points.map((at) => at[2])));
  const high = $derived(Math.max(...points.map((at) => at[2])));
  const px = (y: number) => WIDE / 2 - y * scale;
  const py = (z: number) => HIGH / 2 - (z - (low + high) / 2) * scale + 6;
  const isBad = (side: SideShown) => side.verdict === 'fails';
</script>

<div class="on-dye flex flex-col bg-dye text-scribe">
  <svg
    class="w-full"
    viewBox="0 0 {WIDE} {HIGH}"
    role="img"
    aria-label="{axle.name} from behind, in true shape"
  >
    {#if points.length === 0}
      <text x={WIDE / 2} y={HIGH / 2} text-anchor="middle" class="fill-scribe-dim text-[14px]"
        >The shafts are drawn here as soon as both their ends are known.</text
      >
    {:else}
      <text x="10" y="18" class="fill-scribe-dim text-[12px]">{axle.name}, from behind</text>
      {#if cases[0] && cases[1]}
        {@const [a, b] = [cases[0].inner_mm, cases[1].inner_mm]}
        <line
          x1={px(a[1])}
          y1={py(a[2])}
          x2={px(b[1])}
          y2={py(b[2])}
          class="stroke-scribe-dim"
          stroke-width="9"
          stroke-linecap="round"
        />
      {/if}
      {#each sides as side, k (k)}
        {@const row = rows[k]}
        {@const inner = cases[k]?.inner_mm}
        {#if row && inner}
          {@const [ix, iy] = [px(inner[1]), py(inner[2])]}
          {@const [ox, oy] = [px(row.outer_mm[1]), py(row.outer_mm[2])]}
          {@const out = k === 0 ? -1 : 1}
          <polyline
            points={side.heights.map((one) => `${px(one.outer_mm[1])},${py(one.outer_mm[2])}`).join(' ')}
            class="fill-none stroke-scribe-dim"
            stroke-dasharray="3 4"
          />
          <rect
            x={ox + out * 16 - 9}
            y={oy - 58}
            width="18"
            height="116"
            rx="5"
            class="fill-dye-lit stroke-scribe-dim"
          />
          <line x1={ox} y1={oy} x2={ox + out * 16} y2={oy} class="stroke-scribe" stroke-width="7" />
          <line
            x1={ix}
            y1={iy}
            x2={ox}
            y2={oy}
            class={isBad(side) ? 'stroke-fails-lit' : 'stroke-brass-lit'}
            stroke-width="4.5"
          />
          <circle cx={ix} cy={iy} r="9" class="fill-dye stroke-scribe" stroke-width="2" />
          <circle cx={ox} cy={oy} r="9" class="fill-dye stroke-scribe" stroke-width="2" />
          <text
            x={(ix + ox) / 2}
            y={Math.min(iy, oy) - 16}
            text-anchor="middle"
            class="fill-scribe figures text-[13px]">{units.figure(row.length_mm, 'mm', 1)}</text
          >
          <text x={ix} y={iy + 26} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
            >{row.inner_deg.toFixed(1)}°</text
          >
          <text x={ox - out * 32} y={oy + 26} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
            >{row.outer_deg.toFixed(1)}°</text
          >
        {/if}
      {/each}
    {/if}
  </svg>
  {#if points.length > 0}
    <TravelSlider {moving} height={rows[0]?.height_mm} />
    <CasePicker {sides} bind:load bind:lock />
    <div class="grid grid-cols-2 gap-px">
      {#each sides as side, k (k)}<WindowPicture {side} row={rows[k]} />{/each}
    </div>
  {/if}
</div>
