<script lang="ts">
  import type { LineShown, PropLine } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { lengthen, shorten } from './edits';
  import { flangeForm, jointForm, LINE, tubeForm } from './fields';

  interface Props {
    line: PropLine;
    found: LineShown | undefined;
    points: readonly string[];
    threads: readonly string[];
    disabled: boolean;
    change: (write: (line: PropLine) => void) => void;
  }
  let { line, found, points, threads, disabled, change }: Props = $props();
  const units = useUnits();
  const MOST = 5;
  const LEAST = 2;
</script>

{#if found?.missing[0]}<p class="text-[12.5px] text-brass">? {units.words(found.missing[0])}</p>{/if}
<Fields form={LINE} from={line} {disabled} {change} />
<Fields
  form={flangeForm('Flange at the box is', threads)}
  from={line.box_flange}
  {disabled}
  change={(write) => change((to) => write(to.box_flange))}
/>
<Fields
  form={flangeForm('Flange at the pinion is', threads)}
  from={line.pinion_flange}
  {disabled}
  change={(write) => change((to) => write(to.pinion_flange))}
/>
<h3 class="mt-2">From the box on</h3>
<p class="text-[12.5px] text-ink-dim">
  Measured with the vehicle on its wheels or on stands at ride height, not hanging.
</p>
{#each line.joints as joint, k (k)}
  <Fields
    form={jointForm(k, points)}
    from={joint}
    {disabled}
    change={(write) =>
      change((to) => {
        const row = to.joints[k];
        if (row) write(row);
      })}
  />
  {@const tube = line.tubes[k]}
  {#if tube}
    <div class="my-1 border-l-2 border-edge pl-2">
      <Fields
        form={tubeForm(k)}
        from={tube}
        {disabled}
        change={(write) =>
          change((to) => {
            const row = to.tubes[k];
            if (row) write(row);
          })}
      />
    </div>
  {/if}
{/each}
{#if !disabled}<div class="mt-1 flex gap-2">
    <Button disabled={line.joints.length >= MOST} onclick={() => change(lengthen)}>Add a joint</Button>
    {#if line.joints.length > LEAST}<Button onclick={() => change(shorten)}>Take the last away</Button>{/if}
  </div>{/if}
