<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import BaseRows from './BaseRows.svelte';
  import { APART, BASE, KIND, RING, SECOND } from './fields';
  import StandoffFields from './StandoffFields.svelte';

  type BuildUp = PlateSheet['build_up'];
  import { useUnits } from '../../measure/units.svelte';
  interface Props {
    build: BuildUp;
    result: PlateResult;
    disabled: boolean;
    change: (write: (build: BuildUp) => void) => void;
  }
  let { build, result, disabled, change }: Props = $props();
  const units = useUnits();
  const TRADE: Record<BuildUp['kind'], string> = {
    one_plate: 'Shortest and stiffest; the gap is the plate’s thickness.',
    two_plates: 'Any gap, and room to reach the coupler; both faces must be kept parallel.',
    ring: 'Adds length to a plate that is there; one more register to add up.',
    base: 'For a motor with feet; aligned by shims, both planes.',
  };
  const { apart, shim_mm: shim } = $derived(result.build_up);
</script>

<Fields form={KIND} from={build} {disabled} {change} />
<p class="text-right text-[12.5px] text-ink-dim">{TRADE[build.kind]}</p>
{#if build.kind === 'two_plates'}
  <Fields form={SECOND} from={build} {disabled} {change} />
  <StandoffFields
    legs={build.standoffs}
    tilt={result.build_up.tilt}
    {disabled}
    change={(write) => change((next) => write(next.standoffs))}
  />
{:else if build.kind === 'ring'}
  <Fields form={RING} from={build.ring} {disabled} change={(write) => change((next) => write(next.ring))} />
{:else if build.kind === 'base'}
  <Fields form={BASE} from={build.base} {disabled} change={(write) => change((next) => write(next.base))} />
  <BaseRows base={build.base} {disabled} change={(write) => change((next) => write(next.base))} />
  {#if shim !== null}
    <p class="text-[13px]" role="status">
      {shim >= 0
        ? `${units.figure(shim, 'mm', 2)} of shim under each foot.`
        : `The motor stands ${units.figure(-shim, 'mm', 2)} too high.`}
    </p>
  {/if}
{/if}
{#if build.kind !== 'base'}
  <Fields form={APART} from={build} {disabled} {change} />
  <p class="text-right text-[12.5px] text-ink-dim">
    {apart === null
      ? 'faces apart: not known yet'
      : `faces come to stand ${units.figure(apart.nominal_mm, 'mm', 2)} apart${
          apart.worst_mm > 0 ? `, ± ${units.num(apart.worst_mm, 'mm', 2)} at worst` : ''
        }`}
  </p>
{/if}
