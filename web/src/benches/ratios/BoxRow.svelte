<script lang="ts">
  import type { Box, PartKind } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import BoxDetails from './BoxDetails.svelte';
  import { BOX_COLUMNS, type Asks } from './boxes';

  interface Props {
    box: Box;
    kind: PartKind | undefined; // of the library, where it keeps such parts
    asks: Asks;
    disabled: boolean;
    onput: (part: Partial<Box>) => void;
    onsettings: (text: string) => void;
    onremove: () => void;
  }
  let { box, kind, asks, disabled, onput, onsettings, onremove }: Props = $props();
  const NEEDED = 'A ratio is needed; take the row away if it is not wanted.';
</script>

<tr class="border-t border-edge">
  <td class="py-0.5">{box.name}</td>
  {#each BOX_COLUMNS as [part, , label, quantity] (part)}
    <td
      ><ReadingInput
        label="{label} {box.name}"
        text={box[part]?.text ?? ''}
        {quantity}
        needed={part === 'ratio' ? NEEDED : ''}
        placeholder="?"
        {disabled}
        onchange={(text) => onput({ [part]: text === '' ? null : { text } })}
      /></td
    >
  {/each}
  <td class="text-right whitespace-nowrap">
    {#if kind}<LibraryButton
        {kind}
        held={box}
        {disabled}
        ontake={(part) => part.content.box && onput(part.content.box)}
      />{/if}
    {#if !disabled}<button
        class="px-1 text-ink-dim hover:text-fails"
        aria-label="Take {box.name} away"
        onclick={onremove}>×</button
      >{/if}
  </td>
</tr>
<tr>
  <td colspan="5" class="pb-1">
    <BoxDetails {box} {asks} askHeat={kind !== undefined} {disabled} {onput} {onsettings} />
  </td>
</tr>
