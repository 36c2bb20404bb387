"""Hub runout read by dial round the clock: how much is eccentric, how much out of round, which screw to ease."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.errors import ImpossibleInput

LEAST_READINGS: Final = 5  # five unknowns


@dataclass(frozen=True, slots=True, kw_only=True)
class Runout:
    """A hub's runout in its first two harmonics, mm; the plunger in is plus, the hub is high there."""

    mean_mm: float
    tir_mm: float  # as read
    first_mm: tuple[float, float]  # cos, sin
    second_mm: tuple[float, float]
    residual_mm: float  # the greatest that is left at a reading

    @property
    def eccentric_mm(self) -> float:
        """How far the hub's axis is from the axis that it turns on."""
        return math.hypot(*self.first_mm)

    @property
    def high_deg(self) -> float:
        """Clock angle of the high spot."""
        return math.degrees(math.atan2(self.first_mm[1], self.first_mm[0])) % 360

    @property
    def oval_mm(self) -> float:
        """Amplitude of the out of round."""
        return math.hypot(*self.second_mm)

    @property
    def oval_high_deg(self) -> float:
        """Clock angle of the first of its two high spots."""
        return math.degrees(math.atan2(self.second_mm[1], self.second_mm[0])) / 2 % 180

    @property
    def is_mostly_eccentric(self) -> bool:
        """Whether easing a screw helps: a hub out of round is turned or changed."""
        return self.eccentric_mm >= self.oval_mm

    def away_deg(self, clock_deg: float) -> float:
        """Return how far a clock angle is from the high spot, 0 to 180 degrees."""
        return abs((clock_deg - self.high_deg + 180) % 360 - 180)

    def screw_to_ease(self, screws_deg: Mapping[str, float]) -> str | None:
        """Return the screw nearest the high spot: a tight one pushes the hub's wall away on its own side."""
        return min(screws_deg, key=lambda name: self.away_deg(screws_deg[name]), default=None)


def hub_runout(clock_deg: Sequence[float], reading_mm: Sequence[float]) -> Runout:
    """Return what readings round a hub come to.

    Args:
        clock_deg: Marks on the hub under the still dial, (n,), n at least 5.
        reading_mm: At each, (n,).

    Raises:
        ImpossibleInput: If there are fewer, or they stand too close together to tell.

    Source:
        Least squares, y = c + a₁ cos + b₁ sin + a₂ cos 2 + b₂ sin 2. Worked example hub-runout-two-harmonics.
    """
    if len(clock_deg) < LEAST_READINGS or len(clock_deg) != len(reading_mm):
        raise ImpossibleInput("clock_deg", len(clock_deg), f"at least {LEAST_READINGS} readings")
    angle, y = np.radians(np.asarray(clock_deg, dtype=float)), np.asarray(reading_mm, dtype=float)
    rows = np.column_stack([np.ones_like(angle), np.cos(angle), np.sin(angle), np.cos(2 * angle), np.sin(2 * angle)])
    found, _, rank, _ = np.linalg.lstsq(rows, y, rcond=None)
    if rank < LEAST_READINGS:
        raise ImpossibleInput("clock_deg", tuple(clock_deg), "spread round the whole turn")
    mean, a1, b1, a2, b2 = found.tolist()
    left = y - rows @ found
    return Runout(
        mean_mm=mean,
        tir_mm=float(np.ptp(y)),
        first_mm=(a1, b1),
        second_mm=(a2, b2),
        residual_mm=float(np.max(np.abs(left))),
    )
