<script lang="ts">
  import { answered, client, sent } from '../../api/client';
  import type { MotorSheet } from '../../api/types';
  import FilePick from '../../measure/FilePick.svelte';
  import { useUnits } from '../../measure/units.svelte';

  type Points = MotorSheet['curve'];
  interface Props {
    points: Points;
    disabled: boolean;
    onchange: (points: Points) => void;
  }
  let { points, disabled, onchange }: Props = $props();
  const units = useUnits();
  let notes = $state.raw<readonly string[]>([]);

  async function read(file: File): Promise<void> {
    notes = [];
    const curve = await answered(client.POST('/api/measure/motor-curve', sent({ file })));
    notes = curve.notes;
    onchange(curve.points);
  }
</script>

<div class="mt-1 text-[13px]">
  {#if points.length > 0}
    <p class="flex justify-between gap-2">
      <span>A curve of {points.length} points goes before the peak figures.</span>
      {#if !disabled}<button class="text-brass underline underline-offset-2" onclick={() => onchange([])}
          >take it away</button
        >{/if}
    </p>
  {/if}
  {#if !disabled}
    <FilePick
      label={points.length > 0 ? 'Read another curve' : 'Read its curve from a CSV file…'}
      accept=".csv,.txt,text/csv"
      take={read}
    />
    <span class="text-ink-dim"
      >rpm, {units.symbol('N·m')} at peak, {units.symbol('N·m')} for good; its head names them</span
    >
  {/if}
  {#each notes as note, index (index)}<p class="text-ink-dim">{note}</p>{/each}
</div>
