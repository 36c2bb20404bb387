<script lang="ts">
  import type { MountsResult, MountsSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import Button from '../../lib/ui/Button.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { figure, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { saveThenFetch } from '../../parts/files';
  import { PULL } from './fields';

  interface Props {
    sheet: MountsSheet;
    result: MountsResult;
    disabled: boolean;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  type Entry = MountsSheet['pull']['log'][number];
  const editor = useEditor();
  const units = useUnits();
  const pull = $derived(result.pull);
  const COLUMNS: readonly Column<Entry>[] = [
    figure('closed', 'Closed', 'length', { head: 'closed at the foot', size: 'w-24' }),
    figure('tilt', 'Tilt', 'angle', { head: 'ear tilted', size: 'w-20' }),
  ];
</script>

<p class="text-[12.5px] text-ink-dim">A weld pulls ears together as it cools. Jig them wider by as much.</p>
{#if pull}
  <p class="mt-1 border-l-2 border-brass pl-2">
    <strong class="figures">Jig at {units.figure(pull.jig_mm, 'mm', 2)}</strong><br />
    It closes by {units.num(pull.low_mm, 'mm', 2)} to {units.figure(pull.high_mm, 'mm', 2)}, {pull.count
      ? `by ${pull.count} logged welds`
      : 'by the rule and a degree of tilt'}.
    {#if pull.shims.length}<br />Shim the jig with {pull.shims
        .map((one) => units.figure(one, 'mm', 1))
        .join(' + ')}.{/if}
    {#if pull.more_logs}<br />{pull.more_logs} more logged welds would halve the range.{/if}
  </p>
{/if}
<Fields form={PULL} from={sheet.pull} {disabled} change={(write) => change((next) => write(next.pull))} />
<h3 class="mt-3">Welds of this joint, as they came out</h3>
<RowTable
  label="Logged welds"
  rows={sheet.pull.log}
  columns={COLUMNS}
  name={(_, k) => `of weld ${k + 1}`}
  {disabled}
  change={(write) => change((next) => write(next.pull.log))}
  none="three or more replace the rule"
/>
{#if !disabled}
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => change((next) => next.pull.log.push({}))}>log a weld</button
  >
{/if}
{#if result.mounts.some((one) => one.section)}<p class="mt-3">
    <Button
      title="saves first, then downloads the brackets, the gap, the order and the care, PDF, A4"
      onclick={() => saveThenFetch(editor, `papers/mounts.welding.pdf?units=${units.system}`)}
      >How to weld them, on paper</Button
    >
  </p>{/if}
<p class="mt-2 border-l-2 border-brass pl-2 text-[12.5px]">
  Fit dry, tack opposite corners, check, stitch in quarters with pauses, check again; finish off the unit.
  Electronics off and away, earth clamp beside the weld, never through a bearing; shield it from sparks.
</p>
