<script lang="ts">
  import type { Box } from '../../api/types';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import type { Asks } from './boxes';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    box: Box;
    asks: Asks;
    askHeat: boolean;
    disabled: boolean;
    onput: (part: Partial<Box>) => void;
    onsettings: (text: string) => void;
  }
  let { box, asks, askHeat, disabled, onput, onsettings }: Props = $props();
  const units = useUnits();
  const senses: Record<string, boolean | null> = { '': null, no: false, yes: true };
  const sense = $derived(box.reverses === true ? 'yes' : box.reverses === false ? 'no' : '');
</script>

<div class="flex flex-wrap items-baseline gap-x-4 pl-3 text-[12.5px] text-ink-dim">
  {#if box.rating}
    <label
      >rating at its
      <select
        class="field-line w-auto"
        aria-label="Shaft that the rating of {box.name} is stated for"
        {disabled}
        value={box.rating_at}
        onchange={(e) => onput({ rating_at: e.currentTarget.value === 'output' ? 'output' : 'input' })}
      >
        <option value="input">input</option><option value="output">output</option>
      </select></label
    >
  {/if}
  {#if asks.settings}
    <label
      >can also be set to
      <input
        class="field-line w-24 figures"
        aria-label="Other ratios of {box.name}"
        placeholder="1.9 2.35"
        {disabled}
        value={box.more_ratios.map((one) => one.text).join(' ')}
        onchange={(e) => onsettings(e.currentTarget.value)}
      /></label
    >
  {/if}
  {#if askHeat}
    <span class="flex items-baseline gap-1"
      >sheds <span class="w-20"
        ><ReadingInput
          label="Heat that {box.name} sheds"
          text={box.sheds?.text ?? ''}
          quantity="power"
          placeholder="? {units.symbol('kW')}"
          {disabled}
          onchange={(text) => onput({ sheds: text === '' ? null : { text } })}
        /></span
      ></span
    >
  {/if}
  {#if asks.mass}
    <span class="flex items-baseline gap-1"
      >weighs <span class="w-20"
        ><ReadingInput
          label="Mass of {box.name}, which hangs on the plate"
          text={box.mass?.text ?? ''}
          quantity="mass"
          placeholder="? {units.symbol('kg')}"
          {disabled}
          onchange={(text) => onput({ mass: text === '' ? null : { text } })}
        /></span
      ></span
    >
  {/if}
  {#if asks.reverses}
    <label
      >output turns
      <select
        class="field-line w-auto"
        aria-label="Sense of {box.name}"
        {disabled}
        value={sense}
        onchange={(e) => onput({ reverses: senses[e.currentTarget.value] ?? null })}
      >
        <option value="">not known which way</option><option value="no">with its input</option><option
          value="yes">against its input</option
        >
      </select></label
    >
  {/if}
  {#if asks.coast}
    <label
      >drives on its
      <select
        class="field-line w-auto"
        aria-label="Flank that {box.name} drives on"
        {disabled}
        value={box.on_coast_flank ? 'coast' : 'drive'}
        onchange={(e) => onput({ on_coast_flank: e.currentTarget.value === 'coast' })}
      >
        <option value="drive">drive flank</option><option value="coast">coast flank, turned over</option>
      </select></label
    >
  {/if}
</div>
