<script lang="ts">
  import type { AxleSide, SideShown } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { BAR, heightForm, innerForm, pathForm, steeringForm } from './fields';

  interface Props {
    side: AxleSide;
    found: SideShown | undefined;
    points: readonly string[];
    disabled: boolean;
    change: (write: (side: AxleSide) => void) => void;
  }
  let { side, found, points, disabled, change }: Props = $props();
  const units = useUnits();
  const MOST = 11;
  const path = $derived(pathForm(points));
  const steering = $derived(steeringForm(points));
  const inner = $derived(innerForm(points));
  const isMeasured = $derived(side.outer.kind === 'heights');
</script>

{#if found?.missing[0]}<p class="text-[12.5px] text-brass">? {units.words(found.missing[0])}</p>{/if}
<h3 class="mt-2">Where the wheel takes its joint</h3>
<Fields form={path} from={side.outer} {disabled} change={(write) => change((to) => write(to.outer))} />
{#if isMeasured}
  <p class="text-[12.5px] text-ink-dim">
    Jack the hub, never the arm. Stands under the body, the spring compressed only by what is made for it.
  </p>
  {#each side.outer.heights as height, k (k)}
    <div class="mt-1 border-l-2 border-edge pl-2">
      <Fields
        form={heightForm(k)}
        from={height}
        {disabled}
        change={(write) =>
          change((to) => {
            const row = to.outer.heights[k];
            if (row) write(row);
          })}
      />
      {#if found?.misses_mm[k + 1] !== undefined}<p class="text-[12.5px] text-ink-dim">
          {units.figure(found.misses_mm[k + 1], 'mm', 1)} off the arc
        </p>{/if}
    </div>
  {/each}
  {#if !disabled}<div class="mt-1 flex gap-2">
      <Button
        disabled={side.outer.heights.length >= MOST}
        onclick={() => change((to) => to.outer.heights.push({ point: null }))}>Add a height</Button
      >
      {#if side.outer.heights.length > 0}<Button onclick={() => change((to) => void to.outer.heights.pop())}
          >Take the last away</Button
        >{/if}
    </div>{/if}
{/if}
<Fields form={steering} from={side} {disabled} {change} />
<h3 class="mt-2">Its inner joint</h3>
<p class="text-[12.5px] text-ink-dim">Left empty, it is the placed unit’s output.</p>
<Fields form={inner} from={side} {disabled} {change} />
<h3 class="mt-2">Its bar</h3>
<p class="text-[12.5px] text-ink-dim">
  A hardened bar ruins a cutter and throws it: grind it, or have it cut.
</p>
<Fields form={BAR} from={side.bar} {disabled} change={(write) => change((to) => write(to.bar))} />
