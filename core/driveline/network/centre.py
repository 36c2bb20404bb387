"""Finding a shaft's centre with a dial indicator swept round a bore."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True, kw_only=True)
class IndicatorSweep:
    """A sweep reduced to its first harmonic; ``x_mm`` and ``y_mm`` are a and b of r0 + a cosθ + b sinθ."""

    x_mm: float
    y_mm: float
    mean_mm: float
    residual_mm: float  # root mean square of what the harmonic leaves: out of round, dirt, slack

    @property
    def offset_mm(self) -> float:
        """How far the bore's centre is from the axis of rotation."""
        return math.hypot(self.x_mm, self.y_mm)

    @property
    def total_reading_mm(self) -> float:
        """Total indicator reading of the harmonic, twice the offset."""
        return 2 * self.offset_mm


def indicator_sweep(clock_deg: Sequence[float], reading_mm: Sequence[float]) -> IndicatorSweep:
    """Return the offset of a bore from the axis that the indicator turned about.

    In a bore, with a dial that reads plunger-in as positive, the offset points to the low reading.

    Args:
        clock_deg: Where each reading was taken, degrees; at least three different positions.
        reading_mm: Dial readings in the same order.

    Returns:
        Harmonic fitted by least squares, so readings need not be evenly spaced.

    Raises:
        ImpossibleInput: If there are too few positions or the lists differ in length.

    Source:
        r(θ) = r0 + a cosθ + b sinθ. Worked example: indicator-sweep.
    """
    if len(clock_deg) != len(reading_mm):
        raise ImpossibleInput("reading_mm", len(reading_mm), f"as many readings as clock positions, {len(clock_deg)}")
    theta = np.radians(np.asarray(clock_deg, dtype=float))
    design = np.column_stack([np.ones_like(theta), np.cos(theta), np.sin(theta)])
    if np.linalg.matrix_rank(design) < 3:
        raise ImpossibleInput("clock_deg", list(clock_deg), "at least three different positions")
    reading = np.asarray(reading_mm, dtype=float)
    (mean_mm, x_mm, y_mm), *_ = np.linalg.lstsq(design, reading, rcond=None)
    left = reading - design @ np.array([mean_mm, x_mm, y_mm])
    return IndicatorSweep(
        x_mm=float(x_mm), y_mm=float(y_mm), mean_mm=float(mean_mm), residual_mm=float(np.sqrt(np.mean(left**2)))
    )
