"""What is left under the head of a screw that is sunk into the plate."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.benches.plate.hole_made import THREADED
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.workings import floor_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.screws import Place, Worked, worked_joint
from driveline.joints.sheet import Joint
from driveline.margins import Judge, missing_of, wanted_words

FLOOR_PER_DIAMETER: Final = 0.5
SHEAR_SHARE: Final = 0.4  # of yield, in shear


@dataclass(frozen=True, slots=True, kw_only=True)
class Sunk:
    """The deepest counterbore of a pattern."""

    size_mm: float | None
    depth_mm: float | None
    field: str


def sunk_in(inputs: PlateInputs, pattern: str, names: Sequence[str] = ()) -> Sunk | None:
    """Return the deepest counterbore of a pattern, and of its holes named; ``None`` where no head is sunk."""
    rules = [(k, rule) for k, rule in enumerate(inputs.plate.holes) if rule.which in (pattern, *names)]
    found = [
        Sunk(size_mm=rule.counterbore_mm, depth_mm=rule.counterbore_depth_mm, field=f"plate.plate.holes.{k}")
        for k, rule in rules
        if rule.held not in THREADED and (rule.counterbore_mm, rule.counterbore_depth_mm) != (None, None)
    ]
    face, is_own = inputs.face, any(rule.which == pattern and rule.counterbore_mm for _, rule in rules)
    if pattern == "motor" and not is_own and (face.counterbore_mm, face.counterbore_depth_mm) != (None, None):
        deep_mm, field = face.counterbore_depth_mm, "plate.face.counterbore_depth"
        found.append(Sunk(size_mm=face.counterbore_mm, depth_mm=deep_mm, field=field))
    return max(found, key=lambda one: math.inf if one.depth_mm is None else one.depth_mm, default=None)


def sunk_of(inputs: PlateInputs, pattern: str) -> float | None:
    """Return how deep a pattern's heads are sunk, 0 where they are not; ``None`` while it is not known, mm."""
    sunk = sunk_in(inputs, pattern)
    return sunk.depth_mm if sunk else 0.0


def _sheared_mm(worked: Worked | None, place: Place) -> float | None:
    """How thick the floor must be that the head does not shear through it."""
    if worked is None or worked.greatest_n is None or place.material is None:
        return None
    return worked.greatest_n / (math.pi * worked.head_mm * SHEAR_SHARE * place.material.yield_mpa)


def _missing(sunk: Sunk, place: Place, worked: Worked | None, thickness_mm: float | None) -> tuple[str, ...]:
    return missing_of(
        {
            "Depth of the counterbore": sunk.depth_mm,
            "Diameter of the counterbore": sunk.size_mm,
            "Thickness of the plate": thickness_mm,
            f"Thread of {place.whose}": worked,
            "Tightening and condition of the screws": worked.greatest_n if worked else None,
            "What the plate is made of": place.material,
        }
    )


def _floor_words(floor_mm: float | None, wanted_mm: float | None, missing: tuple[str, ...]) -> str:
    if floor_mm is None or wanted_mm is None:
        return wanted_words(missing)
    if floor_mm <= 0:
        return "the counterbore goes through the plate: the head has nothing to bear on"
    found = f"{fig(floor_mm, 'mm', 1)} of plate under the head; {num(wanted_mm, 'mm', 1)} wanted"
    return f"{found}, at least. {wanted_words(missing)}" if missing else found


def floor_checks(
    inputs: PlateInputs,
    place: Place,
    joint: Joint,
    judge: Judge,
    *,
    names: Sequence[str],
    thickness_mm: float | None,
) -> tuple[Check, ...]:
    """Return whether the floor under sunk heads is thick enough; nothing where no head is sunk.

    Args:
        inputs: Of the bench.
        place: Of the screws, named as their pattern.
        joint: Of the same screws.
        judge: Of the bench.
        names: Of all holes of the pattern, those too that are made otherwise.
        thickness_mm: Of what the heads are sunk into.
    """
    sunk = sunk_in(inputs, place.name, names)
    if sunk is None:
        return ()
    worked = worked_joint(joint, place)
    greatest, sheared = worked.greatest_n if worked else None, _sheared_mm(worked, place)
    wanted_mm = max(FLOOR_PER_DIAMETER * worked.size.diameter_mm, sheared or 0.0) if worked else None
    missing = _missing(sunk, place, worked, thickness_mm)
    floor_mm = None if sunk.depth_mm is None or thickness_mm is None else thickness_mm - sunk.depth_mm
    says = _floor_words(floor_mm, wanted_mm, missing)
    is_through = floor_mm is not None and floor_mm <= 0  # it fails whatever the screw
    return (
        judge.check(
            "clearance",
            key="plate.counterbore_floor" if place.name == "motor" else f"plate.{place.name}_counterbore_floor",
            title="Floor under the sunk heads",
            demand=(wanted_mm or 0.0) if is_through else wanted_mm,
            capacity=-1.0 if is_through else floor_mm,
            unit="mm",
            says=says,
            missing=missing,
            inputs=(sunk.field, "plate.plate.thickness", place.fields.joint),
            working=lambda: floor_working(
                worked,
                place,
                depth_mm=sunk.depth_mm,
                field=sunk.field,
                floor_mm=floor_mm,
                greatest_n=greatest,
                sheared_mm=sheared,
                wanted_mm=wanted_mm,
            ),
        ),
    )
