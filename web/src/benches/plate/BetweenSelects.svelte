<script lang="ts">
  import type { ReadingEntry } from './reading-entry.svelte';
  import { edgeOf, KIND_WORDS, kindOf, type Kind } from './readings';

  interface Props {
    entry: ReadingEntry;
    kinds: readonly Kind[];
    of?: string; // before each label, where two of these are on one page
    large?: boolean;
  }
  let { entry, kinds, of = '', large = false }: Props = $props();
  const between = $derived(entry.between);
  const label = (words: string) => (of ? `${of}: ${words.charAt(0).toLowerCase()}${words.slice(1)}` : words);
  const hole = $derived(['field-line figures', large ? 'w-20' : 'w-14']);
</script>

<select
  class={['field-line', large ? 'w-32' : 'w-[5.6rem]']}
  aria-label={label('Kind of reading')}
  value={between.kind}
  onchange={(e) => entry.choose({ kind: kindOf(e.currentTarget.value) })}
>
  {#each kinds as kind (kind)}<option value={kind}>{KIND_WORDS[kind]}</option>{/each}
</select>
{#if between.kind !== 'sweep'}
  <select
    class={hole}
    aria-label={label('From hole')}
    value={between.a}
    onchange={(e) => entry.choose({ a: e.currentTarget.value })}
  >
    {#if entry.isAxis}<option value="C">C</option>{/if}
    {#each entry.ids as id (id)}<option>{id}</option>{/each}
  </select>
  {#if entry.isAxis}
    <select
      class={['field-line', large ? 'w-24' : 'w-16']}
      aria-label={label('Which edge')}
      value={between.edge}
      onchange={(e) => entry.choose({ edge: edgeOf(e.currentTarget.value) })}
    >
      <option>centre</option><option>low</option><option>high</option>
    </select>
  {:else}
    <select
      class={hole}
      aria-label={label('To hole')}
      disabled={between.kind === 'radius'}
      value={between.b}
      onchange={(e) => entry.choose({ b: e.currentTarget.value })}
    >
      {#if between.kind === 'radius'}<option>C</option>{/if}
      {#each entry.ids.filter((id) => id !== between.a) as id (id)}<option>{id}</option>{/each}
    </select>
  {/if}
{/if}
