<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Box, PartKind, Quantity } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import { useReader } from '../../measure/reader';
  import RowTable from '../../measure/RowTable.svelte';
  import AddBox from './AddBox.svelte';
  import BoxDetails from './BoxDetails.svelte';
  import { BOX_COLUMNS, newBox, type Asks } from './boxes';

  interface Props {
    title: string;
    field?: string; // the last word of its path, to find it by
    boxes: readonly Box[];
    noun: string; // "a gear", "a final drive"
    hint: string;
    aside?: Snippet; // beside the title
    kind?: PartKind; // of the library, where it keeps such parts
    asks?: Asks; // what else is worth asking of such a box
    disabled: boolean;
    change: (write: (boxes: Box[]) => void) => void;
  }
  let { title, field, boxes, noun, hint, aside, kind, asks = {}, disabled, change }: Props = $props();
  const reader = useReader();
  let says = $state('');
  async function check(text: string, quantity: Quantity): Promise<boolean> {
    says = (await reader.read(text, quantity, null)).problem;
    return says === '';
  }

  function put(k: number, part: Partial<Box>): void {
    change((next) => {
      const box = next[k];
      if (box) next[k] = { ...box, ...part };
    });
  }

  function addBox(box: Box): void {
    if (boxes.some((one) => one.name === box.name)) {
      says = `There is a ${box.name} already. Give this one another name.`;
    } else {
      says = '';
      change((next) => next.push(box));
    }
  }

  /** Says whether it was added: what was typed is kept until it is. */
  async function add(ratio: string, name: string): Promise<boolean> {
    if (!(await check(ratio, 'ratio'))) return false;
    addBox(newBox(name || ratio, ratio));
    return says === '';
  }

  async function changeSettings(k: number, text: string): Promise<void> {
    const texts = text.split(/[;\s]+/).filter((one) => one);
    for (const one of texts) if (!(await check(one, 'ratio'))) return;
    put(k, { more_ratios: texts.map((one) => ({ text: one })) });
  }
</script>

<section data-group={field}>
  <h3 class="flex items-baseline justify-between gap-2">
    {title}
    {@render aside?.()}
    {#if kind && !disabled}<LibraryButton
        {kind}
        ontake={(part) => part.content.box && addBox(part.content.box)}
      />{/if}
  </h3>
  {#if boxes.length > 0}
    <RowTable label={title} rows={boxes} columns={BOX_COLUMNS} name={(box) => box.name} {disabled} {change}>
      {#snippet beside(box, k)}
        {#if kind}<LibraryButton
            {kind}
            held={box}
            {disabled}
            ontake={(part) => part.content.box && put(k, part.content.box)}
          />{/if}
      {/snippet}
      {#snippet below(box, k)}
        <BoxDetails
          {box}
          {asks}
          askHeat={kind !== undefined}
          {disabled}
          onput={(part) => put(k, part)}
          onsettings={(text) => changeSettings(k, text)}
        />
      {/snippet}
    </RowTable>
  {:else}
    <p class="text-[13px] text-ink-dim">{hint}</p>
  {/if}
  {#if !disabled}
    <AddBox {noun} {add} />
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
