<script lang="ts">
  import type { LineShown } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  let { line }: { line: LineShown } = $props();
  const units = useUnits();
  const WIDE = 640;
  const HIGH = 150;
  const STUB = 90; // mm of box and pinion beyond the joints
  const VIEWS = [
    { key: 'side', title: 'from the right', up: 2 },
    { key: 'top', title: 'from above', up: 1 },
  ] as const;
  const joints = $derived(line.joints.map((one) => one.at_mm));
  const ends = $derived.by(() => {
    const [first, last] = [joints[0], joints.at(-1)];
    if (!first || !last || !line.box_line || !line.pinion_line) return null;
    const along = (at: readonly number[], way: readonly number[], by: number) =>
      at.map((one, k) => one + by * (way[k] ?? 0));
    return { box: along(first, line.box_line, -STUB), pinion: along(last, line.pinion_line, STUB) };
  });
  const all = $derived([...joints, ...(ends ? [ends.box, ends.pinion] : [])]);
  const least = $derived(Math.min(...all.map((at) => at[0] ?? 0)));
  const most = $derived(Math.max(...all.map((at) => at[0] ?? 0)));
  const scale = $derived((WIDE - 120) / Math.max(1, most - least));
  // Front on the right, as at Placement.
  const px = (at: readonly number[]) => 60 + ((at[0] ?? 0) - least) * scale;
  const middle = (up: number) => {
    const values = all.map((at) => at[up] ?? 0);
    return (Math.min(...values) + Math.max(...values)) / 2;
  };
  const DRAWN_UP = 2; // heights and sides twice as large, so that a degree is seen
  const py = (at: readonly number[], up: number) =>
    HIGH / 2 + 6 - ((at[up] ?? 0) - middle(up)) * scale * DRAWN_UP;
  const points = (up: number) => joints.map((at) => `${px(at)},${py(at, up)}`).join(' ');
</script>

<div class="on-dye bg-dye text-scribe">
  {#if joints.length < 2}
    <p class="px-6 py-10 text-scribe-dim">
      The shafts are drawn here as soon as their joints have places. {units.words(line.missing[0] ?? '')}
    </p>
  {:else}
    {#each VIEWS as { key, title, up } (key)}
      <svg class="w-full" viewBox="0 0 {WIDE} {HIGH}" role="img" aria-label="{line.name} {title}">
        <text x="10" y="16" class="fill-scribe-dim text-[12px]"
          >{line.name}, {title}; front on the right, {up === 2 ? 'heights' : 'sideways'} twice as large</text
        >
        {#if ends && joints[0] && joints.at(-1)}
          {@const last = joints.at(-1) ?? joints[0]}
          <line
            x1={px(ends.box)}
            y1={py(ends.box, up)}
            x2={px(joints[0])}
            y2={py(joints[0], up)}
            class="stroke-scribe-dim"
            stroke-width="12"
          />
          <line
            x1={px(last)}
            y1={py(last, up)}
            x2={px(ends.pinion)}
            y2={py(ends.pinion, up)}
            class="stroke-scribe-dim"
            stroke-width="12"
          />
        {/if}
        <polyline
          points={points(up)}
          class={['fill-none', line.verdict === 'fails' ? 'stroke-fails-lit' : 'stroke-brass-lit']}
          stroke-width="6"
        />
        {#each line.joints as joint, k (k)}
          <circle
            cx={px(joint.at_mm)}
            cy={py(joint.at_mm, up)}
            r="8"
            class={[joint.kind === 'cross' ? 'fill-dye' : 'fill-dye-lit', 'stroke-scribe']}
            stroke-width="2"
          />
          {#if up === 2}<text
              x={px(joint.at_mm)}
              y={py(joint.at_mm, up) - 18}
              text-anchor="middle"
              class="fill-scribe figures text-[13px]"
              >{joint.angle_deg === null ? '?' : joint.angle_deg.toFixed(1)}°</text
            >{/if}
        {/each}
        {#if up === 2}{#each line.tubes as tube, k (k)}
            {@const [a, b] = [joints[k], joints[k + 1]]}
            {#if a && b}<text
                x={(px(a) + px(b)) / 2}
                y={(py(a, up) + py(b, up)) / 2 + 26}
                text-anchor="middle"
                class="fill-scribe-dim figures text-[12px]">{units.figure(tube.length_mm, 'mm', 1)}</text
              >{/if}
          {/each}{/if}
      </svg>
    {/each}
  {/if}
</div>
