"""Whether the hub stands its fit and its speed, goes on without harm, and runs true."""

import math
from typing import Final

from driveline.benches.coupler.carriers import pressure_step
from driveline.benches.coupler.fit_sums import SHAFT, FitSums, fit_sums
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.sheet import HeatLimit
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.fits.interference import ROOM_C, WARM_K, bore_stress_mpa, heating_k
from driveline.fits.limits import Fit
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle, forgives
from driveline.shafts.hubs import spun_ring
from driveline.sheet import positive_of
from driveline.tables.materials import material
from driveline.working import Step, Working, entered, step, tabled, worked

GREATEST_C: Final = {HeatLimit.HARDENED: 200.0, HeatLimit.SEALS: 120.0}
HOT: Final = (
    "Gloves and face shield. Key in its way first; seat it to the shoulder in one go and hold until it bites; grub "
    "screw when it is cold."
)


def _tightest_step(fit: Fit, interference_mm: float) -> Step:
    """The fit at its greatest: the largest shaft in the least bore."""
    return _tightest(fit, interference_mm, "δ")


def _coldest_steps(fit: Fit, sums: FitSums, inputs: CouplerInputs) -> tuple[Step, ...]:
    """The same as cold as it gets, where the hub shrinks more than its shaft."""
    shaft, hub = inputs.motor_shaft, inputs.hub
    if sums.coldest_mm <= sums.greatest_mm or hub.made_of is None or shaft.diameter_mm is None:
        return (_tightest_step(fit, sums.greatest_mm),)
    first = _tightest(fit, sums.greatest_mm, "δ_0")
    colder = step(
        "δ",
        "δ_0 + (α_h - α_s) * ΔT * d",
        first,
        tabled("α_h", material(hub.made_of).expansion_per_k, "1/K", hub.made_of.words),
        tabled("α_s", SHAFT.expansion_per_k, "1/K", "steel shaft"),
        tabled("ΔT", hub.span.cold_k(WARM_K), "K", "colder"),
        entered("d", shaft.diameter_mm, "mm", f"{shaft.field}.diameter"),
        value=sums.coldest_mm,
        unit="mm",
        decimals=4,
    )
    return first, colder


def _tightest(fit: Fit, interference_mm: float, symbol: str) -> Step:
    return step(
        symbol,
        "d_most - D_bore",
        worked("d_most", fit.shaft.greatest_mm, "mm", f"greatest shaft, {fit.shaft.zone}"),
        worked("D_bore", fit.bore.least_mm, "mm", f"least bore, {fit.bore.zone}"),
        value=interference_mm,
        unit="mm",
        decimals=4,
    )


def hub_stress_check(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """Return whether the hub stands its tightest fit."""
    shaft, hub = inputs.motor_shaft, inputs.hub
    sums, missing = fit_sums(shaft, hub, needs.greatest_rpm)
    stress = yields = None
    says = wanted_words(missing)
    if sums and hub.made_of and hub.outside_mm and shaft.diameter_mm:
        yields = material(hub.made_of).yield_mpa
        stress = bore_stress_mpa(pressure_mpa=sums.greatest_mpa, joint_mm=shaft.diameter_mm, outside_mm=hub.outside_mm)
        says = f"{fig(stress, 'MPa', 0)} at the tightest fit, on a hub that gives at {num(yields, 'MPa')}"

    def working() -> Working:
        source = "Lamé; von Mises of hoop and pressure at the bore. Nothing has bedded in, as cold as it gets."
        if stress is None or sums is None or hub.fit is None:
            return Working(source=source)
        fitted = _coldest_steps(hub.fit, sums, inputs)
        pressure, d, outside = pressure_step(shaft, hub, fitted[-1], sums.greatest_mpa)
        hoop_mpa = sums.greatest_mpa * ((outside.value**2 + d.value**2) / (outside.value**2 - d.value**2))
        hoop = step("σ_t", "p * (D**2 + d**2) / (D**2 - d**2)", pressure, outside, d, value=hoop_mpa, unit="MPa")
        mises = step("σ_v", "sqrt(σ_t**2 + σ_t * p + p**2)", hoop, pressure, value=stress, unit="MPa")
        return Working(steps=(*fitted, pressure, hoop, mises), source=source)

    return judge.check(
        "maker_rating",
        key="coupler.hub_stress",
        title="Hub at its tightest fit",
        demand=stress,
        capacity=yields,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("coupler.hub", "coupler.motor_shaft"),
        station="coupler",
        working=working,
    )


def heat_check(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """Return whether the hub can be warmed enough without harm to what is beside it."""
    shaft, hub = inputs.motor_shaft, inputs.hub
    sums, missing = fit_sums(shaft, hub, needs.greatest_rpm)
    missing = (*missing, *missing_of({"What must stay cold beside it": hub.beside}))
    warmer_k = None
    says = wanted_words(missing)
    if sums and hub.made_of and shaft.diameter_mm:
        expands = material(hub.made_of).expansion_per_k
        warmer_k = 0.0
        if sums.greatest_mm > 0:
            warmer_k = heating_k(interference_mm=sums.greatest_mm, joint_mm=shaft.diameter_mm, expansion_per_k=expands)
        warmed = f"{fig(ROOM_C + warmer_k, '°C', 0)} to slip on over a shaft at {fig(ROOM_C, '°C', 0)}"
        says = f"{warmed}. {says}"
        if hub.beside is not None:
            says = f"{warmed}; {fig(GREATEST_C[hub.beside], '°C', 0)} at most beside {hub.beside.words}"

    def working() -> Working:
        source = "ΔT = (δ + slip-on clearance)/(α d); clearance 0.001 d, at least 0.03 mm."
        if warmer_k is None or sums is None or shaft.diameter_mm is None or hub.made_of is None or hub.fit is None:
            return Working(source=source, note=HOT)
        delta = _tightest_step(hub.fit, sums.greatest_mm)
        slip = "(δ + max(0.001 * d, s)) / (α * d)"
        found = step(
            "ΔT",
            slip if sums.greatest_mm > 0 else f"0 * {slip}",
            delta,
            entered("d", shaft.diameter_mm, "mm", "coupler.motor_shaft.diameter"),
            tabled("s", 0.03, "mm", "least slip-on clearance"),
            tabled("α", material(hub.made_of).expansion_per_k, "1/K", hub.made_of.words),
            value=warmer_k,
            unit="K",
        )
        return Working(steps=(delta, found), source=source, note=HOT)

    return judge.check(
        "clearance",
        key="coupler.heat",
        title="Hub no hotter than its place bears",
        demand=warmer_k,
        capacity=None if hub.beside is None else GREATEST_C[hub.beside] - ROOM_C,
        unit="K",
        says=says,
        missing=missing,
        inputs=("coupler.hub.beside", "coupler.hub.fit", "coupler.hub.made_of"),
        station="coupler",
        working=working,
    )


def rim_mm(inputs: CouplerInputs, style: CouplerStyle) -> float | None:
    """Return the widest that turns of the coupler's own."""
    if style is CouplerStyle.FLEXIBLE:
        return inputs.jaw.outside_mm
    hub = inputs.hub
    if style is not CouplerStyle.RIGID:
        return hub.outside_mm
    return None if hub.flange_mm is None or hub.outside_mm is None else max(hub.flange_mm, hub.outside_mm)


def spun_check(inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle, judge: Judge) -> Check:
    """Return whether the hub stands its top speed."""
    bore_mm, outside_mm, made_of = inputs.motor_shaft.diameter_mm, rim_mm(inputs, style), inputs.hub.made_of
    outside_field = "coupler.jaw.outside" if style is CouplerStyle.FLEXIBLE else "coupler.hub.outside"
    missing = missing_of(
        {
            "Top speed of the motor": needs.greatest_rpm,
            "Outside of the coupler": outside_mm,
            "Diameter of the motor shaft": bore_mm,
            "What the hub is made of": made_of,
        }
    )
    hoop = yields = None
    says = wanted_words(missing)
    if needs.greatest_rpm and outside_mm and bore_mm and made_of and outside_mm > bore_mm:
        made = material(made_of)
        yields = made.yield_mpa
        spun = spun_ring(
            outside_mm=outside_mm,
            bore_mm=bore_mm,
            density_kgm3=made.density_kgm3,
            poisson=made.poisson,
            rpm=needs.greatest_rpm,
        )
        hoop = spun.bore_hoop_mpa
        at_speed = f"{fig(hoop, 'MPa', 0)} at {fig(needs.greatest_rpm, 'rpm', 0)}, rim at {fig(spun.rim_ms, 'm/s', 0)}"
        says = f"{at_speed}, on a hub that gives at {num(yields, 'MPa')}"
    elif not missing:
        missing = ("Outside of the coupler, wider than its bore",)
        says = wanted_words(missing)

    return judge.check(
        "bracket_yield",
        key="coupler.spun",
        title="Hub stands its top speed",
        demand=hoop,
        capacity=yields,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=(outside_field, "coupler.hub.made_of", "brief.motor.greatest_rpm"),
        station="coupler",
        working=lambda: _spun_working(inputs, needs.greatest_rpm, outside_mm, outside_field, hoop),
    )


def _spun_working(
    inputs: CouplerInputs, rpm: float | None, outside_mm: float | None, outside_field: str, hoop_mpa: float | None
) -> Working:
    source = "Rotating disc, plane stress: hoop at the bore. The fit's own stress comes on top while it stands still."
    bore_mm, made_of = inputs.motor_shaft.diameter_mm, inputs.hub.made_of
    if hoop_mpa is None or made_of is None or rpm is None or outside_mm is None or bore_mm is None:
        return Working(source=source)
    made = material(made_of)
    spin = worked("n", rpm, "rpm", "motor's top speed")
    omega = step("ω", "2 * pi * n", spin, value=2 * math.pi * rpm / 60, unit="1/s")
    found = step(
        "σ",
        "ρ * ω**2 / 4 * ((3 + ν) * (D / 2)**2 + (1 - ν) * (d / 2)**2)",
        tabled("ρ", made.density_kgm3, "kg/m³", made_of.words),
        omega,
        tabled("ν", made.poisson, "", made_of.words),
        entered("D", outside_mm, "mm", outside_field),
        entered("d", bore_mm, "mm", "coupler.motor_shaft.diameter"),
        value=hoop_mpa,
        unit="MPa",
        decimals=1,
    )
    return Working(steps=(omega, found), source=source)


def allowed_parallel_mm(inputs: CouplerInputs, style: CouplerStyle) -> float:
    """Return what the coupling forgives in offset: its maker's figure, else the style's usual one."""
    return forgives(style, parallel_mm=positive_of(inputs.sheet.allowed_parallel)).parallel_mm


def runout_check(inputs: CouplerInputs, style: CouplerStyle, judge: Judge) -> Check:
    """Return whether the seated hub runs true enough for its style."""
    allowed_mm, tir_mm = allowed_parallel_mm(inputs, style), inputs.runout_mm
    missing = missing_of({"Total reading of a dial on the seated hub, turned by hand": tir_mm})
    off_mm = None if tir_mm is None else tir_mm / 2
    says = (
        f"{num(off_mm, 'mm', 3)} off its axis, of {fig(allowed_mm, 'mm', 2)}"
        if off_mm is not None
        else f"May read {fig(2 * allowed_mm, 'mm', 2)} in all. {wanted_words(missing)}"
    )

    def working() -> Working:
        source = "Half of the total reading is eccentricity, if the hub is round. What the plate uses up comes on top."
        if tir_mm is None or off_mm is None:
            return Working(source=source)
        read = entered("TIR", tir_mm, "mm", "coupler.runout")
        return Working(steps=(step("e", "TIR / 2", read, value=off_mm, unit="mm", decimals=3),), source=source)

    return judge.check(
        "clearance",
        key="coupler.runout",
        title="Hub runs true",
        demand=off_mm,
        capacity=allowed_mm,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("coupler.runout", "coupler.allowed_parallel"),
        station="coupler",
        working=working,
    )
