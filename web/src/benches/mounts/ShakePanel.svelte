<script lang="ts">
  import type { MountsResult, MountsSheet } from '../../api/types';
  import DyePlot from '../../drawing/DyePlot.svelte';
  import type { PlotCurve } from '../../drawing/plot-frame';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { SHAKES } from './fields';
  import SchoolTable from './SchoolTable.svelte';

  interface Props {
    sheet: MountsSheet;
    result: MountsResult;
    disabled: boolean;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const units = useUnits();
  const across = $derived(result.springs.map((one) => one.factor));
  const curves = $derived<PlotCurve[]>([
    {
      key: 'hz',
      across,
      up: result.springs.map((one) => one.lowest_hz),
      stroke: 'stroke-brass-lit',
      width: 2.4,
      label: 'lowest, Hz',
      labelClass: 'fill-brass-lit',
      prefer: 0.8,
    },
  ]);
  const moves = $derived<PlotCurve[]>([
    {
      key: 'mm',
      across,
      up: result.springs.map((one) => one.greatest_mm),
      stroke: 'stroke-scribe',
      width: 2.4,
      label: 'farthest corner',
      prefer: 0.3,
    },
  ]);
  const most = (values: readonly number[]) => Math.max(1, ...values) * 1.15;
</script>

<table class="w-full text-[13px]" aria-label="How it shakes">
  <tbody>
    {#each result.modes as mode, k (k)}
      <tr class="border-t border-edge">
        <td class="py-1">{mode.name}</td>
        <td class="text-right figures">{units.figure(mode.frequency_hz, 'Hz', 1)}</td>
        <td class="pl-2 text-[12.5px] text-ink-dim"
          >{mode.is_low ? 'below what is wanted' : mode.hops ? 'where wheels hop' : ''}</td
        >
      </tr>
      {#if mode.met.length > 0}
        <tr>
          <td class="pb-1 text-[12.5px] text-ink-dim" colspan="3">
            {#each mode.met as one, m (m)}{m > 0 ? '; ' : 'shaken '}by the {one.what},
              {one.times === 1 ? 'once' : 'twice'} a turn, at {units.figure(one.speed_kmh, 'km/h', 0)}{/each}
          </td>
        </tr>
      {/if}
    {:else}
      <tr><td class="text-ink-dim">Not known until the unit is held and weighed.</td></tr>
    {/each}
  </tbody>
</table>
<Fields form={SHAKES} from={sheet} {disabled} {change} />
{#if result.modes.length > 0}<SchoolTable />{/if}
{#if result.springs.length > 1}
  <h3 class="mt-3">Softer or stiffer rubber, all alike</h3>
  <div class="mt-1 space-y-1">
    <DyePlot
      title="Lowest frequency, Hz"
      label="Lowest frequency by how many times as stiff the rubber is"
      across={across.at(-1) ?? 1}
      up={most(result.springs.map((one) => one.lowest_hz))}
      acrossUnit=""
      upUnit="Hz"
      height={170}
      {curves}
    />
    <DyePlot
      title="Farthest that a corner goes, {units.symbol('mm')}"
      label="Greatest move by how many times as stiff the rubber is"
      across={across.at(-1) ?? 1}
      up={most(result.springs.map((one) => one.greatest_mm))}
      acrossUnit=""
      upUnit="mm"
      height={170}
      curves={moves}
    />
  </div>
{/if}
