"""Shafts in a row with a cross at each bend: the joints' true angles, and what two speeds a turn are left of them."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput

MOST_AT_DRIVEN_END_RAD_S2: Final = 400.0
COMFORTABLE_RAD_S2: Final = 300.0
MOST_IN_MIDDLE_RAD_S2: Final = 1_000.0
LEAST_JOINT_DEG: Final = 0.5  # below it the needles do not roll, and print themselves into the cross
_ALLOWED_DEG: Final = (
    (1_500.0, 11.5),
    (2_000.0, 8.7),
    (2_500.0, 7.0),
    (3_000.0, 5.8),
    (3_500.0, 5.0),
    (4_000.0, 4.2),
    (4_500.0, 3.7),
    (5_000.0, 3.2),
)


def unit_line(line: Floats, field: str) -> Floats:
    """Return a line's direction at length one.

    Raises:
        ImpossibleInput: If it has no length.
    """
    length = float(np.linalg.norm(line))
    if not length > 0:
        raise ImpossibleInput(field, tuple(line), "a direction, not 0 0 0")
    return line / length


def joint_angle_deg(line_a: Floats, line_b: Floats) -> float:
    """Return the angle between two lines, whichever way each points.

    Raises:
        ImpossibleInput: If a line has no length.

    Source:
        atan2(|a x b|, |a . b|), exact where an arc cosine of nearly 1 is not.
    """
    a, b = unit_line(line_a, "line_a"), unit_line(line_b, "line_b")
    return math.degrees(math.atan2(float(np.linalg.norm(np.cross(a, b))), abs(float(a @ b))))


@dataclass(frozen=True, slots=True)
class JointLine:
    """Joints of a chain of shafts, from the driving end.

    ``angles_deg`` is each joint's; ``planes_deg`` how far its plane stands turned, right-handed about the shafts one
    after another, from the first joint's. Both (n,).
    """

    angles_deg: Floats
    planes_deg: Floats


def joint_line(lines: Sequence[Floats]) -> JointLine:
    """Return the angle and the plane of each joint of a chain.

    Args:
        lines: The driving shaft, each shaft between, the driven one: n + 1 directions for n joints, all the same way
            along the line, of any length.

    Raises:
        ImpossibleInput: If there are fewer than two lines, one has no length, or a joint bends 90° or more.
    """
    if len(lines) < 2:
        raise ImpossibleInput("lines", len(lines), "two or more")
    units = [unit_line(np.asarray(line, dtype=float), "lines") for line in lines]
    normals, angles, planes = list[Floats](), list[float](), list[float]()
    for k, (a, b) in enumerate(zip(units, units[1:], strict=False)):
        normal = np.cross(a, b)
        if float(a @ b) <= 0:
            raise ImpossibleInput("lines", k + 1, "less than 90° from the next")
        if not np.linalg.norm(normal) > 0:  # a straight joint has no plane of its own: the one before it goes on
            normal = normals[-1] if normals else np.cross(a, np.eye(3)[int(np.argmin(np.abs(a)))])
        normals.append(normal)
        angles.append(joint_angle_deg(a, b))
        if k == 0:
            planes.append(0.0)
            continue
        before = normals[k - 1]
        turned = math.atan2(float(a @ np.cross(before, normal)), float(before @ normal))
        planes.append(planes[-1] + math.degrees(turned))
    return JointLine(np.array(angles), np.array(planes))


def _terms(angles_deg: Floats, planes_deg: Floats, phasing_deg: Floats) -> list[complex]:
    """Return each joint's share (rad²): crosses alternate when the inner ears stand in line; twisted yokes go along."""
    behind = np.concatenate(([0.0], np.cumsum(phasing_deg)))
    sign = (-1.0) ** np.arange(len(angles_deg))
    turned = np.exp(2j * np.radians(planes_deg - behind))
    return list(map(complex, sign * np.radians(angles_deg) ** 2 * turned))


def residual_deg(angles_deg: Floats, planes_deg: Floats, phasing_deg: Floats) -> float:
    """Return the one joint's angle that would shake the driven end as the whole chain does.

    Args:
        angles_deg: Of each joint, (n,).
        planes_deg: Of each joint, (n,).
        phasing_deg: Of each shaft between, (n - 1,): 0 with its inner ears in line, right-handed along the chain.

    Raises:
        ImpossibleInput: If the numbers of joints and shafts do not match.

    Source:
        β² = | Σ ± β_k² exp(2i ψ_k) |, second order in the angles (VDI 2722).
    """
    if not len(angles_deg) == len(planes_deg) == len(phasing_deg) + 1:
        raise ImpossibleInput("phasing_deg", len(phasing_deg), "one for each shaft between two joints")
    return math.degrees(math.sqrt(abs(sum(_terms(angles_deg, planes_deg, phasing_deg)))))


def excitation_rad_s2(angle_deg: float, rpm: float) -> float:
    """Return the most that a joint, or a residual, speeds up what it drives.

    Source:
        ω² β², the second order of a cross at a small angle (VDI 2722).
    """
    return float((rpm * math.pi / 30 * math.radians(angle_deg)) ** 2)


def best_twist_deg(line: JointLine, phasing_deg: Floats, shaft: int) -> float:
    """Return how far to twist a shaft's yokes, right-handed along the chain, for the least residual.

    Within ± 90°, since half a turn of a yoke is no turn. Counted from inner ears in line, whatever they stand at now;
    all other shafts stay as they are. As they are, too, where a side of the shaft has no unevenness to cancel.

    Source:
        The terms of the joints behind the shaft turned to point against those before it.
    """
    terms = _terms(line.angles_deg, line.planes_deg, phasing_deg)
    before, behind = sum(terms[: shaft + 1]), sum(terms[shaft + 1 :])
    if not abs(before) or not abs(behind):
        return float(phasing_deg[shaft])
    half_deg = math.degrees(float(np.angle(behind) - np.angle(before)) - math.pi) / 2
    return float((phasing_deg[shaft] + half_deg + 90) % 180 - 90)


def allowed_joint_deg(rpm: float) -> float:
    """Return the customary most of each joint of a pair that cancels, by straight line between the table's rows.

    Below its first row and above its last, ω² β² of that row is kept.

    Source:
        Customary table of joint manufacturers' practice, which rounds ω² β² = 1000 rad/s².
    """
    speeds, angles = zip(*_ALLOWED_DEG, strict=True)
    if rpm <= 0:
        return math.inf
    within = min(max(rpm, speeds[0]), speeds[-1])
    allowed = float(np.interp(within, speeds, angles))
    return allowed * float(within) / rpm


def allowed_joint_rpm(angle_deg: float) -> float:
    """Return the speed at which a cross bent so far is bent as far as is customary.

    Source:
        ``allowed_joint_deg`` read the other way; by straight line between the table's rows.
    """
    speeds, angles = zip(*_ALLOWED_DEG, strict=True)
    if angle_deg <= 0:
        return math.inf
    within = min(max(angle_deg, angles[-1]), angles[0])
    allowed = float(np.interp(within, angles[::-1], speeds[::-1]))
    return allowed * float(within) / angle_deg


def cv_couple_nm(torque_nm: float, angle_deg: float) -> float:
    """Return the couple with which a constant-velocity joint tries to straighten itself.

    Source:
        T tan(β/2): the couple lies in the plane that halves the joint's angle.
    """
    return torque_nm * math.tan(math.radians(angle_deg) / 2)


def cross_couples_nm(torque_nm: float, angle_deg: float) -> tuple[float, float]:
    """Return a cross's couples, twice a turn: on the driving shaft's bearings, and across the driven shaft.

    Source:
        T tan β and T sin β: equilibrium of the cross with its plane square to one shaft, then to the other.
    """
    angle = math.radians(angle_deg)
    return torque_nm * math.tan(angle), torque_nm * math.sin(angle)
