<script lang="ts">
  import type { Joint, JointResult } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { jointForm } from '../../measure/screws';
  import { SLEEVES } from './fields';
  import JointAnswer from './JointAnswer.svelte';

  interface Props {
    title: string;
    joint: Joint;
    result: JointResult | undefined;
    threads: readonly string[];
    disabled: boolean;
    change: (write: (joint: Joint) => void) => void;
  }
  let { title, joint, result, threads, disabled, change }: Props = $props();
</script>

<section>
  <h2>{title}</h2>
  {#if result?.thread}<JointAnswer {result} />{/if}
  <Fields form={jointForm(threads)} from={joint} {disabled} {change} />
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
    <Fields form={SLEEVES} from={joint} {disabled} {change} />
  {/if}
</section>
