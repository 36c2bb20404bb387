"""What the mounts carry, case by case: forces, moves, how far shares go, how the unit shakes."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cached_property, partial
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.cases import STANDING, Case, cases_of, lift_n, moment_nm
from driveline.benches.mounts.crosses import CrossLaid, crosses_of
from driveline.benches.mounts.laid import LaidMount, mounts_of
from driveline.benches.mounts.needs import MountsNeeds, NearestMoved
from driveline.benches.mounts.sheet import MountsSheet
from driveline.held.balance import FreeMotion, Held, free_motions, inertia_wrench, is_held_by_something
from driveline.held.holds import Hold
from driveline.held.modes import USUAL_DYNAMIC, Mode, modes_of
from driveline.held.shares import Shares, redundancy, shares_of
from driveline.held.stops import hold_on_stops
from driveline.memory import kept
from driveline.space.pose import Placed, move_about, turns_by

STIFF_N_PER_MM: Final = 2_000.0  # summed over its axes: a mount so stiff leaves shares to chance
_shares = kept(20)(shares_of)


@dataclass(frozen=True, kw_only=True)
class Carried:
    """The answer; a row each case that is known, the standing unit's last."""

    cases: tuple[Case, ...]
    unknown: tuple[Case, ...]  # whose torque is not known
    loads: Floats  # (c, 6), about the unit's centre of gravity as it stands
    held: Held
    bottomed: Floats  # (c, n)
    settled: bool
    shares: Shares | None  # where statics does not decide them
    mounts: tuple[LaidMount, ...]

    @property
    def sizes_n(self) -> Floats:
        """The greatest that each mount may carry in each case, (c, n)."""
        sizes = np.asarray(np.linalg.norm(self.held.forces_n, axis=2), dtype=np.float64)
        if self.shares is None:
            return sizes
        spread = np.maximum(np.abs(self.shares.least_n), np.abs(self.shares.greatest_n))
        return np.asarray(np.maximum(sizes, np.linalg.norm(spread, axis=2)), dtype=np.float64)

    def worst_case(self, mount: int) -> int:
        """Return the row in which a mount carries most."""
        return int(self.sizes_n[:, mount].argmax())

    def move(self, row: int, about_mm: Floats) -> Placed:
        """Return how the unit moves in a case."""
        return move_about(about_mm, shift_mm=self.held.moves_mm[row], turn=turns_by(self.held.turns_rad[[row]])[0])


@dataclass(frozen=True, kw_only=True)
class Solved:
    """All that follows of how the unit is held."""

    mounts: tuple[LaidMount, ...]
    crosses: tuple[CrossLaid, ...]
    free: tuple[FreeMotion, ...] | None  # None: not all mounts are known
    carried: Carried | None
    modes: tuple[Mode, ...]
    redundant: int
    about_mm: Floats | None  # the unit's centre of gravity as it stands
    look_round: Callable[[], tuple[tuple[Case, NearestMoved], ...]]
    inertia_is_estimated: bool

    @property
    def answer(self) -> Carried | None:
        """What they carry, where that settled: what did not is no answer."""
        return self.carried if self.carried is not None and self.carried.settled else None

    @cached_property
    def nearest(self) -> tuple[tuple[Case, NearestMoved], ...]:
        """What comes nearest with the unit moved, by case."""
        return self.look_round()


def solve_held(sheet: MountsSheet, needs: MountsNeeds) -> Solved:
    """Return where the mounts stand and what they carry, as far as it is known."""
    crosses = crosses_of(sheet, needs)
    mounts = mounts_of(sheet, needs, crosses)
    holds = [one.hold for one in mounts if one.hold is not None]
    is_whole = bool(mounts) and len(holds) == len(mounts)
    unit = needs.unit
    about = None if unit.placed is None or unit.cg_mm is None else unit.placed.points(unit.cg_mm)
    free = free_motions(holds) if is_whole else None
    carried: Carried | None = None
    modes: tuple[Mode, ...] = ()
    if free == () and about is not None and unit.mass_kg:
        moved = [_about(one, about) for one in holds]
        carried = _carried(sheet, needs, mounts, moved, unit.mass_kg, about)
        modes = _modes(sheet, needs, moved) if is_held_by_something(moved) else ()
    return Solved(
        mounts=mounts,
        crosses=crosses,
        free=free,
        carried=carried,
        modes=modes,
        redundant=max(redundancy(holds), 0) if is_whole else 0,
        about_mm=about,
        look_round=partial(_nearest, needs, carried, about),
        inertia_is_estimated=None in (sheet.inertia.roll_kgm2, sheet.inertia.pitch_kgm2, sheet.inertia.yaw_kgm2),
    )


def _about(one: Hold, about_mm: Floats) -> Hold:
    """About the centre of gravity: a mount's place from it."""
    return replace(one, at_mm=one.at_mm - about_mm)


def _modes(sheet: MountsSheet, needs: MountsNeeds, holds: list[Hold]) -> tuple[Mode, ...]:
    """How the unit shakes on mounts about its centre of gravity; nothing while its inertia is not known."""
    unit, inertia = needs.unit, inertia_of(sheet, needs)
    if inertia is None or unit.placed is None or not unit.mass_kg:
        return ()
    return modes_of(
        holds,
        mass_kg=unit.mass_kg,
        cg_mm=np.zeros(3),
        inertia_kgm2=unit.placed.turn @ inertia @ unit.placed.turn.T,
        dynamic=sheet.dynamic or USUAL_DYNAMIC,
    )


def with_rubber(sheet: MountsSheet, needs: MountsNeeds, solved: Solved, factor: float) -> tuple[float, float] | None:
    """Return the lowest frequency, Hz, and the farthest move, mm, of rubber so many times as stiff."""
    carried, about = solved.carried, solved.about_mm
    if carried is None or about is None:
        return None
    holds = []
    for one in carried.mounts:
        if one.hold is not None:
            holds.append(_about(one.hold.shaken(factor), about))
    modes = _modes(sheet, needs, holds)
    found = hold_on_stops(holds, [one.limit for one in carried.mounts], carried.loads)
    if not modes or not found.settled or needs.unit.farthest_mm is None:
        return None
    return modes[0].frequency_hz, float(_moved_mm(found.held, needs, about).max())


def inertia_of(sheet: MountsSheet, needs: MountsNeeds) -> Floats | None:
    """Return the unit's inertia in its own axes: as stated, else of its envelope filled evenly."""
    stated = (sheet.inertia.roll_kgm2, sheet.inertia.pitch_kgm2, sheet.inertia.yaw_kgm2)
    if None not in stated:
        own = np.diag([one or 0.0 for one in stated])
        return own if needs.unit.beside_kgm2 is None else own + needs.unit.beside_kgm2
    return needs.unit.inertia_kgm2


def _carried(
    sheet: MountsSheet,
    needs: MountsNeeds,
    mounts: tuple[LaidMount, ...],
    holds: list[Hold],
    mass_kg: float,
    about: Floats,
) -> Carried | None:
    known, unknown, loads = [], [], []
    for case in (*cases_of(sheet, needs), STANDING):
        moment, lift = moment_nm(case, sheet, needs), lift_n(case, needs, mass_kg, about)
        if moment is None or lift is None:
            unknown.append(case)
            continue
        known.append(case)
        loads.append(inertia_wrench(mass_kg, np.zeros(3), np.array(case.g_xyz, dtype=float), moment) + lift)
    rows = np.array(loads)
    found = hold_on_stops(holds, [one.limit for one in mounts], rows)
    shares = None
    if found.settled and redundancy(holds) > 0 and any(_is_stiff(one) for one in holds):
        shares = _shares(holds, rows)
    return Carried(
        cases=tuple(known),
        unknown=tuple(unknown),
        loads=rows,
        held=found.held,
        bottomed=found.bottomed,
        settled=found.settled,
        shares=shares,
        mounts=mounts,
    )


def _is_stiff(one: Hold) -> bool:
    """Whether it is so hard that shares hang on how stiff all really is."""
    return not one.is_rubber and float(np.trace(one.stiffness_n_per_mm)) > STIFF_N_PER_MM


def _nearest(
    needs: MountsNeeds, carried: Carried | None, about: Floats | None
) -> tuple[tuple[Case, NearestMoved], ...]:
    if carried is None or about is None or needs.around is None or not carried.settled:
        return ()
    moves = _moved_mm(carried.held, needs, about)
    found: dict[int, NearestMoved] = {}
    best = np.inf
    for row in np.argsort(-moves).tolist():  # those that move most first: others may not come so near
        if needs.around.least_share(float(moves[row])) >= best:
            continue
        nearest = needs.around.nearest(carried.move(row, about), float(moves[row]))
        if nearest is not None:
            found[row] = nearest
            best = min(best, nearest.gap_mm / nearest.wanted_mm)
    return tuple((carried.cases[row], found[row]) for row in sorted(found))


def greatest_move_mm(carried: Carried, needs: MountsNeeds, about_mm: Floats) -> tuple[float, Case] | None:
    """Return how far the corner that goes farthest does, and in which case; ``None`` without an envelope."""
    if needs.unit.farthest_mm is None or needs.unit.placed is None:
        return None
    sizes = _moved_mm(carried.held, needs, about_mm)
    worst = int(sizes.argmax())
    return float(sizes[worst]), carried.cases[worst]


def _moved_mm(held: Held, needs: MountsNeeds, about_mm: Floats) -> Floats:
    """How far the corner that goes farthest does in each case, (c,); without an envelope without end."""
    unit = needs.unit
    if unit.farthest_mm is None or unit.placed is None:
        return np.full(len(held.moves_mm), np.inf)
    arms = unit.placed.points(unit.farthest_mm) - about_mm
    moves = np.einsum("cij,pj->cpi", turns_by(held.turns_rad) - np.eye(3), arms) + held.moves_mm[:, None]
    return np.asarray(np.linalg.norm(moves, axis=2).max(axis=1), dtype=np.float64)
