<script lang="ts">
  import type { Axle, AxleShown } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { AXLE, flangeForm } from './fields';
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
{#key side}
  <SidePart
    side={axle[side]}
    found={found?.[side]}
    {points}
    {disabled}
    change={(write) => change((to) => write(to[side]))}
  />
{/key}
