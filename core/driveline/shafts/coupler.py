"""What joins the motor's shaft to the line."""

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
