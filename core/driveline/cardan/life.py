"""How long a cross or a joint that turns evenly lasts, and what a centre bearing bears of bent joints."""

import math
from typing import Final

from driveline.errors import ImpossibleInput

LIFE_H: Final = 5000.0  # for which a capacity is stated, at these
LIFE_RPM: Final = 1000.0
LIFE_DEG: Final = 3.0
EXPONENT: Final = 10 / 3  # of needle bearings
EVEN_EXPONENT: Final = 3  # of balls
EVEN_SLOW_H: Final = 25_339.0  # at 1 rpm, as far as 1000
SLOW_EXPONENT: Final = 0.577
EVEN_FAST_H: Final = 470_756.0  # at 1 rpm, from 1000
LEAST_DEG: Final = 2.0  # bent less, needles roll no farther, and the same places bear


def cross_life_h(*, capacity_nm: float, torque_nm: float, rpm: float, angle_deg: float) -> float:
    """Return the life that nine crosses in ten reach, h.

    Args:
        capacity_nm: Dynamic torque capacity, by its maker; above 0.
        torque_nm: That it runs with on the mean; above 0.
        rpm: That it turns with then; above 0.
        angle_deg: That it is bent by; below 2° counts as that.

    Raises:
        ImpossibleInput: If a figure is not above nought.

    Source:
        L = 1.5e7/(n β) (C/T)^(10/3), ISO 281's life of needle bearings that swing by β, as makers of crosses give it.
    """
    for name, value in (("capacity", capacity_nm), ("torque", torque_nm), ("rpm", rpm)):
        if not value > 0:
            raise ImpossibleInput(name, value, "above 0")
    life_h: float = (
        LIFE_H * LIFE_RPM / rpm * LIFE_DEG / max(angle_deg, LEAST_DEG) * (capacity_nm / torque_nm) ** EXPONENT
    )
    return life_h


def even_life_h(*, capacity_nm: float, torque_nm: float, rpm: float, angle_deg: float) -> float:
    """Return the life that nine joints in ten reach that turn evenly, h: fixed or plunging, of balls or rollers.

    Args:
        capacity_nm: Dynamic torque capacity, by its maker; above 0.
        torque_nm: That it runs with on the mean; above 0.
        rpm: That it turns with then; above 0.
        angle_deg: That it is bent by; 0 to below 90.

    Raises:
        ImpossibleInput: If a figure is not above nought, or the joint is bent by a right angle.

    Source:
        Palmgren's cube law with the factors that driveshaft texts give for balls in grooves:
        L = 25339/n^0.577 (A C/T)^3 to 1000 rpm, 470756/n (A C/T)^3 above; A = (1 - sin β) cos² β. A tripod loses less
        with its angle: for it A is cautious.
    """
    for name, value in (("capacity", capacity_nm), ("torque", torque_nm), ("rpm", rpm), ("room", 90 - angle_deg)):
        if not value > 0:
            raise ImpossibleInput(name, value, "above 0")
    bent = math.radians(angle_deg)
    bears = (1 - math.sin(bent)) * math.cos(bent) ** 2 * capacity_nm / torque_nm
    fast = EVEN_SLOW_H / rpm**SLOW_EXPONENT if rpm <= LIFE_RPM else EVEN_FAST_H / rpm
    life_h: float = fast * bears**EVEN_EXPONENT
    return life_h


def centre_force_n(*, torque_nm: float, before_deg: float, at_deg: float, length_mm: float) -> float:
    """Return the side force twice a turn on a centre bearing, N: couples of both joints of the shaft before it, added.

    Args:
        torque_nm: Through the shaft, 0 or more.
        before_deg: Angle of the joint at the shaft's far end; below 90.
        at_deg: Of the joint beside the bearing; below 90.
        length_mm: Of the shaft between them; above 0.

    Source:
        Couples T tan β and T sin β of a cross (ENGINEERING 15), over the shaft's length.
    """
    couples = math.tan(math.radians(before_deg)) + math.sin(math.radians(at_deg))
    return torque_nm * couples * 1000 / length_mm
