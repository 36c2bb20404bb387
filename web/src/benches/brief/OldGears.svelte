<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import { useReader } from '../../measure/reader';
  import { submits } from '../../lib/submits';
  import { figure, shown, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';

  type Gears = BriefSheet['was']['gears'];
  interface Props {
    gears: Gears;
    disabled: boolean;
    change: (write: (gears: Gears) => void) => void;
  }
  let { gears, disabled, change }: Props = $props();
  const reader = useReader();
  const uid = $props.id();
  const ORDINALS = ['1st', '2nd', '3rd', '4th', '5th', '6th'];
  const COLUMNS: readonly Column<Gears[number]>[] = [
    shown((gear) => gear.name),
    figure('ratio', 'Ratio of', 'ratio', {
      needed: 'A ratio is needed; take the row away if it is not wanted.',
    }),
  ];
  let ratio = $state('');
  let says = $state('');

  async function add(): Promise<void> {
    says = (await reader.read(ratio, 'ratio', null)).problem;
    if (says) return;
    const name = ORDINALS[gears.length] ?? `${gears.length + 1}th`;
    const text = ratio.trim();
    change((next) => next.push({ name, ratio: { text } }));
    ratio = '';
  }
</script>

<section>
  <h3>Its gears</h3>
  <RowTable
    label="Gears as it was"
    rows={gears}
    columns={COLUMNS}
    name={(gear) => `old ${gear.name}`}
    none="None: those of the kept gearbox are taken."
    {disabled}
    canTakeAway={(k) => k === gears.length - 1}
    {change}
  />
  {#if !disabled}
    <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(add)}>
      <label class="sr-only" for="{uid}-ratio">Ratio of an old gear</label>
      <input
        id="{uid}-ratio"
        class="field-line w-24 figures"
        placeholder="3.69"
        required
        bind:value={ratio}
      />
      <button class="text-brass underline underline-offset-2">add its next gear</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
