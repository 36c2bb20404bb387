<script lang="ts">
  import type { Joint, JointResult } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import { JOINT } from './fields';
  import JointAnswer from './JointAnswer.svelte';
  import { CLASSES, CONDITIONS, HOLES, SURFACES, TAPPED } from './joint-choices';

  interface Props {
    title: string;
    joint: Joint;
    result: JointResult | undefined;
    threads: readonly string[];
    disabled: boolean;
    change: (write: (joint: Joint) => void) => void;
  }
  let { title, joint, result, threads, disabled, change }: Props = $props();
  const holes = $derived(joint.is_blind === true ? 'blind' : joint.is_blind === false ? 'through' : null);
  const sizes = $derived(threads.map((name) => [name, name] as const));
</script>

<section>
  <h2>{title}</h2>
  {#if result?.thread}<JointAnswer {result} />{/if}
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
