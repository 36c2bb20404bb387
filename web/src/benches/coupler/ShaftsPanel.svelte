<script lang="ts">
  import type { CouplerResult, CouplerSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import DialRows from './DialRows.svelte';
  import FallRows from './FallRows.svelte';
  import { GEARBOX_SHAFT, MOTOR_SHAFT, TRUE } from './fields';

  interface Props {
    sheet: CouplerSheet;
    runout: CouplerResult['runout'];
    disabled: boolean;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { sheet, runout, disabled, change }: Props = $props();
</script>

<div class="flex flex-col gap-5 px-4 py-3">
  <p class="text-[13px] text-ink-dim">
    Every length lengthwise wants its ±: type it beside the figure, 54.6 ± 0.1. Motor off and its supply
    locked out while you measure.
  </p>
  <section data-group="motor_shaft">
    <h2>The motor’s shaft</h2>
    <Fields form={MOTOR_SHAFT} from={sheet} {disabled} {change} />
  </section>
  <section data-group="gearbox_shaft">
    <h2>The gearbox’s shaft</h2>
    <Fields form={GEARBOX_SHAFT} from={sheet} {disabled} {change} />
  </section>
  <section>
    <h2>How true it runs</h2>
    <Fields form={TRUE} from={sheet} {disabled} {change} />
    <FallRows {sheet} {disabled} {change} />
    <DialRows {sheet} {runout} {disabled} {change} />
  </section>
</div>
