/** Which of a side's cases is looked at: a load on the unit, and a lock by its place among them. */
import type { SideShown } from '../../api/types';

export type Case = SideShown['cases'][number];

/** The case of that load and lock; straight ahead where the side does not steer, or no lock was picked. */
export function caseOf(side: SideShown, load: string, lock: number): Case | undefined {
  const loaded = side.cases.filter((one) => one.load === load);
  const own = loaded.length > 0 ? loaded : side.cases.filter((one) => one.load === side.cases[0]?.load);
  return (lock >= 0 ? own[lock] : undefined) ?? own.find((one) => one.lock_deg === 0) ?? own[0];
}
