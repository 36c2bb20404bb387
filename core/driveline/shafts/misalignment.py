"""What a coupler has to forgive: how far two shafts are apart, at what angle, both together, and at speed."""

import math
from dataclasses import dataclass
from itertools import pairwise
from typing import Final

from driveline.errors import ImpossibleInput

LEFT_AT_TOP: Final = 0.5  # of what a coupler forgives standing still, where its maker says nothing
Points = tuple[tuple[float, float], ...]  # rpm, and the share of the allowances that is left; speeds rising


@dataclass(frozen=True, slots=True, kw_only=True)
class Budget:
    """Everything that puts two shafts off one line, against what their coupler forgives standing still.

    Source:
        A coupler that is used up by half in offset has half of its angle left: parallel/allowed + angle/allowed ≤ 1.
        Worked examples misalignment-budget-rigid and misalignment-budget-with-speed.
    """

    plays_mm: tuple[float, ...]  # greatest diametral play of each register, dowel and bearing
    concentricity_mm: float
    centre_u_mm: float
    runout_mm: float = 0.0  # total indicated, of the hub on its shaft
    drop_mm: float = 0.0  # by which what carries the motor sinks
    lean_deg: float = 0.0  # of the motor: an angle, and an offset as far as the coupler stands from its face
    reach_mm: float = 0.0  # from that face to the coupler's middle
    angle_deg: float = 0.0  # of the faces to one another
    face_runout_deg: float = 0.0  # of the hub's face
    allowed_parallel_mm: float
    allowed_angle_deg: float

    def __post_init__(self) -> None:
        if not (self.allowed_parallel_mm > 0 and self.allowed_angle_deg > 0):
            allowed = (self.allowed_parallel_mm, self.allowed_angle_deg)
            raise ImpossibleInput("allowed", allowed, "above 0 both ways")

    @property
    def play_mm(self) -> float:
        """Half of every play: how far they let the axes part."""
        return sum(self.plays_mm) / 2

    @property
    def leans_mm(self) -> float:
        """How far a motor that leans is off at the coupler."""
        return math.tan(math.radians(self.lean_deg)) * self.reach_mm

    @property
    def parallel_mm(self) -> float:
        """How far the axes may be apart."""
        own = self.play_mm + self.concentricity_mm + self.centre_u_mm + self.runout_mm / 2
        return own + self.drop_mm + self.leans_mm

    @property
    def whole_angle_deg(self) -> float:
        """At what angle they may stand."""
        return self.angle_deg + self.face_runout_deg + self.lean_deg

    @property
    def used(self) -> float:
        """Part of the coupler's forgiveness that is used up standing still; above 1 is too much."""
        return self.parallel_mm / self.allowed_parallel_mm + self.whole_angle_deg / self.allowed_angle_deg

    @property
    def parallel_left_mm(self) -> float:
        """Offset that the coupler still forgives at this angle; never below 0."""
        return max(self.allowed_parallel_mm * (1 - self.whole_angle_deg / self.allowed_angle_deg), 0.0)

    def used_at(self, share: float) -> float:
        """Return the part that is used up where only a share of both allowances is left, above 0."""
        return self.used / share


def usual_fall(top_rpm: float) -> Points:
    """Return how a coupler's allowances fall with speed, where its maker says nothing: by a straight line to half.

    Args:
        top_rpm: The greatest speed that it sees, above 0.

    Source:
        Less near top speed, ENGINEERING sections 7 and 23.
    """
    return ((0.0, 1.0), (top_rpm, LEFT_AT_TOP))


def share_left(falls: Points, rpm: float) -> float | None:
    """Return the share of a coupler's allowances that is left at a speed; ``None`` past what its maker states.

    Args:
        falls: Speeds with their shares, speeds rising; the first one's share holds below it.
        rpm: 0 or more.

    Source:
        By straight line between the maker's points.
    """
    if not falls or rpm > falls[-1][0]:
        return None
    for (low_rpm, low), (high_rpm, high) in pairwise(falls):
        if low_rpm <= rpm <= high_rpm:
            return low + (high - low) * (rpm - low_rpm) / (high_rpm - low_rpm)
    return falls[0][1]


def holds_up_to_rpm(falls: Points, used: float) -> float:
    """Return the speed up to which what is used up standing still is forgiven; 0 where it never is.

    Args:
        falls: As for ``share_left``.
        used: Of the allowances standing still.

    Source:
        Where the share that is left comes down to what is used, on the straight lines.
    """
    if not falls or used > falls[0][1]:
        return 0.0
    for (low_rpm, low), (high_rpm, high) in pairwise(falls):
        if high < used <= low:
            return low_rpm + (high_rpm - low_rpm) * (low - used) / (low - high)
    return falls[-1][0]


def runout_angle_deg(*, total_mm: float, sweep_mm: float) -> float:
    """Return at what angle a face stands that runs out so far, or two faces that are so far out of parallel.

    Args:
        total_mm: Total indicated reading, or the difference of two thicknesses, 0 or more.
        sweep_mm: Diameter that was swept, or what they are apart, above 0.

    Source:
        Angle = TIR_face / sweep diameter, ENGINEERING section 16.
    """
    return math.degrees(math.atan2(total_mm, sweep_mm))
