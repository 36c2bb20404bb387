"""Registers and dowels: their limits, how warm to fit a tight one, and whether the plate bears it."""

from typing import Final

from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.pressed_working import pressed_working
from driveline.benches.plate.results import RegisterResult
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.fits.interference import (
    COLD_K,
    Elastic,
    Span,
    bore_stress_mpa,
    fit_pressure_mpa,
    heating_k,
    warm_interference_mm,
)
from driveline.fits.limits import Fit, fit_within
from driveline.flat.seats import SeatKind
from driveline.margins import Judge, missing_of, wanted_words
from driveline.tables.materials import PlateMaterial, material
from driveline.working import fixed_working

RING_FIT: Final = "H7/p6"  # of a ring in the plate


def register_results(inputs: PlateInputs) -> tuple[RegisterResult, ...]:
    """Return what registers and dowels are to be machined to."""
    wanted = [(f"register Ø{one.size_mm:g}", one.size_mm, one.fit.value) for one in inputs.plate.registers]
    dowel_mm = inputs.plate.dowel_mm
    if dowel_mm is not None and inputs.plate.dowel_fit is not None:
        wanted.append((f"dowel Ø{dowel_mm:g}", dowel_mm, inputs.plate.dowel_fit.value))
    found = [_result(inputs, what, size_mm, name) for what, size_mm, name in wanted]
    return tuple(one for one in found if one is not None)


def _result(inputs: PlateInputs, what: str, size_mm: float, name: str) -> RegisterResult | None:
    found = fit_within(size_mm, name)
    if found is None:
        return None
    warmer_k = None
    if found.least_play_mm < 0 and inputs.plate.made_of is not None:
        expansion = material(inputs.plate.made_of).expansion_per_k
        warmer_k = heating_k(interference_mm=-found.least_play_mm, joint_mm=size_mm, expansion_per_k=expansion)
    return RegisterResult(
        what=what,
        fit=name,
        bore_least_mm=found.bore.least_mm,
        bore_greatest_mm=found.bore.greatest_mm,
        spigot_least_mm=found.shaft.least_mm,
        spigot_greatest_mm=found.shaft.greatest_mm,
        least_play_mm=found.least_play_mm,
        greatest_play_mm=found.greatest_play_mm,
        warmer_k=warmer_k,
    )


def register_checks(inputs: PlateInputs, rim_mm: float | None, judge: Judge) -> tuple[Check, ...]:
    """Return whether the plate bears each register that is pressed into it.

    Args:
        inputs: Of the bench.
        rim_mm: Diameter of the ring of plate round the bore; ``None`` while nothing is drawn.
        judge: Of the bench.
    """
    checks = []
    for k, register in enumerate(inputs.plate.registers):
        if register.kind is SeatKind.SPIGOT:
            continue  # it is pressed into the other, not the other into the plate
        size_mm, fit = register.size_mm, register.fit.value
        if register.kind is SeatKind.RING:
            size_mm, fit = register.ring_outside_mm or size_mm, RING_FIT
        found = fit_within(size_mm, fit)
        if found is None:
            checks.append(_outside_tables(size_mm, judge, k))
        elif found.least_play_mm < _shrinks_mm(inputs.plate.made_of, size_mm, inputs.span):
            checks.append(_pressed(inputs, size_mm, found, rim_mm, judge, k))
    return tuple(checks)


def _shrinks_mm(made_of: PlateMaterial | None, size_mm: float, span: Span) -> float:
    """By how much a plate's bore closes on a steel spigot in the cold; of a plate of nobody knows what, the most."""
    per_k = (
        max(material(one).expansion_per_k for one in PlateMaterial)
        if made_of is None
        else material(made_of).expansion_per_k
    )
    return max(per_k - material(PlateMaterial.STEEL).expansion_per_k, 0.0) * span.cold_k(COLD_K) * size_mm


def _outside_tables(size_mm: float, judge: Judge, k: int) -> Check:
    return judge.answer(
        is_so=None,
        key=f"plate.register_pressed_{k + 1}",
        title=f"Plate bears register {k + 1} pressed in",
        says=f"Ø{fig(size_mm, 'mm')} is outside the tables of fits (over {num(3, 'mm')}, up to {fig(500, 'mm')}): "
        "state its play as measured instead.",
        missing=("A register that the tables of fits know, or its play as measured",),
        inputs=("plate.plate.registers",),
        working=fixed_working("ISO 286-2."),
    )


def _pressed(inputs: PlateInputs, size_mm: float, found: Fit, rim_mm: float | None, judge: Judge, k: int) -> Check:
    made_of, span = inputs.plate.made_of, inputs.span
    missing = missing_of(
        {
            "What the plate is made of": made_of,
            "A plate that is drawn, with its bore": rim_mm,
        }
    )
    stress, capacity, cold_mm, pressure, warm_mm = None, None, None, None, None
    if made_of is not None and rim_mm is not None:
        plate, steel = material(made_of), material(PlateMaterial.STEEL)
        capacity = plate.yield_mpa
        cold_mm = _shrinks_mm(made_of, size_mm, span) - found.least_play_mm
        try:
            pressure = fit_pressure_mpa(
                interference_mm=cold_mm,
                joint_mm=size_mm,
                outside_mm=rim_mm,
                inside_mm=0.0,
                outer=Elastic(modulus_mpa=plate.modulus_mpa, poisson=plate.poisson),
                inner=Elastic(modulus_mpa=steel.modulus_mpa, poisson=steel.poisson),
            )
        except ImpossibleInput as error:
            missing = (f"A register inside the plate's edge: {error.rule}",)
        else:
            stress = bore_stress_mpa(pressure_mpa=pressure, joint_mm=size_mm, outside_mm=rim_mm)
            warm_mm = warm_interference_mm(
                interference_mm=max(-found.greatest_play_mm, 0.0),
                joint_mm=size_mm,
                warmer_k=span.warmer_k,
                outer_per_k=plate.expansion_per_k,
                inner_per_k=steel.expansion_per_k,
            )
    return judge.check(
        "bracket_yield",
        key=f"plate.register_pressed_{k + 1}",
        title=f"Plate bears register {k + 1} pressed in",
        demand=stress,
        capacity=capacity,
        unit="MPa",
        says=wanted_words(missing)
        or (f"{fig(stress, 'MPa', 0)} at the bore in the cold; the plate gives at {num(capacity, 'MPa')}"),
        missing=missing,
        inputs=("plate.plate.registers", "plate.plate.made_of"),
        working=lambda: pressed_working(
            material(made_of) if made_of else None,
            material(PlateMaterial.STEEL),
            size_mm,
            rim_mm,
            found,
            cold_mm=cold_mm,
            pressure_mpa=pressure,
            stress_mpa=stress,
            span=span,
            warm_mm=warm_mm,
        ),
    )
