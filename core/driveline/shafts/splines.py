"""Splines: what their flanks bear over the length really engaged, and what was counted and measured of them."""

import math
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.words import Choice

SHARING: Final = 0.75  # of the teeth bear
WANTED_OF_PITCH: Final = 0.8  # engaged, of the pitch diameter
MODULES_MM: Final = (0.5, 0.6, 0.75, 0.8, 1.0, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0, 4.0, 5.0)


class SplineHub(Choice):
    """What the spline's hub is, and whether it slides: it sets what the flanks may bear."""

    HARDENED = "hardened", "hardened, fixed"
    SOFT = "soft", "not hardened, fixed"
    HARDENED_SLIDING = "hardened_sliding", "hardened, sliding under torque"
    SOFT_SLIDING = "soft_sliding", "not hardened, sliding under torque"


GUIDE_MPA: Final = {  # the lower end of each range
    SplineHub.HARDENED: 100.0,
    SplineHub.SOFT: 20.0,
    SplineHub.HARDENED_SLIDING: 20.0,
    SplineHub.SOFT_SLIDING: 10.0,
}


def side_pressure_mpa(*, torque_nm: float, teeth: int, mean_mm: float, height_mm: float, engaged_mm: float) -> float:
    """Return the pressure on a spline's flanks, MPa.

    Args:
        torque_nm: 0 or more.
        teeth: Above 0.
        mean_mm: Mean diameter of the flanks, above 0.
        height_mm: Of a tooth where both bear, above 0.
        engaged_mm: Length in mesh, above 0.

    Raises:
        ImpossibleInput: If nothing is engaged or there are no teeth.

    Source:
        p = 2 T/(z d_m h l ψ), ψ 0.75. Worked example spline-side-pressure.
    """
    if min(teeth, mean_mm, height_mm, engaged_mm) <= 0:
        raise ImpossibleInput("spline", (teeth, mean_mm, height_mm, engaged_mm), "teeth, sizes and engagement above 0")
    return 2000 * torque_nm / (teeth * mean_mm * height_mm * engaged_mm * SHARING)


def root_shear_mpa(*, torque_nm: float, root_mm: float, bore_mm: float = 0.0) -> float:
    """Return the shear stress of a shaft under its spline's root, MPa.

    Args:
        torque_nm: 0 or more.
        root_mm: Root diameter, above ``bore_mm``.
        bore_mm: Through the shaft, 0 where it is solid.

    Raises:
        ImpossibleInput: If the bore leaves nothing.

    Source:
        16 T D/(π (D⁴ - d⁴)), Saint-Venant on a round bar.
    """
    if not 0 <= bore_mm < root_mm:
        raise ImpossibleInput("shaft bore", fig(bore_mm, "mm"), f"below the spline's root, {fig(root_mm, 'mm')}")
    return 16_000 * torque_nm * root_mm / (math.pi * (root_mm**4 - bore_mm**4))


def proposed_module_mm(*, teeth: int, outside_mm: float) -> float | None:
    """Return the standard module whose involute spline has so many teeth at such an outside diameter, if one is near.

    Args:
        teeth: As counted, 6 or more.
        outside_mm: Over the teeth, above 0.

    Source:
        DIN 5480, ISO 4156, the tip circle is about m (z + 1); within a quarter of the step to the next module.
    """
    found = outside_mm / (teeth + 1)
    nearest = min(MODULES_MM, key=lambda module: abs(module - found))
    return nearest if abs(nearest - found) <= 0.06 * nearest else None
