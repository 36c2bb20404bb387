"""What a plunging joint takes up: less plunge the more it is bent, and the length of shaft that leaves most room."""

from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True, kw_only=True)
class Envelope:
    """A joint's greatest angle, and its plunge either way running straight and at that angle."""

    angle_deg: float
    plunge_mm: float
    bent_mm: float

    def plunge_at(self, angle_deg: Floats) -> Floats:
        """Return the plunge either way that is left at angles, of any shape; past the greatest as much as there.

        Source:
            A straight line between the maker's two points; joints that lose plunge later have more than it says.
        """
        if not self.angle_deg > 0:
            raise ImpossibleInput("angle", self.angle_deg, "above 0")
        return self.plunge_mm + (self.bent_mm - self.plunge_mm) * np.minimum(angle_deg / self.angle_deg, 1.0)


def best_length_mm(lengths_mm: Floats, allowed_mm: Floats) -> float:
    """Return the length, joint centre to joint centre at mid plunge, that leaves most room over all places.

    Args:
        lengths_mm: Between the centres at each place, (n,).
        allowed_mm: Plunge either way that the joint has there, (n,).

    Source:
        Room is the least of L - max(l - a) and min(l + a) - L; it is greatest where the two are alike.
    """
    return float((lengths_mm - allowed_mm).max() + (lengths_mm + allowed_mm).min()) / 2


def room_mm(lengths_mm: Floats, allowed_mm: Floats, *, length_mm: float) -> float:
    """Return the least room over all places with a shaft of some length at mid plunge.

    Source:
        Plunge allowed there less the plunge taken, a - |l - L|.
    """
    return float((allowed_mm - np.abs(lengths_mm - length_mm)).min())
