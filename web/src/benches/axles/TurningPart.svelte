<script lang="ts">
  import type { AxlesSheet, TurningShown } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { SHAKES, TURNING } from './fields';

  interface Props {
    turning: AxlesSheet['turning'];
    found: TurningShown;
    disabled: boolean;
    change: (write: (turning: AxlesSheet['turning']) => void) => void;
  }
  let { turning, found, disabled, change }: Props = $props();
  const units = useUnits();
</script>

<h3 class="mt-4">The whole line, as it turns</h3>
{#if found.missing[0]}<p class="text-[12.5px] text-ink-dim">
    At what speeds it hums is known with: {units.words(found.missing[0])}.
  </p>{/if}
<Fields form={SHAKES} from={turning} {disabled} {change} />
<Fields form={TURNING} from={turning} {disabled} {change} />
