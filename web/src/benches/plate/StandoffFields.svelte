<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ReadingField from '../../measure/ReadingField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { STANDOFFS } from './fields';
  import { useUnits } from '../../measure/units.svelte';

  type Standoffs = PlateSheet['build_up']['standoffs'];
  interface Props {
    legs: Standoffs;
    tilt: PlateResult['build_up']['tilt'];
    disabled: boolean;
    change: (write: (legs: Standoffs) => void) => void;
  }
  let { legs, tilt, disabled, change }: Props = $props();
  const units = useUnits();
  const lengths = $derived(legs.measured);
  /** Half a hundredth: less than a micrometer reads, so not worth a skim. */
  const LEAST_SKIM_MM = 0.005;
  const takeOff = $derived(
    (tilt?.take_off_mm ?? [])
      .flatMap((mm, k) => (mm > LEAST_SKIM_MM ? [`S${k + 1} ${units.num(mm, 'mm', 2)}`] : []))
      .join(', '),
  );
</script>

<Fields form={STANDOFFS} from={legs} {disabled} {change} />
{#each Array.from({ length: legs.count }, (_, k) => k) as k (k)}
  {#if k <= lengths.length}
    <ReadingField
      label="S{k + 1} as measured"
      quantity="length"
      {disabled}
      value={lengths[k] ?? null}
      onchange={(value) =>
        change((next) => {
          if (value) next.measured[k] = value;
          else next.measured.splice(k, 1);
        })}
    />
  {/if}
{/each}
{#if tilt}
  <p class="text-[13px]" role="status">
    Leans <span class="figures">{fixed(tilt.tilt_deg, 3)}°</span>, high at {fixed(tilt.high_at_deg, 0)}°.
    {#if takeOff}To true it, take off <span class="figures">{takeOff}</span> {units.symbol('mm')}.{:else}The
      standoffs are even.{/if}
  </p>
{/if}
