"""Where the unit has the most room: slid about from where it stands until its smallest spare is greatest."""

from dataclasses import replace
from itertools import product
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.contract import Sought, SoughtField
from driveline.benches.placement.gaps import Gap, gaps_of
from driveline.benches.placement.joint_checks import PLUNGING_DEG, RUNNING_DEG
from driveline.benches.placement.lay_out import LaidPlacement, Standing
from driveline.benches.placement.sheet import PlacementSheet
from driveline.benches.placement.stands import HEIGHTS, joints_of
from driveline.figures import fig
from driveline.space.pose import Placed

REACH_MM: Final = 80.0  # it is slid no farther, any way
FIRST_MM: Final = 16.0
LAST_MM: Final = 0.25
MOST_LOOKS: Final = 400
FAR_MM: Final = 60.0
_WAYS: Final = np.array([way for way in product((-1, 0, 1), repeat=3) if any(way)])


def most_room(sheet: PlacementSheet, laid: LaidPlacement) -> Sought:
    """Return the place near the chosen stand's where the gap that is tightest for its wanted one has most to spare.

    Source:
        Compass search over the 26 ways of a cube, halved until a quarter of a mm: no step of it that the joints bear
        betters the place that is returned. That a place farther off is better still is not ruled out.
    """
    stand = laid.chosen
    assert stand is not None and stand.placed is not None
    start, turn = stand.placed.at_mm, stand.placed.turn
    most_deg = _allowed_deg(sheet, laid, stand)

    def tightest(at: Floats) -> tuple[float, Gap | None]:
        gaps = gaps_of(sheet, laid, Placed(turn, at), far_mm=FAR_MM)
        gap = min(gaps, key=_spare_mm, default=None)
        return (FAR_MM, None) if gap is None else (_spare_mm(gap), gap)

    best, (spare, gap) = start, tightest(start)
    was, looks, step = spare, 0, FIRST_MM
    while step >= LAST_MM and looks < MOST_LOOKS:
        tries = [best + step * way for way in _WAYS]
        found = [
            (*tightest(at), at)
            for at in tries
            if np.abs(at - start).max() <= REACH_MM and _joints_bear(sheet, laid, stand, Placed(turn, at), most_deg)
        ]
        looks += len(found)
        better = max(found, key=lambda one: one[0], default=None)
        if better is not None and better[0] > spare + 1e-9:
            spare, gap, best = better
        else:
            step /= 2
    return Sought(
        says=_says(was, spare, gap, best - start, minds_joints=bool(most_deg)), fields=_fields(stand.field, best)
    )


def _allowed_deg(sheet: PlacementSheet, laid: LaidPlacement, stand: Standing) -> dict[str, float]:
    """What the joints may come to at each height of the wheels: what they should, or do where that is more."""
    now = {height: joints_of(sheet, laid, stand, height) for height in HEIGHTS}
    wanted = {height: RUNNING_DEG if height == "ride" else PLUNGING_DEG for height in HEIGHTS}
    return {height: max(wanted[height], found.worst_deg) for height, found in now.items() if found is not None}


def _joints_bear(
    sheet: PlacementSheet, laid: LaidPlacement, stand: Standing, placed: Placed, most_deg: dict[str, float]
) -> bool:
    there = replace(stand, placed=placed)
    for height, most in most_deg.items():
        found = joints_of(sheet, laid, there, height)
        if found is None or found.worst_deg > most:
            return False
    return True


def _spare_mm(gap: Gap) -> float:
    return gap.least_mm - gap.wanted_mm


def _says(was_mm: float, spare_mm: float, gap: Gap | None, moved_mm: Floats, *, minds_joints: bool) -> str:
    if gap is None:
        return "Nothing is near it."
    other = gap.other.sheet.name if gap.other else "the ground"
    pair = f"{gap.unit.sheet.name} to {other} stops it, with {fig(spare_mm, 'mm', 1)} over what is wanted"
    if not np.abs(moved_mm).max() > 0:
        return f"It has the most room where it stands: {pair}."
    joints = (
        "No joint is asked more than it should run at" if minds_joints else "Its joints are not known: look at them"
    )
    return f"{pair}, from {fig(was_mm, 'mm', 1)}. {joints}."


def _fields(stand: str, at_mm: Floats) -> tuple[SoughtField, ...]:
    return tuple(
        SoughtField(field=f"{stand}.at.{axis}", text=f"{round(float(value), 1):g} mm")
        for axis, value in zip("xyz", at_mm, strict=True)
    )
