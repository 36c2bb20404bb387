<script lang="ts">
  import type { ScanFound, ScanMatch, ScanSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { scanForm } from './fields';
  import MatchDialog from './MatchDialog.svelte';
  import ScanFile from './ScanFile.svelte';

  interface Props {
    name: string;
    scan: ScanSheet;
    found: ScanFound | undefined;
    points: readonly string[];
    disabled: boolean;
    change: (write: (scan: ScanSheet) => void) => void;
  }
  let { name, scan, found, points, disabled, change }: Props = $props();
  const units = useUnits();
  let isFinding = $state(false);
  const misfitOf = (k: number) => found?.misfits.find((one) => one.field.endsWith(`.matches.${k}`));

  const columns = $derived<readonly Column<ScanMatch>[]>([
    {
      kind: 'choice',
      label: 'Point on the vehicle',
      head: 'on the vehicle',
      size: 'w-24',
      options: [['', 'none yet'], ...points.map((one) => [one, one] as const)],
      read: (match) => match.at.point ?? '',
      write: (match, point) => (match.at = { point: point || null }),
    },
    figure('x', 'x on the scan', 'length', { head: 'x', size: 'w-16' }),
    figure('y', 'y on the scan', 'length', { head: 'y', size: 'w-16' }),
    figure('z', 'z on the scan', 'length', { head: 'z', size: 'w-16' }),
  ]);
</script>

<ScanFile
  {scan}
  {found}
  {disabled}
  take={(file) => change((next) => Object.assign(next, { file: file.sha256, name: file.name }))}
/>
<Fields
  form={scanForm(points, found?.sizes ?? [], (mm) => units.figure(mm, 'mm', 0))}
  from={scan}
  {disabled}
  {change}
/>
{#if scan.laid === 'points'}
  <p class="mt-2 text-[12.5px] text-ink-dim">
    Points that you can find on both: three fix it, a fourth shows which one is off.
  </p>
  <RowTable
    label="Points on {name} and on the vehicle"
    rows={scan.matches}
    {columns}
    name={(_, k) => `of point ${k + 1}`}
    {disabled}
    change={(write) => change((next) => write(next.matches))}
    none="three or more"
  >
    {#snippet below(match, k)}
      {@const misfit = match.x ? misfitOf(k) : undefined}
      {#if misfit}
        <p class={misfit.is_suspect ? 'text-fails' : 'text-ink-dim'}>
          {#if misfit.suspect_by_mm !== null}▲ the others have it {units.figure(
              misfit.suspect_by_mm,
              'mm',
              0,
            )} away{:else}off by {units.figure(misfit.off_mm, 'mm', 1)}{/if}
        </p>
      {/if}
    {/snippet}
  </RowTable>
  {#if found?.says}<p class="text-[13px] text-fails">▲ {units.words(found.says)}</p>{/if}
  {#if !disabled}
    <div class="flex gap-4 text-[13px] text-brass">
      <button
        class="min-h-6 underline underline-offset-2"
        onclick={() => change((next) => next.matches.push({ at: { point: null } }))}>add a point</button
      >
      {#if scan.file && found?.scale}
        <button class="min-h-6 underline underline-offset-2" onclick={() => (isFinding = true)}
          >find points on it</button
        >
      {/if}
    </div>
  {/if}
{/if}
{#if isFinding && scan.file && found?.scale}
  <MatchDialog
    {name}
    {scan}
    file={scan.file}
    scale={found.scale}
    onclose={() => (isFinding = false)}
    {change}
  />
{/if}
