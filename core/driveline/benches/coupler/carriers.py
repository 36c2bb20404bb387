"""What carries the torque from a shaft to its hub: key and fit, taper, or spline; each with its sums."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.benches.coupler.fit_sums import SHAFT, fit_sums
from driveline.benches.coupler.inputs import HubInputs
from driveline.benches.coupler.shaft_inputs import ShaftInputs
from driveline.benches.coupler.sheet import FitFriction
from driveline.figures import fig
from driveline.fits.interference import (
    held_torque_nm,
)
from driveline.joints.screws import NUT_FACTOR
from driveline.joints.sheet import Condition
from driveline.margins import missing_of
from driveline.metal.bolts import SCATTER, preload_n
from driveline.shafts.keys import REVERSING, KeyEnds, KeyStress, key_stress
from driveline.shafts.splines import GUIDE_MPA, side_pressure_mpa
from driveline.shafts.tapers import Taper
from driveline.tables.materials import PlateMaterial, material
from driveline.working import Given, Step, entered, entered_or_usual, step, tabled, worked

DESIGN: Final = "Design torque: motor, tyre and a gearing that is chosen"
KEY_YIELD_MPA: Final = 300.0
IN_SHEAR: Final = 0.577
IN_HUB: Final = "Lengths that say how much of the {} is in its hub, each with its ±"
FIT_FRICTION: Final = {FitFriction.HEATED: 0.14, FitFriction.DEGREASED: 0.20, FitFriction.OILED: 0.12}
TAPER_FRICTION: Final = 0.12


@dataclass(frozen=True, slots=True, kw_only=True)
class Carried:
    """What one way of carrying torque comes to; ``nm`` is ``None`` while something of it is missing."""

    what: str
    nm: float | None
    missing: tuple[str, ...]
    steps: tuple[Step, ...] = ()


def by_key(shaft: ShaftInputs, hub_made_of: PlateMaterial | None, within_mm: float | None) -> Carried:
    """Return what a key carries: the least of its flanks, which the overrun loads the other way, and its shear.

    ``within_mm`` of the key is in its hub for certain: what of it stands out bears nothing.
    """
    key, d_mm = shaft.key, shaft.diameter_mm
    ends_mm = key.size.width_mm if key.size and key.ends is KeyEnds.ROUND else 0.0
    length_mm = None if key.length_mm is None else within_mm
    bearing_mpa = key.bearing_mpa or (material(hub_made_of).yield_mpa if hub_made_of else None)
    missing = missing_of(
        {
            f"Diameter of the {shaft.word}": d_mm,
            f"Section of its key: width, height and depth in the {shaft.word}": key.size,
            "Length of its key": key.length_mm,
            "Ends of its key: square or round": key.ends,
            "What the hub is made of": bearing_mpa,
            f"How far behind the tip of the {shaft.word} its key begins": key.starts,
            IN_HUB.format(shaft.word): within_mm,
            "A key that bears within its hub": length_mm is None or length_mm > ends_mm,
        }
    )
    if missing or d_mm is None or key.size is None or length_mm is None or key.ends is None or not bearing_mpa:
        return Carried(what="key", nm=None, missing=missing)
    one = key_stress(torque_nm=1.0, shaft_mm=d_mm, key=key.size, length_mm=length_mm, ends=key.ends)
    flank_nm = REVERSING * bearing_mpa / one.bearing_mpa
    shear_nm = IN_SHEAR * KEY_YIELD_MPA / one.shear_mpa
    return Carried(
        what="key",
        nm=min(flank_nm, shear_nm),
        missing=(),
        steps=_key_steps(shaft, one, bearing_mpa, length_mm, flank_nm=flank_nm, shear_nm=shear_nm),
    )


def _key_steps(
    shaft: ShaftInputs, one: KeyStress, bearing_mpa: float, length_mm: float, *, flank_nm: float, shear_nm: float
) -> tuple[Step, ...]:
    """The sums of a key that is wholly known; ``one`` is what 1 N·m does to it."""
    key, size, field = shaft.key, shaft.key.size, f"{shaft.field}.key"
    assert size is not None and shaft.diameter_mm is not None and key.length_mm is not None

    def of_section(name: str, value_mm: float, where: str) -> Given:
        if key.is_standard:
            return tabled(name, value_mm, "mm", "of the standard for that shaft: ISO 773, or ASME B17.1 in inches")
        return entered(name, value_mm, "mm", f"{field}.{where}")

    width = of_section("b", size.width_mm, "width")
    height, depth = of_section("h", size.height_mm, "height"), of_section("t_1", size.shaft_depth_mm, "shaft_depth")
    d = entered("d", shaft.diameter_mm, "mm", f"{shaft.field}.diameter")
    length = entered("L", length_mm, "mm", f"{field}.length")
    if length_mm != key.length_mm:
        length = worked("L", length_mm, "mm", "of the key, as far as its hub is on the shaft for certain")
    is_round = key.ends is KeyEnds.ROUND
    ends = (length, width) if is_round else (length,)
    effective = step("l", "L - b" if is_round else "L", *ends, value=one.effective_mm, unit="mm", decimals=1)
    allowed = entered_or_usual("p_b", bearing_mpa, "MPa", f"{field}.bearing_mpa", is_usual=key.bearing_mpa is None)
    halved = tabled("k_r", REVERSING, "", "overrun loads it the other way")
    by_flank = "k_r * p_b * min(h - t_1, t_1) * l * d / 2"
    flank = step("T_flank", by_flank, halved, allowed, height, depth, effective, d, value=flank_nm, unit="N·m")
    strength = tabled("R_key", KEY_YIELD_MPA, "MPa", "key steel")
    by_shear = "0.577 * R_key * b * l * d / 2"
    shear = step("T_shear", by_shear, strength, width, effective, d, value=shear_nm, unit="N·m")
    least = step("T_key", "min(T_flank, T_shear)", flank, shear, value=min(flank_nm, shear_nm), unit="N·m")
    return effective, flank, shear, least


def pressure_step(
    shaft: ShaftInputs, hub: HubInputs, interference: Step, value_mpa: float
) -> tuple[Step, Given, Given]:
    """Return Lamé's pressure, with the diameters that it hangs on."""
    assert hub.made_of is not None and hub.outside_mm is not None and shaft.diameter_mm is not None
    made = material(hub.made_of)
    d = entered("d", shaft.diameter_mm, "mm", f"{shaft.field}.diameter")
    outside = entered("D", hub.outside_mm, "mm", "coupler.hub.outside")
    inside = entered("d_i", shaft.bore_mm or 0.0, "mm", f"{shaft.field}.bore")
    found = step(
        "p",
        "max(δ, 0) / (d * (((D**2 + d**2) / (D**2 - d**2) + ν_h) / E_h "
        "+ ((d**2 + d_i**2) / (d**2 - d_i**2) - ν_s) / E_s))",
        interference,
        d,
        outside,
        inside,
        tabled("ν_h", made.poisson, "", hub.made_of.words),
        tabled("E_h", made.modulus_mpa, "MPa", hub.made_of.words),
        tabled("ν_s", SHAFT.poisson, "", "steel shaft"),
        tabled("E_s", SHAFT.modulus_mpa, "MPa", "steel shaft"),
        value=value_mpa,
        unit="MPa",
        decimals=1,
    )
    return found, d, outside


def by_fit(shaft: ShaftInputs, hub: HubInputs, rpm: float | None, within_mm: float | None) -> Carried:
    """Return what the fit carries by friction at the least interference, bedded in, warm and at speed.

    ``within_mm`` of the seat is on the shaft for certain.
    """
    sums, missing = fit_sums(shaft, hub, rpm)
    seat_mm = None if within_mm is None else max(within_mm, 0.0)
    missing = (
        *missing,
        *missing_of({"How the hub is put on": hub.put_on, IN_HUB.format(shaft.word): seat_mm}),
    )
    if missing or sums is None or hub.put_on is None or seat_mm is None or shaft.diameter_mm is None or hub.fit is None:
        return Carried(what="fit", nm=None, missing=missing)
    mu = FIT_FRICTION[hub.put_on]
    nm = held_torque_nm(pressure_mpa=sums.least_mpa, joint_mm=shaft.diameter_mm, length_mm=seat_mm, friction=mu)
    tightest = worked("d_least", hub.fit.shaft.least_mm, "mm", f"least shaft, {hub.fit.shaft.zone}")
    widest = worked("D_bore", hub.fit.bore.greatest_mm, "mm", f"greatest bore, {hub.fit.bore.zone}")
    delta = step(
        "δ",
        "d_least - D_bore - 0.8 * (Rz_h + Rz_s) - g_spin - g_warm",
        tightest,
        widest,
        entered("Rz_h", (hub.hub_rz_um or 0.0) / 1000, "mm", "coupler.hub.hub_rz_um"),
        entered("Rz_s", (hub.shaft_rz_um or 0.0) / 1000, "mm", "coupler.hub.shaft_rz_um"),
        *((spin := _spin_step(shaft, hub, rpm or 0.0, sums.spun_mm))[-1:]),
        worked("g_warm", sums.warm_mm, "mm", f"unlike metals, {fig(hub.span.warmer_k, 'K')} warmer: (α_h - α_s) ΔT d"),
        value=sums.least_mm,
        unit="mm",
        decimals=4,
    )
    pressure, d, _ = pressure_step(shaft, hub, delta, sums.least_mpa)
    torque = step(
        "T_fit",
        "pi / 2 * μ * p * d**2 * l_s",
        tabled("μ", mu, "", hub.put_on.words),
        pressure,
        d,
        entered("l_s", seat_mm, "mm", "coupler.hub.seat")
        if seat_mm == hub.seat_mm
        else worked("l_s", seat_mm, "mm", "of the seat, as far as the shaft is in it for certain"),
        value=nm,
        unit="N·m",
        decimals=0,
    )
    return Carried(what="fit", nm=nm, missing=(), steps=(*spin, delta, pressure, torque))


def _spin_step(shaft: ShaftInputs, hub: HubInputs, rpm: float, spun_mm: float) -> tuple[Step, ...]:
    """What speed takes off the fit: the hub's bore grows, and the shaft less."""
    assert hub.made_of is not None and hub.outside_mm is not None and shaft.diameter_mm is not None
    made = material(hub.made_of)
    spin = worked("n", rpm, "rpm", "motor's top speed")
    omega = step("ω", "2 * pi * n", spin, value=2 * math.pi * rpm / 60, unit="1/s")
    found = step(
        "g_spin",
        "d * ω**2 / 4 * (ρ_h / E_h * ((3 + ν_h) * (D / 2)**2 + (1 - ν_h) * (d / 2)**2) "
        "- ρ_s / E_s * (1 - ν_s) * (d / 2)**2)",
        entered("d", shaft.diameter_mm, "mm", f"{shaft.field}.diameter"),
        omega,
        tabled("ρ_h", made.density_kgm3, "kg/m³", hub.made_of.words),
        tabled("E_h", made.modulus_mpa, "MPa", hub.made_of.words),
        tabled("ν_h", made.poisson, "", hub.made_of.words),
        entered("D", hub.outside_mm, "mm", "coupler.hub.outside"),
        tabled("ρ_s", SHAFT.density_kgm3, "kg/m³", "steel shaft"),
        tabled("E_s", SHAFT.modulus_mpa, "MPa", "steel shaft"),
        tabled("ν_s", SHAFT.poisson, "", "steel shaft"),
        value=spun_mm,
        unit="mm",
        decimals=4,
    )
    return omega, found


def by_taper(shaft: ShaftInputs) -> Carried:
    """Return what a taper carries at the nut's least preload."""
    taper = shaft.taper
    missing = missing_of(
        {
            f"Diameter of the {shaft.word} at the taper's large end": shaft.diameter_mm,
            "Length of the taper": taper.length_mm,
            "Taper, one in how much": taper.one_in,
            "Thread of its nut": taper.nut,
            "Tightening of its nut": taper.tightening_nm,
        }
    )
    if missing or not (shaft.diameter_mm and taper.length_mm and taper.one_in and taper.nut and taper.tightening_nm):
        return Carried(what="taper", nm=None, missing=missing)
    factor = NUT_FACTOR[Condition.DRY]
    drawn_n = preload_n(tightening_nm=taper.tightening_nm, nut_factor=factor, diameter_mm=taper.nut.diameter_mm)
    cone = Taper(large_mm=shaft.diameter_mm, length_mm=taper.length_mm, one_in=taper.one_in)
    nm = cone.torque_nm(preload_n=(1 - SCATTER) * drawn_n, friction=TAPER_FRICTION)
    field = f"{shaft.field}.taper"
    force = step(
        "F",
        "0.75 * T_nut / (K * d_n)",
        entered("T_nut", taper.tightening_nm, "N·m", f"{field}.tightening"),
        tabled("K", factor, "", "dry thread"),
        tabled("d_n", taper.nut.diameter_mm, "mm", taper.nut.name),
        value=(1 - SCATTER) * drawn_n,
        unit="N",
    )
    one_in = entered("c", taper.one_in, "", f"{field}.one_in")
    mean = step(
        "d_m",
        "d - L / (2 * c)",
        entered("d", shaft.diameter_mm, "mm", f"{shaft.field}.diameter"),
        entered("L", taper.length_mm, "mm", f"{field}.length"),
        one_in,
        value=cone.mean_mm,
        unit="mm",
        decimals=2,
    )
    torque = step(
        "T_taper",
        "μ * F * d_m / 2 / (sin(atan(1 / (2 * c))) + μ * cos(atan(1 / (2 * c))))",
        tabled("μ", TAPER_FRICTION, "", "oiled steel"),
        force,
        mean,
        one_in,
        value=nm,
        unit="N·m",
        decimals=0,
    )
    return Carried(what="taper", nm=nm, missing=(), steps=(force, mean, torque))


def by_spline(shaft: ShaftInputs, engaged_mm: float | None, engaged_missing: tuple[str, ...]) -> Carried:
    """Return what a spline's flanks carry over the length that is engaged for certain."""
    spline, outside_mm = shaft.spline, shaft.diameter_mm
    missing = (
        *missing_of(
            {
                f"Teeth of the {shaft.word}, counted": spline.teeth,
                f"Diameter of the {shaft.word} over its teeth": outside_mm,
                f"Diameter of the {shaft.word} at their roots": spline.root_mm,
                "What its hub is: hardened or not, sliding or not": spline.hub,
            }
        ),
        *engaged_missing,
    )
    if missing or not (spline.teeth and outside_mm and spline.root_mm and spline.hub) or engaged_mm is None:
        return Carried(what="spline", nm=None, missing=missing)
    mean_mm, height_mm = (outside_mm + spline.root_mm) / 2, (outside_mm - spline.root_mm) / 2
    allowed = GUIDE_MPA[spline.hub]
    meshed_mm = max(engaged_mm, 0.0)
    nm = 0.0
    if meshed_mm > 0:
        nm = allowed / side_pressure_mpa(
            torque_nm=1.0, teeth=spline.teeth, mean_mm=mean_mm, height_mm=height_mm, engaged_mm=meshed_mm
        )
    field = f"{shaft.field}.spline"
    outside = entered("d_a", outside_mm, "mm", f"{shaft.field}.diameter")
    root = entered("d_f", spline.root_mm, "mm", f"{field}.root")
    mean = step("d_m", "(d_a + d_f) / 2", outside, root, value=mean_mm, unit="mm", decimals=2)
    height = step("h", "(d_a - d_f) / 2", outside, root, value=height_mm, unit="mm", decimals=2)
    torque = step(
        "T_spline",
        "p_g * z * d_m * h * l_e * ψ / 2",
        tabled("p_g", allowed, "MPa", spline.hub.words),
        entered("z", float(spline.teeth), "", f"{field}.teeth"),
        mean,
        height,
        worked("l_e", meshed_mm, "mm", "engaged at the worst extreme"),
        tabled("ψ", 0.75, "", "three in four teeth bear"),
        value=nm,
        unit="N·m",
        decimals=0,
    )
    return Carried(what="spline", nm=nm, missing=(), steps=(mean, height, torque))
