<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { BriefSheet, JobResult } from '../../api/types';
  import ToDoList from '../../ledger/ToDoList.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { NOTES } from './fields';
  import MotorPlot from './MotorPlot.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: JobResult['brief'];
    brief: BriefSheet;
    disabled: boolean;
    change: (write: (brief: BriefSheet) => void) => void;
  }
  let { result, brief, disabled, change }: Props = $props();
  const units = useUnits();
</script>

{#if result.motor}
  <MotorPlot motor={result.motor} name={brief.motor.name} />
{:else}
  <p class="bg-dye px-6 py-16 text-scribe-dim">
    Give the motor's peak torque and top speed, from its plate or data sheet, and its curve is drawn here.
  </p>
{/if}
<Questions texts={result.queries} />
<div class="grid gap-x-8 gap-y-5 px-5 py-4 xl:grid-cols-2">
  <section>
    <h2>How far a turn of the wheel goes</h2>
    <table class="mt-1 w-full">
      <tbody>
        {#each result.tyres as tyre (tyre.method)}
          <tr class={['border-t border-edge', tyre.used && 'bg-brass-wash font-semibold']}>
            <td class="px-1 py-1.5">{tyre.text}</td>
            <td class="text-right figures"
              >{units.num(tyre.circumference_mm, 'mm', 0)} ± {units.figure(
                tyre.u_mm,
                'mm',
                tyre.u_mm < 10 ? 1 : 0,
              )}</td
            >
            <td class="w-12 pr-1 text-right text-[13px]">{tyre.used ? 'used' : ''}</td>
          </tr>
        {:else}
          <tr
            ><td class="py-2 text-ink-dim"
              >Read the code on the tyre's side, or chalk tyre and floor, roll a few turns and tape it.</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  </section>
  <section>
    <h2>Still to measure or look up</h2>
    <ul class="mt-1">
      <ToDoList todos={result.to_do} class="border-t border-edge py-1.5" />
      {#if result.to_do.length === 0}<li class="border-t border-edge py-1.5 text-ink-dim">
          Nothing: the brief is complete.
        </li>{/if}
    </ul>
    {#if result.assumed.length > 0}
      <h3 class="mt-3 text-ink-dim">Taken as usual, not measured</h3>
      <ul class="text-ink-dim">
        {#each result.assumed as assumed (assumed.field)}<li>{units.words(assumed.text)}</li>{/each}
      </ul>
    {/if}
  </section>
  <section class="xl:col-span-2">
    <Fields form={NOTES} from={brief} {disabled} {change} />
  </section>
</div>
