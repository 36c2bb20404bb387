<script lang="ts">
  import type { CaseFound, Frame, MountsResult, PlacementResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { EYES, eyeAt, VIEW_TITLES, type ViewKey } from '../../scene/scene';
  import View from '../../scene/View.svelte';
  import { forces, links, madeBodies } from './drawn';

  interface Props {
    placement: PlacementResult;
    result: MountsResult;
    shown: CaseFound | undefined;
    lit: string;
    onpick: (field: string) => void;
  }
  let { placement, result, shown, lit, onpick }: Props = $props();
  const units = useUnits();
  const KEYS: readonly ViewKey[] = ['side', 'top', 'rear', 'free'];
  let large = $state<ViewKey | null>(null);
  let isMoved = $state(false);
  let onVehicle = $state(false);
  let round = $state(35);
  let above = $state(28);

  const rest = $derived(placement.stands.find((stand) => stand.is_chosen)?.frame ?? null);
  const frame = $derived<Frame | null>(
    isMoved && shown?.drawn_at_mm && shown.drawn_turn
      ? { at_mm: shown.drawn_at_mm, turn: shown.drawn_turn }
      : rest,
  );
  const arrows = $derived(forces(result.mounts, shown, onVehicle, (forceN) => units.figure(forceN, 'N', 0)));
  const bodies = $derived([...placement.bodies, ...madeBodies(result)]);
  const arms = $derived(links(result.mounts));
  const views = $derived(large ? [large] : KEYS);
  function turn(roundDeg: number, aboveDeg: number): void {
    round = (round + roundDeg) % 360;
    above = Math.max(-10, Math.min(89, above + aboveDeg));
  }
</script>

<div class="on-dye flex h-full flex-col bg-dye">
  <div class={['grid min-h-0 flex-1', !large && 'grid-cols-2 grid-rows-2']}>
    {#each views as key (key)}
      <View
        title={VIEW_TITLES[key]}
        {bodies}
        {frame}
        eye={key === 'free' ? eyeAt(round, above) : EYES[key]}
        roomMm={160}
        lines={arrows}
        shafts={arms}
        {lit}
        stepMm={10}
        {onpick}
        onmove={null}
        onturn={key === 'free' ? turn : undefined}
        onlarge={() => (large = large ? null : key)}
      />
    {/each}
  </div>
  <div class="flex min-h-7 shrink-0 flex-wrap items-center gap-x-3 px-2 text-[12.5px] text-scribe-dim">
    <label class="flex items-center gap-1">
      {shown?.name ?? ''}: what the mounts put on
      <select class="bg-dye-lit px-1 text-scribe" bind:value={onVehicle}>
        <option value={false}>the unit</option>
        <option value={true}>the vehicle</option>
      </select>
    </label>
    <label class="flex items-center gap-2">
      <input type="checkbox" bind:checked={isMoved} disabled={!shown?.drawn_at_mm} />
      moved ten times as far
    </label>
  </div>
</div>
