<script lang="ts">
  import type { PartResult } from '../api/types';
  import ToDoList from '../ledger/ToDoList.svelte';
  import { useEditor } from '../job/job-editor.svelte';
  import { useUnits } from '../measure/units.svelte';
  import { saveThenFetch } from './files';

  interface Props {
    part: PartResult;
    order: NonNullable<PartResult['order']>;
  }
  let { part, order }: Props = $props();
  const editor = useEditor();
  const units = useUnits();
  const LINK = 'min-h-6 text-brass underline underline-offset-2';
</script>

<p class="text-ink-dim">{order.quantity} × {order.number || 'no part number yet'}, {order.material}</p>
<p class="flex gap-3">
  <button
    class={LINK}
    onclick={() => saveThenFetch(editor, `drawings/${part.key}-sheet.pdf?units=${units.system}`)}
    >order sheet, PDF</button
  >
  <button class={LINK} onclick={() => saveThenFetch(editor, `drawings/${part.key}.order.json`)}
    >as data, JSON</button
  >
</p>
{#if order.wanted.length > 0}
  <p class="mt-2 font-semibold">Still missing for it</p>
  <ToDoList todos={order.wanted} class="border-t border-edge py-1" />
{/if}
<details>
  <summary class="min-h-7 cursor-pointer">What its maker must know</summary>
  <dl class="grid grid-cols-[1fr_auto] gap-x-3">
    {#each order.lines as line, index (index)}
      <dt class="text-ink-dim">{line.label}</dt>
      <dd class="text-right figures">{units.words(line.value)}</dd>
    {/each}
  </dl>
  <p class="mt-2 font-semibold">To be confirmed by the maker</p>
  <ul class="list-disc pl-4">
    {#each order.asks as ask (ask)}<li>{units.words(ask)}</li>{/each}
  </ul>
</details>
