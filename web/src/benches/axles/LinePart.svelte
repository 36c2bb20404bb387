<script lang="ts">
  import type { LineShown, PropLine } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { lengthen, shorten } from './edits';
  import { arcForm, flangeForm, jointForm, LINE, tubeForm } from './fields';

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
  const MOST_PLACES = 9;
  const LEAST = 2;
</script>

{#if found?.missing[0]}<p class="text-[12.5px] text-brass">? {units.words(found.missing[0])}</p>{/if}
<Fields form={LINE} from={line} {disabled} {change} />
{#if line.is_fixed === false && line.goes === 'measured'}
  <h3 class="mt-2">Its axle’s own arc</h3>
  <p class="text-[12.5px] text-ink-dim">
    Jack under the axle tubes, stands under the body. From ride height to both stops: the pinion’s joint and
    an inclinometer on its flange.
  </p>
  {#each line.arc as place, k (k)}
    <div class="mt-1 border-l-2 border-edge pl-2">
      <Fields
        form={arcForm(k)}
        from={place}
        {disabled}
        change={(write) =>
          change((to) => {
            const row = to.arc[k];
            if (row) write(row);
          })}
      />
    </div>
  {/each}
  {#if !disabled}<div class="mt-1 flex gap-2">
      <Button disabled={line.arc.length >= MOST_PLACES} onclick={() => change((to) => to.arc.push({}))}
        >Add a place</Button
      >
      {#if line.arc.length > 0}<Button onclick={() => change((to) => void to.arc.pop())}
          >Take the last away</Button
        >{/if}
    </div>{/if}
{/if}
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
