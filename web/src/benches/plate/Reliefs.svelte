<script lang="ts">
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import TextField from '../../measure/TextField.svelte';
  import { RELIEF, RELIEF_FACE, type Relief } from './fields';

  interface Props {
    reliefs: readonly Relief[];
    disabled: boolean;
    change: (write: (reliefs: Relief[]) => void) => void;
  }
  let { reliefs, disabled, change }: Props = $props();
  const needed = 'A figure is needed; take the row away if the point is not there.';
  const COLUMNS: readonly Column<Relief['points'][number]>[] = [
    figure('x', 'x of', 'length', { size: '', needed }),
    figure('y', 'y of', 'length', { size: '', needed }),
  ];
  const put = (k: number) => (write: (to: Relief) => void) =>
    change((next) => {
      const to = next[k];
      if (to) write(to);
    });
</script>

<p class="text-[12.5px] text-ink-dim">
  A starter’s bulge, a sensor, heads of bolts: what the plate would foul. Points from the shaft; the motor’s
  looking at its face, the gearbox’s from the engine side.
</p>
{#each reliefs as relief, k (k)}
  <fieldset class="mt-2 border-l-4 border-edge pl-3" aria-label="What stands out, {k + 1}">
    <TextField
      label="What stands out"
      value={relief.name}
      {disabled}
      onchange={(name) => put(k)((to) => (to.name = name?.trim() || to.name))}
    />
    <Fields form={RELIEF_FACE} from={relief} {disabled} change={put(k)} />
    <RowTable
      label="Points of {relief.name}"
      rows={relief.points}
      columns={COLUMNS}
      name={(_, at) => `point ${at + 1} of ${relief.name}`}
      {disabled}
      change={(write) => put(k)((to) => write(to.points))}
    />
    <Fields form={RELIEF} from={relief} {disabled} change={put(k)} />
    {#if !disabled}
      <p class="flex justify-end gap-4 text-[13px]">
        <button
          class="min-h-6 text-brass underline underline-offset-2"
          onclick={() => put(k)((to) => to.points.push({ x: { text: '0' }, y: { text: '0' } }))}
          >add a point</button
        >
        <button
          class="min-h-6 text-brass underline underline-offset-2"
          onclick={() => change((next) => next.splice(k, 1))}>it is not there</button
        >
      </p>
    {/if}
  </fieldset>
{/each}
{#if !disabled}
  <p class="text-right text-[13px]">
    <button
      class="min-h-6 text-brass underline underline-offset-2"
      onclick={() =>
        change((next) =>
          next.push({ name: `bulge ${next.length + 1}`, points: [{ x: { text: '0' }, y: { text: '0' } }] }),
        )}>add what stands out</button
    >
  </p>
{/if}
