<script lang="ts">
  import type { Box, Quantity, Reading } from '../../api/types';
  import { readBack } from '../../measure/read-back';

  interface Props {
    title: string;
    boxes: readonly Box[];
    noun: string; // "a gear", "a final drive"
    hint: string;
    disabled: boolean;
    onchange: (boxes: Box[]) => void;
  }
  let { title, boxes, noun, hint, disabled, onchange }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  let ratio = $state('');
  let says = $state('');

  async function check(text: string, quantity: Quantity): Promise<boolean> {
    says = (await readBack(text, quantity, null)).problem;
    return says === '';
  }

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (!(await check(ratio, 'ratio'))) return;
    const called = name.trim() || ratio.trim();
    if (boxes.some((box) => box.name === called)) {
      says = `There is a ${called} already. Give this one another name.`;
      return;
    }
    onchange([...boxes, { name: called, ratio: { text: ratio.trim() } }]);
    name = ratio = '';
  }

  async function change(
    k: number,
    part: 'ratio' | 'rating' | 'greatest_rpm',
    input: HTMLInputElement,
  ): Promise<void> {
    const kinds: Record<typeof part, Quantity> = { ratio: 'ratio', rating: 'torque', greatest_rpm: 'spin' };
    const text = input.value.trim();
    if (text !== '' && !(await check(text, kinds[part]))) return;
    if (text === '' && part === 'ratio') {
      says = 'A ratio is needed; take the row away if it is not wanted.';
      return;
    }
    const reading: Reading | null = text === '' ? null : { text };
    onchange(boxes.map((box, at) => (at === k ? { ...box, [part]: reading } : box)));
  }
</script>

<section>
  <h3>{title}</h3>
  {#if boxes.length > 0}
    <table class="w-full text-[13px]" aria-label={title}>
      <thead class="text-ink-dim">
        <tr>
          <th class="text-left font-normal">name</th>
          <th class="w-14 text-right font-normal">ratio</th>
          <th class="w-20 text-right font-normal">rating</th>
          <th class="w-20 text-right font-normal">most rpm</th>
          <th class="w-6"></th>
        </tr>
      </thead>
      <tbody>
        {#each boxes as box, k (box.name)}
          <tr class="border-t border-edge">
            <td class="py-0.5">{box.name}</td>
            <td
              ><input
                class="field-line text-right figures"
                aria-label="Ratio of {box.name}"
                {disabled}
                value={box.ratio.text}
                onchange={(e) => change(k, 'ratio', e.currentTarget)}
              /></td
            >
            <td
              ><input
                class="field-line text-right figures"
                aria-label="Torque rating of {box.name}"
                placeholder="?"
                {disabled}
                value={box.rating?.text ?? ''}
                onchange={(e) => change(k, 'rating', e.currentTarget)}
              /></td
            >
            <td
              ><input
                class="field-line text-right figures"
                aria-label="Greatest speed of {box.name}"
                placeholder="?"
                {disabled}
                value={box.greatest_rpm?.text ?? ''}
                onchange={(e) => change(k, 'greatest_rpm', e.currentTarget)}
              /></td
            >
            <td class="text-right">
              {#if !disabled}<button
                  class="px-1 text-ink-dim hover:text-fails"
                  aria-label="Take {box.name} away"
                  onclick={() => onchange(boxes.filter((_, at) => at !== k))}>×</button
                >{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="text-[13px] text-ink-dim">{hint}</p>
  {/if}
  {#if !disabled}
    <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={add}>
      <label class="sr-only" for="{uid}-ratio">Ratio of {noun}</label>
      <input
        id="{uid}-ratio"
        class="field-line w-24 figures"
        placeholder="ratio, 37/9"
        required
        bind:value={ratio}
      />
      <label class="sr-only" for="{uid}-name">Name of {noun}</label>
      <input id="{uid}-name" class="field-line" placeholder="name" maxlength="80" bind:value={name} />
      <button class="shrink-0 text-brass underline underline-offset-2">add {noun}</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
