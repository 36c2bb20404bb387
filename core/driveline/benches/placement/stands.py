"""The ways for the unit to stand, side by side."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.gaps import Gap, gaps_of
from driveline.benches.placement.lay_out import LaidPlacement, Standing
from driveline.benches.placement.needs import PlacementNeeds
from driveline.benches.placement.results import At, Frame, JointFound, StandFound
from driveline.benches.placement.sheet import PlacementSheet, TurnsForward, Way
from driveline.errors import ImpossibleInput
from driveline.memory import kept
from driveline.sheet import value_of
from driveline.space.outputs import BothJoints, both_joints, turns_normally
from driveline.space.pose import Placed
from driveline.space.spots import spot_mm

HEIGHTS: Final = ("ride", "bump", "droop")
_gaps = kept(60)(gaps_of)  # a nudge of one stand leaves the others where they are


def at_of(point: Floats) -> At:
    """Return a place for the screen, to a hundredth of a mm."""
    x, y, z = (round(float(one), 2) for one in point)
    return x, y, z


def frame_of(placed: Placed) -> Frame:
    """Return a place of the unit for the screen."""
    rows = [tuple(round(float(one), 7) for one in row) for row in placed.turn]
    first, second, third = ((row[0], row[1], row[2]) for row in rows)
    return Frame(at_mm=at_of(placed.at_mm), turn=(first, second, third))


def outputs_mm(sheet: PlacementSheet, laid: LaidPlacement, stand: Standing) -> tuple[Floats, Floats] | None:
    """Return both inner joint centres as they stand: the unit's own, or those of a final drive of its own."""
    if stand.sheet.way is Way.LENGTHWISE:
        left, right = (spot_mm(spot, laid.places) for spot in (stand.sheet.final_left, stand.sheet.final_right))
    else:
        if stand.placed is None:
            return None
        a, b = (spot_mm(spot, {}) for spot in (sheet.unit.output_a, sheet.unit.output_b))
        left = None if a is None else stand.placed.points(a)
        right = None if b is None else stand.placed.points(b)
    return None if left is None or right is None else (left, right)


def joints_of(sheet: PlacementSheet, laid: LaidPlacement, stand: Standing, height: str) -> BothJoints | None:
    """Return both joints with the wheels at ride, bump or droop; ``None`` while something of it is not known."""
    outputs = outputs_mm(sheet, laid, stand)
    left, right = (spot_mm(spot, laid.places) for spot in (sheet.wheels.left, sheet.wheels.right))
    rise = {"ride": 0.0, "bump": value_of(sheet.wheels.bump), "droop": value_of(sheet.wheels.droop)}[height]
    if outputs is None or left is None or right is None or rise is None:
        return None
    up = np.array([0.0, 0.0, -rise if height == "droop" else rise])
    try:
        return both_joints(
            output_a_mm=outputs[0], output_b_mm=outputs[1], outer_left_mm=left + up, outer_right_mm=right + up
        )
    except ImpossibleInput:
        return None


def turns_usual(sheet: PlacementSheet, stand: Standing) -> bool | None:
    """Say whether the motor turns its usual way going forward; not known of a final drive of its own."""
    if sheet.unit.turns is None or stand.placed is None or stand.sheet.way in (None, Way.LENGTHWISE):
        return None
    as_made = 1.0 if sheet.unit.turns is TurnsForward.FORWARD else -1.0
    return turns_normally(turn=stand.placed.turn, forward_axis=np.array([0.0, as_made, 0.0]))


def is_oiled(usual: bool | None, needs: PlacementNeeds) -> bool | None:
    """Say whether the unit's oil is pumped going forward."""
    if needs.pump_is_one_way is None or (needs.pump_is_one_way and usual is None):
        return None
    return not needs.pump_is_one_way or bool(usual)


def stands_found(
    sheet: PlacementSheet, laid: LaidPlacement, needs: PlacementNeeds, chosen_gaps: tuple[Gap, ...]
) -> Iterator[StandFound]:
    """Return what each way for the unit to stand comes to."""
    around = sheet.model_copy(update={"stands": [], "chosen": None}), replace(laid, stands=(), chosen=None, masses=())
    for stand in laid.stands:
        gaps: tuple[Gap, ...] = ()
        if stand is laid.chosen:
            gaps = chosen_gaps
        elif stand.placed is not None:
            gaps = _gaps(*around, stand.placed)
        yield _stand(sheet, laid, needs, stand, gaps)


def _stand(
    sheet: PlacementSheet, laid: LaidPlacement, needs: PlacementNeeds, stand: Standing, gaps: tuple[Gap, ...]
) -> StandFound:
    joints = {height: found for height in HEIGHTS if (found := joints_of(sheet, laid, stand, height))}
    bodies = [gap for gap in gaps if gap.other is not None]
    ground = next((gap for gap in gaps if gap.other is None), None)
    tightest = bodies[0] if bodies else None
    cg, usual = spot_mm(sheet.unit.cg, {}), turns_usual(sheet, stand)
    return StandFound(
        field=stand.field,
        name=stand.sheet.name,
        way=stand.sheet.way.value if stand.sheet.way else None,
        is_chosen=stand is laid.chosen,
        frame=frame_of(stand.placed) if stand.placed else None,
        missing=stand.missing,
        joints=tuple(
            JointFound(
                side=side,
                at=height,
                angle_deg=joint.angle_deg,
                length_mm=joint.distance_mm,
                inner_mm=at_of(joint.output_mm),
                outer_mm=at_of(joint.output_mm + joint.distance_mm * joint.toward),
            )
            for height, found in joints.items()
            for side, joint in (("left", found.left), ("right", found.right))
        ),
        worst_ride_deg=joints["ride"].worst_deg if "ride" in joints else None,
        turns_usual=usual,
        is_oiled=is_oiled(usual, needs),
        least_gap_mm=tightest.gap_mm if tightest else None,
        least_gap=f"{tightest.unit.sheet.name} to {tightest.other.sheet.name}" if tightest and tightest.other else "",
        fouls=tuple(dict.fromkeys(gap.other.sheet.name for gap in bodies if gap.other and gap.gap_mm < 0)),
        lowest_mm=ground.gap_mm if ground else None,
        cg_mm=at_of(stand.placed.points(cg)) if stand.placed and cg is not None else None,
    )
