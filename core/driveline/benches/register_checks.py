"""Registers and dowels: their limits, how warm to fit a tight one, and whether the plate bears it."""

from driveline.benches.common import Margins, missing_of, wanted_words
from driveline.benches.plate_results import RegisterResult
from driveline.checks import Check, Step, Working
from driveline.errors import ImpossibleInput
from driveline.fits import Fit, fit
from driveline.interference import (
    Elastic,
    bore_stress_mpa,
    fit_pressure_mpa,
    heating_k,
    held_torque_nm,
    warm_interference_mm,
)
from driveline.sheets.base import positive_of
from driveline.sheets.plate import PlateSheet
from driveline.tables.materials import PlateMaterial, material

WARM_K = 60.0  # a motor's face at 80 °C in a shop at 20 °C
FRICTION = 0.12  # pressed dry, DIN 7190's cautious figure


def register_results(sheet: PlateSheet) -> tuple[RegisterResult, ...]:
    """Return what registers and dowels are to be machined to."""
    wanted = [(f"register Ø{one.size.mm:g}", one.size.mm, one.fit.value) for one in sheet.plate.registers]
    dowel_mm = positive_of(sheet.plate.dowel_size)
    if dowel_mm is not None and sheet.plate.dowel_fit is not None:
        wanted.append((f"dowel Ø{dowel_mm:g}", dowel_mm, sheet.plate.dowel_fit.value))
    return tuple(_result(sheet, what, size_mm, name) for what, size_mm, name in wanted)


def _result(sheet: PlateSheet, what: str, size_mm: float, name: str) -> RegisterResult:
    found = fit(size_mm, name)
    warmer_k = None
    if found.least_play_mm < 0 and sheet.plate.made_of is not None:
        expansion = material(sheet.plate.made_of).expansion_per_k
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


def register_checks(sheet: PlateSheet, rim_mm: float | None, margins: Margins) -> tuple[Check, ...]:
    """Return whether the plate bears each register that is pressed into it.

    Args:
        sheet: Of the bench.
        rim_mm: Diameter of the ring of plate round the bore; ``None`` while nothing is drawn.
        margins: Of the job.
    """
    fits = [(one.size.mm, fit(one.size.mm, one.fit.value)) for one in sheet.plate.registers]
    return tuple(
        _pressed(sheet.plate.made_of, size_mm, found, rim_mm, margins, k)
        for k, (size_mm, found) in enumerate(fits)
        if found.least_play_mm < 0
    )


def _pressed(
    made_of: PlateMaterial | None, size_mm: float, found: Fit, rim_mm: float | None, margins: Margins, k: int
) -> Check:
    missing = missing_of(
        {
            "What the plate is made of": made_of,
            "A plate that is drawn, with its bore": rim_mm,
        }
    )
    stress, capacity = None, None
    steps: tuple[Step, ...] = ()
    if made_of is not None and rim_mm is not None:
        plate, steel = material(made_of), material(PlateMaterial.STEEL)
        capacity = plate.yield_mpa
        try:
            pressure = fit_pressure_mpa(
                interference_mm=-found.least_play_mm,
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
            warm = warm_interference_mm(
                interference_mm=max(-found.greatest_play_mm, 0.0),
                joint_mm=size_mm,
                warmer_k=WARM_K,
                outer_per_k=plate.expansion_per_k,
                inner_per_k=steel.expansion_per_k,
            )
            held = held_torque_nm(pressure_mpa=pressure, joint_mm=size_mm, length_mm=1.0, friction=FRICTION)
            steps = (
                Step(formula="p, Lamé, greatest interference", result=f"{pressure:.1f} MPa"),
                Step(formula="von Mises at the bore, p (D²+d²)/(D²−d²) and −p", result=f"{stress:.0f} MPa"),
                Step(formula="holds per mm of width, μ 0.12, not counted on", result=f"{held:.0f} N·m"),
                Step(formula=f"least interference left {WARM_K:g} K warmer", result=f"{warm:.3f} mm"),
            )
    return margins.check(
        "bracket_yield",
        key=f"plate.register_pressed_{k + 1}",
        bench="plate",
        title=f"Plate bears register {k + 1} pressed in",
        demand=stress,
        capacity=capacity,
        unit="MPa",
        says=wanted_words(missing) or f"{stress:.0f} MPa at the bore; the plate gives at {capacity:g}",
        missing=missing,
        inputs=("plate.plate.registers", "plate.plate.made_of"),
        working=Working(
            steps=steps,
            source="Greatest interference of both bands (ISO 286) on a solid steel spigot, which is cautious.",
            note="Warm the plate, never the motor: gloves, seat it in one go, and hold it until it bites.",
        ),
    )
