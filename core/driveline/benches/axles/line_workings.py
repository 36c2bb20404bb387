"""The sums behind the checks of propshafts."""

import math
from typing import Final

from driveline.benches.axles.workings import SHEARED, TORSION
from driveline.cardan.chains import STEPS
from driveline.cardan.slip import END_ROOM_MM, Slip
from driveline.working import Working, entered, step, tabled, worked

RATED: Final = "Its maker's static rating: the greatest torque that it may see. How long it lives its maker says."
CUSTOMARY: Final = (
    "Customary most of each joint of a pair that cancels, by straight line between its rows; ω² β² = 1000."
)
EXACT: Final = (
    f"Each run of crosses turned exactly in {STEPS} steps of one turn, rigid, no small angles; differentiated by its "
    "orders. Runs apart are added at their worst."
)
RULED: Final = (
    "ω² β², the second order of a cross (VDI 2722): at the driven end at most 400, between at most 1000 rad/s²."
)


def _accelerated(value: float, uneven: float, rpm: float) -> Working:
    omega = rpm * math.pi / 30
    coefficient = worked("ε", uneven, "", "greatest second derivative of the swing, by the turn")
    speed = step(
        "ω", "2 * pi * n", worked("n", rpm, "rpm", "at the wanted road speed"), value=omega, unit="1/s", decimals=1
    )
    last = step("α", "ε * ω**2", coefficient, speed, value=value, unit="rad/s²", decimals=1)
    return Working(steps=(speed, last), source=RULED, method=EXACT)


def uneven_working(worst: float | None, uneven: float | None, rpm: float | None) -> Working:
    """Return how unevenly a shaft turns at the worst: ``uneven`` is its acceleration turning at one radian a second."""
    return Working(source=RULED) if worst is None or uneven is None or not rpm else _accelerated(worst, uneven, rpm)


def joint_torque_working(torque_nm: float | None) -> Working:
    """Return a joint's torque."""
    if torque_nm is None:
        return Working(source=RATED)
    whole = step(
        "T",
        "k * T_p",
        worked("T_p", torque_nm, "N·m", "design torque of the propshaft, at Ratios"),
        tabled("k", 1.0, "", "each joint of a line bears all of it"),
        value=torque_nm,
        unit="N·m",
    )
    return Working(steps=(whole,), source=RATED)


def tube_working(
    torque_nm: float | None, outside_mm: float | None, inside_mm: float | None, stress: float | None, field: str
) -> Working:
    """Return the shear of a tube."""
    if torque_nm is None or outside_mm is None or inside_mm is None or stress is None:
        return Working(source=TORSION)
    last = step(
        "τ",
        SHEARED,
        worked("T", torque_nm, "N·m", "design torque of the propshaft, at Ratios"),
        entered("D", outside_mm, "mm", f"{field}.outside"),
        worked("d", inside_mm, "mm", "outside less both walls"),
        value=stress,
        unit="MPa",
        decimals=1,
    )
    return Working(steps=(last,), source=TORSION)


def slip_working(slip: Slip | None, demand: float | None, *, is_in: bool) -> Working:
    """Return how far a slip joint must go, the tighter way."""
    source = "The axle's and the unit's moves at their worst together, and room at the end."
    if slip is None or demand is None:
        return Working(source=source)
    gone = worked("s", slip.in_mm if is_in else slip.out_mm, "mm", "the tighter way from ride height")
    room = tabled("e", END_ROOM_MM, "mm", "left at the end")
    return Working(steps=(step("d", "s + e", gone, room, value=demand, unit="mm", decimals=1),), source=source)
