<script lang="ts">
  import type { ReadingEntry } from './reading-entry.svelte';
  import { toolOf, TOOLS } from './readings';

  interface Props {
    entry: ReadingEntry;
    label: string;
    large?: boolean;
  }
  let { entry, label, large = false }: Props = $props();
</script>

<label class={['flex min-w-0 items-baseline gap-2', large && 'text-[16px]']}>
  <span class="whitespace-nowrap">with a</span>
  <select
    class={['field-line', large ? 'min-h-11 flex-1' : 'w-32']}
    aria-label={label}
    value={entry.tool}
    onchange={(e) => entry.takeWith(toolOf(e.currentTarget.value))}
  >
    {#each TOOLS as [one, words] (one)}<option value={one}>{words}</option>{/each}
  </select>
</label>
