<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import { STANDOFFS } from './fields';

  type Standoffs = PlateSheet['build_up']['standoffs'];
  interface Props {
    legs: Standoffs;
    tilt: PlateResult['build_up']['tilt'];
    disabled: boolean;
    change: (write: (legs: Standoffs) => void) => void;
  }
  let { legs, tilt, disabled, change }: Props = $props();
  const FIXINGS = [
    ['bolted', 'bolted'],
    ['welded', 'welded'],
  ] as const;
  const METALS = [
    ['steel', 'steel'],
    ['stainless', 'stainless steel'],
    ['aluminium', 'aluminium'],
  ] as const;
  const lengths = $derived(legs.measured);
  /** Half a hundredth: less than a micrometer reads, so not worth a skim. */
  const LEAST_SKIM_MM = 0.005;
  const takeOff = $derived(
    (tilt?.take_off_mm ?? [])
      .flatMap((mm, k) => (mm > LEAST_SKIM_MM ? [`S${k + 1} ${fixed(mm, 2)}`] : []))
      .join(', '),
  );
</script>

<NumberField
  label="Standoffs"
  value={legs.count}
  least={0}
  greatest={24}
  {disabled}
  onchange={(value) => change((next) => (next.count = Math.round(value ?? 0)))}
/>
<ReadingFields specs={STANDOFFS} from={legs} {disabled} {change} />
<ChoiceField
  label="Fixed by"
  none="not chosen"
  value={legs.fixing}
  options={FIXINGS}
  {disabled}
  onchange={(fixing) => change((next) => (next.fixing = fixing))}
/>
<ChoiceField
  label="Legs are made of"
  none="not said"
  value={legs.made_of}
  options={METALS}
  {disabled}
  onchange={(metal) => change((next) => (next.made_of = metal))}
/>
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
    {#if takeOff}To true it, take off <span class="figures">{takeOff}</span> mm.{:else}The standoffs are even.{/if}
  </p>
{/if}
