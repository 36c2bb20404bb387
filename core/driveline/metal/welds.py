"""Fillet welds: what their throat carries, in a ring as in any group, and how often."""

import math
from typing import Final

THROAT: Final = 0.707  # of an equal-legged fillet
OF_ELECTRODE: Final = 0.30  # static allowable
NOT_INSPECTED: Final = 0.5
FAT_MPA: Final = 36.0  # stress across the throat; shear along it is better: 80 with slope 5. The worse is used.
SCREEN_CYCLES: Final = 1e5  # of launch one way and the other, usual
FAT_CYCLES: Final = 2e6
SLOPE: Final = 3.0


def ring_shear_mpa(*, torque_nm: float, radius_mm: float, throat_mm: float, rings: int = 1) -> float:
    """Return the shear on the throat of fillet rings in torsion, MPa; with the torque's sign.

    Args:
        torque_nm: Either way.
        radius_mm: Of the weld, above 0.
        throat_mm: Above 0.
        rings: Of equal size, 1 or more.

    Source:
        τ = T/(2π r² a). Worked example welded-hub-launch-and-overrun.
    """
    return 1000 * torque_nm / (2 * math.pi * radius_mm**2 * throat_mm * rings)


def weld_allowable_mpa(*, electrode_tensile_mpa: float, is_inspected: bool) -> float:
    """Return what a fillet's throat may carry, MPa.

    Args:
        electrode_tensile_mpa: Of the filler, above 0.
        is_inspected: By an expert; otherwise half.

    Source:
        0.30 of the electrode's tensile strength (structural welding practice).
    """
    return OF_ELECTRODE * electrode_tensile_mpa * (1.0 if is_inspected else NOT_INSPECTED)


def range_allowed_mpa(cycles: float, *, fat_mpa: float = FAT_MPA) -> float:
    """Return the stress range that a weld stands so often, MPa.

    Args:
        cycles: Above 0.
        fat_mpa: Its class, at two million.

    Source:
        EN 1993-1-9 with slope 3, FAT (2e6/N)^(1/3).
    """
    return float(fat_mpa * (FAT_CYCLES / cycles) ** (1 / SLOPE))


def life_cycles(range_mpa: float, *, fat_mpa: float = FAT_MPA) -> float:
    """Return how often a weld stands a stress range; infinite for none.

    Args:
        range_mpa: 0 or more.
        fat_mpa: Its class.

    Source:
        EN 1993-1-9, slope 3.
    """
    return FAT_CYCLES * (fat_mpa / range_mpa) ** SLOPE if range_mpa > 0 else math.inf
