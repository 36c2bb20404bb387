"""Struts and panels that buckle."""

import math
from dataclasses import dataclass
from typing import Final

from scipy.optimize import brentq

from driveline.errors import ImpossibleInput

SUPPORTED: Final = 4.0
ONE_FREE: Final = 0.43


@dataclass(frozen=True, slots=True, kw_only=True)
class Buckling:
    """When a straight strut buckles."""

    slenderness: float
    changeover: float
    rule: str  # Euler or Johnson
    load_n: float


def strut_buckling(
    *, area_mm2: float, gyration_mm: float, length_mm: float, end_factor: float, e_mpa: float, yield_mpa: float
) -> Buckling:
    """Return the load at which a strut buckles.

    Args:
        area_mm2: Of its section.
        gyration_mm: Least radius of gyration.
        length_mm: Between its ends.
        end_factor: K; 1 for pins.
        e_mpa: Young's modulus.
        yield_mpa: Of it.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        K L/r; Euler above √(2 π² E/S_y), J. B. Johnson's parabola below. Worked example strut-euler-johnson-secant.
    """
    for name, value in (("area", area_mm2), ("gyration", gyration_mm), ("length", length_mm), ("ends", end_factor)):
        if not value > 0:
            raise ImpossibleInput(name, value, "above 0")
    slenderness = end_factor * length_mm / gyration_mm
    changeover = math.sqrt(2 * math.pi**2 * e_mpa / yield_mpa)
    if slenderness > changeover:
        return Buckling(
            slenderness=slenderness,
            changeover=changeover,
            rule="Euler",
            load_n=area_mm2 * math.pi**2 * e_mpa / slenderness**2,
        )
    stress = yield_mpa * (1 - yield_mpa * slenderness**2 / (4 * math.pi**2 * e_mpa))
    return Buckling(slenderness=slenderness, changeover=changeover, rule="Johnson", load_n=area_mm2 * stress)


def secant_stress_mpa(
    load_n: float,
    *,
    area_mm2: float,
    gyration_mm: float,
    fibre_mm: float,
    length_mm: float,
    end_factor: float,
    offset_mm: float,
    e_mpa: float,
) -> float:
    """Return the greatest stress of a strut whose load passes beside it.

    Args:
        load_n: On it.
        area_mm2: Of its section.
        gyration_mm: Radius of gyration.
        fibre_mm: From the middle to the outer fibre.
        length_mm: Between its ends.
        end_factor: K; 1 for pins, 2 for an end that is free.
        offset_mm: Of the load, alike at both ends.
        e_mpa: Young's modulus.

    Source:
        Secant formula, P/A (1 + e c/r² sec(K L/2r √(P/EA))); without end once the load is Euler's.
    """
    angle = end_factor * length_mm / (2 * gyration_mm) * math.sqrt(load_n / (e_mpa * area_mm2))
    if angle >= math.pi / 2:
        return math.inf
    return load_n / area_mm2 * (1 + offset_mm * fibre_mm / gyration_mm**2 / math.cos(angle))


def secant_load_n(
    *,
    area_mm2: float,
    gyration_mm: float,
    fibre_mm: float,
    length_mm: float,
    end_factor: float,
    offset_mm: float,
    e_mpa: float,
    yield_mpa: float,
) -> float:
    """Return the load at which its outer fibre yields.

    Args:
        area_mm2: As in ``secant_stress_mpa``.
        gyration_mm: The same.
        fibre_mm: The same.
        length_mm: The same.
        end_factor: The same.
        offset_mm: The same, above nought.
        e_mpa: The same.
        yield_mpa: Of it.

    Source:
        Root of the secant formula below Euler's load.
    """
    euler = math.pi**2 * e_mpa * area_mm2 * (gyration_mm / (end_factor * length_mm)) ** 2

    def over(load_n: float) -> float:
        stress = secant_stress_mpa(
            load_n,
            area_mm2=area_mm2,
            gyration_mm=gyration_mm,
            fibre_mm=fibre_mm,
            length_mm=length_mm,
            end_factor=end_factor,
            offset_mm=offset_mm,
            e_mpa=e_mpa,
        )
        return min(stress, 1e12) - yield_mpa

    return float(brentq(over, 1e-9 * euler, euler * (1 - 1e-12)))


@dataclass(frozen=True, slots=True, kw_only=True)
class PanelBuckling:
    """When a flat panel under compression buckles."""

    factor: float
    elastic_mpa: float
    buckling_mpa: float
    rule: str  # elastic, or reduced near yield


def panel_buckling(
    *, breadth_mm: float, thickness_mm: float, has_free_edge: bool, e_mpa: float, poisson: float, yield_mpa: float
) -> PanelBuckling:
    """Return the stress at which a long panel buckles.

    Args:
        breadth_mm: Between its supported edges, or from one to the free one.
        thickness_mm: Of it.
        has_free_edge: One of its long edges is free.
        e_mpa: Young's modulus.
        poisson: Poisson's ratio.
        yield_mpa: Of it.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        k π² E/(12 (1 - ν²)) (t/b)², simply supported, k 4.0 or 0.43; above half of yield S_y (1 - S_y/4σ_cr). Worked
        example panel-buckling.
    """
    if not (breadth_mm > 0 and thickness_mm > 0):
        raise ImpossibleInput("panel", min(breadth_mm, thickness_mm), "of sizes above 0")
    factor = ONE_FREE if has_free_edge else SUPPORTED
    elastic = factor * math.pi**2 * e_mpa / (12 * (1 - poisson**2)) * (thickness_mm / breadth_mm) ** 2
    return reduced(factor, elastic, yield_mpa)


def reduced(factor: float, elastic_mpa: float, yield_mpa: float) -> PanelBuckling:
    """Return when a wall buckles that would at an elastic stress if it could not yield.

    Args:
        factor: By which that stress was found.
        elastic_mpa: That stress.
        yield_mpa: Of it.

    Source:
        Above half of yield S_y (1 - S_y/4σ), J. B. Johnson's parabola.
    """
    is_elastic = elastic_mpa <= yield_mpa / 2
    return PanelBuckling(
        factor=factor,
        elastic_mpa=elastic_mpa,
        buckling_mpa=elastic_mpa if is_elastic else yield_mpa * (1 - yield_mpa / (4 * elastic_mpa)),
        rule="elastic" if is_elastic else "reduced",
    )
