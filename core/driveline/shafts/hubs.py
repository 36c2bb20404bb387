"""A hub that turns fast: what its own mass does to it, and what it does to its bearings out of true."""

import math
from dataclasses import dataclass

from driveline.errors import ImpossibleInput
from driveline.figures import fig


@dataclass(frozen=True, slots=True, kw_only=True)
class Spun:
    """A flat ring with a bore at speed."""

    rim_ms: float
    bore_hoop_mpa: float  # the greatest stress in it
    mean_hoop_mpa: float  # at the burst it has evened out


def spun_ring(*, outside_mm: float, bore_mm: float, density_kgm3: float, poisson: float, rpm: float) -> Spun:
    """Return the stresses of a ring that turns.

    Args:
        outside_mm: Its diameter, above ``bore_mm``.
        bore_mm: 0 or more.
        density_kgm3: Above 0.
        poisson: Of its material.
        rpm: 0 or more.

    Raises:
        ImpossibleInput: If the bore is not within the outside.

    Source:
        Rotating disc in plane stress, bore hoop ρω²/4 [(3+ν)R² + (1-ν)r²]; mean hoop ρω²(R² + Rr + r²)/3. Worked
        example hub-burst-and-rim-speed.
    """
    if not 0 <= bore_mm < outside_mm:
        raise ImpossibleInput("hub outside", fig(outside_mm, "mm"), f"above its bore, {fig(bore_mm, 'mm')}")
    omega, rim, bore = rpm * math.pi / 30, outside_mm / 2000, bore_mm / 2000
    by_speed = density_kgm3 * omega**2 / 1e6
    return Spun(
        rim_ms=omega * rim,
        bore_hoop_mpa=by_speed / 4 * ((3 + poisson) * rim**2 + (1 - poisson) * bore**2),
        mean_hoop_mpa=by_speed / 3 * (rim**2 + rim * bore + bore**2),
    )


def burst_rpm(*, mean_hoop_mpa: float, rpm: float, tensile_mpa: float) -> float:
    """Return the speed at which a ring bursts, rpm; infinite where nothing turns.

    Args:
        mean_hoop_mpa: At ``rpm``.
        rpm: 0 or more.
        tensile_mpa: Of its material.

    Source:
        Where the mean hoop stress reaches the tensile strength; stress goes with the square of speed.
    """
    return rpm * math.sqrt(tensile_mpa / mean_hoop_mpa) if mean_hoop_mpa > 0 else math.inf


def balance_grade_mm_s(*, eccentric_mm: float, rpm: float) -> float:
    """Return the balance grade that an eccentricity comes to, mm/s.

    Args:
        eccentric_mm: Of the mass's centre from the axis, 0 or more.
        rpm: 0 or more.

    Source:
        ISO 21940-11, G = e ω.
    """
    return eccentric_mm * rpm * math.pi / 30


def unbalance_allowed_g_mm(*, grade_mm_s: float, mass_kg: float, rpm: float) -> float:
    """Return the unbalance that a grade leaves a part, g·mm, over both its planes.

    Args:
        grade_mm_s: G, above 0.
        mass_kg: Of what turns, 0 or more.
        rpm: Greatest service speed, above 0.

    Source:
        ISO 21940-11, U = G m / ω; of a shaft half at each end.
    """
    return 1_000 * mass_kg * grade_mm_s / (rpm * math.pi / 30)


def eccentric_force_n(*, mass_kg: float, eccentric_mm: float, rpm: float) -> float:
    """Return the force of a mass that runs out of true, N.

    Args:
        mass_kg: 0 or more.
        eccentric_mm: 0 or more.
        rpm: 0 or more.

    Source:
        m e ω².
    """
    return mass_kg * eccentric_mm / 1000 * (rpm * math.pi / 30) ** 2
