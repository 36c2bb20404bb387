"""A round bar or tube that turns: its shear under torque, how far it twists, at what speed it would whirl."""

import math
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

SHEAR_MODULUS_MPA: Final = 79_230.0  # steel
BAR_GUIDES_MPA: Final = {"induction-hardened medium carbon": 600.0, "alloy": 800.0, "unhardened": 250.0}
MOST_OF_CRITICAL: Final = 0.70
MOST_OF_CRITICAL_TWO_PIECE: Final = 0.65


def _checked(outside_mm: float, inside_mm: float) -> None:
    if not outside_mm > inside_mm >= 0:
        raise ImpossibleInput(
            "inside_mm", fig(inside_mm, "mm"), f"0 or more, and less than the {fig(outside_mm, 'mm')} outside"
        )


def bar_shear_mpa(torque_nm: float, *, outside_mm: float, inside_mm: float = 0.0) -> float:
    """Return the shear at the surface of a bar, or of a tube that is bored.

    Raises:
        ImpossibleInput: If the bore is as large as the bar, or below 0.

    Source:
        16 T D / (π (D⁴ - d⁴)), Saint-Venant's torsion of a round section. A spline is taken at its root diameter.
    """
    _checked(outside_mm, inside_mm)
    return 16_000 * torque_nm * outside_mm / (math.pi * (outside_mm**4 - inside_mm**4))


def bar_twist_deg(
    torque_nm: float,
    *,
    length_mm: float,
    outside_mm: float,
    inside_mm: float = 0.0,
    shear_modulus_mpa: float = SHEAR_MODULUS_MPA,
) -> float:
    """Return how far one end of a bar turns against the other.

    Raises:
        ImpossibleInput: If the bore is as large as the bar, or below 0.

    Source:
        T L / (G J), J = π (D⁴ - d⁴) / 32.
    """
    _checked(outside_mm, inside_mm)
    polar_mm4 = math.pi * (outside_mm**4 - inside_mm**4) / 32
    return math.degrees(1_000 * torque_nm * length_mm / (shear_modulus_mpa * polar_mm4))


def critical_rpm(
    *, length_mm: float, outside_mm: float, inside_mm: float, young_mpa: float, density_kgm3: float
) -> float:
    """Return the speed at which a tube that is held at both ends by joints would whirl.

    Args:
        length_mm: Between the joints' centres, above 0; a slip joint drawn out counts at its longest.
        outside_mm: Of the tube.
        inside_mm: Of the tube, 0 for a bar.
        young_mpa: Of its material.
        density_kgm3: Of its material.

    Raises:
        ImpossibleInput: If the length is not above 0, or the bore is as large as the tube, or below 0.

    Source:
        First bending mode of a slender beam on two pins, n = (30/π) π² √(EI / (ρ A L⁴)).
    """
    _checked(outside_mm, inside_mm)
    if not length_mm > 0:
        raise ImpossibleInput("length_mm", fig(length_mm, "mm"), "above 0")
    gyration_mm = math.hypot(outside_mm, inside_mm) / 4  # √(I/A) of a ring
    wave_mm_s = (
        math.sqrt(young_mpa / density_kgm3) * 1e6
    )  # √(N/mm² over kg/m³) is 1000 m/s, the speed of sound along it
    return 30 * math.pi * wave_mm_s * gyration_mm / length_mm**2
