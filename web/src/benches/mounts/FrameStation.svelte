<script lang="ts">
  import type { MountsResult, MountsSheet } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { STATION } from './cut-fields';
  import RailFields from './RailFields.svelte';
  import RailPicture from './RailPicture.svelte';

  type Station = MountsSheet['frame']['stations'][number];
  interface Props {
    station: Station;
    found: MountsResult['stations'][number] | undefined;
    was: MountsResult['old_rail'];
    disabled: boolean;
    change: (write: (station: Station) => void) => void;
    ontake: () => void;
  }
  let { station, found, was, disabled, change, ontake }: Props = $props();
  const units = useUnits();
  const share = (value: number) => units.figure(100 * value, '%', 0);
</script>

<div class="mt-3 flex items-baseline gap-2">
  <h3 class="flex-1">{station.name}</h3>
  {#if found}<span class={['figures', found.is_short ? 'text-fails' : '']}
      >{found.least_is} {share(found.least)}</span
    >{/if}
  {#if !disabled}<button
      class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
      aria-label="Take {station.name} away"
      onclick={ontake}>×</button
    >{/if}
</div>
{#if found}
  <RailPicture name={station.name} rail={found.rail} {was} />
  <p class="figures text-[12.5px] text-ink-dim">
    area {share(found.area)}, I {share(found.i)}, across {share(found.across)}, Z {share(found.z)}, J {share(
      found.j,
    )}
  </p>
  {#if found.fold}<p class="figures text-[12.5px] text-ink-dim">
      {found.fold.wall} folds at {units.figure(found.fold.stress_mpa, 'MPa', 0)}, {units.figure(
        found.fold.moment_nm,
        'N·m',
        0,
      )} of bending; as it was {units.figure(found.fold.was_nm, 'N·m', 0)}
    </p>{/if}
{/if}
<RailFields name={station.name} form={STATION} rail={station} {disabled} {change} />
