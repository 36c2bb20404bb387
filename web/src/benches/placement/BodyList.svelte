<script lang="ts" generics="B extends VehicleBody | UnitBody">
  import type { UnitBody, VehicleBody } from '../../api/types';
  import type { Form } from '../../measure/fields';
  import Fields from '../../measure/Fields.svelte';
  import { submits } from '../../lib/submits';
  import AlongRows from './AlongRows.svelte';

  interface Props {
    label: string;
    group: string; // its field's last word
    rows: readonly B[];
    form: Form<B>;
    points: readonly string[];
    lit: string; // field of the body that is open
    prefix: string; // of its fields
    example: string;
    disabled: boolean;
    missing: (field: string) => string;
    note: (row: B) => string;
    make: (name: string) => B;
    onpick: (field: string) => void;
    change: (write: (rows: B[]) => void) => void;
  }
  let {
    label,
    group,
    rows,
    form,
    points,
    lit,
    prefix,
    example,
    disabled,
    missing,
    note,
    make,
    onpick,
    change,
  }: Props = $props();
  const uid = $props.id();
  let name = $state('');

  function put(k: number, write: (row: B) => void): void {
    change((next) => {
      const row = next[k];
      if (row) write(row);
    });
  }
  function add(): void {
    const wanted = name.trim();
    if (!wanted) return;
    const field = `${prefix}.${rows.length}`;
    change((next) => next.push(make(wanted)));
    onpick(field);
    name = '';
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
        <span class={['text-[12.5px]', missing(field) ? 'text-brass' : 'text-ink-dim']}
          >{missing(field) || note(row)}</span
        >
        {#if !disabled}<button
            class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
            aria-label="Take {row.name} away"
            onclick={() => {
              onpick('');
              change((next) => next.splice(k, 1));
            }}>×</button
          >{/if}
      </div>
      {#if isOpen}
        <Fields {form} from={row} {disabled} change={(write) => put(k, write)} />
        {#if row.shape === 'round' || row.shape === 'rail'}
          <AlongRows
            name={row.name}
            along={row.along}
            {points}
            {disabled}
            change={(write) => put(k, (next) => write(next.along))}
          />
        {/if}
      {/if}
    </li>
  {/each}
</ul>
{#if !disabled}
  <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(add)}>
    <label class="sr-only" for="{uid}-name">Name of a body</label>
    <input id="{uid}-name" class="field-line" placeholder={example} maxlength="80" bind:value={name} />
    <button class="shrink-0 text-brass underline underline-offset-2">add a body</button>
  </form>
{/if}
