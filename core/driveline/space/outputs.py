"""Outputs first: the wheels fix the output line, and the output line the unit; what a pose makes of the joints."""

import math
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.space.pose import Placed, Pose, rotation


@dataclass(frozen=True, kw_only=True)
class JointAt:
    """An inner joint's place, and its line to the outer one."""

    output_mm: Floats  # (3,)
    distance_mm: float
    angle_deg: float
    outward: Floats  # along the output line, of length one
    toward: Floats  # along the shaft, of length one


def joint_at(*, output_mm: Floats, other_output_mm: Floats, outer_mm: Floats) -> JointAt:
    """Return the angle of an inner joint: between the output line, outward, and the line to the outer joint.

    Args:
        output_mm: Its centre, (3,).
        other_output_mm: Of the other side's inner joint, (3,).
        outer_mm: The outer joint's centre, (3,).

    Raises:
        ImpossibleInput: If two of the centres are one point.

    Source:
        β = atan2(|a×b|, |a·b|). Worked example four-orientations.
    """
    outward, shaft = output_mm - other_output_mm, outer_mm - output_mm
    distance_mm = float(np.linalg.norm(shaft))
    if distance_mm == 0 or not outward.any():
        raise ImpossibleInput("joint centres", fig(distance_mm, "mm"), "apart from one another")
    angle = math.atan2(float(np.linalg.norm(crossed(outward, shaft))), float(outward @ shaft))
    return JointAt(
        output_mm=output_mm,
        distance_mm=distance_mm,
        angle_deg=math.degrees(angle),
        outward=outward / np.linalg.norm(outward),
        toward=shaft / distance_mm,
    )


@dataclass(frozen=True, kw_only=True)
class BothJoints:
    """Left and right of a pose."""

    left: JointAt
    right: JointAt
    a_is_left: bool  # the unit's first output

    @property
    def worse_side(self) -> str:
        """The side of the greater angle."""
        return "left" if self.left.angle_deg >= self.right.angle_deg else "right"

    @property
    def worst_deg(self) -> float:
        """The greater angle."""
        return max(self.left.angle_deg, self.right.angle_deg)


def both_joints(
    *, output_a_mm: Floats, output_b_mm: Floats, outer_left_mm: Floats, outer_right_mm: Floats
) -> BothJoints:
    """Return both joints; left is the output with the greater y.

    Args:
        output_a_mm: As it stands in the vehicle, (3,).
        output_b_mm: The same, (3,).
        outer_left_mm: (3,).
        outer_right_mm: (3,).

    Source:
        ISO 8855, y to the left. Worked example four-orientations.
    """
    a_is_left = bool(output_a_mm[1] >= output_b_mm[1])
    left, right = (output_a_mm, output_b_mm) if a_is_left else (output_b_mm, output_a_mm)
    return BothJoints(
        left=joint_at(output_mm=left, other_output_mm=right, outer_mm=outer_left_mm),
        right=joint_at(output_mm=right, other_output_mm=left, outer_mm=outer_right_mm),
        a_is_left=a_is_left,
    )


def turns_normally(*, turn: Floats, forward_axis: Floats) -> bool:
    """Say whether the motor's normal sense drives forward.

    Args:
        turn: Of the unit, (3, 3).
        forward_axis: In the unit's axes, about which its outputs turn when the motor turns its normal way, (3,).

    Source:
        Rolling forward is turning about +y. Worked example four-orientations.
    """
    return float((turn @ forward_axis)[1]) > 0


def laid_on_outputs(
    *,
    outer_left_mm: Floats,
    outer_right_mm: Floats,
    offset_mm: Floats,
    output_left_mm: Floats,
    output_right_mm: Floats,
    along_mm: float,
    pitch_deg: float,
) -> Pose:
    """Return the pose that lays a unit's output line parallel to the line of the wheels' joints.

    Args:
        outer_left_mm: At ride height, (3,).
        outer_right_mm: The same, (3,).
        offset_mm: Of the output line from the wheels' line, vehicle axes, (3,).
        output_left_mm: In the unit's axes, (3,).
        output_right_mm: The same, (3,).
        along_mm: Of the outputs' middle from the wheels', toward the left.
        pitch_deg: Chosen, for the oil's level.

    Raises:
        ImpossibleInput: If the wheels' line can't be that of a unit pitched so.

    Source:
        sin(roll) = v_z/cos(pitch); yaw = atan2(v_y, v_x) - atan2(cos roll, sin pitch sin roll). Worked example
        outputs-first-pose.
    """
    across = outer_left_mm - outer_right_mm
    length = float(np.linalg.norm(across))
    if length == 0:
        raise ImpossibleInput("outer joint centres", length, "apart from one another")
    v, pitch = across / length, math.radians(pitch_deg)
    if abs(v[2]) >= abs(math.cos(pitch)):
        raise ImpossibleInput("pitch", pitch_deg, "less: no roll lays the output line along the wheels'")
    roll = math.asin(v[2] / math.cos(pitch))
    yaw = math.atan2(v[1], v[0]) - math.atan2(math.cos(roll), math.sin(pitch) * math.sin(roll))
    yaw = math.remainder(yaw, 2 * math.pi)
    roll_deg, yaw_deg = math.degrees(roll), math.degrees(yaw)
    turn = rotation(roll_deg=roll_deg, pitch_deg=pitch_deg, yaw_deg=yaw_deg)
    middle = (outer_left_mm + outer_right_mm) / 2 + offset_mm + along_mm * v
    x, y, z = (middle - turn @ ((output_left_mm + output_right_mm) / 2)).tolist()
    return Pose(x, y, z, roll_deg, pitch_deg, yaw_deg)


def lowest_mm(placed: Placed, outline_mm: Floats) -> float:
    """Return the height of the lowest point of an outline.

    Args:
        placed: Of the unit.
        outline_mm: Points of it, in its own axes, (n, 3).

    Source:
        Least z over its corners.
    """
    return float(placed.points(outline_mm)[:, 2].min())
