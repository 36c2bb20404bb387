<script lang="ts">
  import type { PlacementResult, PlacementSheet } from '../../api/types';
  import { within } from '../../measure/fields';
  import Fields from '../../measure/Fields.svelte';
  import TextField from '../../measure/TextField.svelte';
  import AddByName from '../../lib/ui/AddByName.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { newStand, standNow, takePose } from './edits';
  import { KEEP_OFF, standForm, wheelsForm } from './fields';
  import MoreFields from '../../measure/MoreFields.svelte';
  import MostRoom from './MostRoom.svelte';
  import StandTable from './StandTable.svelte';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    points: readonly string[];
    hasOutputs: boolean;
    disabled: boolean;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, points, hasOutputs, disabled, change }: Props = $props();
  const units = useUnits();
  const stand = $derived(standNow(sheet));
  const wheels = $derived(within((one: PlacementSheet) => one.wheels, wheelsForm(points)));

  function add(name: string): void {
    change((next) => {
      const like = standNow(next);
      next.stands.push(like ? { ...structuredClone(like), name } : newStand(name));
      next.chosen = name;
    });
  }
</script>

{#if result.stands.length > 0}
  <div data-group="stands" data-field="chosen" tabindex="-1">
    <StandTable
      {result}
      {hasOutputs}
      {disabled}
      onchoose={(wanted) => change((next) => (next.chosen = wanted))}
    />
  </div>
{/if}
{#if !disabled}
  <AddByName
    what="a way to stand"
    example={result.stands.length ? 'end for end' : 'as made'}
    taken={sheet.stands.map((one) => one.name)}
    {add}
  />
{/if}
{#if stand}
  <h3 class="mt-3">{stand.name}</h3>
  <Fields
    form={standForm(points)}
    from={stand}
    {disabled}
    change={(write) =>
      change((next) => {
        const now = standNow(next);
        if (now) write(now);
      })}
  />
  {#if !disabled}
    <p class="flex flex-wrap gap-x-3 text-[13px]">
      {#each result.offers as offer (offer.key)}
        <button
          class="min-h-6 text-brass underline underline-offset-2"
          onclick={() => change((next) => takePose(next, offer))}>{units.words(offer.title)}</button
        >
      {/each}
      <MostRoom {change} />
    </p>
  {/if}
{/if}
<TextField
  label="Why it stands so"
  name="why"
  long
  most={2000}
  value={sheet.why}
  {disabled}
  onchange={(why) => change((next) => (next.why = why))}
/>
{#if hasOutputs}
  <h3 class="mt-3">Where the wheels want its outputs</h3>
  <Fields form={wheels} from={sheet} {disabled} {change} />
{/if}
<h3 class="mt-3">How far to keep off</h3>
<MoreFields form={KEEP_OFF} from={sheet} {disabled} {change} />
