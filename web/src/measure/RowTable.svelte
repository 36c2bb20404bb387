<script lang="ts" generics="R extends object">
  import type { Snippet } from 'svelte';
  import ReadingInput from './ReadingInput.svelte';
  import type { Column } from './rows';

  interface Props {
    label: string;
    rows: readonly R[];
    columns: readonly Column<R>[];
    name: (row: R, k: number) => string; // what a row is called in the labels of its fields
    disabled: boolean;
    change: (write: (rows: R[]) => void) => void;
    canTakeAway?: (k: number) => boolean;
    none?: string; // what to say while there are no rows
    beside?: Snippet<[R, number]>;
    below?: Snippet<[R, number]>;
  }
  let {
    label,
    rows,
    columns,
    name,
    disabled,
    change,
    canTakeAway,
    none = '',
    beside,
    below,
  }: Props = $props();
  const hasHeads = $derived(columns.some((column) => column.head !== ''));
  const span = $derived(columns.length + 1);

  function put(k: number, write: (row: R) => void): void {
    change((next) => {
      const row = next[k];
      if (row) write(row);
    });
  }
</script>

<table class="w-full text-[13px]" aria-label={label}>
  {#if hasHeads}
    <thead class="text-ink-dim">
      <tr>
        {#each columns as { kind, head, size }, at (at)}
          <th class={[size, 'font-normal', kind === 'figure' ? 'text-right' : 'text-left']}>{head}</th>
        {/each}
        <th class="w-6"></th>
      </tr>
    </thead>
  {/if}
  <tbody>
    {#each rows as row, k (k)}
      {@const called = name(row, k)}
      <tr class="border-t border-edge">
        {#each columns as column, at (at)}
          <td
            class={[
              column.size,
              column.kind === 'shown' && 'py-0.5',
              column.kind === 'shown' && column.figures && 'figures',
            ]}
          >
            {#if column.kind === 'shown'}
              {column.text(row, k)}
            {:else if column.kind === 'figure'}
              <ReadingInput
                label="{column.label} {called}"
                quantity={column.quantity}
                text={column.read(row)?.text ?? ''}
                needed={column.needed}
                placeholder={column.needed ? '' : '?'}
                {disabled}
                onchange={(text) =>
                  put(k, (next) => column.write(next, text === '' ? null : { ...column.read(next), text }))}
              />
            {:else if column.kind === 'choice'}
              <select
                class="field-line"
                aria-label="{column.label} {called}"
                {disabled}
                value={column.read(row)}
                onchange={(event) => {
                  const { value } = event.currentTarget;
                  put(k, (next) => column.write(next, value));
                }}
              >
                {#each column.options as [key, title] (key)}<option value={key}>{title}</option>{/each}
              </select>
            {:else}
              <input
                class="field-line"
                aria-label="{column.label} {called}"
                maxlength="80"
                {disabled}
                value={column.read(row)}
                onchange={(event) => {
                  const text = event.currentTarget.value.trim();
                  if (text) put(k, (next) => column.write(next, text));
                }}
              />
            {/if}
          </td>
        {/each}
        <td class="w-6 pl-2 text-right whitespace-nowrap">
          {@render beside?.(row, k)}
          {#if !disabled && (canTakeAway?.(k) ?? true)}<button
              class="min-h-6 min-w-6 px-1 text-ink-dim hover:text-fails"
              aria-label="Take {called} away"
              onclick={() => change((next) => next.splice(k, 1))}>×</button
            >{/if}
        </td>
      </tr>
      {#if below}<tr><td colspan={span} class="pb-1">{@render below(row, k)}</td></tr>{/if}
    {:else}
      {#if none}<tr><td class="text-ink-dim" colspan={span}>{none}</td></tr>{/if}
    {/each}
  </tbody>
</table>
