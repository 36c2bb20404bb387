"""How long the needle bearings of a cross last, and what a centre bearing bears of bent joints."""

import math
from typing import Final

from driveline.errors import ImpossibleInput

LIFE_H: Final = 5000.0  # for which a capacity is stated, at these
LIFE_RPM: Final = 1000.0
LIFE_DEG: Final = 3.0
EXPONENT: Final = 10 / 3  # of needle bearings
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
