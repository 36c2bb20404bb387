<script lang="ts">
  import type { AxlesResult, AxlesSheet } from '../../api/types';
  import NamedRows from '../../lib/ui/NamedRows.svelte';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import AdapterPart from './AdapterPart.svelte';
  import AxlePart from './AxlePart.svelte';
  import { newAdapter, newAxle, newLine, otherAxle, otherEnd } from './edits';
  import LinePart from './LinePart.svelte';
  import TurningPart from './TurningPart.svelte';

  interface Props {
    sheet: AxlesSheet;
    result: AxlesResult;
    points: readonly string[];
    threads: readonly string[];
    lit: string; // field of the row that is open
    disabled: boolean;
    change: (write: (sheet: AxlesSheet) => void) => void;
    onpick: (field: string) => void;
  }
  let { sheet, result, points, threads, lit, disabled, change, onpick }: Props = $props();
</script>

<div class="px-4 py-3">
  <h3>Axles</h3>
  <NamedRows
    label="Axles"
    group="axles"
    prefix="axles.axles"
    rows={sheet.axles}
    {lit}
    what="an axle"
    example="rear axle"
    none="None. An axle has two shafts with a joint at each end."
    {disabled}
    make={newAxle}
    twin={otherAxle}
    twinWords="add the other axle of the same parts"
    twinName={otherEnd}
    {onpick}
    change={(write) => change((next) => write(next.axles))}
  >
    {#snippet note(k)}
      {@const found = result.axles[k]}
      {#each [found?.left, found?.right] as side, index (index)}
        {#if side?.verdict}<VerdictMark verdict={side.verdict} silent />{/if}
      {/each}
    {/snippet}
    {#snippet body(row, k, put)}
      <AxlePart axle={row} found={result.axles[k]} {points} {threads} {disabled} change={put} />
    {/snippet}
  </NamedRows>
  <h3 class="mt-4">Propshafts</h3>
  <NamedRows
    label="Propshafts"
    group="lines"
    prefix="axles.lines"
    rows={sheet.lines}
    {lit}
    what="a line of propshafts"
    example="rear propshaft"
    none="None. A line runs from the box to an axle."
    {disabled}
    make={newLine}
    {onpick}
    change={(write) => change((next) => write(next.lines))}
  >
    {#snippet note(k)}
      {@const verdict = result.lines[k]?.verdict}
      {#if verdict}<VerdictMark {verdict} silent />{/if}
    {/snippet}
    {#snippet body(row, k, put)}
      <LinePart line={row} found={result.lines[k]} {points} {threads} {disabled} change={put} />
    {/snippet}
  </NamedRows>
  <h3 class="mt-4">Flange adapters</h3>
  <NamedRows
    label="Flange adapters"
    group="adapters"
    prefix="axles.adapters"
    rows={sheet.adapters}
    {lit}
    what="a flange adapter"
    example="axle end"
    none="None. A turned disc joins a shaft to a flange of other holes."
    {disabled}
    make={newAdapter}
    {onpick}
    change={(write) => change((next) => write(next.adapters))}
  >
    {#snippet note(k)}
      {@const verdict = result.adapters[k]?.verdict}
      {#if verdict}<VerdictMark {verdict} silent />{/if}
    {/snippet}
    {#snippet body(row, k, put)}
      <AdapterPart adapter={row} found={result.adapters[k]} {threads} {disabled} change={put} />
    {/snippet}
  </NamedRows>
  <TurningPart
    turning={sheet.turning}
    found={result.turning}
    {disabled}
    change={(write) => change((next) => write(next.turning))}
  />
</div>
