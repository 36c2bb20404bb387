<script lang="ts">
  import type { PlateResult, PlateSheet, Survey } from '../../api/types';
  import { fixed } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import FaceHoles from './FaceHoles.svelte';
  import { CIRCLE, FACE, TERMINALS, TERMINALS_WINDOW, TURNED } from './fields';

  interface Props {
    sheet: PlateSheet;
    result: PlateResult;
    disabled: boolean;
    change: (write: (sheet: PlateSheet) => void) => void;
    onsurvey: () => void;
  }
  let { sheet, result, disabled, change, onsurvey }: Props = $props();
  const WAYS = [
    ['circle', 'a bolt circle'],
    ['holes', 'coordinates'],
    ['survey', 'a survey of its own'],
  ] as const;
  const face = (write: (to: PlateSheet['face']) => void) => change((next) => write(next.face));
  const plate = (write: (to: PlateSheet['plate']) => void) => change((next) => write(next.plate));
  const way = $derived(sheet.face.survey ? 'survey' : sheet.face.holes.length > 0 ? 'holes' : 'circle');
  const EMPTY: Survey = {
    seen_from: 'gearbox',
    numbered: 'anticlockwise',
    holes: [],
    readings: [],
    direction_at: { text: '0 deg' },
    scaled_frames: [],
  };

  function given(by: (typeof WAYS)[number][0]): void {
    face((next) => {
      next.survey = by === 'survey' ? (next.survey ?? EMPTY) : null;
      if (by === 'circle') next.holes = [];
      if (by === 'holes' && next.holes.length === 0)
        next.holes = [{ id: 'M1', x: { text: '0' }, y: { text: '0' } }];
    });
    if (by === 'survey') onsurvey();
  }
</script>

<section class="px-4 py-3">
  <h2>Motor face, seen looking at it</h2>
  <ChoiceField label="Its holes by" value={way} options={WAYS} {disabled} onchange={given} />
  {#if way === 'circle'}
    <Fields form={CIRCLE} from={sheet.face} {disabled} change={face} />
  {:else if way === 'holes'}
    <FaceHoles face={sheet.face} {disabled} change={face} />
  {:else}
    <p class="text-[13px] text-ink-dim">
      {sheet.face.survey?.holes.length ?? 0} holes, {sheet.face.survey?.readings.length ?? 0} readings, under “Readings”
      and “Holes”.
      <button class="text-brass underline underline-offset-2" onclick={onsurvey}>go to them</button>
    </p>
  {/if}
  <Fields form={FACE} from={sheet.face} {disabled} change={face} />

  <h2 class="mt-4">Which way round it goes</h2>
  <Fields form={TURNED} from={sheet.plate} {disabled} change={plate} />
  {#if result.clocking?.is_settled && !disabled}
    {@const best = fixed(result.clocking.best_turn_deg, 2).replace('−', '-')}
    <p class="text-right text-[13px]">
      <button
        class="text-brass underline underline-offset-2"
        onclick={() => change((next) => (next.plate.turned = { text: `${best} deg` }))}
        >turn to the widest ligament{result.clocking.allowed.length > 0 ? ' in the terminals’ window' : ''}, {best}°</button
      >
    </p>
  {/if}
  <Fields form={TERMINALS} from={sheet.face} {disabled} change={face} />
  <Fields form={TERMINALS_WINDOW} from={sheet.plate} {disabled} change={plate} />
</section>
