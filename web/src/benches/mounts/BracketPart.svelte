<script lang="ts">
  import type { Mount } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { bracketForm } from './fields';
  import Mend from './Mend.svelte';
  import StressPicture from './StressPicture.svelte';

  interface Props {
    mount: Mount;
    number: number; // from 1
    threads: readonly string[];
    disabled: boolean;
    change: (write: (mount: Mount) => void) => void;
  }
  let { mount, number, threads, disabled, change }: Props = $props();
  const form = $derived(bracketForm(threads));
</script>

<h3 class="mt-2">Its bracket</h3>
<div data-part="bracket">
  <Fields {form} from={mount.bracket} {disabled} change={(write) => change((to) => write(to.bracket))} />
</div>
{#if !disabled && mount.bracket.kind && mount.bracket.kind !== 'none'}
  <div class="flex flex-col items-start">
    <Mend
      seek="mounts.m{number}_mend"
      text="find what would hold"
      label="What would hold"
      take="take the lightest"
      {change}
    />
    <Mend
      seek="mounts.m{number}_fixing"
      text="compare welded in and bolted on"
      label="Welded in or bolted on"
      take="bolt it on so"
      {change}
    />
  </div>
  {#if mount.bracket.kind === 'standoffs'}
    <StressPicture
      seek="mounts.m{number}_plate"
      text="look at its plate by finite elements"
      label="Stress in the plate of {mount.name}’s standoffs"
    />
  {/if}
{/if}
