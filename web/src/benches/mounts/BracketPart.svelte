<script lang="ts">
  import type { Mount } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { BRACKET, BRACKET_SET, landingForm, LEGS } from './fields';
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
  const landing = $derived(landingForm(threads));
  const isMade = $derived(mount.bracket.kind != null && mount.bracket.kind !== 'none');
</script>

<h3 class="mt-2">Its bracket</h3>
<div data-part="bracket">
  <Fields
    form={BRACKET}
    from={mount.bracket}
    {disabled}
    change={(write) => change((to) => write(to.bracket))}
  />
  {#if mount.bracket.kind === 'standoffs'}
    <div data-part="legs">
      <Fields
        form={LEGS}
        from={mount.bracket.legs}
        {disabled}
        change={(write) => change((to) => write(to.bracket.legs))}
      />
    </div>
  {/if}
  <Fields
    form={BRACKET_SET}
    from={mount.bracket}
    {disabled}
    change={(write) => change((to) => write(to.bracket))}
  />
  {#if isMade}
    <div data-part="landing">
      <Fields
        form={landing}
        from={mount.bracket.landing}
        {disabled}
        change={(write) => change((to) => write(to.bracket.landing))}
      />
    </div>
  {/if}
</div>
{#if !disabled && isMade}
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
  {#if mount.bracket.landing.is_there && (mount.bracket.kind === 'box' || mount.bracket.kind === 'tube')}
    <StressPicture
      seek="mounts.m{number}_landing"
      text="look at its landing plate by finite elements"
      label="Stress in the landing plate of {mount.name}"
    />
  {/if}
  {#if mount.bracket.kind === 'standoffs'}
    <StressPicture
      seek="mounts.m{number}_plate"
      text="look at its plate by finite elements"
      label="Stress in the plate of {mount.name}’s standoffs"
    />
  {/if}
{/if}
