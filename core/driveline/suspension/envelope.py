"""What a plunging joint takes up: less plunge the more it is bent, and the length of shaft that leaves most room."""

from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True)
class Envelope:
    """A joint's plunge either way at angles from running straight to its greatest, as its maker states it."""

    points_deg_mm: tuple[tuple[float, float], ...]

    def __post_init__(self) -> None:
        angles = [angle for angle, _ in self.points_deg_mm]
        if len(angles) < 2 or angles[0] != 0 or any(high <= low for low, high in zip(angles, angles[1:], strict=False)):
            raise ImpossibleInput("angle", tuple(angles), "rising from 0, the greatest above 0")

    @property
    def angle_deg(self) -> float:
        """Its greatest angle."""
        return self.points_deg_mm[-1][0]

    @property
    def plunge_mm(self) -> float:
        """Running straight."""
        return self.points_deg_mm[0][1]

    @property
    def bent_mm(self) -> float:
        """At its greatest angle."""
        return self.points_deg_mm[-1][1]

    def plunge_at(self, angle_deg: Floats) -> Floats:
        """Return the plunge either way that is left at angles, of any shape; past the greatest as much as there.

        Past the greatest nobody states any: ``is_past`` tells where.

        Source:
            A straight line between the maker's points; joints that lose plunge later have more than it says.
        """
        angles, plunges = np.array(self.points_deg_mm).T
        found: Floats = np.interp(angle_deg, angles, plunges)
        return found

    def is_past(self, angle_deg: Floats) -> bool:
        """Say whether any angle is past the last that the maker states."""
        return bool(np.any(np.asarray(angle_deg) > self.angle_deg))


@dataclass(frozen=True, slots=True, kw_only=True)
class BarWindow:
    """The lengths of shaft, centre to centre at mid plunge, that fit every place; not open where the least is above."""

    least_mm: float
    greatest_mm: float
    least_at: int  # the place that sets each, by its row
    greatest_at: int

    @property
    def width_mm(self) -> float:
        """How much of it there is; below nought no length fits."""
        return self.greatest_mm - self.least_mm

    @property
    def middle_mm(self) -> float:
        """The length that leaves most room over all places."""
        return (self.least_mm + self.greatest_mm) / 2


def bar_window(lengths_mm: Floats, allowed_mm: Floats) -> BarWindow:
    """Return the lengths of shaft that fit every place.

    Args:
        lengths_mm: Between the joints' centres at each place, of any shape.
        allowed_mm: Plunge either way that the joint has there, of the same shape.

    Source:
        L fits where l − a ≤ L ≤ l + a; over all places together. Worked example plunge-window-product.
    """
    short, long = (lengths_mm - allowed_mm).ravel(), (lengths_mm + allowed_mm).ravel()
    least_at, greatest_at = int(short.argmax()), int(long.argmin())
    return BarWindow(
        least_mm=float(short[least_at]),
        greatest_mm=float(long[greatest_at]),
        least_at=least_at,
        greatest_at=greatest_at,
    )


def best_length_mm(lengths_mm: Floats, allowed_mm: Floats) -> float:
    """Return the length, joint centre to joint centre at mid plunge, that leaves most room over all places.

    Args:
        lengths_mm: Between the centres at each place, (n,).
        allowed_mm: Plunge either way that the joint has there, (n,).

    Source:
        Room is the least of L - max(l - a) and min(l + a) - L; it is greatest where the two are alike.
    """
    return bar_window(lengths_mm, allowed_mm).middle_mm


def room_mm(lengths_mm: Floats, allowed_mm: Floats, *, length_mm: float) -> float:
    """Return the least room over all places with a shaft of some length at mid plunge.

    Source:
        Plunge allowed there less the plunge taken, a - |l - L|.
    """
    return float((allowed_mm - np.abs(lengths_mm - length_mm)).min())
