<script lang="ts">
  import type { SurveyReading, SurveyReadingResult, SurveyResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { endsOf, type PlateState } from './plate.svelte';
  import ReadingInput from '../../measure/ReadingInput.svelte';

  interface Props {
    readings: readonly SurveyReading[];
    survey: SurveyResult;
    plate: PlateState;
    disabled: boolean;
    onchange: (index: number, text: string) => void;
    onleave: (index: number) => void;
    onback: (index: number) => void;
    onremove: (index: number) => void;
  }
  let { readings, survey, plate, disabled, onchange, onleave, onback, onremove }: Props = $props();
  const units = useUnits();
  const ROW: Record<SurveyReadingResult['fit'], string> = {
    fits: '',
    alone: '',
    suspect: 'bg-brass-wash',
    unchecked: 'italic',
    left_out: 'line-through text-ink-dim',
  };
  const isLit = (reading: SurveyReading) =>
    plate.pickedHole !== null && endsOf(reading).includes(plate.pickedHole);
</script>

<table class="w-full text-[13px]" aria-label={plate.isFace ? 'Motor face readings' : 'Flange readings'}>
  <thead class="sticky top-0 bg-paper text-ink-dim">
    <tr>
      <th class="py-1.5 pl-3 text-left font-normal">reading</th>
      <th></th>
      <th class="text-right font-normal">{units.isLook ? units.symbol('mm') : 'as measured'}</th>
      <th class="text-right font-normal">± {units.symbol('mm')}</th>
      <th class="text-right font-normal">off by</th>
      <th class="w-6"></th>
    </tr>
  </thead>
  <tbody>
    {#each survey.readings as one, index (index)}
      {@const reading = readings[index]}
      {#if reading}
        <tr
          class={['border-t border-edge', ROW[one.fit], isLit(reading) && 'bg-card']}
          title={units.words(one.says)}
          onmouseenter={() => (plate.hoveredReading = index)}
          onmouseleave={() => (plate.hoveredReading = null)}
        >
          <td class="pl-3 figures whitespace-nowrap">{one.label}</td>
          <td class="px-1 text-ink-dim">{one.kind}</td>
          <td class="w-[6.2rem]">
            {#if 'reading' in reading}
              <ReadingInput
                label="Reading {one.label}"
                quantity="length"
                text={units.typed(reading.reading.text, one.value_mm)}
                unit={reading.reading.unit ?? null}
                disabled={disabled || units.isLook}
                onchange={(text) => onchange(index, text)}
              />
            {:else}
              <p class="px-1 text-right figures" title="how far the swept centre lies from the shaft's">
                {units.num(one.value_mm, 'mm', 3)}
              </p>
            {/if}
          </td>
          <td
            class={['text-right figures', one.u_is_default ? 'text-brass' : 'text-ink-dim']}
            title={one.u_is_default ? 'taken as usual: no tool stated' : undefined}
            >{units.num(one.u_mm, 'mm', 2)}</td
          >
          <td class={['text-right figures', one.fit === 'suspect' && 'font-semibold text-fails']}>
            {one.fit === 'suspect' ? '▲ ' : ''}{units.figure(one.off_mm, 'mm', 2, {
              signed: true,
              bare: true,
            })}
          </td>
          <td class="pr-2 text-right">
            {#if !disabled}
              <button
                class="min-h-6 min-w-6 text-ink-dim hover:text-fails"
                aria-label={one.fit === 'left_out' ? `Take ${one.label} back in` : `Leave ${one.label} out`}
                title={one.fit === 'left_out'
                  ? 'take it back in'
                  : 'leave it out; it stays here, struck through'}
                onclick={(event) =>
                  event.shiftKey ? onremove(index) : one.fit === 'left_out' ? onback(index) : onleave(index)}
                >{one.fit === 'left_out' ? '↩' : '×'}</button
              >
            {/if}
          </td>
        </tr>
      {/if}
    {/each}
  </tbody>
</table>
