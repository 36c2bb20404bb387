"""What a keyway leaves of the hub, what a fit squeezes of a hollow shaft, and what a taper's nut does to both."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.coupler.carriers import DESIGN, TAPER_FRICTION
from driveline.benches.coupler.fit_sums import fit_sums
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.sheet import ShaftKind
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.fits.interference import bore_stress_mpa, inner_bore_hoop_mpa
from driveline.joints.preload_sums import proof_step, stress_area_step
from driveline.joints.screws import NUT_FACTOR
from driveline.joints.sheet import Condition
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.bolts import bolt_class, greatest_preload_n, preload_n, proof_load_n
from driveline.shafts.tapers import Taper
from driveline.shafts.torsion import (
    HUB_CLEAR_MM,
    hoop_and_shear_mpa,
    net_wall_hoop_mpa,
    shaft_shear_mpa,
    wall_over_keyway_mm,
)
from driveline.tables.materials import PlateMaterial, material
from driveline.working import Step, Working, entered, step, tabled, worked

SHAFT_YIELD_MPA: Final = material(PlateMaterial.STEEL).yield_mpa
HUB_WALL: Final = (
    "Over the keyway's corner, where least is left; the fit's hoop there is p d/2 over that wall. Keyway in the hub as "
    "deep as its key stands out, and 0.3 mm clear."
)
HOLLOW: Final = "Lamé, thick ring squeezed from outside, −2 p d²/(d² − d_i²), with torsion by von Mises."
NUT: Final = "Greatest preload by tightening, a quarter above its mean, on the proof of its thread (ISO 898-1)."
CONE: Final = "Pressure of the cone at the nut's greatest preload, oiled; Lamé and von Mises at the hub's bore."


def wall_checks(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of what is left of hub and shaft on the motor's side."""
    shaft = inputs.motor_shaft
    if shaft.kind is ShaftKind.KEYED:
        yield _hub_wall(inputs, needs, judge)
        if shaft.bore_mm:
            yield _hollow(inputs, needs, judge)
    if shaft.kind is ShaftKind.TAPERED:
        yield _nut(inputs, judge)
        yield _cone(inputs, judge)


def _hub_wall(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    shaft, hub = inputs.motor_shaft, inputs.hub
    size, d_mm = shaft.key.size, shaft.diameter_mm
    sums, missing = fit_sums(shaft, hub, needs.greatest_rpm)
    missing = (*missing, *missing_of({f"Section of the key of the {shaft.word}": size}))
    wall = stress = yields = None
    if size is not None and d_mm is not None and hub.outside_mm is not None:
        depth = size.height_mm - size.shaft_depth_mm + HUB_CLEAR_MM
        wall = wall_over_keyway_mm(hub_mm=hub.outside_mm, shaft_mm=d_mm, depth_mm=depth, width_mm=size.width_mm)[1]
    if hub.made_of is not None:
        yields = material(hub.made_of).yield_mpa
    is_through = wall is not None and wall <= 0
    if wall is not None and sums is not None and d_mm is not None:
        stress = 0.0 if is_through else net_wall_hoop_mpa(pressure_mpa=sums.greatest_mpa, shaft_mm=d_mm, wall_mm=wall)
    says = wanted_words(missing)
    if is_through:
        says = "The keyway breaks through the hub: a larger hub, or a lower key."
        stress, yields = 1.0, 0.0
    elif stress is not None:
        says = f"{fig(wall, 'mm', 1)} left over it, {fig(stress, 'MPa', 0)} in that at the tightest fit"

    def working() -> Working:
        if stress is None or wall is None or is_through or size is None or sums is None or not d_mm:
            return Working(source=HUB_WALL)
        left = step(
            "s",
            "D / 2 - sqrt((d / 2 + h - t_1 + t_c)**2 + (b / 2)**2)",
            entered("D", hub.outside_mm or 0.0, "mm", "coupler.hub.outside"),
            entered("d", d_mm, "mm", f"{shaft.field}.diameter"),
            worked("h", size.height_mm, "mm", "height of the key"),
            worked("t_1", size.shaft_depth_mm, "mm", "of it in the shaft"),
            tabled("t_c", HUB_CLEAR_MM, "mm", "clear over the key"),
            worked("b", size.width_mm, "mm", "width of the key"),
            value=wall,
            unit="mm",
            decimals=2,
        )
        pressure = worked("p", sums.greatest_mpa, "MPa", "of the tightest fit")
        d = entered("d", d_mm, "mm", f"{shaft.field}.diameter")
        last = step("σ_t", "p * d / (2 * s)", pressure, d, left, value=stress, unit="MPa", decimals=1)
        return Working(steps=(left, last), source=HUB_WALL)

    return judge.check(
        "maker_rating",
        key="coupler.hub_wall",
        title="Hub's wall over its keyway",
        demand=stress,
        capacity=yields,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("coupler.hub.outside", f"{shaft.field}.key"),
        station="coupler",
        working=working,
    )


def _hollow(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    shaft, hub = inputs.motor_shaft, inputs.hub
    sums, missing = fit_sums(shaft, hub, needs.greatest_rpm)
    missing = (*missing, *missing_of({DESIGN: needs.design_nm}))
    d_mm, bore, stress = shaft.diameter_mm, shaft.bore_mm, None
    hoop = shear = 0.0
    if sums is not None and d_mm and bore and needs.design_nm is not None:
        hoop = inner_bore_hoop_mpa(pressure_mpa=sums.greatest_mpa, joint_mm=d_mm, inside_mm=bore)
        shear = shaft_shear_mpa(torque_nm=needs.design_nm, outside_mm=d_mm, bore_mm=bore) * bore / d_mm
        stress = hoop_and_shear_mpa(hoop_mpa=hoop, pressure_mpa=0.0, shear_mpa=shear)

    def working() -> Working:
        if stress is None or sums is None or not d_mm or not bore or needs.design_nm is None:
            return Working(source=HOLLOW)
        d = entered("d", d_mm, "mm", f"{shaft.field}.diameter")
        inside = entered("d_i", bore, "mm", f"{shaft.field}.bore")
        pressure = worked("p", sums.greatest_mpa, "MPa", "of the tightest fit")
        squeezed = step("σ_t", "2 * p * d**2 / (d**2 - d_i**2)", pressure, d, inside, value=-hoop, unit="MPa")
        torque = worked("T", needs.design_nm, "N·m", "design torque")
        twisted = step("τ", "16 * T * d_i / (pi * (d**4 - d_i**4))", torque, inside, d, value=shear, unit="MPa")
        last = step("σ_v", "sqrt(σ_t**2 + 3 * τ**2)", squeezed, twisted, value=stress, unit="MPa", decimals=1)
        return Working(steps=(squeezed, twisted, last), source=HOLLOW)

    return judge.check(
        "maker_rating",
        key="coupler.hollow_shaft",
        title="Hollow motor shaft under its hub",
        demand=stress,
        capacity=SHAFT_YIELD_MPA,
        unit="MPa",
        says=wanted_words(missing)
        if stress is None
        else f"{fig(stress, 'MPa', 0)} in its bore, squeezed and twisted, of {num(SHAFT_YIELD_MPA, 'MPa', 0)}",
        missing=missing,
        inputs=(f"{shaft.field}.bore", "coupler.hub.fit"),
        station="coupler",
        working=working,
    )


def _greatest_n(inputs: CouplerInputs) -> float | None:
    """What the nut draws at the most; oiled, which draws more."""
    taper = inputs.motor_shaft.taper
    if taper.nut is None or taper.tightening_nm is None:
        return None
    factor = NUT_FACTOR[Condition.OILED]
    mean = preload_n(tightening_nm=taper.tightening_nm, nut_factor=factor, diameter_mm=taper.nut.diameter_mm)
    return greatest_preload_n(mean)


def _drawn(inputs: CouplerInputs, greatest_n: float) -> Step:
    taper, field = inputs.motor_shaft.taper, f"{inputs.motor_shaft.field}.taper"
    nut_mm, name = (taper.nut.diameter_mm, taper.nut.name) if taper.nut else (0.0, "")
    return step(
        "F_great",
        "1.25 * T_nut / (K * d_n)",
        entered("T_nut", taper.tightening_nm or 0.0, "N·m", f"{field}.tightening"),
        tabled("K", NUT_FACTOR[Condition.OILED], "", "oiled thread, which draws most"),
        tabled("d_n", nut_mm, "mm", name),
        value=greatest_n,
        unit="N",
    )


def _nut(inputs: CouplerInputs, judge: Judge) -> Check:
    taper, field = inputs.motor_shaft.taper, f"{inputs.motor_shaft.field}.taper"
    greatest, strength, proof = _greatest_n(inputs), None, None
    if taper.nut is not None and taper.nut_class is not None:
        strength = bolt_class(taper.nut_class.words, taper.nut.diameter_mm)
        proof = proof_load_n(taper.nut, strength)
    missing = missing_of(
        {
            "Thread of its nut": taper.nut,
            "Tightening of its nut": taper.tightening_nm,
            "Strength of the shaft's thread, as of a screw": taper.nut_class,
        }
    )

    def working() -> Working:
        if greatest is None or proof is None or strength is None or taper.nut is None:
            return Working(source=NUT)
        area = stress_area_step(taper.nut)
        return Working(steps=(_drawn(inputs, greatest), area, proof_step(strength, area, proof)), source=NUT)

    return judge.check(
        "bolt_proof",
        key="coupler.nut_proof",
        title="Nut of the taper within proof",
        demand=greatest,
        capacity=proof,
        unit="N",
        says=wanted_words(missing)
        if greatest is None or proof is None
        else f"{num(greatest, 'N', 0)} at the most, of {fig(proof, 'N', 0)}",
        missing=missing,
        inputs=(f"{field}.nut", f"{field}.tightening", f"{field}.nut_class"),
        station="coupler",
        working=working,
    )


def _cone(inputs: CouplerInputs, judge: Judge) -> Check:
    """The hub of a taper, stretched by its cone."""
    shaft, hub, taper = inputs.motor_shaft, inputs.hub, inputs.motor_shaft.taper
    greatest = _greatest_n(inputs)
    missing = missing_of(
        {
            f"Diameter of the {shaft.word} at the taper's large end": shaft.diameter_mm,
            "Length of the taper": taper.length_mm,
            "Taper, one in how much": taper.one_in,
            "Thread and tightening of its nut": greatest,
            "Outside of the hub round its bore": hub.outside_mm,
            "What the hub is made of": hub.made_of,
        }
    )
    stress = yields = cone = pressure = None
    if shaft.diameter_mm and taper.length_mm and taper.one_in and greatest is not None and hub.outside_mm:
        cone = Taper(large_mm=shaft.diameter_mm, length_mm=taper.length_mm, one_in=taper.one_in)
        pressure = cone.pressure_mpa(preload_n=greatest, friction=TAPER_FRICTION)
        stress = bore_stress_mpa(pressure_mpa=pressure, joint_mm=cone.large_mm, outside_mm=hub.outside_mm)
    if hub.made_of is not None:
        yields = material(hub.made_of).yield_mpa

    return judge.check(
        "maker_rating",
        key="coupler.hub_stress",
        title="Hub drawn up its taper",
        demand=stress,
        capacity=yields,
        unit="MPa",
        says=wanted_words(missing)
        if stress is None or yields is None
        else f"{fig(stress, 'MPa', 0)} at the nut's greatest preload, on a hub that gives at {num(yields, 'MPa')}",
        missing=missing,
        inputs=("coupler.hub", f"{shaft.field}.taper"),
        station="coupler",
        working=lambda: _cone_working(inputs, cone, greatest, stress, pressure),
    )


def _cone_working(
    inputs: CouplerInputs,
    cone: Taper | None,
    greatest: float | None,
    stress: float | None,
    pressure: float | None,
) -> Working:
    shaft, hub = inputs.motor_shaft, inputs.hub
    if stress is None or cone is None or pressure is None or greatest is None:
        return Working(source=CONE)
    force = _drawn(inputs, greatest)
    one_in = entered("c", cone.one_in, "", f"{shaft.field}.taper.one_in")
    length = entered("L", cone.length_mm, "mm", f"{shaft.field}.taper.length")
    d = entered("d", cone.large_mm, "mm", f"{shaft.field}.diameter")
    angle = step("α", "atan(1 / (2 * c))", one_in, value=cone.half_angle_deg, unit="°", decimals=3)
    mean = step("d_m", "d - L / (2 * c)", d, length, one_in, value=cone.mean_mm, unit="mm", decimals=2)
    mu = tabled("μ", TAPER_FRICTION, "", "oiled steel")
    pressed = step(
        "p",
        "F_great * cos(α) / (pi * d_m * L * (sin(α) + μ * cos(α)))",
        force,
        angle,
        mean,
        length,
        mu,
        value=pressure,
        unit="MPa",
        decimals=1,
    )
    outside = entered("D", hub.outside_mm or 0.0, "mm", "coupler.hub.outside")
    ratio = ((hub.outside_mm or 0.0) ** 2 + cone.large_mm**2) / ((hub.outside_mm or 0.0) ** 2 - cone.large_mm**2)
    hoop = step("σ_t", "p * (D**2 + d**2) / (D**2 - d**2)", pressed, outside, d, value=pressure * ratio, unit="MPa")
    mises = step("σ_v", "sqrt(σ_t**2 + σ_t * p + p**2)", hoop, pressed, value=stress, unit="MPa", decimals=1)
    return Working(steps=(force, angle, mean, pressed, hoop, mises), source=CONE)
