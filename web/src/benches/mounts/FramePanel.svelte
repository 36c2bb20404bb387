<script lang="ts">
  import type { MountsResult, MountsSheet } from '../../api/types';
  import AddByName from '../../lib/ui/AddByName.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { newStation } from './edits';
  import { APPROVAL, CUT, RAIL } from './fields';

  interface Props {
    sheet: MountsSheet;
    result: MountsResult;
    disabled: boolean;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const units = useUnits();
  const cut = $derived(sheet.frame);
  const foundOf = (station: string) => result.stations.find((one) => one.name === station);
  const share = (value: number) => units.figure(100 * value, '%', 0);

  function add(name: string): void {
    change((next) => next.frame.stations.push(newStation(name)));
  }
</script>

<Fields form={CUT} from={cut} {disabled} change={(write) => change((next) => write(next.frame))} />
{#if cut.is_cut}
  <h3 class="mt-3">The rail as it was</h3>
  <Fields form={RAIL} from={cut.old} {disabled} change={(write) => change((next) => write(next.frame.old))} />
  {#each cut.stations as station, k (k)}
    {@const found = foundOf(station.name)}
    <div class="mt-3 flex items-baseline gap-2">
      <h3 class="flex-1">{station.name}</h3>
      {#if found}<span class={['figures', found.least < 1 ? 'text-fails' : '']}
          >{found.least_is} {share(found.least)}</span
        >{/if}
      {#if !disabled}<button
          class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
          aria-label="Take {station.name} away"
          onclick={() => change((next) => next.frame.stations.splice(k, 1))}>×</button
        >{/if}
    </div>
    {#if found}<p class="figures text-[12.5px] text-ink-dim">
        area {share(found.area)}, I {share(found.i)}, Z {share(found.z)}, J {share(found.j)}
      </p>{/if}
    <Fields
      form={RAIL}
      from={station}
      {disabled}
      change={(write) =>
        change((next) => {
          const row = next.frame.stations[k];
          if (row) write(row);
        })}
    />
  {/each}
  {#if !disabled}
    <AddByName what="a place along the cut" example="notch for the motor" {add} />
  {/if}
  <p class="mt-3 border-l-2 border-brass pl-2 text-[12.5px]">
    A cut frame is approved by a licensed engineer, or as your authority requires. Until then it is on hold.
  </p>
  <Fields form={APPROVAL} from={cut} {disabled} change={(write) => change((next) => write(next.frame))} />
{/if}
