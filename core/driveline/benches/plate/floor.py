"""What is left under the head of a screw that is sunk into the plate."""

import math
from typing import Final

from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.workings import floor_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.screws import Place, worked_joint
from driveline.margins import Judge, missing_of, wanted_words

FLOOR_PER_DIAMETER: Final = 0.5
SHEAR_SHARE: Final = 0.4  # of yield, in shear


def sunk_of(inputs: PlateInputs) -> float | None:
    """Return how deep the motor's screw heads are sunk, 0 where they are not; ``None`` while it is not known, mm."""
    depth_mm = inputs.face.counterbore_depth_mm
    is_sunk = inputs.face.counterbore_mm is not None
    return depth_mm if is_sunk or depth_mm is not None else 0.0


def floor_checks(inputs: PlateInputs, place: Place, judge: Judge) -> tuple[Check, ...]:
    """Return whether the floor under sunk heads is thick enough; nothing where no head is sunk."""
    face = inputs.face
    if face.counterbore_mm is None and face.counterbore_depth_mm is None:
        return ()
    worked = worked_joint(inputs.motor_joint, place)
    greatest = worked.greatest_n if worked else None
    sheared = None
    if worked and greatest is not None and place.material is not None:
        sheared = greatest / (math.pi * worked.head_mm * SHEAR_SHARE * place.material.yield_mpa)
    wanted_mm = max(FLOOR_PER_DIAMETER * worked.size.diameter_mm, sheared or 0.0) if worked else None
    missing = missing_of(
        {
            "Depth of the counterbore": face.counterbore_depth_mm,
            "Diameter of the counterbore": face.counterbore_mm,
            "Thickness of the plate": inputs.plate.thickness_mm,
            "Thread of the motor screws": worked,
            "Tightening and condition of the screws": greatest,
            "What the plate is made of": place.material,
        }
    )
    floor_mm = place.grip_mm
    says = wanted_words(missing)
    if floor_mm is not None and wanted_mm is not None:
        found = f"{fig(floor_mm, 'mm', 1)} of plate under the head; {num(wanted_mm, 'mm', 1)} wanted"
        says = f"{found}, at least. {says}" if missing else found
        if floor_mm <= 0:
            says = "the counterbore goes through the plate: the head has nothing to bear on"
    return (
        judge.check(
            "clearance",
            key="plate.counterbore_floor",
            title="Floor under the sunk heads",
            # A counterbore that goes right through fails whatever the screw.
            demand=wanted_mm if wanted_mm is not None or floor_mm is None or floor_mm > 0 else 0.0,
            capacity=floor_mm if floor_mm is None or floor_mm > 0 else -1.0,
            unit="mm",
            says=says,
            missing=missing,
            inputs=("plate.face.counterbore_depth", "plate.plate.thickness", "plate.motor_joint"),
            working=lambda: floor_working(
                worked,
                place,
                depth_mm=face.counterbore_depth_mm,
                greatest_n=greatest,
                sheared_mm=sheared,
                wanted_mm=wanted_mm,
            ),
        ),
    )
