<script lang="ts" generics="R extends { name: string }">
  import type { Snippet } from 'svelte';
  import AddByName from './AddByName.svelte';

  interface Props {
    label: string;
    group: string; // its field's last word
    prefix: string; // of its fields
    rows: readonly R[];
    lit: string; // field of the row that is open
    what: string; // with its article: a mount
    example: string;
    none?: string;
    disabled: boolean;
    make: (name: string) => R;
    twin?: (row: R, name: string) => R; // of a row, on the other side
    twinWords?: string;
    twinName?: (name: string) => string;
    onpick: (field: string) => void;
    change: (write: (rows: R[]) => void) => void;
    note: Snippet<[number, R]>;
    body: Snippet<[R, number, (write: (row: R) => void) => void]>;
  }
  let {
    label,
    group,
    prefix,
    rows,
    lit,
    what,
    example,
    none = '',
    disabled,
    make,
    twin,
    twinWords = 'add its twin on the other side',
    twinName = otherSide,
    onpick,
    change,
    note,
    body,
  }: Props = $props();

  const putting = (k: number) => (write: (row: R) => void) =>
    change((next) => {
      const row = next[k];
      if (row) write(row);
    });
  function add(name: string): void {
    const field = `${prefix}.${rows.length}`;
    change((next) => next.push(make(name)));
    onpick(field);
  }
  function addTwin(row: R): void {
    if (!twin) return;
    const name = twinName(row.name);
    const made = twin(
      $state.snapshot(row) as R,
      rows.some((one) => one.name === name) ? `${name}, twin` : name,
    );
    const field = `${prefix}.${rows.length}`;
    change((next) => next.push(made));
    onpick(field);
  }
  function otherSide(name: string): string {
    if (/left/i.test(name)) return name.replace(/left/i, (word) => (word === 'Left' ? 'Right' : 'right'));
    if (/right/i.test(name)) return name.replace(/right/i, (word) => (word === 'Right' ? 'Left' : 'left'));
    return `${name}, other side`;
  }
  function takeAway(k: number): void {
    onpick('');
    change((next) => next.splice(k, 1));
  }
</script>

<ul aria-label={label} data-group={group}>
  {#each rows as row, k (k)}
    {@const field = `${prefix}.${k}`}
    {@const isOpen = lit === field}
    <li class={['border-t border-edge', isOpen && 'bg-brass-wash/50 px-2 pb-2']}>
      <div class="flex items-baseline gap-2">
        <button
          class="min-h-7 min-w-0 flex-1 truncate text-left"
          data-field="{group}.{k}"
          aria-expanded={isOpen}
          onclick={() => onpick(isOpen ? '' : field)}>{row.name}</button
        >
        {@render note(k, row)}
        {#if !disabled}<button
            class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
            aria-label="Take {row.name} away"
            onclick={() => takeAway(k)}>×</button
          >{/if}
      </div>
      {#if isOpen}
        {#if twin && !disabled}<button
            class="min-h-6 text-[13px] text-brass underline underline-offset-2"
            onclick={() => addTwin(row)}>{twinWords}</button
          >{/if}
        {@render body(row, k, putting(k))}
      {/if}
    </li>
  {:else}
    {#if none}<li class="text-ink-dim">{none}</li>{/if}
  {/each}
</ul>
{#if !disabled}<AddByName {what} {example} {add} />{/if}
