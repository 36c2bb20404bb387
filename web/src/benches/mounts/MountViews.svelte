<script lang="ts">
  import type { CaseFound, DrawnBody, Frame, MountsResult, PlacementResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { EYES, eyeAt, VIEW_TITLES, type Line3, type Point3, type ViewKey } from '../../scene/scene';
  import View from '../../scene/View.svelte';

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
  const LONGEST_MM = 260; // of the arrow of the greatest force
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
  const forces = $derived(
    result.mounts.flatMap((mount) => {
      const found = mount.cases.find((one) => one.case === shown?.name);
      if (!found || !mount.at_mm) return [];
      const root = mount.rail_mm ?? mount.at_mm;
      return [
        onVehicle
          ? { mount, found, at: root, force: found.on_vehicle_n }
          : { mount, found, at: mount.at_mm, force: found.force_n },
      ];
    }),
  );
  const greatest = $derived(Math.max(1, ...forces.map((one) => one.found.size_n)));
  const arrows = $derived(
    forces.map(({ mount, found, at, force }): Line3 => {
      const along = (k: number) => (at[k] ?? 0) + ((force[k] ?? 0) / greatest) * LONGEST_MM;
      const to: Point3 = [along(0), along(1), along(2)];
      const isBad = mount.verdict === 'fails';
      return {
        key: mount.field,
        text: units.figure(found.size_n, 'N', 0),
        from: at,
        to,
        isBad,
        isLined: true,
        isArrow: true,
      };
    }),
  );
  const brackets = $derived(
    result.mounts.flatMap((mount): DrawnBody[] =>
      mount.pieces.length > 0
        ? [
            {
              field: mount.field,
              name: `bracket of ${mount.name}`,
              is_unit: false,
              nature: null,
              fate: 'made',
              keeps_clear: false,
              is_off: false,
              pieces: mount.pieces,
              scan: null,
            },
          ]
        : [],
    ),
  );
  const bodies = $derived([...placement.bodies, ...brackets]);
  const arms = $derived(
    result.mounts.flatMap((mount): Line3[] =>
      mount.at_mm && mount.rail_mm && mount.pieces.length === 0
        ? [
            {
              key: `arm ${mount.field}`,
              text: '',
              from: mount.rail_mm,
              to: mount.at_mm,
              isBad: false,
              isLined: false,
            },
          ]
        : [],
    ),
  );
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
