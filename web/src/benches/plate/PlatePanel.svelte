<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import BuildUpFields from './BuildUpFields.svelte';
  import { BORE, CONCENTRICITY, EDGE, GEARBOX_PLATE_BORE, LOCATED, ORDER, PLATE } from './fields';
  import Registers from './Registers.svelte';
  import Reliefs from './Reliefs.svelte';

  interface Props {
    sheet: PlateSheet;
    result: PlateResult;
    disabled: boolean;
    change: (write: (sheet: PlateSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const kind = $derived(sheet.build_up.kind);
  const plate = (write: (to: PlateSheet['plate']) => void) => change((next) => write(next.plate));
</script>

<section class="px-4 py-3">
  <h2>Plate</h2>
  <BuildUpFields
    build={sheet.build_up}
    {result}
    {disabled}
    change={(write) => change((next) => write(next.build_up))}
  />
  <Fields form={PLATE} from={sheet.plate} {disabled} change={plate} />
  {#if kind !== 'base'}
    <Fields form={EDGE} from={sheet.plate} {disabled} change={plate} />
    {#if sheet.plate.outline_by === 'flange' && !sheet.survey.outline}
      <p class="text-right text-[12.5px] text-ink-dim">
        no outline yet: read one from a DXF, under “Holes”; until then the holes decide
      </p>
    {/if}
    <Fields
      form={kind === 'two_plates' ? GEARBOX_PLATE_BORE : BORE}
      from={sheet.plate}
      {disabled}
      change={plate}
    />

    <h2 class="mt-4">What locates it</h2>
    <Fields form={LOCATED} from={sheet.plate} {disabled} change={plate} />
    <p class="text-right text-[12.5px] text-ink-dim">never clearance screws</p>
    <Registers {sheet} {result} {disabled} {change} />
    <Fields form={CONCENTRICITY} from={sheet.plate} {disabled} change={plate} />

    <h2 class="mt-4">What stands out of the faces</h2>
    <Reliefs
      reliefs={sheet.plate.reliefs}
      {disabled}
      change={(write) => change((next) => write(next.plate.reliefs))}
    />
  {/if}

  <h2 class="mt-4">For the cutter</h2>
  <Fields form={ORDER} from={sheet.plate} {disabled} change={plate} />
</section>
