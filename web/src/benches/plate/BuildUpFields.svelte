<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import BaseRows from './BaseRows.svelte';
  import { APART, BASE, RING, SECOND, STANDOFFS } from './fields';

  type BuildUp = PlateSheet['build_up'];
  interface Props {
    build: BuildUp;
    result: PlateResult;
    disabled: boolean;
    change: (write: (build: BuildUp) => void) => void;
  }
  let { build, result, disabled, change }: Props = $props();
  const KINDS = [
    ['one plate', 'one plate'],
    ['two plates on standoffs', 'two plates on standoffs'],
    ['plate and spacer ring', 'plate and spacer ring'],
    ['base plate, foot-mounted motor', 'base plate, motor on feet'],
  ] as const;
  const FIXINGS = [
    ['bolted', 'bolted'],
    ['welded', 'welded'],
  ] as const;
  const METALS = [
    ['steel', 'steel'],
    ['stainless steel', 'stainless steel'],
    ['aluminium', 'aluminium'],
  ] as const;
  const JOINTS = [
    ['gearbox', 'the gearbox'],
    ['motor', 'the motor'],
  ] as const;
  const TRADE: Record<BuildUp['kind'], string> = {
    'one plate': 'Shortest and stiffest; the gap is the plate’s thickness.',
    'two plates on standoffs': 'Any gap, and room to reach the coupler; both faces must be kept parallel.',
    'plate and spacer ring': 'Adds length to a plate that is there; one more register to add up.',
    'base plate, foot-mounted motor': 'For a motor with feet; aligned by shims, both planes.',
  };
  const { tilt, apart, shim_mm: shim } = $derived(result.build_up);
  const lengths = $derived(build.standoffs.measured);
  /** Half a hundredth: less than a micrometer reads, so not worth a skim. */
  const LEAST_SKIM_MM = 0.005;
  const takeOff = $derived(
    (tilt?.take_off_mm ?? [])
      .flatMap((mm, k) => (mm > LEAST_SKIM_MM ? [`S${k + 1} ${fixed(mm, 2)}`] : []))
      .join(', '),
  );
</script>

<ChoiceField
  label="Built as"
  value={build.kind}
  options={KINDS}
  {disabled}
  onchange={(kind) => change((next) => (next.kind = kind))}
/>
<p class="text-right text-[12.5px] text-ink-dim">{TRADE[build.kind]}</p>
{#if build.kind === 'two plates on standoffs'}
  <ReadingFields specs={SECOND} from={build} {disabled} {change} />
  <NumberField
    label="Standoffs"
    value={build.standoffs.count}
    least={0}
    greatest={24}
    {disabled}
    onchange={(value) => change((next) => (next.standoffs.count = Math.round(value ?? 0)))}
  />
  <ReadingFields
    specs={STANDOFFS}
    from={build.standoffs}
    {disabled}
    change={(write) => change((next) => write(next.standoffs))}
  />
  <ChoiceField
    label="Fixed by"
    none="not chosen"
    value={build.standoffs.fixing}
    options={FIXINGS}
    {disabled}
    onchange={(fixing) => change((next) => (next.standoffs.fixing = fixing))}
  />
  <ChoiceField
    label="Legs are made of"
    none="not said"
    value={build.standoffs.made_of}
    options={METALS}
    {disabled}
    onchange={(metal) => change((next) => (next.standoffs.made_of = metal))}
  />
  {#each Array.from({ length: build.standoffs.count }, (_, k) => k) as k (k)}
    {#if k <= lengths.length}
      <ReadingField
        label="S{k + 1} as measured"
        quantity="length"
        {disabled}
        value={lengths[k] ?? null}
        onchange={(value) =>
          change((next) => {
            if (value) next.standoffs.measured[k] = value;
            else next.standoffs.measured.splice(k, 1);
          })}
      />
    {/if}
  {/each}
  {#if tilt}
    <p class="text-[13px]" role="status">
      Leans <span class="figures">{fixed(tilt.tilt_deg, 3)}°</span>, high at {fixed(tilt.high_at_deg, 0)}°.
      {#if takeOff}To true it, take off <span class="figures">{takeOff}</span> mm.{:else}The standoffs are
        even.{/if}
    </p>
  {/if}
{:else if build.kind === 'plate and spacer ring'}
  <ReadingFields
    specs={RING}
    from={build.ring}
    {disabled}
    change={(write) => change((next) => write(next.ring))}
  />
  <ChoiceField
    label="Between the plate and"
    value={build.ring.on}
    options={JOINTS}
    {disabled}
    onchange={(on) => change((next) => (next.ring.on = on))}
  />
{:else if build.kind === 'base plate, foot-mounted motor'}
  <ReadingFields
    specs={BASE}
    from={build.base}
    {disabled}
    change={(write) => change((next) => write(next.base))}
  />
  <BaseRows base={build.base} {disabled} change={(write) => change((next) => write(next.base))} />
  {#if shim !== null}
    <p class="text-[13px]" role="status">
      {shim >= 0
        ? `${fixed(shim, 2)} mm of shim under each foot.`
        : `The motor stands ${fixed(-shim, 2)} mm too high.`}
    </p>
  {/if}
{/if}
{#if build.kind !== 'base plate, foot-mounted motor'}
  <ReadingFields specs={APART} from={build} {disabled} {change} />
  <p class="text-right text-[12.5px] text-ink-dim">
    {apart === null
      ? 'faces apart: not known yet'
      : `faces come to stand ${fixed(apart.nominal_mm, 2)} mm apart${
          apart.worst_mm > 0 ? `, ± ${fixed(apart.worst_mm, 2)} at worst` : ''
        }`}
  </p>
{/if}
