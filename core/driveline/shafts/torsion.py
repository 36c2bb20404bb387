"""A shaft's end in torsion where it is weakened, and what a keyway leaves of shaft and hub."""

import math
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

KEYWAY_KT: Final = 3.0  # in torsion, on the whole section
FILLET_KT: Final = 1.5
UNHARDENED_MPA: Final = 250.0  # greatest shear of an unhardened shaft
HUB_CLEAR_MM: Final = 0.3  # of a keyway in the hub over the key, DIN 6885-1
SHEAR_CLASS_MPA: Final = 100.0  # plain steel in shear, at two million
SHEAR_SLOPE: Final = 5.0
CLASS_CYCLES: Final = 2e6


def shaft_shear_mpa(*, torque_nm: float, outside_mm: float, bore_mm: float = 0.0, factor: float = 1.0) -> float:
    """Return the shear stress at the outside of a round shaft, MPa, where it is raised by a notch.

    Args:
        torque_nm: 0 or more.
        outside_mm: Of the whole section, above ``bore_mm``.
        bore_mm: 0 for a solid shaft.
        factor: Of the notch, on the whole section: 3.0 at a keyway.

    Raises:
        ImpossibleInput: If the bore leaves nothing.

    Source:
        K 16 T d/(π (d⁴ − d_i⁴)), Saint-Venant; K of a keyway by ENGINEERING section 7. Worked example
        shaft-torsion-keyway.
    """
    if not 0 <= bore_mm < outside_mm:
        raise ImpossibleInput("shaft bore", fig(bore_mm, "mm"), f"below the shaft's {fig(outside_mm, 'mm')}")
    return factor * 16_000 * torque_nm * outside_mm / (math.pi * (outside_mm**4 - bore_mm**4))


def wall_under_keyway_mm(*, shaft_mm: float, bore_mm: float, depth_mm: float) -> float:
    """Return what a keyway leaves of a hollow shaft under it, mm; below nought it breaks through.

    Args:
        shaft_mm: Outside.
        bore_mm: Inside, 0 for a solid one.
        depth_mm: Of the keyway.

    Source:
        d/2 − t1 − d_i/2.
    """
    return shaft_mm / 2 - depth_mm - bore_mm / 2


def wall_over_keyway_mm(*, hub_mm: float, shaft_mm: float, depth_mm: float, width_mm: float) -> tuple[float, float]:
    """Return what a keyway leaves of a hub's wall over its middle and at its corner, mm; below nought: through.

    Args:
        hub_mm: Outside of the hub.
        shaft_mm: Its bore.
        depth_mm: Of the keyway in the hub.
        width_mm: Of the key.

    Source:
        D/2 − (d/2 + t2), and to the corner half a width aside.
    """
    top_mm = shaft_mm / 2 + depth_mm
    return hub_mm / 2 - top_mm, hub_mm / 2 - math.hypot(top_mm, width_mm / 2)


def net_wall_hoop_mpa(*, pressure_mpa: float, shaft_mm: float, wall_mm: float) -> float:
    """Return the mean hoop stress in the wall that a keyway leaves of a hub, MPa.

    Args:
        pressure_mpa: Of the fit, 0 or more.
        shaft_mm: Diameter of the joint.
        wall_mm: That is left, above 0.

    Source:
        p d/(2 s), balance of half a ring.
    """
    return pressure_mpa * shaft_mm / 2 / wall_mm


def hoop_and_shear_mpa(*, hoop_mpa: float, pressure_mpa: float, shear_mpa: float) -> float:
    """Return the equivalent stress of hoop, radial pressure and torsion together, MPa.

    Args:
        hoop_mpa: Above nought where stretched.
        pressure_mpa: On the surface, 0 or more.
        shear_mpa: Of torsion.

    Source:
        √(σ_t² + σ_t p + p² + 3 τ²), von Mises with the pressure as a radial stress of −p.
    """
    return math.sqrt(hoop_mpa**2 + hoop_mpa * pressure_mpa + pressure_mpa**2 + 3 * shear_mpa**2)


def shear_range_allowed_mpa(cycles: float) -> float:
    """Return the range of shear stress that plain steel stands so often, MPa.

    Args:
        cycles: Above 0.

    Source:
        Category 100 with slope 5 of EN 1993-1-9. A screen, as made shafts are proved by their makers.
    """
    return float(SHEAR_CLASS_MPA * (CLASS_CYCLES / cycles) ** (1 / SHEAR_SLOPE))
