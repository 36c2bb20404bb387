<script lang="ts">
  import type { MountsResult, MountsSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import CrossList from './CrossList.svelte';
  import { SUBFRAME, TURNS } from './fields';
  import MountList from './MountList.svelte';

  interface Props {
    sheet: MountsSheet;
    result: MountsResult;
    points: readonly string[];
    threads: readonly string[];
    isLengthwise: boolean; // a shaft leaves the unit along the vehicle
    lit: string;
    disabled: boolean;
    onpick: (field: string) => void;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { sheet, result, points, threads, isLengthwise, lit, disabled, onpick, change }: Props = $props();
  const shared = $derived({ points, threads, lit, disabled, onpick });
</script>

{#if isLengthwise}<Fields form={TURNS} from={sheet} {disabled} {change} />{/if}
<MountList
  {...shared}
  rows={sheet.mounts}
  found={result.mounts}
  crosses={sheet.crosses.map((one) => one.name)}
  change={(write) => change((next) => write(next.mounts))}
/>
<h3 class="mt-3">Cross members that mounts stand on</h3>
<CrossList
  {...shared}
  rows={sheet.crosses}
  found={result.crosses}
  change={(write) => change((next) => write(next.crosses))}
/>
<div class="mt-3" data-part="subframe"><Fields form={SUBFRAME} from={sheet} {disabled} {change} /></div>
