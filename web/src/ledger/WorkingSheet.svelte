<script lang="ts">
  import type { WrittenStep, WrittenWorking } from '../api/types';
  import Symbols from './Symbols.svelte';

  interface Props {
    working: WrittenWorking;
    goTo: (field: string) => void;
  }
  let { working, goTo }: Props = $props();
  type Put = WrittenStep['put'][number];
  const titleOf = (put: Put) =>
    put.origin === 'usual' ? `${put.where}: the usual value; set your own` : put.where;
</script>

{#snippet number(put: Put)}
  {#if put.field}
    <button
      class={[
        'underline decoration-steel-dark decoration-dotted underline-offset-2 hover:text-brass',
        put.origin === 'usual' && 'text-brass italic',
      ]}
      title={titleOf(put)}
      onclick={() => goTo(put.field)}>{put.text}{put.origin === 'usual' ? ' (usual)' : ''}</button
    >
  {:else}<span title={put.where || undefined}>{put.text}</span>{/if}
{/snippet}

{#each working.steps as step, k (k)}
  {#if step.symbol}
    <div class="mb-2 figures">
      {#if step.words}<p class="font-sans text-[12.5px] text-ink-dim">{step.words}</p>{/if}
      <p class="pl-4 -indent-4"><Symbols text="{step.symbol} = {step.formula}" /></p>
      <p class="pl-4">
        = {#each step.put as put, n (n)}{@render number(put)}{/each}
      </p>
      <p class="pl-4 font-semibold">= {step.result}</p>
    </div>
  {:else}
    <p class="mb-1"><span class="text-ink-dim">{step.words}:</span> {step.result}</p>
  {/if}
{/each}
{#if working.method}<p class="mt-1">{working.method}</p>{/if}
{#if working.note}<p class="mt-1">{working.note}</p>{/if}
{#if working.source}<p class="mt-1 text-ink-dim">{working.source}</p>{/if}
