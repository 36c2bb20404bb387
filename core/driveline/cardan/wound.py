"""A live axle that winds up about its own centre: its pinion's joint rises and comes back as its line tips."""

from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.space.pose import turn_about

ACROSS = np.array([0.0, 1.0, 0.0])


def _turn(line: Floats, nose_up_deg: float) -> Floats:
    """The turn of an axle that lifts its nose: its line points from the nose to the axle."""
    ahead = 1.0 if line[0] >= 0 else -1.0
    return turn_about(ACROSS, ahead * float(np.radians(nose_up_deg)))


def nose_up(line: Floats, by_deg: float) -> Floats:
    """Return a pinion's line, pointing at its axle, with its nose turned up: toward the box it rises more.

    Args:
        line: (3,).
        by_deg: Below nought: down.

    Source:
        A turn about the lateral axis.
    """
    turned: Floats = _turn(line, by_deg) @ line
    return turned


@dataclass(frozen=True, slots=True, kw_only=True)
class Pinion:
    """A pinion's joint and line, and where its axle's centre stands from it.

    ``line`` points from the joint to the axle. The joint stands ``ahead_mm`` of the axle's centre along that line, and
    ``above_mm`` it square to that, in the side view.
    """

    joint_mm: Floats
    line: Floats
    ahead_mm: float
    above_mm: float

    def wound(self, nose_up_deg: float) -> tuple[Floats, Floats]:
        """Return the joint and the line with the nose turned up: below nought it winds down.

        Args:
            nose_up_deg: About the lateral line through the axle's centre.

        Source:
            Rigid turn of the axle's housing about its own centre; a joint so far ahead rises by d sin w. Worked example
            joint-reach-with-windup.
        """
        turn = _turn(self.line, nose_up_deg)
        up = np.cross(self.line, ACROSS) * (1.0 if self.line[0] >= 0 else -1.0)
        up = up / float(np.linalg.norm(up))
        from_centre = -self.ahead_mm * self.line / float(np.linalg.norm(self.line)) + self.above_mm * up
        joint: Floats = self.joint_mm - from_centre + turn @ from_centre
        turned: Floats = turn @ self.line
        return joint, turned
