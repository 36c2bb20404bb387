<script lang="ts">
  import { Refusal } from '../api/client';
  import type { Feature, FeatureRow, Measure, PartResult, ReleaseState } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';
  import { useReader } from '../measure/reader';
  import { useUnits } from '../measure/units.svelte';
  import FeatureTable from './FeatureTable.svelte';
  import { judged, signed } from './releases';

  interface Props {
    part: PartResult;
    released: ReleaseState;
    onclose: () => void;
  }
  let { part, released, onclose }: Props = $props();
  const reader = useReader();
  const units = useUnits();
  const uid = $props.id();
  const editor = useEditor();
  const KINDS: readonly Measure['kind'][] = [
    'diameter',
    'inside',
    'outside',
    'distance',
    'thickness',
    'size',
  ];
  // The features are those of the release, which does not change while the dialog is open.
  // svelte-ignore state_referenced_locally
  let texts = $state(part.features.map(() => ''));
  let rows = $state.raw<readonly FeatureRow[]>([]);
  // A part that is its own mirror image can't run the other way.
  // svelte-ignore state_referenced_locally
  let runs = $state<'as drawn' | 'the other way' | null>(part.is_handed ? null : 'as drawn');
  let why = $state('');
  let says = $state('');

  const kindOf = (feature: Feature) => KINDS.find((kind) => kind === feature.kind) ?? 'inside';
  const measures = $derived(
    part.features.flatMap((feature, k): Measure[] => {
      const text = units.meant(texts[k]?.trim() ?? '', 'length');
      return text
        ? [{ kind: kindOf(feature), a: feature.a, b: feature.b, reading: { text, tool: 'caliper' } }]
        : [];
    }),
  );

  async function attempt(call: () => Promise<void>): Promise<boolean> {
    says = '';
    try {
      await call();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
      return false;
    }
  }
  async function compare(k: number): Promise<void> {
    const text = units.meant(texts[k]?.trim() ?? '', 'length');
    if (text) {
      const heard = await reader.read(text, 'length', null, 'caliper');
      if (heard.problem) {
        says = `${part.features[k]?.title ?? ''}: ${heard.problem}`;
        return;
      }
    }
    await attempt(async () => {
      rows = await judged(editor.job.id, part, released.letter, measures);
    });
  }
  async function decide(accepted: boolean): Promise<void> {
    const decision = { measures, runsAsDrawn: runs === 'as drawn', accepted, why: why.trim() };
    const done = await attempt(() => signed(editor.job.id, part, released.letter, decision));
    if (!done) return;
    await editor.refresh();
    onclose();
  }
</script>

<Dialog
  open
  title="{part.title} {released.letter}, as delivered"
  about="Measured against what was released, not against the part as it stands now. It is signed for by {editor.username}."
  {onclose}
>
  {#if part.is_handed}<fieldset>
      <legend class="font-semibold">
        Its engraved face towards you, as the {released.side} side was released: from the first hole on, do the
        numbers run as on the drawing?
      </legend>
      <div class="flex gap-5">
        <label><input type="radio" name="{uid}-runs" value="as drawn" bind:group={runs} /> as drawn</label>
        <label
          ><input type="radio" name="{uid}-runs" value="the other way" bind:group={runs} /> the other way: it is
          mirrored</label
        >
      </div>
    </fieldset>{/if}
  <FeatureTable features={part.features} {rows} bind:texts onmeasured={compare} />
  <p class="text-[13px] text-ink-dim">
    {part.cut
      ? 'ISO 2768-m where the drawing gives no tolerance. A register is measured after machining.'
      : 'Measured as the order sheet says, at room temperature, against its own tolerances.'}
  </p>
  <label for="{uid}-why">Remark; needed to turn it down, or to take one that is out</label>
  <input id="{uid}-why" class="field-line" maxlength="2000" bind:value={why} />
  {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
  <div class="flex gap-3">
    <Button strong disabled={runs === null} onclick={() => decide(true)}>Accept it</Button>
    <Button disabled={runs === null} onclick={() => decide(false)}>Turn it down</Button>
    <Button onclick={onclose}>Not yet</Button>
  </div>
</Dialog>
