"""A hole of a flat part: how it is made, what it takes up, and what a drawing says of it."""

import math
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

from driveline.figures import fig
from driveline.words import Choice

LEAST_STEP_MM: Final = 1.0


class HeldBy(Choice):
    """What holds in a hole."""

    CLEARANCE = "clearance", "clearance for a screw"
    TAPPED = "tapped", "tapped in the plate"
    STUD = "stud", "a stud in the plate"
    NUT = "nut", "through, with a nut"
    FITTED = "fitted", "reamed for a fitted bolt"
    SLOT = "slot", "slotted, to turn the motor"
    LEFT_OUT = "left_out", "not drilled"


@dataclass(frozen=True, kw_only=True)
class PlateHole:
    """A hole of the plate, seen from the engine side."""

    id: str
    kind: str  # "flange", "motor", "standoff", "foot" or "bore"
    x_mm: float
    y_mm: float
    finished_mm: float
    cut_mm: float | None  # None: too small to cut, marked and drilled by hand
    counterbore_mm: float | None = None
    counterbore_depth_mm: float | None = None
    counterbore_at: str = ""  # on which side, in words
    held: HeldBy = HeldBy.CLEARANCE
    thread: str = ""
    slot_deg: float = 0.0  # either way about the part's middle

    def without_cut(self) -> "PlateHole":
        """Return the hole as one that is marked and drilled by hand."""
        return replace(self, cut_mm=None)

    @property
    def takes_mm(self) -> float:
        """Diameter that it takes up at its widest."""
        return max(self.finished_mm, self.counterbore_mm or 0.0)

    @cached_property
    def spots_mm(self) -> tuple[tuple[float, float], ...]:
        """Where its middle is; of a slot, along it, no farther apart than half its width, or a millimetre."""
        if not self.slot_deg:
            return ((self.x_mm, self.y_mm),)
        radius, at = math.hypot(self.x_mm, self.y_mm), math.atan2(self.y_mm, self.x_mm)
        half = math.radians(self.slot_deg)
        steps = max(math.ceil(self.slot_mm / max(self.finished_mm / 2, LEAST_STEP_MM)), 1)
        angles = [at - half + 2 * half * k / steps for k in range(steps + 1)]
        return tuple((radius * math.cos(angle), radius * math.sin(angle)) for angle in angles)

    @property
    def slot_mm(self) -> float:
        """Length of a slot between its ends' middles, along the circle; 0 for a round hole."""
        return 2 * math.radians(self.slot_deg) * math.hypot(self.x_mm, self.y_mm)

    @property
    def opens_mm(self) -> float:
        """Diameter of a round hole of its area: under a head, a slot takes away no more."""
        return math.sqrt(self.finished_mm**2 + 4 / math.pi * self.finished_mm * self.slot_mm)

    @property
    def made(self) -> str:
        """How it is made, for the hole table."""
        return self._bored + (f", {self.sunk}" if self.sunk else "")

    @property
    def sunk(self) -> str:
        """Its counterbore in words, where its side is said; empty where there is none."""
        if not self.counterbore_mm or not self.counterbore_at:
            return ""
        deep = f" × {fig(self.counterbore_depth_mm, 'mm')}" if self.counterbore_depth_mm else ""
        return f"cb Ø{fig(self.counterbore_mm, 'mm')}{deep} {self.counterbore_at}"

    @property
    def _bored(self) -> str:
        if self.held is HeldBy.TAPPED:
            return f"tap {self.thread}"
        if self.held is HeldBy.STUD:
            return f"tap {self.thread}, stud"
        if self.held is HeldBy.FITTED:
            return "mark, drill and ream" if self.cut_mm is None else "cut small, ream"
        if self.slot_deg:
            by_hand = "mark, mill a " if self.cut_mm is None else ""
            return f"{by_hand}slot ±{fig(self.slot_deg, '°')}"
        if self.cut_mm is None:
            return "mark, drill by hand"
        return "cut" if self.cut_mm == self.finished_mm else "cut small, machine"
