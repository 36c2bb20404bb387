"""What a line of propshafts lets the gearing count on: where it whirls, where it shakes, what torque it bears."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from driveline.benches.axles.bars import guide_mpa, tube_critical_rpm, tube_inside_mm
from driveline.benches.axles.ends import STILL
from driveline.benches.axles.line_missing import angles_missing, joints_missing, standing_missing, travel_missing
from driveline.benches.axles.measured import joints_mm
from driveline.benches.axles.posing import UNWOUND, standing_of, swept_of
from driveline.benches.axles.sheet import AxlesSheet, JointKind, PropLine, Tube, Which
from driveline.benches.axles.tube_checks import two_piece_share
from driveline.cardan.lines import allowed_joint_rpm
from driveline.errors import ImpossibleInput
from driveline.memory import kept
from driveline.shafts.bars import bar_shear_mpa
from driveline.sheet import positive_of
from driveline.space.spots import Points


@dataclass(frozen=True, slots=True, kw_only=True)
class LineLimits:
    """The least that any shaft or joint of an axle's line bears; ``None`` while something of it is not known."""

    critical_rpm: float | None
    angle_rpm: float | None  # at which a cross is bent as far as is customary; infinite where there is none
    torque_nm: float | None


def line_limits(sheet: AxlesSheet, points: Points) -> dict[Which | None, LineLimits]:
    """Return what each axle's line bears.

    The unit's moves on its mounts come later in the work and are left out: the bench's own checks count them.
    """
    found: dict[Which | None, LineLimits] = {}
    for line in sheet.lines:
        own = _of_line(line, points)
        found[line.which] = _stricter(found[line.which], own) if line.which in found else own
    return found


@kept(20)
def _of_line(line: PropLine, points: Points) -> LineLimits:
    return LineLimits(
        critical_rpm=_critical_rpm(line, points), angle_rpm=_angle_rpm(line, points), torque_nm=_torque_nm(line)
    )


def _stricter(one: LineLimits, other: LineLimits) -> LineLimits:
    return LineLimits(
        critical_rpm=_least((one.critical_rpm, other.critical_rpm)),
        angle_rpm=_least((one.angle_rpm, other.angle_rpm)),
        torque_nm=_least((one.torque_nm, other.torque_nm)),
    )


def _least(values: Iterable[float | None]) -> float | None:
    """The least of several, not known while one of them is not."""
    found = list(values)
    known = [one for one in found if one is not None]
    return min(known) if known and len(known) == len(found) else None


def _critical_rpm(line: PropLine, points: Points) -> float | None:
    joints = joints_mm(line, points)
    if joints is None or joints_missing(line, points) or travel_missing(line):
        return None
    try:
        lengths = swept_of(line, joints, STILL, UNWOUND).lengths_mm.max(axis=0)
    except ImpossibleInput:
        return None
    critical = _least(tube_critical_rpm(tube, float(one)) for tube, one in zip(line.tubes, lengths, strict=True))
    return None if critical is None else critical * two_piece_share(line)


def _angle_rpm(line: PropLine, points: Points) -> float | None:
    joints = joints_mm(line, points)
    if joints is None or joints_missing(line, points) or angles_missing(line) or standing_missing(line):
        return None
    try:
        standing = standing_of(line, joints)
    except ImpossibleInput:
        return None
    crosses = [j for j, joint in enumerate(line.joints) if joint.kind is JointKind.CROSS]
    return min(
        (allowed_joint_rpm(float(posed.chain.angles_deg[j])) for posed in standing for j in crosses), default=math.inf
    )


def _torque_nm(line: PropLine) -> float | None:
    return _least([*(positive_of(joint.rating) for joint in line.joints), *(_tube_nm(tube) for tube in line.tubes)])


def _tube_nm(tube: Tube) -> float | None:
    outside, inside, guide = positive_of(tube.outside), tube_inside_mm(tube), guide_mpa(tube)
    if outside is None or inside is None or guide is None:
        return None
    return guide / bar_shear_mpa(1.0, outside_mm=outside, inside_mm=inside)
