"""A hub's interference fit at its least and its greatest."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.coupler.inputs import HubInputs
from driveline.benches.coupler.shaft_inputs import ShaftInputs
from driveline.fits.interference import (
    WARM_K,
    Elastic,
    Span,
    embedding_mm,
    fit_pressure_mpa,
    spun_off_mm,
    warm_interference_mm,
)
from driveline.margins import missing_of
from driveline.tables.materials import Material, PlateMaterial, material

OF_SHAFT: Final = "Diameter of the {}, over 3 up to 500 mm: measured, or nominal with its maker's zone"
SHAFT: Final = material(PlateMaterial.STEEL)


@dataclass(frozen=True, slots=True, kw_only=True)
class FitSums:
    """An interference fit at its least and its greatest."""

    least_mm: float  # less what beds in
    greatest_mm: float
    coldest_mm: float  # the greatest, as cold as it gets: unlike metals shrink apart
    least_mpa: float
    greatest_mpa: float
    spun_mm: float  # taken off the least by speed
    warm_mm: float  # and by warmth, of unlike metals


def _coldest_mm(greatest_mm: float, d_mm: float, made: Material, span: Span) -> float:
    """The greatest interference, where a hub shrinks more than its shaft as cold as it gets."""
    cold_mm = warm_interference_mm(
        interference_mm=greatest_mm,
        joint_mm=d_mm,
        warmer_k=-span.cold_k(WARM_K),
        outer_per_k=made.expansion_per_k,
        inner_per_k=SHAFT.expansion_per_k,
    )
    return max(greatest_mm, cold_mm)


def fit_sums(shaft: ShaftInputs, hub: HubInputs, rpm: float | None) -> tuple[FitSums | None, tuple[str, ...]]:
    """Return the pressures of the fit, or what is missing for them.

    At its least the fit is bedded in, as warm as it gets, and turning at ``rpm``; at its greatest none of these, and as
    cold as it gets.
    """
    missing = _fit_missing(shaft, hub, rpm)
    fit, d_mm = hub.fit, shaft.diameter_mm
    if missing or fit is None or d_mm is None or hub.outside_mm is None or hub.made_of is None or shaft.bore_mm is None:
        return None, missing
    made = material(hub.made_of)
    embeds_mm = embedding_mm(outer_rz_um=hub.hub_rz_um or 0.0, inner_rz_um=hub.shaft_rz_um or 0.0)
    spun_mm = spun_off_mm(
        joint_mm=d_mm,
        outside_mm=hub.outside_mm,
        density_kgm3=made.density_kgm3,
        rpm=rpm or 0.0,
        outer=Elastic(modulus_mpa=made.modulus_mpa, poisson=made.poisson),
        inner_density_kgm3=SHAFT.density_kgm3,
        inner=Elastic(modulus_mpa=SHAFT.modulus_mpa, poisson=SHAFT.poisson),
    )
    cold_mm = -fit.greatest_play_mm - embeds_mm - spun_mm
    warm_mm = warm_interference_mm(
        interference_mm=cold_mm,
        joint_mm=d_mm,
        warmer_k=hub.span.warmer_k,
        outer_per_k=made.expansion_per_k,
        inner_per_k=SHAFT.expansion_per_k,
    )
    least_mm, greatest_mm = min(cold_mm, warm_mm), -fit.least_play_mm
    coldest_mm = _coldest_mm(greatest_mm, d_mm, made, hub.span)
    least, greatest = (
        fit_pressure_mpa(
            interference_mm=one,
            joint_mm=d_mm,
            outside_mm=hub.outside_mm,
            inside_mm=shaft.bore_mm,
            outer=Elastic(modulus_mpa=made.modulus_mpa, poisson=made.poisson),
            inner=Elastic(modulus_mpa=SHAFT.modulus_mpa, poisson=SHAFT.poisson),
        )
        for one in (least_mm, coldest_mm)
    )
    sums = FitSums(
        least_mm=least_mm,
        greatest_mm=greatest_mm,
        coldest_mm=coldest_mm,
        least_mpa=least,
        greatest_mpa=greatest,
        spun_mm=spun_mm,
        warm_mm=cold_mm - least_mm,
    )
    return sums, ()


def _fit_missing(shaft: ShaftInputs, hub: HubInputs, rpm: float | None) -> tuple[str, ...]:
    return missing_of(
        {
            "Fit of the hub on the motor shaft": hub.fit_name,
            OF_SHAFT.format(shaft.word): shaft.limits,
            f"Bore through the {shaft.word}, 0 for none": shaft.bore_mm,
            "Outside of the hub round its bore": hub.outside_mm,
            "What the hub is made of": hub.made_of,
            "Roughness of bore and shaft": None if hub.hub_rz_um is None else hub.shaft_rz_um,
            "Top speed of the motor": rpm,
        }
    )
