/** Changes of the placement sheet that more than one panel makes. */
import type {
  PlacementResult,
  PlacementSheet,
  Reading,
  Spot,
  Stand,
  UnitBody,
  VehicleBody,
} from '../../api/types';
import type { Point3 } from '../../scene/scene';

const spot = (): Spot => ({ point: null });

const scan = (): VehicleBody['scan'] => ({
  name: '',
  matches: [],
  at: spot(),
  angles: {},
  leave_out_bits: false,
});

export function newVehicleBody(name: string): VehicleBody {
  return {
    name,
    at: spot(),
    angles: {},
    along: [],
    scan: scan(),
    fate: 'stays',
    travel: {},
    nature: null,
    shape: null,
  };
}
export function newUnitBody(name: string): UnitBody {
  return {
    name,
    at: spot(),
    angles: {},
    along: [],
    scan: scan(),
    can_come_off: false,
    is_off: false,
    keeps_clear: false,
    shape: null,
  };
}
export function newStand(name: string): Stand {
  return { name, at: spot(), angles: {}, final_left: spot(), final_right: spot() };
}

/** The stand that is worked on: the chosen one, or the only one. */
export function standNow(sheet: PlacementSheet): Stand | undefined {
  const chosen = sheet.stands.find((stand) => stand.name === sheet.chosen);
  return chosen ?? (sheet.chosen == null && sheet.stands.length === 1 ? sheet.stands[0] : undefined);
}

const typed = (was: Reading | null | undefined, value: number, unit: string): Reading => ({
  ...was,
  unit: null,
  text: `${Number(value.toFixed(2))} ${unit}`,
});

/** Plain millimetres as they stand: the core's answer to the nudge before may still be on its way. */
function plainMm(reading: Reading | null | undefined): number | null {
  const found = /^(-?\d+(?:\.\d+)?) mm$/.exec(reading?.text ?? '');
  return found ? Number(found[1]) : null;
}

/** Moves the chosen stand; one that stands at a measured point stays there. */
export function moveStand(sheet: PlacementSheet, atMm: Point3, byMm: Point3): void {
  const stand = standNow(sheet);
  if (!stand || stand.at.point) return;
  (['x', 'y', 'z'] as const).forEach((axis, k) => {
    const by = byMm[k] ?? 0;
    if (by !== 0)
      stand.at[axis] = typed(stand.at[axis], (plainMm(stand.at[axis]) ?? atMm[k] ?? 0) + by, 'mm');
  });
}

/** Takes a place that was sought, field by field. */
export function takePlace(sheet: PlacementSheet, fields: readonly { field: string; text: string }[]): void {
  const stand = standNow(sheet);
  if (!stand) return;
  stand.at.point = null;
  for (const { field, text } of fields) {
    const axis = field.split('.').at(-1);
    if (axis === 'x' || axis === 'y' || axis === 'z')
      stand.at[axis] = { ...stand.at[axis], unit: null, text };
  }
}

/** Takes a pose on offer. */
export function takePose(sheet: PlacementSheet, pose: PlacementResult['offers'][number]): void {
  const stand = standNow(sheet);
  if (!stand) return;
  const { at, angles } = stand;
  at.point = null;
  at.x = typed(at.x, pose.x_mm, 'mm');
  at.y = typed(at.y, pose.y_mm, 'mm');
  at.z = typed(at.z, pose.z_mm, 'mm');
  angles.roll = typed(angles.roll, pose.roll_deg, 'deg');
  angles.pitch = typed(angles.pitch, pose.pitch_deg, 'deg');
  angles.yaw = typed(angles.yaw, pose.yaw_deg, 'deg');
}
