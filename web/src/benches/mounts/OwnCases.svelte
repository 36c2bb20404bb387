<script lang="ts">
  import type { MountsSheet } from '../../api/types';
  import AddByName from '../../lib/ui/AddByName.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { OWN_CASE } from './fields';

  interface Props {
    rows: MountsSheet['own_cases'];
    disabled: boolean;
    change: (write: (rows: MountsSheet['own_cases']) => void) => void;
  }
  let { rows, disabled, change }: Props = $props();

  function add(name: string): void {
    change((next) => next.push({ name, torque: 'none' }));
  }
</script>

<h3 class="mt-3">Cases of your own</h3>
{#each rows as row, k (k)}
  <div class="flex items-baseline gap-2 border-t border-edge">
    <span class="flex-1 py-1">{row.name}</span>
    {#if !disabled}<button
        class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
        aria-label="Take {row.name} away"
        onclick={() => change((next) => next.splice(k, 1))}>×</button
      >{/if}
  </div>
  <Fields
    form={OWN_CASE}
    from={row}
    {disabled}
    change={(write) =>
      change((next) => {
        const own = next[k];
        if (own) write(own);
      })}
  />
{/each}
{#if !disabled}
  <AddByName what="a case" example="ferry lashing" {add} />
{/if}
