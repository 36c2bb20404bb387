"""Sleeves for screws smaller than their holes, and tubes that are clamped between two ears or plates."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

RUNNING_MM: Final = 0.1  # sleeve in hole, and screw in sleeve, each on diameter
LEAST_WALL_MM: Final = 0.8  # a thinner one is not turned, it is rolled


@dataclass(frozen=True, slots=True, kw_only=True)
class Sleeve:
    """A sleeve's sizes, mm."""

    outside_mm: float
    inside_mm: float

    @property
    def wall_mm(self) -> float:
        """Its wall: (hole − screw)/2 less the running clearance."""
        return (self.outside_mm - self.inside_mm) / 2

    @property
    def can_be_turned(self) -> bool:
        """Whether the wall is thick enough to be turned on a lathe."""
        return self.wall_mm >= LEAST_WALL_MM


def sleeve(*, hole_mm: float, screw_mm: float, running_mm: float = RUNNING_MM) -> Sleeve:
    """Return the sleeve that fills the room between a screw and its hole.

    Args:
        hole_mm: As measured.
        screw_mm: Nominal diameter.
        running_mm: Clearance on diameter, at the hole and at the screw alike.

    Raises:
        ImpossibleInput: If there is no room for a wall.

    Source:
        Hole and screw less a running clearance each; ISO 286 g6 in this range of sizes is about as free.
    """
    found = Sleeve(outside_mm=hole_mm - running_mm, inside_mm=screw_mm + running_mm)
    if not found.wall_mm > 0:
        raise ImpossibleInput(
            "hole_mm", fig(hole_mm, "mm"), f"above {fig(screw_mm + 2 * running_mm, 'mm')} to take a sleeve"
        )
    return found


def tube_stress_mpa(*, force_n: float, outside_mm: float, inside_mm: float) -> float:
    """Return the compression in a tube clamped end to end, MPa: preload over area.

    Args:
        force_n: Preload, 0 or more.
        outside_mm: Above ``inside_mm``.
        inside_mm: 0 or more.

    Raises:
        ImpossibleInput: If it has no wall.

    Source:
        σ = F/A.
    """
    if not outside_mm > inside_mm >= 0:
        raise ImpossibleInput("outside_mm", fig(outside_mm, "mm"), f"above the inside, {fig(inside_mm, 'mm')}")
    return force_n / (math.pi / 4 * (outside_mm**2 - inside_mm**2))


def drawn_in_mpa(*, off_mm: float, thickness_mm: float, height_mm: float, e_mpa: float) -> float:
    """Return the stress at the foot of an ear that a bolt draws in, or a tube spreads, MPa.

    Args:
        off_mm: How far its hole is moved, 0 or more.
        thickness_mm: Of the ear.
        height_mm: From the foot to the hole.
        e_mpa: Young's modulus.

    Raises:
        ImpossibleInput: If it has no height.

    Source:
        Cantilever moved at its end, σ = 3 E t δ/(2 h²).
    """
    if not height_mm > 0:
        raise ImpossibleInput("height_mm", fig(height_mm, "mm"), "above 0")
    return 3 * e_mpa * thickness_mm * off_mm / (2 * height_mm**2)
