"""What joins the motor's shaft to the line."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Final


class CouplerStyle(StrEnum):
    """What joins the motor to the line; it sets how much of a shock passes and how true it must run."""

    RIGID = "rigid"
    FLEXIBLE = "flexible"
    CLUTCH = "clutch"
    SPLINE = "spline"


DYNAMIC_FACTOR: Final = {
    CouplerStyle.RIGID: 1.5,
    CouplerStyle.SPLINE: 1.5,
    CouplerStyle.FLEXIBLE: 1.25,
    CouplerStyle.CLUTCH: 1.25,
}
ANGLE_ALLOWANCE_DEG: Final = {
    CouplerStyle.RIGID: 0.05,
    CouplerStyle.FLEXIBLE: 0.5,
    CouplerStyle.CLUTCH: 0.1,
    CouplerStyle.SPLINE: 0.1,
}
PARALLEL_ALLOWANCE_MM: Final = {
    CouplerStyle.RIGID: 0.05,
    CouplerStyle.FLEXIBLE: 0.25,
    CouplerStyle.CLUTCH: 0.10,
    CouplerStyle.SPLINE: 0.10,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Forgives:
    """What a coupler forgives standing still: its maker's figures, else the usual ones of its style."""

    parallel_mm: float
    angle_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RunsOut:
    """What a coupler and its shafts put off one axis by themselves, and how fast it turns; ``None`` is not known."""

    runout_mm: float | None  # total, on the hub's rim
    face_runout_mm: float | None  # total, on its face
    sweep_mm: float | None  # diameter on which that was read
    plays_mm: tuple[float | None, float | None]  # of the motor's and the gearbox's bearings, at the tips
    middle_mm: float | None  # of the coupler, from the motor's face
    top_rpm: float | None
    falls: tuple[tuple[float, float], ...]  # by its maker; empty is not stated


def forgives(style: CouplerStyle, *, parallel_mm: float | None = None, angle_deg: float | None = None) -> Forgives:
    """Return what a coupler forgives.

    Args:
        style: Its style, whose usual figures stand in.
        parallel_mm: Offset, by its maker; above 0.
        angle_deg: Angle, by its maker; above 0.

    Source:
        ENGINEERING section 7, four styles; a maker's figures replace the usual ones.
    """
    return Forgives(
        parallel_mm=PARALLEL_ALLOWANCE_MM[style] if parallel_mm is None else parallel_mm,
        angle_deg=ANGLE_ALLOWANCE_DEG[style] if angle_deg is None else angle_deg,
    )
