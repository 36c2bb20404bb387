"""The working of a register pressed into the plate."""

from driveline.benches.plate.usual_fits import FRICTION
from driveline.figures import fig
from driveline.fits.interference import COLD_K, Span, held_torque_nm
from driveline.fits.limits import Fit
from driveline.tables.materials import Material
from driveline.working import Given, Step, Working, entered, step, tabled, worked


def pressed_working(
    plate: Material | None,
    steel: Material,
    size_mm: float,
    rim_mm: float | None,
    found: Fit,
    *,
    cold_mm: float | None,
    pressure_mpa: float | None,
    stress_mpa: float | None,
    span: Span,
    warm_mm: float | None,
) -> Working:
    """Return the stress that a register pressed in puts into the plate, in the cold."""
    steps: tuple[Step, ...] = ()
    if plate and rim_mm and cold_mm is not None and pressure_mpa is not None and stress_mpa is not None:
        size = entered("d", size_mm, "mm", "plate.plate.registers")
        rim = worked("D", rim_mm, "mm", "the ring of plate round the bore, as drawn")
        tight = _tight_step(plate, steel, size_mm, found, cold_mm, span.cold_k(COLD_K))
        pressure = _pressure_step(plate, steel, tight, size, rim, pressure_mpa)
        steps = (tight, pressure, *_stress_steps(pressure, size, rim, stress_mpa))
    left = (
        ""
        if warm_mm is None
        else f" {fig(warm_mm, 'mm', 3)} of interference is left {fig(span.warmer_k, 'K')} warmer, at least."
    )
    return Working(
        steps=steps,
        source="Greatest interference of both bands (ISO 286) on a solid steel spigot, which is cautious.",
        note=f"Warm the plate, never the motor: gloves, seat it in one go, and hold it until it bites.{left}",
    )


def _tight_step(plate: Material, steel: Material, size_mm: float, found: Fit, cold_mm: float, cold_k: float) -> Step:
    shrinks = max(plate.expansion_per_k - steel.expansion_per_k, 0.0) * cold_k * size_mm
    return step(
        "δ",
        "δ_fit + δ_cold",
        tabled("δ_fit", -found.least_play_mm, "mm", "greatest interference of both bands, ISO 286-2"),
        worked("δ_cold", shrinks, "mm", f"(α − α_steel) d over {fig(cold_k, 'K')}, in the cold"),
        value=cold_mm,
        unit="mm",
        decimals=3,
    )


def _pressure_step(plate: Material, steel: Material, tight: Step, size: Given, rim: Given, pressure_mpa: float) -> Step:
    return step(
        "p",
        "max(δ, 0) / (d * (((D**2 + d**2) / (D**2 - d**2) + ν_o) / E_o + (1 - ν_i) / E_i))",
        tight,
        size,
        rim,
        tabled("ν_o", plate.poisson, "", "the plate's metal"),
        tabled("E_o", plate.modulus_mpa, "MPa", "the plate's metal"),
        tabled("ν_i", steel.poisson, "", "steel, solid"),
        tabled("E_i", steel.modulus_mpa, "MPa", "steel, solid"),
        value=pressure_mpa,
        unit="MPa",
        decimals=1,
        words="Lamé",
    )


def _stress_steps(pressure: Step, size: Given, rim: Given, stress_mpa: float) -> tuple[Step, ...]:
    held = held_torque_nm(pressure_mpa=pressure.value, joint_mm=size.value, length_mm=1.0, friction=FRICTION)
    hold = step(
        "T_1",
        "pi / 2 * μ * p * d**2 * mm_1",
        tabled("μ", FRICTION, "", "pressed dry"),
        pressure,
        size,
        tabled("mm_1", 1.0, "mm", "of width"),
        value=held,
        unit="N·m",
        words="holds for each unit of width, not counted on",
    )
    hoop_mpa = pressure.value * (rim.value**2 + size.value**2) / (rim.value**2 - size.value**2)
    hoop = step("σ_t", "p * (D**2 + d**2) / (D**2 - d**2)", pressure, rim, size, value=hoop_mpa, unit="MPa")
    mises, words = "sqrt(σ_t**2 + σ_t * p + p**2)", "von Mises, at the bore"
    return hold, hoop, step("σ", mises, hoop, pressure, value=stress_mpa, unit="MPa", words=words)
