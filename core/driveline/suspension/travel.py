"""A shaft of two constant-velocity joints over all that its wheel does: length and angles at every height and lock."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.lines import unit_line
from driveline.errors import ImpossibleInput
from driveline.space.pose import turns_about
from driveline.suspension.arcs import Arc

INNER_TRIPOD_DEG: Final = 22.0
INNER_TRIPOD_MM: Final = 20.0
INNER_BALL_DEG: Final = 18.0
INNER_BALL_MM: Final = 25.0
OUTER_FIXED_DEG: Final = 45.0
RUNNING_WANTED_DEG: Final = 8.0
RUNNING_MOST_DEG: Final = 12.0


@dataclass(frozen=True, slots=True)
class Corner:
    """One wheel and the unit's output that drives it, in the vehicle's axes (x forward, y left, z up).

    ``ride_mm`` is the height at which the outer joint's centre stands at ride. ``spindle`` is the outer joint's own
    line at ride, straight ahead. ``turns_with_arm`` says that the carrier turns as its arm does, as on a trailing arm.
    ``kingpin`` is the steering axis, ``off_kingpin_mm`` the joint's centre from a point of it, at ride.
    """

    inner_mm: Floats
    output: Floats
    arc: Arc
    near_mm: Floats
    ride_mm: float
    spindle: Floats
    turns_with_arm: bool = False
    kingpin: Floats | None = None
    off_kingpin_mm: Floats | None = None


@dataclass(frozen=True, slots=True)
class Scan:
    """What a shaft does at each height, lock and move of the unit: all (heights, locks, moves)."""

    heights_mm: Floats
    locks_deg: Floats
    moves_mm: Floats
    length_mm: Floats
    inner_deg: Floats
    outer_deg: Floats


def _angle_deg(along: Floats, lengths: Floats) -> Floats:
    """The angle of lines of those lengths to a direction that they go so far along, whichever way it points."""
    angles: Floats = np.degrees(np.arccos(np.minimum(np.abs(along) / lengths, 1.0)))
    return angles


def _arm_turns(corner: Corner, outers_mm: Floats, ride_mm: Floats) -> Floats:
    """Return how the carrier stands turned at each height, (heights, 3, 3)."""
    if not corner.turns_with_arm or corner.arc.radius_mm is None:
        return np.broadcast_to(np.eye(3), (len(outers_mm), 3, 3))
    axis, start = corner.arc.axis, ride_mm - corner.arc.centre_mm
    arms = outers_mm - corner.arc.centre_mm
    turned = np.arctan2(np.cross(start, arms) @ axis, arms @ start)
    return turns_about(axis, turned)


def _carried(corner: Corner, heights_mm: Floats) -> tuple[Floats, Floats]:
    """The carrier's turn, (heights, 3, 3), and the outer joint's centre, (heights, 3), steering straight ahead."""
    ride = corner.arc.at_height_mm(np.array([corner.ride_mm]), corner.near_mm)[0]
    outers = corner.arc.at_height_mm(corner.ride_mm + heights_mm, corner.near_mm)
    return _arm_turns(corner, outers, ride), outers


def _steers(kingpin: Floats, locks_deg: Floats) -> Floats:
    return turns_about(unit_line(kingpin, "kingpin"), np.radians(locks_deg))


def _steered_mm(corner: Corner, arms: Floats, outers_mm: Floats, locks_deg: Floats) -> Floats:
    ends = np.repeat(outers_mm[:, None], len(locks_deg), axis=1)
    if corner.kingpin is None or corner.off_kingpin_mm is None:
        return ends
    off = corner.off_kingpin_mm
    moved: Floats = ends + np.einsum("hij,sj->hsi", arms, _steers(corner.kingpin, locks_deg) @ off - off)
    return moved


def outers_mm(corner: Corner, heights_mm: Floats, locks_deg: Floats) -> Floats:
    """Return the outer joint's centre at every height and lock, (heights, locks, 3).

    Raises:
        ImpossibleInput: If the arc does not reach a height.

    Source:
        As ``scan_travel``.
    """
    arms, outers = _carried(corner, heights_mm)
    return _steered_mm(corner, arms, outers, locks_deg)


def scan_travel(
    corner: Corner, heights_mm: Floats, locks_deg: Floats, moves_mm: Floats, turns: Floats | None = None
) -> Scan:
    """Return length and angles at every height, lock and move together.

    Args:
        corner: The wheel and the output that drives it.
        heights_mm: Of the wheel from ride, up in bump, (h,).
        locks_deg: Nose left is plus, (s,); (0,) for a wheel that is not steered.
        moves_mm: Of the inner joint, as the unit moves on its mounts, (m, 3).
        turns: Of the output's line with it, (m, 3, 3); it keeps its line where none is given.

    Raises:
        ImpossibleInput: If a direction has no length, the arc does not reach a height, a wheel without a king pin is
            steered, or the two joints' centres meet.

    Source:
        Distances and angles between points and directions in space; a steered carrier turns about its king pin, then
        with its arm.
    """
    if corner.kingpin is None and np.any(locks_deg != 0):
        raise ImpossibleInput("kingpin", None, "given for a wheel that is steered")
    output, spindle = unit_line(corner.output, "output"), unit_line(corner.spindle, "spindle")
    arms, outers = _carried(corner, heights_mm)
    spindles = np.repeat((arms @ spindle)[:, None], len(locks_deg), axis=1)
    if corner.kingpin is not None:
        spindles = np.einsum("hij,sjk,k->hsi", arms, _steers(corner.kingpin, locks_deg), spindle)
    ends = _steered_mm(corner, arms, outers, locks_deg)
    outputs = np.broadcast_to(output if turns is None else turns @ output, (len(moves_mm), 3))
    x, y, z = (ends[:, :, k, None] - (corner.inner_mm[k] + moves_mm[:, k]) for k in range(3))
    lengths = np.sqrt(x * x + y * y + z * z)
    if not lengths.min() > 0:
        raise ImpossibleInput("inner_mm", tuple(corner.inner_mm), "away from the outer joint's centre")
    inner = _angle_deg(x * outputs[:, 0] + y * outputs[:, 1] + z * outputs[:, 2], lengths)
    along = (one * spindles[:, :, k, None] for k, one in enumerate((x, y, z)))
    return Scan(heights_mm, locks_deg, moves_mm, lengths, inner, _angle_deg(sum(along), lengths))


def lines_at(
    corner: Corner, *, height_mm: float, lock_deg: float, move_mm: Floats, turn: Floats
) -> tuple[Floats, Floats, Floats]:
    """Return which way shaft, output and spindle point in one state, each of a length of one, all along the shaft.

    Args:
        corner: The wheel and the output that drives it.
        height_mm: Of the wheel from ride.
        lock_deg: Of the wheel, nose left is plus.
        move_mm: Of the inner joint, (3,).
        turn: Of the output's line, (3, 3).

    Source:
        As ``scan_travel``.
    """
    heights, locks = np.array([height_mm]), np.array([lock_deg])
    arms, outers = _carried(corner, heights)
    shaft = _steered_mm(corner, arms, outers, locks)[0, 0] - corner.inner_mm - move_mm
    shaft = shaft / float(np.linalg.norm(shaft))
    spindle = arms[0] @ unit_line(corner.spindle, "spindle")
    if corner.kingpin is not None:
        spindle = arms[0] @ (_steers(corner.kingpin, locks)[0] @ unit_line(corner.spindle, "spindle"))
    output = turn @ unit_line(corner.output, "output")
    return shaft, *(line if line @ shaft >= 0 else -line for line in (output, spindle))
