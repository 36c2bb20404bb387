<script lang="ts">
  import type { Joint, JointResult } from '../../api/types';
  import { anyOf, fixed, whole } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import { JOINT } from './fields';

  interface Props {
    title: string;
    joint: Joint;
    result: JointResult | undefined;
    threads: readonly string[];
    disabled: boolean;
    change: (write: (joint: Joint) => void) => void;
  }
  let { title, joint, result, threads, disabled, change }: Props = $props();
  const CLASSES = [
    ['8.8', '8.8'],
    ['10.9', '10.9'],
    ['12.9', '12.9'],
    ['grade 5', 'grade 5'],
    ['grade 8', 'grade 8'],
  ] as const;
  const CONDITIONS = [
    ['dry', 'dry'],
    ['oiled', 'oiled'],
    ['threadlocker', 'threadlocker'],
  ] as const;
  const TAPPED = [
    ['steel', 'steel'],
    ['cast iron', 'cast iron'],
    ['aluminium, wrought', 'aluminium, wrought'],
    ['aluminium, cast', 'aluminium, cast'],
  ] as const;
  const SURFACES = [
    ['dry steel or iron', 'dry steel or iron'],
    ['plated or anodised', 'plated or anodised'],
    ['blasted', 'blasted'],
  ] as const;
  const HOLES = [
    ['through', 'go through'],
    ['blind', 'end'],
  ] as const;
  const holes = $derived(joint.is_blind === true ? 'blind' : joint.is_blind === false ? 'through' : null);
  const sizes = $derived(threads.map((name) => [name, name] as const));
</script>

<section>
  <h2>{title}</h2>
  {#if result?.thread}
    <p class="mt-1 bg-brass-wash px-2 py-1.5" role="status">
      {#if result.shortest_mm === null}
        Say strength, what it is screwed into and the plate’s thickness: then the length that fits is here.
      {:else}
        <strong
          >{result.stock_mm.length > 0
            ? `${anyOf(result.stock_mm.map((mm) => fixed(mm, 0)))} mm long fits`
            : 'No usual length fits'}</strong
        >: from {fixed(result.shortest_mm, 1)}
        {result.longest_mm === null
          ? 'up; what is behind is not known'
          : `to ${fixed(result.longest_mm, 1)} mm`}.
      {/if}
      {#if result.tightening_nm !== null}
        <br />Tighten to <strong>{fixed(result.tightening_nm, 0)} N·m</strong>{result.tightening_is_usual
          ? ', 70 % of proof'
          : ''}: {whole(result.preload_n)} N, a quarter more or less{result.settles_n === null
          ? ''
          : `, ${whole(result.settles_n)} of it settles`}.
      {/if}
      {#if result.threadlocker}<br />{result.count} of them, liquid threadlocker on clean, dry threads.{/if}
    </p>
    {#each result.sleeves as sleeve (sleeve.hole_mm)}
      <p class="mt-1 border-l-2 border-brass pl-2 text-[13px]">
        {sleeve.holes.join(', ')}: Ø{fixed(sleeve.hole_mm, 1)} is loose on {result.thread}. Sleeve
        <span class="figures whitespace-nowrap"
          >Ø{fixed(sleeve.outside_mm, 1)} × Ø{fixed(sleeve.inside_mm, 1)} × {fixed(sleeve.length_mm, 1)}</span
        >, wall {fixed(sleeve.wall_mm, 2)} mm{sleeve.can_be_turned
          ? ''
          : ': too thin to turn, bush or plug the hole'}.
      </p>
    {/each}
  {/if}
  <ChoiceField
    label="Thread"
    none="not known"
    value={joint.thread}
    options={sizes}
    {disabled}
    onchange={(value) => change((next) => (next.thread = value))}
  />
  <ChoiceField
    label="Strength on the head"
    none="not known"
    value={joint.property_class}
    options={CLASSES}
    {disabled}
    onchange={(value) => change((next) => (next.property_class = value))}
  />
  <ChoiceField
    label="Screwed into"
    none="not known"
    value={joint.tapped}
    options={TAPPED}
    {disabled}
    onchange={(value) => change((next) => (next.tapped = value))}
  />
  <NumberField
    label="Its tensile strength, MPa"
    value={joint.tapped_mpa}
    least={21}
    greatest={2500}
    hint="empty: usual for the material"
    {disabled}
    onchange={(value) => change((next) => (next.tapped_mpa = value))}
  />
  <ChoiceField
    label="Thread is"
    none="not said"
    value={joint.condition}
    options={CONDITIONS}
    {disabled}
    onchange={(value) => change((next) => (next.condition = value))}
  />
  <ChoiceField
    label="Clamped faces are"
    none="not said: least friction"
    value={joint.surface}
    options={SURFACES}
    {disabled}
    onchange={(value) => change((next) => (next.surface = value))}
  />
  <ChoiceField
    label="The tapped holes"
    none="not said"
    value={holes}
    options={HOLES}
    {disabled}
    onchange={(value) => change((next) => (next.is_blind = value === 'blind'))}
  />
  <ReadingFields specs={JOINT} from={joint} {disabled} {change} />
  {#if result && result.sleeves.length > 0}
    <label class="flex items-baseline gap-2 py-1"
      ><input
        type="checkbox"
        {disabled}
        checked={joint.crush_tube}
        onchange={(event) => {
          const clamped = event.currentTarget.checked;
          change((next) => (next.crush_tube = clamped));
        }}
      /> sleeves are clamped end to end</label
    >
    {#if joint.crush_tube}
      <NumberField
        label="Yield of the sleeves, MPa"
        value={joint.sleeve_yield_mpa}
        least={21}
        greatest={2500}
        {disabled}
        onchange={(value) => change((next) => (next.sleeve_yield_mpa = value))}
      />
    {/if}
  {/if}
</section>
