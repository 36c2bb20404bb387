<script lang="ts">
  import type { MassItem } from '../../api/types';
  import { figure, shown, type Column } from '../../measure/rows';
  import RowTable from '../../measure/RowTable.svelte';
  import { useReader } from '../../measure/reader';
  import { submits } from '../../lib/submits';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    items: readonly MassItem[];
    queries?: readonly string[]; // of the masses: those of an item begin with its name
    disabled: boolean;
    change: (write: (items: MassItem[]) => void) => void;
  }
  let { items, queries = [], disabled, change }: Props = $props();
  const units = useUnits();
  const reader = useReader();
  const uid = $props.id();
  let name = $state('');
  let mass = $state('');
  let says = $state('');
  const isAsked = (item: MassItem) =>
    item.only_laden === null && queries.some((query) => query.startsWith(`${item.name}:`));
  const COLUMNS: readonly Column<MassItem>[] = [
    shown((item) => item.name, { head: 'item', size: 'min-w-32' }),
    {
      kind: 'choice',
      label: 'Off or on:',
      head: '',
      size: 'w-16',
      options: [
        ['on', 'on'],
        ['unsaid', 'on or load?'],
        ['off', 'off'],
        ['load', 'load'],
      ],
      read: (item) => (item.only_laden ? 'load' : !item.is_on ? 'off' : isAsked(item) ? 'unsaid' : 'on'),
      write: (item, kind) =>
        Object.assign(item, {
          is_on: kind !== 'off',
          only_laden: kind === 'unsaid' ? null : kind === 'load',
        }),
    },
    figure('mass', 'Mass of', 'mass', {
      head: 'mass',
      size: 'w-20',
      needed: 'A mass is needed; take the row away if it is not wanted.',
    }),
    figure('x', 'forward of', 'length', { head: 'forward', size: 'w-20' }),
    figure('y', 'left of', 'length', { head: 'left', size: 'w-20' }),
    figure('z', 'height of', 'length', { head: 'height', size: 'w-20' }),
  ];

  async function add(): Promise<void> {
    const text = units.meant(mass.trim(), 'mass');
    says = (await reader.read(text, 'mass', null)).problem;
    if (says) return;
    const item = { name: name.trim(), mass: { text }, is_on: true, only_laden: null };
    change((next) => next.push(item));
    name = mass = '';
  }
</script>

<section>
  <h3>Taken off and put on</h3>
  <p class="text-[12.5px] text-ink-dim">
    Places from the ground under the middle of the rear wheels: forward, left, up. With items here, kerb mass
    and front share are the vehicle's as it was weighed.
  </p>
  <div class="overflow-x-auto">
    <div class="min-w-[29rem]">
      <RowTable
        label="Masses off and on"
        rows={items}
        columns={COLUMNS}
        name={(item) => item.name}
        {disabled}
        {change}
      />
    </div>
  </div>
  {#if !disabled}
    <form class="mt-1 flex flex-wrap items-baseline gap-2 text-[13px]" onsubmit={submits(add)}>
      <label class="sr-only" for="{uid}-name">Name of an item</label>
      <input
        id="{uid}-name"
        class="field-line w-48"
        placeholder="battery box, engine, seat"
        required
        maxlength="80"
        bind:value={name}
      />
      <label class="sr-only" for="{uid}-mass">Mass of an item</label>
      <input
        id="{uid}-mass"
        class="field-line w-24 figures"
        placeholder={units.figure(120, 'kg', 0)}
        required
        bind:value={mass}
      />
      <button class="text-brass underline underline-offset-2">add an item</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
