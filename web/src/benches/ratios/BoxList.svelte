<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Box, PartKind, Quantity } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import { readBack } from '../../measure/read-back';
  import { submits } from '../../lib/submits';
  import BoxDetails from './BoxDetails.svelte';
  import { newBox } from './boxes';

  interface Props {
    title: string;
    boxes: readonly Box[];
    noun: string; // "a gear", "a final drive"
    hint: string;
    aside?: Snippet; // beside the title
    kind?: PartKind; // of the library, where it keeps such parts
    askReverses?: boolean; // whether it turns the line round is worth asking
    askCoast?: boolean; // a hypoid that could be turned over
    askSettings?: boolean; // it may have several internal ratios
    askMass?: boolean; // it hangs on the adapter plate
    disabled: boolean;
    onchange: (boxes: Box[]) => void;
  }
  let {
    title,
    boxes,
    noun,
    hint,
    aside,
    kind,
    askReverses = false,
    askCoast = false,
    askSettings = false,
    askMass = false,
    disabled,
    onchange,
  }: Props = $props();
  const uid = $props.id();
  let name = $state('');
  let ratio = $state('');
  let says = $state('');
  const NEEDED = 'A ratio is needed; take the row away if it is not wanted.';
  const COLUMNS = [
    ['ratio', 'ratio', 'Ratio of', 'ratio', 'w-16'],
    ['rating', 'rating', 'Torque rating of', 'torque', 'w-20'],
    ['greatest_rpm', 'most rpm', 'Greatest speed of', 'spin', 'w-20'],
  ] as const satisfies readonly (readonly [keyof Box, string, string, Quantity, string])[];

  async function check(text: string, quantity: Quantity): Promise<boolean> {
    says = (await readBack(text, quantity, null)).problem;
    return says === '';
  }

  function put(k: number, part: Partial<Box>): void {
    onchange(boxes.map((box, at) => (at === k ? { ...box, ...part } : box)));
  }

  function addBox(box: Box): void {
    if (boxes.some((one) => one.name === box.name)) {
      says = `There is a ${box.name} already. Give this one another name.`;
    } else {
      says = '';
      onchange([...boxes, box]);
    }
  }

  async function add(): Promise<void> {
    if (!(await check(ratio, 'ratio'))) return;
    addBox(newBox(name.trim() || ratio.trim(), ratio.trim()));
    if (!says) name = ratio = '';
  }

  async function changeSettings(k: number, text: string): Promise<void> {
    const texts = text.split(/[;\s]+/).filter((one) => one);
    for (const one of texts) if (!(await check(one, 'ratio'))) return;
    put(k, { more_ratios: texts.map((one) => ({ text: one })) });
  }
</script>

<section>
  <h3 class="flex items-baseline justify-between gap-2">
    {title}
    {@render aside?.()}
    {#if kind && !disabled}<LibraryButton
        {kind}
        ontake={(part) => part.content.box && addBox(part.content.box)}
      />{/if}
  </h3>
  {#if boxes.length > 0}
    <table class="w-full text-[13px]" aria-label={title}>
      <thead class="text-ink-dim">
        <tr>
          <th class="text-left font-normal">name</th>
          {#each COLUMNS as [part, head, , , size] (part)}<th class="{size} text-right font-normal">{head}</th
            >{/each}
          <th class="w-16"></th>
        </tr>
      </thead>
      <tbody>
        {#each boxes as box, k (box.name)}
          <tr class="border-t border-edge">
            <td class="py-0.5">{box.name}</td>
            {#each COLUMNS as column (column[0])}
              <td
                ><ReadingInput
                  label="{column[2]} {box.name}"
                  text={box[column[0]]?.text ?? ''}
                  quantity={column[3]}
                  needed={column[0] === 'ratio' ? NEEDED : ''}
                  placeholder="?"
                  {disabled}
                  onchange={(text) => put(k, { [column[0]]: text === '' ? null : { text } })}
                /></td
              >
            {/each}
            <td class="text-right whitespace-nowrap">
              {#if kind}<LibraryButton
                  {kind}
                  held={box}
                  {disabled}
                  ontake={(part) => part.content.box && put(k, part.content.box)}
                />{/if}
              {#if !disabled}<button
                  class="px-1 text-ink-dim hover:text-fails"
                  aria-label="Take {box.name} away"
                  onclick={() => onchange(boxes.filter((_, at) => at !== k))}>×</button
                >{/if}
            </td>
          </tr>
          <tr>
            <td colspan="5" class="pb-1">
              <BoxDetails
                {box}
                {askReverses}
                {askCoast}
                {askSettings}
                askHeat={kind !== undefined}
                {askMass}
                {disabled}
                onput={(part) => put(k, part)}
                onsettings={(text) => changeSettings(k, text)}
              />
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="text-[13px] text-ink-dim">{hint}</p>
  {/if}
  {#if !disabled}
    <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(add)}>
      <label class="sr-only" for="{uid}-ratio">Ratio of {noun}</label>
      <input
        id="{uid}-ratio"
        class="field-line w-24 figures"
        placeholder="ratio, 37/9"
        required
        bind:value={ratio}
      />
      <label class="sr-only" for="{uid}-name">Name of {noun}</label>
      <input
        id="{uid}-name"
        class="field-line max-w-48"
        placeholder="name"
        maxlength="80"
        bind:value={name}
      />
      <button class="shrink-0 text-brass underline underline-offset-2">add {noun}</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
