<script lang="ts">
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    label: string;
    rows: readonly (readonly string[])[]; // its head first; the last of a row is said below it
  }
  let { label, rows }: Props = $props();
  const units = useUnits();
</script>

<table class="w-full text-[13px]" aria-label={label}>
  <thead class="text-ink-dim">
    <tr>
      {#each rows[0]?.slice(0, -1) ?? [] as head, k (k)}
        <th class={['font-normal', k > 0 && 'pl-2 text-right']}>{head}</th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each rows.slice(1) as row, k (k)}
      <tr class="border-t border-edge">
        <td class="py-1">{units.words(row[0] ?? '')}</td>
        {#each row.slice(1, -1) as cell, m (m)}
          <td class="py-1 pl-2 text-right figures whitespace-nowrap">{units.words(cell)}</td>
        {/each}
      </tr>
      {#if row.at(-1)}
        <tr>
          <td class="pb-1 text-[12.5px] text-ink-dim" colspan={row.length - 1}
            >{units.words(row.at(-1) ?? '')}</td
          >
        </tr>
      {/if}
    {/each}
  </tbody>
</table>
