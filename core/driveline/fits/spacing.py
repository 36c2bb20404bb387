"""Gaps that hang on one length to be chosen, a spacer's: the window of it that keeps them all at every extreme."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from driveline.fits.stackup import Link, StackUp, stack_up


@dataclass(frozen=True, slots=True, kw_only=True)
class Gap:
    """What must stay within limits: the links' sum and ``sign`` times the length to be chosen."""

    key: str
    links: tuple[Link, ...]  # signed, with their limits
    sign: int  # of the chosen length in it: +1, -1, or 0
    least_mm: float
    greatest_mm: float  # infinite where nothing bounds it

    def stack(self, chosen: Link | None) -> StackUp:
        """Return what it comes to; without the chosen length, what the others do."""
        own = (
            []
            if chosen is None or not self.sign
            else [Link(chosen.name, self.sign * chosen.length_mm, chosen.either_way_mm)]
        )
        return stack_up([*self.links, *own])


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """From the least to the greatest chosen length that keeps every gap; not open where the least is above."""

    least_mm: float
    greatest_mm: float
    least_by: str  # the gap that sets it
    greatest_by: str

    @property
    def is_open(self) -> bool:
        """Whether any length keeps every gap."""
        return self.least_mm <= self.greatest_mm

    @property
    def middle_mm(self) -> float | None:
        """The length to choose; ``None`` where there is none, or nothing bounds it on both sides."""
        return (self.least_mm + self.greatest_mm) / 2 if self.is_open and math.isfinite(self.width_mm) else None

    @property
    def width_mm(self) -> float:
        """How much of it there is; below nought, what the tolerances are too much by."""
        return self.greatest_mm - self.least_mm


def window(gaps: Sequence[Gap], *, either_way_mm: float, is_statistical: bool = False) -> Window:
    """Return the lengths that keep every gap within its limits.

    Args:
        gaps: Those without the chosen length in them bound nothing.
        either_way_mm: Tolerance of the chosen length, 0 or more.
        is_statistical: By the root of the sum of squares, for independent, centred tolerances, not by their sum.

    Source:
        ENGINEERING section 10, worst case Σ|t|. Worked example stack-spacer-for-two-gaps.
    """
    least, greatest = (-math.inf, ""), (math.inf, "")
    for gap in gaps:
        if not gap.sign:
            continue
        found = gap.stack(Link("chosen", 0.0, either_way_mm))
        spread = found.likely_mm if is_statistical else found.worst_mm
        low, high = gap.least_mm + spread - found.nominal_mm, gap.greatest_mm - spread - found.nominal_mm
        if gap.sign < 0:
            low, high = -high, -low
        least, greatest = max(least, (low, gap.key)), min(greatest, (high, gap.key))
    return Window(least_mm=least[0], greatest_mm=greatest[0], least_by=least[1], greatest_by=greatest[1])
