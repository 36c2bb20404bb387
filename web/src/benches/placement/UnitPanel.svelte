<script lang="ts">
  import type { LibraryPart, PlacementResult, PlacementSheet, UnitBody } from '../../api/types';
  import { within } from '../../measure/fields';
  import Fields from '../../measure/Fields.svelte';
  import LibraryButton from '../../library/LibraryButton.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import BodyList from './BodyList.svelte';
  import { newUnitBody } from './edits';
  import { UNIT, UNIT_BODY, UNIT_OUTPUTS, WEIGHS_IN } from './fields';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    hasOutputs: boolean;
    lit: string;
    disabled: boolean;
    onpick: (field: string) => void;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, hasOutputs, lit, disabled, onpick, change }: Props = $props();
  const units = useUnits();
  const missing = (field: string) => (result.to_do.some((one) => one.field === field) ? '? unfinished' : '');
  const form = $derived(
    within((one: PlacementSheet) => one.unit, hasOutputs ? [...UNIT, ...UNIT_OUTPUTS] : UNIT),
  );
  const take = ({ content: { unit } }: LibraryPart) => unit && change((next) => (next.unit = unit));
  const note = (body: UnitBody) =>
    body.keeps_clear ? 'kept clear' : body.is_off ? 'left off' : body.after_step ? 'goes on after' : '';
</script>

<p class="text-[12.5px] text-ink-dim">
  In the unit’s own axes: origin on its output line, forward, left and up as it was made.
</p>
<p class="flex justify-end gap-3">
  {#if !disabled}<LibraryButton kind="envelope" ontake={take} />{/if}
  {#if sheet.unit.bodies.length > 0}<LibraryButton
      kind="envelope"
      held={sheet.unit}
      name={sheet.unit.name || 'unit'}
      {disabled}
      ontake={take}
    />{/if}
</p>
<BodyList
  label="Bodies of the unit"
  group="unit.bodies"
  prefix="placement.unit.bodies"
  rows={sheet.unit.bodies}
  form={UNIT_BODY}
  points={[]}
  scans={result.scans}
  {lit}
  example="motor"
  {disabled}
  {missing}
  {note}
  make={newUnitBody}
  {onpick}
  change={(write) => change((next) => write(next.unit.bodies))}
/>
<Fields {form} from={sheet} {disabled} {change} />
{#if result.hangs}
  <p class="mt-2 border-l-2 border-brass pl-2 text-[12.5px]">
    Lifted by its eye it hangs {units.figure(result.hangs.tilted_deg, '°', 1)} off level, nose {result.hangs
      .nose_down_deg >= 0
      ? 'down'
      : 'up'}
    {units.figure(Math.abs(result.hangs.nose_down_deg), '°', 1)}. Rated slings, nobody beneath; guide it by
    hand.
  </p>
{/if}
<Fields form={WEIGHS_IN} from={sheet} {disabled} {change} />
