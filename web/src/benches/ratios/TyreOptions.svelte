<script lang="ts">
  import type { RatiosSheet } from '../../api/types';
  import LibraryButton from '../../library/LibraryButton.svelte';

  type TyreOption = RatiosSheet['tyres'][number];
  interface Props {
    tyres: readonly TyreOption[];
    disabled: boolean;
    onchange: (tyres: TyreOption[]) => void;
  }
  let { tyres, disabled, onchange }: Props = $props();
  const uid = $props.id();
  let code = $state('');
  let says = $state('');

  function add(option: TyreOption): void {
    says = tyres.some((one) => one.name === option.name) ? `${option.name} is listed already.` : '';
    if (!says) onchange([...tyres, option]);
  }

  function addCode(event: SubmitEvent): void {
    event.preventDefault();
    const name = code.trim();
    add({ name, tyre: { code: name, roll_out_turns: 1, construction: 'radial', use: 'best' } });
    if (!says) code = '';
  }
</script>

<section>
  <h3 class="flex items-baseline justify-between gap-2">
    Other tyres to compare
    {#if !disabled}<LibraryButton
        kind="tyre"
        ontake={(part) => part.content.tyre && add({ name: part.name, tyre: part.content.tyre })}
      />{/if}
  </h3>
  <ul class="text-[13px]">
    {#each tyres as option, index (index)}
      <li class="flex justify-between border-t border-edge py-0.5">
        {option.name}
        {#if !disabled}<button
            class="px-1 text-ink-dim hover:text-fails"
            aria-label="Take tyre {option.name} away"
            onclick={() => onchange(tyres.filter((one) => one !== option))}>×</button
          >{/if}
      </li>
    {:else}
      <li class="text-ink-dim">Only the one of the Brief.</li>
    {/each}
  </ul>
  {#if !disabled}
    <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={addCode}>
      <label class="sr-only" for="{uid}-code">Code of a tyre</label>
      <input
        id="{uid}-code"
        class="field-line w-36 figures"
        placeholder="185 R 14"
        required
        maxlength="30"
        bind:value={code}
      />
      <button class="shrink-0 text-brass underline underline-offset-2">add a tyre</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
