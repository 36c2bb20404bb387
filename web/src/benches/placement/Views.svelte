<script lang="ts">
  import type { Frame, PlacementResult } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { saveThenFetch } from '../../parts/files';
  import { EYES, eyeAt, VIEW_TITLES, type Point3, type ViewKey } from '../../scene/scene';
  import View from '../../scene/View.svelte';

  interface Props {
    result: PlacementResult;
    frame: Frame | null;
    isPlaying: boolean;
    lit: string;
    onpick: (field: string) => void;
    onmove: ((byMm: Point3, gesture: string) => void) | null;
  }
  let { result, frame, isPlaying, lit, onpick, onmove }: Props = $props();
  const units = useUnits();
  const editor = useEditor();
  const canPrint = $derived(frame !== null && result.gaps.length > 0);
  const KEYS: readonly ViewKey[] = ['side', 'top', 'rear', 'free'];
  const STEPS = [10, 1, 0.1] as const;
  const MOST_LINES = 4;
  let large = $state<ViewKey | null>(null);
  let stepMm = $state<number>(10);
  let roomMm = $state<number | null>(160);
  let round = $state(35);
  let above = $state(28);

  const shown = $derived(large ? [large] : KEYS);
  const lines = $derived(
    isPlaying
      ? []
      : result.gaps.slice(0, MOST_LINES).map((gap) => ({
          key: `${gap.unit_field} ${gap.other_field}`,
          text: units.num(gap.gap_mm, 'mm', gap.gap_mm < 100 ? 1 : 0),
          from: gap.on_unit_mm,
          to: gap.on_other_mm,
          isBad: gap.verdict === 'fails',
          isLined: true,
        })),
  );
  const joints = $derived(
    (isPlaying ? [] : (result.stands.find((stand) => stand.is_chosen)?.joints ?? []))
      .filter((joint) => joint.at === 'ride')
      .map((joint) => ({
        key: joint.side,
        text: units.figure(joint.angle_deg, '°', 1),
        from: joint.inner_mm,
        to: joint.outer_mm,
        isBad: false,
        isLined: false,
      })),
  );
  const eye = (key: ViewKey) => (key === 'free' ? eyeAt(round, above) : EYES[key]);
  function turn(roundDeg: number, aboveDeg: number): void {
    round = (round + roundDeg) % 360;
    above = Math.max(-10, Math.min(89, above + aboveDeg));
  }
</script>

<div class="on-dye flex h-full flex-col bg-dye">
  <div class={['grid min-h-0 flex-1', !large && 'grid-cols-2 grid-rows-2']}>
    {#each shown as key (key)}
      <View
        title={VIEW_TITLES[key]}
        bodies={result.bodies}
        {frame}
        eye={eye(key)}
        {roomMm}
        lines={[...lines, ...joints]}
        shafts={joints}
        {lit}
        {stepMm}
        {onpick}
        onmove={key === 'free' || isPlaying ? null : onmove}
        onturn={key === 'free' ? turn : undefined}
        onlarge={() => (large = large ? null : key)}
      />
    {/each}
  </div>
  <div class="flex shrink-0 flex-wrap items-center gap-x-4 px-2 py-1 text-[12.5px] text-scribe-dim">
    <label
      >step
      <select class="bg-dye-lit px-1 text-scribe" bind:value={stepMm}>
        {#each STEPS as step (step)}<option value={step}>{units.figure(step, 'mm', null)}</option>{/each}
      </select></label
    >
    {#if canPrint}
      <button
        class="min-h-6 text-scribe underline underline-offset-2"
        title="saves first, then downloads the three views to scale, PDF, A4"
        onclick={() => saveThenFetch(editor, `papers/placement.views.pdf?units=${units.system}`)}
        >print the views</button
      >
    {/if}
    <label
      >room round it
      <select class="bg-dye-lit px-1 text-scribe" bind:value={roomMm}>
        <option value={60}>close</option>
        <option value={160}>near</option>
        <option value={420}>wide</option>
        <option value={null}>everything</option>
      </select></label
    >
  </div>
</div>
