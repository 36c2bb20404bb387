<script lang="ts">
  import type { MassItem, Quantity } from '../../api/types';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import { useReader } from '../../measure/reader';
  import { submits } from '../../lib/submits';

  interface Props {
    items: readonly MassItem[];
    disabled: boolean;
    onchange: (items: MassItem[]) => void;
  }
  let { items, disabled, onchange }: Props = $props();
  const reader = useReader();
  const uid = $props.id();
  let name = $state('');
  let mass = $state('');
  let says = $state('');
  const PLACES = [
    ['x', 'forward'],
    ['y', 'left'],
    ['z', 'height'],
  ] as const;
  const QUANTITY: Quantity = 'length';

  type Kind = 'on' | 'off' | 'load';
  const kindOf = (item: MassItem): Kind => (item.only_laden ? 'load' : item.is_on ? 'on' : 'off');

  function put(k: number, part: Partial<MassItem>): void {
    onchange(items.map((item, at) => (at === k ? { ...item, ...part } : item)));
  }

  async function add(): Promise<void> {
    says = (await reader.read(mass, 'mass', null)).problem;
    if (says) return;
    onchange([...items, { name: name.trim(), mass: { text: mass.trim() }, is_on: true, only_laden: false }]);
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
    <table class="w-full min-w-[29rem] text-[13px]" aria-label="Masses off and on">
      <thead class="text-ink-dim">
        <tr>
          <th class="min-w-32 text-left font-normal">item</th>
          <th class="w-16 text-left font-normal"></th>
          <th class="w-20 text-right font-normal">mass</th>
          {#each PLACES as [place, word] (place)}<th class="w-20 text-right font-normal">{word}</th>{/each}
          <th class="w-6"></th>
        </tr>
      </thead>
      <tbody>
        {#each items as item, k (k)}
          <tr class="border-t border-edge">
            <td class="py-0.5">{item.name}</td>
            <td>
              <select
                class="field-line"
                aria-label="Off or on: {item.name}"
                {disabled}
                value={kindOf(item)}
                onchange={(event) => {
                  const kind = event.currentTarget.value;
                  put(k, { is_on: kind !== 'off', only_laden: kind === 'load' });
                }}
              >
                <option value="on">on</option><option value="off">off</option><option value="load"
                  >load</option
                >
              </select>
            </td>
            <td
              ><ReadingInput
                label="Mass of {item.name}"
                text={item.mass.text}
                quantity="mass"
                needed="A mass is needed; take the row away if it is not wanted."
                {disabled}
                onchange={(text) => put(k, { mass: { text } })}
              /></td
            >
            {#each PLACES as [place, word] (place)}
              <td
                ><ReadingInput
                  label="{word} of {item.name}"
                  text={item[place]?.text ?? ''}
                  quantity={QUANTITY}
                  placeholder="?"
                  {disabled}
                  onchange={(text) => put(k, { [place]: text === '' ? null : { text } })}
                /></td
              >
            {/each}
            <td class="text-right">
              {#if !disabled}<button
                  class="px-1 text-ink-dim hover:text-fails"
                  aria-label="Take {item.name} away"
                  onclick={() => onchange(items.filter((_, at) => at !== k))}>×</button
                >{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
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
        placeholder="120 kg"
        required
        bind:value={mass}
      />
      <button class="text-brass underline underline-offset-2">add an item</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
