"""A part pressed or shrunk on another: pressure, what it holds, how it stretches the outer one, how warm to fit it."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

SLIP_SHARE: Final = 0.001  # of the diameter, so that it slips on without rubbing
LEAST_SLIP_MM: Final = 0.03
WARM_K: Final = 60.0  # a motor's face at 80 °C in a shop at 20 °C
COLD_K: Final = 40.0  # of a register, usual: a yard at -20 °C against a shop at 20 °C
ROOM_C: Final = 20.0  # at which everything is measured


@dataclass(frozen=True, slots=True, kw_only=True)
class Span:
    """How much warmer and colder than when it was measured a drive gets; each bench has its usual cold."""

    warmer_k: float = WARM_K
    colder_k: float | None = None  # None: not stated

    def cold_k(self, usual_k: float) -> float:
        """Return how much colder, as stated, else as usual."""
        return usual_k if self.colder_k is None else self.colder_k


USUAL_SPAN: Final = Span()


def span_of(*, coldest_c: float | None, warmest_c: float | None) -> Span:
    """Return the range of a job: as stated, else the usual one.

    Args:
        coldest_c: That a drive gets; ``None`` is not stated.
        warmest_c: The same.

    Source:
        Measured in a shop at 20 °C.
    """
    return Span(
        warmer_k=WARM_K if warmest_c is None else warmest_c - ROOM_C,
        colder_k=None if coldest_c is None else ROOM_C - coldest_c,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Elastic:
    """What a part's stretch hangs on."""

    modulus_mpa: float
    poisson: float


def fit_pressure_mpa(
    *,
    interference_mm: float,
    joint_mm: float,
    outside_mm: float,
    inside_mm: float,
    outer: Elastic,
    inner: Elastic,
) -> float:
    """Return the pressure between a part and what is pressed into it, MPa; 0 where there is no interference.

    Args:
        interference_mm: On diameter.
        joint_mm: Diameter of the joint.
        outside_mm: Of the outer part; above ``joint_mm``.
        inside_mm: Bore of the inner part; 0 where it is solid, below ``joint_mm``.
        outer: Of the outer part.
        inner: Of the inner part.

    Raises:
        ImpossibleInput: If the diameters don't follow one another.

    Source:
        Lamé: p = δ/{d[((D²+d²)/(D²−d²) + ν_o)/E_o + ((d²+d_i²)/(d²−d_i²) − ν_i)/E_i]}. Worked examples: interference.
    """
    if not 0 <= inside_mm < joint_mm < outside_mm:
        raise ImpossibleInput(
            "joint_mm", fig(joint_mm, "mm"), f"between {fig(inside_mm, 'mm')} and {fig(outside_mm, 'mm')}"
        )
    out, joint, within = outside_mm**2, joint_mm**2, inside_mm**2
    give = ((out + joint) / (out - joint) + outer.poisson) / outer.modulus_mpa
    give += ((joint + within) / (joint - within) - inner.poisson) / inner.modulus_mpa
    return max(interference_mm, 0.0) / (joint_mm * give)


def held_torque_nm(*, pressure_mpa: float, joint_mm: float, length_mm: float, friction: float) -> float:
    """Return the torque that a pressed joint holds by friction, N·m: ½ π μ p d² l.

    Args:
        pressure_mpa: Between the parts, 0 or more.
        joint_mm: Diameter of the joint.
        length_mm: Over which they bear.
        friction: Of the pair.

    Source:
        T = μ p π d l · d/2, Coulomb on a cylinder.
    """
    return math.pi / 2 * friction * pressure_mpa * joint_mm**2 * length_mm / 1000


def bore_stress_mpa(*, pressure_mpa: float, joint_mm: float, outside_mm: float) -> float:
    """Return the von Mises stress at the outer part's bore, MPa: hoop p (D² + d²)/(D² − d²) and −p.

    Args:
        pressure_mpa: On the bore, 0 or more.
        joint_mm: Its diameter, above 0.
        outside_mm: Of the outer part, above ``joint_mm``.

    Source:
        Lamé, thick ring, plane stress; √(σ_t² − σ_t σ_r + σ_r²).
    """
    hoop = pressure_mpa * (outside_mm**2 + joint_mm**2) / (outside_mm**2 - joint_mm**2)
    return math.sqrt(hoop**2 + hoop * pressure_mpa + pressure_mpa**2)


def warm_interference_mm(
    *, interference_mm: float, joint_mm: float, warmer_k: float, outer_per_k: float, inner_per_k: float
) -> float:
    """Return what is left of an interference when both parts are warmer, mm: unlike metals grow apart.

    Source:
        δ − (α_outer − α_inner) ΔT d. Worked example interference-aluminium-hub-hot.
    """
    return interference_mm - (outer_per_k - inner_per_k) * warmer_k * joint_mm


def heating_k(
    *, interference_mm: float, joint_mm: float, expansion_per_k: float, slip_mm: float | None = None
) -> float:
    """Return how much warmer the outer part must be to slip on, K.

    Args:
        interference_mm: The greatest, on diameter.
        joint_mm: Diameter of the joint.
        expansion_per_k: Of the outer part; above 0.
        slip_mm: Clearance to slip on with; the usual one when left out.

    Source:
        ΔT = (δ + slip-on clearance)/(α d); clearance 0.001 d, at least 0.03 mm.
    """
    if slip_mm is None:
        slip_mm = max(SLIP_SHARE * joint_mm, LEAST_SLIP_MM)
    return (interference_mm + slip_mm) / (expansion_per_k * joint_mm)


def embedding_mm(*, outer_rz_um: float, inner_rz_um: float) -> float:
    """Return by how much an interference beds in, mm on diameter: it comes off the least fit, never the greatest.

    Args:
        outer_rz_um: Roughness Rz of the bore, µm, 0 or more.
        inner_rz_um: Of the shaft.

    Source:
        DIN 7190, 0.8 (Rz_o + Rz_i). Worked example key-and-fit-alone-and-together.
    """
    return 0.8 * (outer_rz_um + inner_rz_um) / 1000


def inner_bore_hoop_mpa(*, pressure_mpa: float, joint_mm: float, inside_mm: float) -> float:
    """Return the hoop stress in the bore of a hollow inner part, MPa, below nought where squeezed.

    Args:
        pressure_mpa: On its outside, 0 or more.
        joint_mm: Diameter of the joint.
        inside_mm: Its bore, 0 or more, below ``joint_mm``.

    Source:
        Lamé, thick ring under outside pressure: -2 p d²/(d² - d_i²).
    """
    return -2 * pressure_mpa * joint_mm**2 / (joint_mm**2 - inside_mm**2) if inside_mm else 0.0


def spun_off_mm(
    *,
    joint_mm: float,
    outside_mm: float,
    density_kgm3: float,
    rpm: float,
    outer: Elastic,
    inner_density_kgm3: float,
    inner: Elastic,
) -> float:
    """Return by how much the joint's diameters part when it turns, mm: what comes off the grip.

    Args:
        joint_mm: Diameter of the joint, above 0.
        outside_mm: Of the hub, above ``joint_mm``.
        density_kgm3: Of the hub.
        rpm: Speed, 0 or more.
        outer: Of the hub.
        inner_density_kgm3: Of the shaft, taken as solid, which grows the least.
        inner: Of the shaft.

    Source:
        Rotating disc in plane stress, hub bore u = r ρω²/(4E) [(3+ν)R² + (1-ν)r²]; solid disc u = r³ ρω²(1-ν)/(4E).
    """
    omega2 = (rpm * math.pi / 30) ** 2
    bore, rim = joint_mm / 2000, outside_mm / 2000  # m
    hub = (
        density_kgm3
        * omega2
        / (4e6 * outer.modulus_mpa)
        * ((3 + outer.poisson) * rim**2 + (1 - outer.poisson) * bore**2)
    )
    shaft = inner_density_kgm3 * omega2 * (1 - inner.poisson) / (4e6 * inner.modulus_mpa) * bore**2
    return joint_mm * (hub - shaft)
