<script lang="ts">
  import type { BriefSheet, WasResult } from '../../api/types';
  import { fixed } from '../../lib/format';
  import Fields from '../../measure/Fields.svelte';
  import { ENGINE } from './fields';
  import MotorPlot from './MotorPlot.svelte';
  import OldGears from './OldGears.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    was: WasResult | null;
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { was, brief, disabled, change }: Props = $props();
  const units = useUnits();
  const plot = $derived(was && { rpm: was.engine_rpm, peak_nm: was.engine_nm, continuous_nm: null });
</script>

{#if was && plot}
  <MotorPlot motor={plot} name="The engine that came out" of="engine" height={230} />
  <p class="border-b border-edge px-5 py-2">
    It did <strong class="figures">{units.figure(was.top_kmh, 'km/h', 0)}</strong>, 0–{units.num(
      50,
      'km/h',
      0,
    )} in
    <strong class="figures">{fixed(was.s_0_50, 1)}</strong>
    s, 0–{units.num(100, 'km/h', 0)} in <strong class="figures">{fixed(was.s_0_100, 1)}</strong> s, with
    <strong class="figures">{units.figure(was.launch_wheel_nm, 'N·m', 0)}</strong> at the wheels in its lowest gear.
    Its curves are drawn thin under the new ones on the Ratios bench.
  </p>
{:else}
  <p class="bg-dye px-5 py-10 text-scribe-dim">
    What was it like before? Give the engine's two peaks from its book, and its gears: the new gearing is then
    drawn over the old, at the wheels, where the two can be compared.
  </p>
{/if}
<div class="grid gap-x-7 gap-y-4 px-5 py-3 [--field-width:6rem] lg:grid-cols-2">
  <section>
    <h3>Engine</h3>
    <Fields form={ENGINE} from={brief.was} {disabled} change={(write) => change((next) => write(next.was))} />
  </section>
  <OldGears gears={brief.was.gears} {disabled} change={(write) => change((next) => write(next.was.gears))} />
</div>
{#if was && was.assumed.length > 0}
  <p class="px-5 pb-3 text-[13px] text-ink-dim">
    Taken as usual: {units.words(was.assumed.map((assumed) => assumed.text).join('; '))}.
  </p>
{/if}
