<script lang="ts">
  import type { CouplerResult, CouplerSheet } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: CouplerResult;
    sheet: CouplerSheet;
    disabled: boolean;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { result, sheet, disabled, change }: Props = $props();
  const units = useUnits();
  const mm = (value: number | null | undefined) => units.figure(value, 'mm', 2);
  const found = $derived(result.window);
  const middle = $derived(found?.middle_mm ?? null);
  const spacer = $derived(found?.spacer_mm ?? null);
  const isThere = $derived(result.apart_is_chosen && found?.keeps_present === true);
  const take = (value: number) =>
    change((next) => (next.apart = { ...next.apart, text: `${Number(value.toFixed(2))} mm` }));
</script>

<section class="flex flex-wrap items-start gap-x-6 gap-y-1" aria-label="How far apart the faces stand">
  <div class="w-72">
    <ReadingField
      label="Faces apart, chosen"
      name="apart"
      quantity="length"
      hint="empty: as the plate holds them; type ± beside it"
      {disabled}
      value={sheet.apart}
      onchange={(value) => change((next) => (next.apart = value))}
    />
  </div>
  <div class="min-w-56 flex-1 text-[13px]">
    {#if found && !found.is_open}
      <p class="font-semibold text-fails">▲ No distance keeps every gap. {units.words(found.tighten)}</p>
    {:else if found}
      <p>
        <span class="font-semibold">{mm(found.least_mm)} to {mm(found.greatest_mm)}</span> keeps every gap at
        every extreme; {mm(found.likely_least_mm)} to {mm(found.likely_greatest_mm)} were the limits independent.
      </p>
    {:else}
      <p class="text-ink-dim">
        The window for the faces is worked out once every length of its gaps is known.
      </p>
    {/if}
    {#if typeof result.plate_apart_mm === 'number'}
      <p class="text-ink-dim">
        The plate as it stands holds {mm(result.plate_apart_mm)}{spacer !== null
          ? `: ${spacer > 0 ? 'a spacer of' : 'to be thinner by'} ${mm(Math.abs(spacer))} makes it the middle`
          : ''}.
      </p>
    {/if}
  </div>
  {#if middle !== null && !disabled && !isThere}
    <Button strong={found?.keeps_present !== true} onclick={() => take(middle)}>Take {mm(middle)}</Button>
  {/if}
</section>
