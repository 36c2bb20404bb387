<script lang="ts">
  import type { Axle, AxleShown } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { AXLE, flangeForm } from './fields';
  import { mirrored } from '../../measure/mirrored';
  import SidePart from './SidePart.svelte';

  interface Props {
    axle: Axle;
    found: AxleShown | undefined;
    points: readonly string[];
    threads: readonly string[];
    disabled: boolean;
    change: (write: (axle: Axle) => void) => void;
  }
  let { axle, found, points, threads, disabled, change }: Props = $props();
  const SIDES = ['left', 'right'] as const;
  let side = $state<(typeof SIDES)[number]>('left');
  const other = $derived(side === 'left' ? 'right' : 'left');
</script>

<Fields form={AXLE} from={axle} {disabled} {change} />
<Fields
  form={flangeForm('Inner joints’ flanges are', threads)}
  from={axle.flange}
  {disabled}
  change={(write) => change((to) => write(to.flange))}
/>
<div class="mt-3 flex border-b border-edge" role="group" aria-label="Side of {axle.name}">
  {#each SIDES as one (one)}
    <button
      class={[
        'min-h-8 flex-1 border-b-2',
        side === one ? 'border-brass font-semibold' : 'border-transparent text-ink-dim',
      ]}
      aria-pressed={side === one}
      onclick={() => (side = one)}>{one} side</button
    >
  {/each}
</div>
{#if !disabled}
  <button
    class="mt-1 min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => change((to) => (to[side] = mirrored($state.snapshot(to[other]))))}
    >take the figures of the other one, turned over to here</button
  >
{/if}
{#key side}
  <SidePart
    side={axle[side]}
    found={found?.[side]}
    {points}
    {disabled}
    change={(write) => change((to) => write(to[side]))}
  />
{/key}
