<script lang="ts">
  import type { BriefSheet } from '../../api/types';
  import { useReader } from '../../measure/reader';
  import { submits } from '../../lib/submits';
  import ReadingInput from '../../measure/ReadingInput.svelte';

  type Gears = BriefSheet['was']['gears'];
  interface Props {
    gears: Gears;
    disabled: boolean;
    onchange: (gears: Gears) => void;
  }
  let { gears, disabled, onchange }: Props = $props();
  const reader = useReader();
  const uid = $props.id();
  const ORDINALS = ['1st', '2nd', '3rd', '4th', '5th', '6th'];
  let ratio = $state('');
  let says = $state('');

  async function add(): Promise<void> {
    says = (await reader.read(ratio, 'ratio', null)).problem;
    if (says) return;
    const name = ORDINALS[gears.length] ?? `${gears.length + 1}th`;
    onchange([...gears, { name, ratio: { text: ratio.trim() } }]);
    ratio = '';
  }
</script>

<section>
  <h3>Its gears</h3>
  <table class="w-full text-[13px]" aria-label="Gears as it was">
    <tbody>
      {#each gears as gear, k (gear.name)}
        <tr class="border-t border-edge">
          <td class="py-0.5">{gear.name}</td>
          <td class="w-24"
            ><ReadingInput
              label="Ratio of old {gear.name}"
              text={gear.ratio.text}
              quantity="ratio"
              needed="A ratio is needed; take the row away if it is not wanted."
              {disabled}
              onchange={(text) =>
                onchange(gears.map((one, at) => (at === k ? { ...one, ratio: { text } } : one)))}
            /></td
          >
          <td class="w-6 text-right">
            {#if !disabled && k === gears.length - 1}<button
                class="px-1 text-ink-dim hover:text-fails"
                aria-label="Take old {gear.name} away"
                onclick={() => onchange(gears.slice(0, -1))}>×</button
              >{/if}
          </td>
        </tr>
      {:else}
        <tr><td class="text-ink-dim">None: those of the kept gearbox are taken.</td></tr>
      {/each}
    </tbody>
  </table>
  {#if !disabled}
    <form class="mt-1 flex items-baseline gap-2 text-[13px]" onsubmit={submits(add)}>
      <label class="sr-only" for="{uid}-ratio">Ratio of an old gear</label>
      <input
        id="{uid}-ratio"
        class="field-line w-24 figures"
        placeholder="3.69"
        required
        bind:value={ratio}
      />
      <button class="text-brass underline underline-offset-2">add its next gear</button>
    </form>
  {/if}
  {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
</section>
