<script lang="ts">
  import type { CouplerResult, CouplerSheet } from '../../api/types';
  import { figure, shown, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    sheet: CouplerSheet;
    runout: CouplerResult['runout'];
    disabled: boolean;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { sheet, runout, disabled, change }: Props = $props();
  const units = useUnits();
  const POSITIONS = [0, 45, 90, 135, 180, 225, 270, 315];
  const needed = 'A figure is needed; take the row away if it was not read.';
  const READ: readonly Column<CouplerSheet['dial'][number]>[] = [
    figure('clock', 'Mark of', 'angle', { head: 'mark on the hub', size: '', needed }),
    figure('reading', 'Dial at', 'length', { head: 'dial, in is plus', size: '' }),
  ];
  const SCREWS: readonly Column<CouplerSheet['grub_screws'][number]>[] = [
    shown((screw) => screw.name, { head: 'grub screw' }),
    figure('clock', 'Clock angle of', 'angle', { head: 'at', size: '', needed }),
  ];
</script>

<h3 class="mt-3">Dial still, hub turned by hand</h3>
{#if runout}
  <p class="bg-brass-wash px-2 py-1 text-[13px]">
    <strong>{units.figure(runout.eccentric_mm, 'mm', 3)} eccentric</strong>, {units.figure(
      runout.oval_mm,
      'mm',
      3,
    )} out of round. {units.words(runout.says)}
  </p>
{/if}
<RowTable
  label="Dial readings round the hub"
  rows={sheet.dial}
  columns={READ}
  name={(row) => row.clock.text}
  {disabled}
  change={(write) => change((next) => write(next.dial))}
/>
<RowTable
  label="Grub screws"
  rows={sheet.grub_screws}
  columns={SCREWS}
  name={(row) => row.name}
  {disabled}
  change={(write) => change((next) => write(next.grub_screws))}
/>
{#if !disabled}
  <p class="flex justify-end gap-4 text-[13px]">
    {#if sheet.dial.length === 0}<button
        class="min-h-6 text-brass underline underline-offset-2"
        onclick={() =>
          change((next) => (next.dial = POSITIONS.map((at) => ({ clock: { text: `${at} deg` } }))))}
        >read it at eight marks</button
      >{/if}
    <button
      class="min-h-6 text-brass underline underline-offset-2"
      onclick={() =>
        change((next) =>
          next.grub_screws.push({
            name: 'ABCDEFGH'[next.grub_screws.length] ?? 'I',
            clock: { text: '0 deg' },
          }),
        )}>add a grub screw</button
    >
  </p>
{/if}
