"""Poses that the chosen stand could take: outputs on the wheels' line, or raised until it clears the ground."""

from collections.abc import Iterator

import numpy as np

from driveline.benches.placement.gaps import Gap, ground_wanted_mm, travel_mm
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.results import PoseOffer
from driveline.benches.placement.sheet import PlacementSheet, Way
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.space.outputs import laid_on_outputs
from driveline.space.pose import Pose, pose_of
from driveline.space.spots import spot_mm


def offers_of(sheet: PlacementSheet, laid: LaidPlacement, gaps: tuple[Gap, ...]) -> Iterator[PoseOffer]:
    """Return the poses on offer; none that the stand has already."""
    stand = laid.chosen
    if stand is None or stand.placed is None:
        return
    pose = pose_of(stand.placed)
    level = _on_the_wheels(sheet, laid, pose)
    if level is not None:
        yield _offer("level", "lay its outputs on the wheels' line", level)
    ground = next((gap for gap in gaps if gap.other is None), None)
    short_mm = 0.0 if ground is None else ground_wanted_mm(sheet) + travel_mm(sheet) - ground.gap_mm
    if short_mm > 0:
        raised = Pose(pose.x_mm, pose.y_mm, pose.z_mm + short_mm, pose.roll_deg, pose.pitch_deg, pose.yaw_deg)
        yield _offer("raise", f"raise it {fig(short_mm, 'mm', 0)} to clear the ground", raised)


def _on_the_wheels(sheet: PlacementSheet, laid: LaidPlacement, pose: Pose) -> Pose | None:
    """Its output line through both outer joints, as far from one wheel as from the other, pitched as it is."""
    stand = laid.chosen
    a, b = (spot_mm(spot, {}) for spot in (sheet.unit.output_a, sheet.unit.output_b))
    left, right = (spot_mm(spot, laid.places) for spot in (sheet.wheels.left, sheet.wheels.right))
    if stand is None or stand.sheet.way in (None, Way.LENGTHWISE):
        return None
    if a is None or b is None or left is None or right is None:
        return None
    if stand.sheet.way is Way.END_FOR_END:  # the left output stands to the right
        left, right = right, left
    try:
        return laid_on_outputs(
            outer_left_mm=left,
            outer_right_mm=right,
            offset_mm=np.zeros(3),
            output_left_mm=a,
            output_right_mm=b,
            along_mm=0.0,
            pitch_deg=pose.pitch_deg,
        )
    except ImpossibleInput:
        return None


def _offer(key: str, title: str, pose: Pose) -> PoseOffer:
    return PoseOffer(
        key=key,
        title=title,
        x_mm=round(pose.x_mm, 1),
        y_mm=round(pose.y_mm, 1),
        z_mm=round(pose.z_mm, 1),
        roll_deg=round(pose.roll_deg, 2),
        pitch_deg=round(pose.pitch_deg, 2),
        yaw_deg=round(pose.yaw_deg, 2),
    )
