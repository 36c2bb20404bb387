"""Whether the joints of both axles run straight enough at ride height, and go no further than they may in travel."""

from typing import Final

from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.needs import PlacementNeeds
from driveline.benches.placement.sheet import PlacementSheet, Way
from driveline.benches.placement.stands import joints_of, outputs_mm
from driveline.benches.placement.workings import joint_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of, wanted_words
from driveline.sheet import value_of
from driveline.space.outputs import JointAt
from driveline.space.spots import spot_missing

RUNNING_DEG: Final = 8.0
PLUNGING_DEG: Final = 22.0  # of an inner tripod joint, where its maker says nothing


def joint_checks(sheet: PlacementSheet, laid: LaidPlacement, needs: PlacementNeeds, judge: Judge) -> tuple[Check, ...]:
    """Return the checks of a unit that drives the wheels by axles of its own; none of one that doesn't."""
    if not needs.has_outputs:
        return ()
    return (_check(sheet, laid, judge, ("ride",)), _check(sheet, laid, judge, ("ride", "bump", "droop")))


def _missing(sheet: PlacementSheet, laid: LaidPlacement, heights: tuple[str, ...]) -> tuple[str, ...]:
    stand = laid.chosen
    missing = [
        *spot_missing(sheet.wheels.left, laid.places, "Outer joint, left"),
        *spot_missing(sheet.wheels.right, laid.places, "Outer joint, right"),
    ]
    if stand is None:
        return (*missing, "How the unit stands: one of its ways, chosen")
    if stand.sheet.way is None:
        missing.append("Which way round the unit stands")
    missing += stand.missing
    if outputs_mm(sheet, laid, stand) is None:
        drive = stand.sheet.way is Way.LENGTHWISE
        missing.append("Outputs of its final drive" if drive else "The unit's outputs, left and right as made")
    if len(heights) > 1:
        missing += missing_of(
            {
                "How far the wheels rise to the bump stop": value_of(sheet.wheels.bump),
                "How far the wheels drop": value_of(sheet.wheels.droop),
            }
        )
    return tuple(missing)


def _check(sheet: PlacementSheet, laid: LaidPlacement, judge: Judge, heights: tuple[str, ...]) -> Check:
    missing = _missing(sheet, laid, heights)
    worst: tuple[JointAt, str, str] | None = None
    if laid.chosen is not None:
        for height in heights:
            both = joints_of(sheet, laid, laid.chosen, height)
            for side, joint in (("left", both.left), ("right", both.right)) if both else ():
                if worst is None or joint.angle_deg > worst[0].angle_deg:
                    worst = (joint, side, height)
    rides = len(heights) == 1
    says = wanted_words(missing)
    if worst is not None:
        joint, side, height = worst
        found = (
            f"{fig(joint.angle_deg, '°', 1)} on the {side} at {height} height"
            if rides
            else (f"{fig(joint.angle_deg, '°', 1)} on the {side} at {height}")
        )
        says = f"{found}. {says}".strip()
    return judge.check(
        "clearance",
        key="placement.joints_ride" if rides else "placement.joints_travel",
        title="Inner joints run straight enough" if rides else "Inner joints through the wheels' travel",
        demand=worst[0].angle_deg if worst else None,
        capacity=RUNNING_DEG if rides else PLUNGING_DEG,
        unit="°",
        says=says,
        missing=missing,
        inputs=(
            laid.chosen.field if laid.chosen else "placement.stands",
            "placement.wheels",
            "placement.unit.output_a",
            "placement.unit.output_b",
        ),
        working=lambda: joint_working(worst[0] if worst else None),
    )
