<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import ReadingInput from '../../measure/ReadingInput.svelte';

  type Base = PlateSheet['build_up']['base'];
  interface Props {
    base: Base;
    disabled: boolean;
    change: (write: (base: Base) => void) => void;
  }
  let { base, disabled, change }: Props = $props();
  const USUAL = ['spider as bought', 'spider drilled out', 'shaft cut'];
  const nextName = $derived(USUAL[base.rows.length] ?? `row ${base.rows.length + 1}`);
</script>

<h3 class="mt-2">Rows of holes, a choice each</h3>
<table class="w-full text-[13px]" aria-label="Rows of foot holes">
  <tbody>
    {#each base.rows as row, k (k)}
      <tr class="border-t border-edge">
        <td class="figures">{String.fromCharCode(65 + k)}</td>
        <td
          ><input
            class="field-line"
            aria-label="Name of row {k + 1}"
            maxlength="80"
            {disabled}
            value={row.name}
            onchange={(event) => {
              const name = event.currentTarget.value.trim();
              if (name)
                change((next) => {
                  const changed = next.rows[k];
                  if (changed) changed.name = name;
                });
            }}
          /></td
        >
        <td class="w-24"
          ><ReadingInput
            label="Shift of row {k + 1}"
            quantity="length"
            text={row.shift.text}
            needed="A figure is needed; 0 where it is the first choice."
            {disabled}
            onchange={(text) =>
              change((next) => {
                const changed = next.rows[k];
                if (changed) changed.shift = { ...changed.shift, text };
              })}
          /></td
        >
        <td class="w-6 text-right">
          {#if !disabled}<button
              class="px-1 text-ink-dim hover:text-fails"
              aria-label="Take row {k + 1} away"
              onclick={() => change((next) => next.rows.splice(k, 1))}>×</button
            >{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#if !disabled && base.rows.length < 6}
  <p class="text-right text-[13px]">
    <button
      class="text-brass underline underline-offset-2"
      onclick={() => change((next) => next.rows.push({ name: nextName, shift: { text: '0' } }))}
      >add a row: {nextName}</button
    >
  </p>
{/if}
