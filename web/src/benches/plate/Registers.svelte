<script lang="ts">
  import type { PlateResult, PlateSheet, Reading } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import ReadingFields from '../../measure/ReadingFields.svelte';
  import ReadingInput from '../../measure/ReadingInput.svelte';
  import { DOWEL } from './fields';

  type Register = PlateSheet['plate']['registers'][number];
  interface Props {
    plate: PlateSheet['plate'];
    result: PlateResult;
    disabled: boolean;
    change: (write: (plate: PlateSheet['plate']) => void) => void;
  }
  let { plate, result, disabled, change }: Props = $props();
  const FITS = ['H7/g6', 'H7/h6', 'H8/h6', 'H7/k6', 'H7/n6', 'H7/p6', 'H7/s6'] as const;
  const dowel = $derived(result.registers.find((one) => one.what.startsWith('dowel')));
  const plays = $derived(plate.register_plays);

  function setPlay(k: number, value: Reading | null): void {
    change((next) => {
      if (value) next.register_plays[k] = value;
      else next.register_plays.splice(k, 1);
    });
  }
  function put(k: number, part: Partial<Register>): void {
    change((next) => {
      const register = next.registers[k];
      if (register) next.registers[k] = { ...register, ...part };
    });
  }
  const fitNamed = (name: string) => FITS.find((one) => one === name) ?? 'H7/g6';
</script>

{#if plate.locating === 'registers'}
  {#each plays as play, k (k)}
    <ReadingField
      label="Play of register {k + 1}"
      quantity="length"
      {disabled}
      value={play}
      onchange={(value) => setPlay(k, value)}
    />
  {/each}
  <ReadingField
    label="Play of register {plays.length + 1}"
    quantity="length"
    {disabled}
    hint="as made: bore less spigot, on diameter"
    value={null}
    onchange={(value) => setPlay(plays.length, value)}
  />
  {#if plate.registers.length > 0}
    <table class="w-full text-[13px]" aria-label="Registers to make">
      <tbody>
        {#each plate.registers as register, k (k)}
          {@const made = result.registers[k]}
          <tr class="border-t border-edge">
            <td class="w-24"
              ><ReadingInput
                label="Size of register {k + 1} to make"
                text={register.size.text}
                quantity="length"
                needed="A size is needed; take the row away if it is not wanted."
                {disabled}
                onchange={(text) => put(k, { size: { text } })}
              /></td
            >
            <td>
              <select
                class="field-line"
                aria-label="Fit of register {k + 1} to make"
                {disabled}
                value={register.fit}
                onchange={(event) => put(k, { fit: fitNamed(event.currentTarget.value) })}
              >
                {#each FITS as name (name)}<option value={name}>{name}</option>{/each}
              </select>
            </td>
            <td class="text-right">
              {#if !disabled}<button
                  class="px-1 text-ink-dim hover:text-fails"
                  aria-label="Take register {k + 1} to make away"
                  onclick={() => change((next) => next.registers.splice(k, 1))}>×</button
                >{/if}
            </td>
          </tr>
          {#if made}
            <tr
              ><td colspan="3" class="pb-1 figures text-[12.5px] text-ink-dim"
                >bore {fixed(made.bore_least_mm, 3)}–{fixed(made.bore_greatest_mm, 3)}, spigot {fixed(
                  made.spigot_least_mm,
                  3,
                )}–{fixed(made.spigot_greatest_mm, 3)}</td
              ></tr
            >
          {/if}
        {/each}
      </tbody>
    </table>
  {/if}
  {#if !disabled}
    <p class="text-right text-[13px]">
      <button
        class="text-brass underline underline-offset-2"
        onclick={() => change((next) => next.registers.push({ size: { text: '150 mm' }, fit: 'H7/g6' }))}
        >add a register to make to a fit</button
      >
    </p>
  {/if}
{/if}
<ReadingFields specs={DOWEL} from={plate} {disabled} {change} />
{#if plate.dowel_size}
  <ChoiceField
    label="Dowel in its reamed hole"
    none="not chosen"
    value={plate.dowel_fit}
    options={FITS.map((name) => [name, name] as const)}
    {disabled}
    onchange={(name) => change((next) => (next.dowel_fit = name))}
  />
  {#if dowel}
    <p class="text-right figures text-[12.5px] text-ink-dim">
      reamed {fixed(dowel.bore_least_mm, 3)}–{fixed(dowel.bore_greatest_mm, 3)}, dowel {fixed(
        dowel.spigot_least_mm,
        3,
      )}–{fixed(dowel.spigot_greatest_mm, 3)}
    </p>
  {/if}
{/if}
