/** The curves of torque at the wheels: gearings side by side, the old engine, and what the road asks and holds. */
import type { Candidate, RatiosResult } from '../../api/types';
import type { PlotCurve } from '../../drawing/plot-frame';

type Torque = readonly (number | null)[];

export function torqueCurves(
  result: RatiosResult,
  compared: readonly Candidate[],
  hovered: string | null,
  ghost: Torque | null,
): PlotCurve[] {
  const across = result.speed_kmh;
  const curve = (key: string, up: Torque, rest: Omit<PlotCurve, 'key' | 'across' | 'up'>): PlotCurve => ({
    key,
    across,
    up,
    ...rest,
  });
  const road: PlotCurve[] = [];
  if (result.slip_nm !== null) {
    road.push(
      curve(
        'slip',
        across.map(() => result.slip_nm),
        {
          stroke: 'stroke-fails-lit',
          width: 1.5,
          dash: '7 5',
          label: 'tyres slip above this, dry',
          labelClass: 'fill-fails-lit',
          prefer: 0.95,
        },
      ),
    );
  }
  if (result.resistance_nm) {
    const label = 'resistance, level';
    road.push(
      curve('level', result.resistance_nm, { stroke: 'stroke-scribe', width: 1.6, label, prefer: 0.8 }),
    );
  }
  if (result.hill_resistance_nm) {
    const [label, dash] = ['the hill, laden', '2 4'];
    road.push(
      curve('hill', result.hill_resistance_nm, {
        stroke: 'stroke-scribe',
        width: 1.2,
        dash,
        label,
        prefer: 0.6,
      }),
    );
  }
  const old = (result.was?.gears ?? []).map((gear, k) =>
    curve(`old ${gear.name}`, gear.wheel_nm, {
      stroke: 'stroke-scribe-dim/75',
      width: 1,
      label: k === 0 ? 'the old engine, gear by gear' : undefined,
      labelClass: 'fill-scribe-dim',
      prefer: 0.5,
    }),
  );
  const gearings = compared.map((one) =>
    curve(one.key, one.wheel_nm, {
      stroke: one.is_chosen ? 'stroke-brass-lit' : 'stroke-scribe-dim',
      width: one.key === hovered ? 3.5 : one.is_chosen ? 2.8 : 1.6,
      dash: one.is_chosen ? undefined : '7 4',
      label: one.is_chosen ? `${one.key}, chosen` : one.key,
      labelClass: one.is_chosen ? 'fill-brass-lit font-semibold' : 'fill-scribe-dim',
      prefer: 0.05,
    }),
  );
  const pinned = ghost ? [curve('pinned', ghost, { stroke: 'stroke-scribe-dim/45', width: 5 })] : [];
  return [...pinned, ...gearings, ...road, ...old];
}
