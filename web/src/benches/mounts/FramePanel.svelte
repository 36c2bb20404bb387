<script lang="ts">
  import type { MountsResult, MountsSheet, Sought } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import SoughtTable from '../../job/SoughtTable.svelte';
  import AddByName from '../../lib/ui/AddByName.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { newStation, takeStations } from './edits';
  import { APPROVAL, CUT, RAIL } from './fields';
  import FrameStation from './FrameStation.svelte';
  import RailFields from './RailFields.svelte';
  import RailPicture from './RailPicture.svelte';

  interface Props {
    sheet: MountsSheet;
    result: MountsResult;
    disabled: boolean;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const seeker = new Seeker(useEditor());
  const cut = $derived(sheet.frame);
  const foundOf = (station: string) => result.stations.find((one) => one.name === station);

  function take(fields: Sought['fields']): void {
    change((next) => takeStations(next.frame, fields));
    seeker.found = null;
  }
</script>

<Fields form={CUT} from={cut} {disabled} change={(write) => change((next) => write(next.frame))} />
{#if cut.is_cut}
  <h3 class="mt-3">The rail as it was</h3>
  {#if result.old_rail}<RailPicture name="the rail as it was" rail={result.old_rail} was={null} />{/if}
  <RailFields
    name="the rail as it was"
    form={RAIL}
    rail={cut.old}
    {disabled}
    change={(write) => change((next) => write(next.frame.old))}
  />
  {#each cut.stations as station, k (k)}
    <FrameStation
      {station}
      found={foundOf(station.name)}
      was={result.old_rail}
      {disabled}
      change={(write) =>
        change((next) => {
          const row = next.frame.stations[k];
          if (row) write(row);
        })}
      ontake={() => change((next) => next.frame.stations.splice(k, 1))}
    />
  {/each}
  {#if !disabled}
    <AddByName
      what="a place along the cut"
      example="notch for the motor"
      add={(name) => change((next) => next.frame.stations.push(newStation(name)))}
    />
    {#if result.stations.length > 0}
      <SeekButton {seeker} key="mounts.frame_mend" text="find plates that make up for it" busy="Trying…" />
      {#if seeker.found?.fields.length && seeker.isCurrent}
        <SoughtTable label="Plates that make up for it" rows={seeker.found.rows} />
        <button
          class="min-h-6 text-[13px] text-brass underline underline-offset-2"
          onclick={() => take(seeker.found?.fields ?? [])}>take the lightest</button
        >
      {/if}
    {/if}
  {/if}
  <p class="mt-3 border-l-2 border-brass pl-2 text-[12.5px]">
    A cut frame is approved by a licensed engineer, or as your authority requires. Until then it is on hold.
  </p>
  <Fields form={APPROVAL} from={cut} {disabled} change={(write) => change((next) => write(next.frame))} />
{/if}
