<script lang="ts">
  import type { AxlesResult, AxlesSheet, PartResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import PartPicture from '../../parts/PartPicture.svelte';
  import type { ShownPart } from '../../parts/shown-part.svelte';
  import AxlePicture from './AxlePicture.svelte';
  import AxleTable from './AxleTable.svelte';
  import LinePicture from './LinePicture.svelte';
  import LineTable from './LineTable.svelte';
  import ShakesTable from './ShakesTable.svelte';
  import TurningTable from './TurningTable.svelte';

  interface Props {
    result: AxlesResult;
    parts: readonly PartResult[];
    drawn: ShownPart;
    lit: string;
    disabled: boolean;
    change: (write: (sheet: AxlesSheet) => void) => void;
    onpick: (field: string) => void;
  }
  let { result, parts, drawn, lit, disabled, change, onpick }: Props = $props();
  const units = useUnits();
  const TURNS = { field: 'axles.turning', name: 'The whole line' };
  const all = $derived([
    ...result.axles,
    ...result.lines,
    ...result.adapters,
    ...(result.axles.length + result.lines.length > 0 ? [TURNS] : []),
  ]);
  const shown = $derived(all.find((one) => lit === one.field || lit.startsWith(`${one.field}.`)) ?? all[0]);
  const axle = $derived(result.axles.find((one) => one.field === shown?.field));
  const adapter = $derived(result.adapters.find((one) => one.field === shown?.field));
  const disc = $derived(parts.find((part) => part.key === adapter?.part));
  const line = $derived(result.lines.findIndex((one) => one.field === shown?.field));
</script>

{#if all.length > 1}
  <div class="flex gap-1 border-b border-edge px-3 pt-1" role="group" aria-label="Shafts shown">
    {#each all as one (one.field)}
      <button
        class={[
          'min-h-8 border-b-2 px-2',
          one.field === shown?.field ? 'border-brass font-semibold' : 'border-transparent text-ink-dim',
        ]}
        aria-pressed={one.field === shown?.field}
        onclick={() => onpick(one.field)}>{one.name}</button
      >
    {/each}
  </div>
{/if}
{#if drawn.part?.views[0]}
  <div class="on-dye relative bg-dye p-3 pt-8">
    <PartPicture drawing={drawn.part.views[0].drawing} label={drawn.part.title} />
    <button
      class="absolute top-1 left-2 min-h-6 text-[13px] text-scribe underline underline-offset-2"
      onclick={() => (drawn.partKey = null)}>{drawn.part.title}: back to the shafts</button
    >
  </div>
{/if}
{#if result.shakes}<ShakesTable shakes={result.shakes} />{/if}
{#if shown === TURNS}
  <TurningTable turning={result.turning} />
{:else if adapter}
  <div class="on-dye bg-dye p-3 text-scribe">
    {#if disc?.views[0]}
      <PartPicture drawing={disc.views[0].drawing} label={disc.title} />
      <p class="mt-2 text-[13px] text-scribe-dim">
        Seen from the shaft. Its drawings, cut list and release are among the order sheets.
      </p>
    {:else}
      <p class="px-3 py-10 text-scribe-dim">
        The adapter is drawn here with its outside, its thickness, and screws, circle and holes of both faces.
      </p>
    {/if}
  </div>
{:else if axle}
  <AxlePicture {axle} />
  <div class="px-4 py-3"><AxleTable {axle} /></div>
{:else if line >= 0 && result.lines[line]}
  <LinePicture line={result.lines[line]} />
  <div class="px-4 py-3">
    <LineTable
      line={result.lines[line]}
      {disabled}
      change={(write) =>
        change((next) => {
          const row = next.lines[line];
          if (row) write(row);
        })}
    />
  </div>
{:else}
  <p class="h-[300px] bg-dye px-6 py-10 text-scribe-dim">
    An axle's two shafts, or a line of propshafts, is drawn here. {units.words(result.to_do[0]?.text ?? '')}
  </p>
{/if}
