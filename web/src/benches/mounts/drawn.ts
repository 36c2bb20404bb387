/** What the mounts add to the picture of the unit: brackets as bodies, links as lines, forces as arrows. */
import type { CaseFound, DrawnBody, MountsResult } from '../../api/types';
import type { Line3, Point3 } from '../../scene/scene';

type Mount = MountsResult['mounts'][number];
const LONGEST_MM = 260; // of the arrow of the greatest force

/** Brackets and cross members where they stand; they are made, and stand out from what the vehicle has. */
export function madeBodies(result: Pick<MountsResult, 'mounts' | 'crosses'>): DrawnBody[] {
  const brackets = result.mounts.map((mount) => ({ ...mount, name: `bracket of ${mount.name}` }));
  return [...brackets, ...result.crosses]
    .filter((one) => one.pieces.length > 0)
    .map((one) => ({
      field: one.field,
      name: one.name,
      is_unit: false,
      nature: null,
      fate: 'made',
      keeps_clear: false,
      is_off: false,
      pieces: one.pieces,
      scan: null,
    }));
}

/** Torque arms, and brackets of which no outside is known yet, as lines. */
export function links(mounts: readonly Mount[]): Line3[] {
  return mounts.flatMap((mount): Line3[] =>
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
  );
}

/** The forces of a case: on the unit at each mount, or on the vehicle where its bracket meets it. */
export function forces(
  mounts: readonly Mount[],
  shown: CaseFound | undefined,
  onVehicle: boolean,
  worded: (forceN: number) => string,
): Line3[] {
  const found = mounts.flatMap((mount) => {
    const one = mount.cases.find((each) => each.case === shown?.name);
    const at = onVehicle ? (mount.rail_mm ?? mount.at_mm) : mount.at_mm;
    return one && at ? [{ mount, one, at, force: onVehicle ? one.on_vehicle_n : one.force_n }] : [];
  });
  const greatest = Math.max(1, ...found.map(({ one }) => one.size_n));
  return found.map(({ mount, one, at, force }): Line3 => {
    const along = (k: number) => (at[k] ?? 0) + ((force[k] ?? 0) / greatest) * LONGEST_MM;
    const to: Point3 = [along(0), along(1), along(2)];
    return {
      key: mount.field,
      text: worded(one.size_n),
      from: at,
      to,
      isBad: mount.verdict === 'fails',
      isLined: true,
      isArrow: true,
    };
  });
}
