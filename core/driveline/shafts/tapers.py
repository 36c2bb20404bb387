"""A hub drawn up a tapered shaft by a nut, and grub screws, which hold a hub in place and do not drive it."""

import math
from dataclasses import dataclass

from driveline.errors import ImpossibleInput
from driveline.figures import fig


@dataclass(frozen=True, slots=True, kw_only=True)
class Taper:
    """A taper's sizes: ``one_in`` is on the diameter."""

    large_mm: float
    length_mm: float
    one_in: float

    def __post_init__(self) -> None:
        if not (self.one_in > 0 and self.length_mm > 0 and self.small_mm > 0):
            raise ImpossibleInput(
                "taper length", fig(self.length_mm, "mm"), "shorter than the taper would be to a point"
            )

    @property
    def small_mm(self) -> float:
        """Diameter at its small end."""
        return self.large_mm - self.length_mm / self.one_in

    @property
    def half_angle_rad(self) -> float:
        """Between its side and its axis."""
        return math.atan(1 / (2 * self.one_in))

    @property
    def half_angle_deg(self) -> float:
        """The same in degrees."""
        return math.degrees(self.half_angle_rad)

    @property
    def mean_mm(self) -> float:
        """Mean diameter."""
        return (self.large_mm + self.small_mm) / 2

    def torque_nm(self, *, preload_n: float, friction: float) -> float:
        """Return the torque that it holds by friction, N·m.

        Args:
            preload_n: Axial, of the nut, 0 or more.
            friction: Of the pair, above 0.

        Source:
            T = μ F r_m/(sin α + μ cos α). Worked example taper-with-nut-and-grub-screws.
        """
        alpha = self.half_angle_rad
        return friction * preload_n * self.mean_mm / 2000 / (math.sin(alpha) + friction * math.cos(alpha))

    def pressure_mpa(self, *, preload_n: float, friction: float) -> float:
        """Return the mean pressure on it, MPa: F over the area, both resolved along the axis.

        Args:
            preload_n: Axial, 0 or more.
            friction: Of the pair.

        Source:
            F = ∫ p (sin α + μ cos α) dA over the cone.
        """
        alpha = self.half_angle_rad
        area_mm2 = math.pi * self.mean_mm * self.length_mm / math.cos(alpha)
        return preload_n / (area_mm2 * (math.sin(alpha) + friction * math.cos(alpha)))


def grub_torque_nm(*, count: int, preload_n: float, friction: float, shaft_mm: float) -> float:
    """Return what grub screws hold by friction, N·m: each bears at its tip and at the wall opposite.

    Args:
        count: Of screws, 0 or more.
        preload_n: Least, of each.
        friction: At the tip and at the wall.
        shaft_mm: Diameter of the shaft.

    Source:
        T = n μ F d. Worked example taper-with-nut-and-grub-screws.
    """
    return count * friction * preload_n * shaft_mm / 1000
