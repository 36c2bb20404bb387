"""What maps an example's ``given`` to the core, by kind: conventions are the examples', the sums the core's."""

import math
import re
from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.ratios.gearing import Lane
from driveline.figures import MM_PER_INCH
from driveline.fits.interference import (
    Elastic,
    bore_stress_mpa,
    fit_pressure_mpa,
    heating_k,
    held_torque_nm,
    warm_interference_mm,
)
from driveline.flat.buildup import face_tilt
from driveline.gearing.chain import Chain, Stage, StageKind
from driveline.gearing.motor import Motor, PeakFigures
from driveline.gearing.road import (
    FRONT_PULL,
    KMH_PER_MPH,
    KMH_PER_MS,
    Balance,
    Body,
    Driven,
    equivalent_mass_kg,
    resistance_n,
    slip_limit_n,
)
from driveline.gearing.sweep import Gearings, Road, road_figures
from driveline.gearing.tyre import Construction, Rolling, read_tyre_code, rolling_from_code, rolling_from_loaded_radius
from driveline.metal.bolts import (
    BoltClass,
    Thread,
    ThreadLimits,
    bolt_class,
    engagement,
    friction_torque_nm,
    preload_n,
    quick_engagement_mm,
    shear_allowable_mpa,
    shear_forces_n,
)
from driveline.network import indicator_sweep
from driveline.reading.combined import combined, drawn_range, slopes_at
from driveline.results import COVERAGE_95
from driveline.shafts.misalignment import Budget
from tests.examples import (
    coupler_adapters,
    layout_adapters,
    metal_adapters,
    mount_adapters,
    shaft_adapters,
    slope_adapters,
    space_adapters,
    survey_adapters,
    travel_adapters,
    whole_adapters,
)

Given = Mapping[str, Any]
Found = dict[str, Any]
Adapter = Callable[[Given, Mapping[str, Given]], Found]  # also takes every example's ``given`` by its id
ALPHA_PER_K: Final = {"steel": 11.5e-6, "aluminium": 23e-6}
_METRIC = re.compile(r"^M(\d+(?:\.\d+)?)(?:\s*x\s*(\d+(?:\.\d+)?))?", re.I)
_INCH = re.compile(r"^(?:(\d+)\s+)?(\d+)/(\d+)\s*-\s*(\d+)")
COARSE_MM: Final = {4: 0.7, 5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5, 24: 3.0}


def size_of(name: str) -> Thread:
    """Return a thread by its designation, also of a size that no joint of ours has."""
    metric, inch = _METRIC.match(name), _INCH.match(name)
    if metric:
        diameter_mm = float(metric[1])
        pitch_mm = float(metric[2]) if metric[2] else COARSE_MM[int(diameter_mm)]
    elif inch:
        diameter_mm = MM_PER_INCH * (int(inch[1] or 0) + int(inch[2]) / int(inch[3]))
        pitch_mm = MM_PER_INCH / int(inch[4])
    else:
        raise ValueError(name)
    return Thread(
        name=name,
        diameter_mm=diameter_mm,
        pitch_mm=pitch_mm,
        clearance_mm=None,
        head_mm=1.5 * diameter_mm,
        is_inch=metric is None,
    )


def _strength(name: str, size: Thread) -> BoltClass:
    return bolt_class(name, size.diameter_mm)


def _chain(given: Given) -> Chain:
    efficiencies = given.get("efficiencies", [1.0] * len(given["ratios"]))
    return Chain(
        tuple(
            Stage(kind=StageKind.REDUCTION, title=f"stage {k}", ratio=ratio, efficiency=efficiency)
            for k, (ratio, efficiency) in enumerate(zip(given["ratios"], efficiencies, strict=True))
        )
    )


def _lane(chain: Chain, given: Given) -> Lane:
    rolling = Rolling(circumference_mm=given["rolling_circumference_mm"], method="", u_mm=0.0)
    return Lane(is_front=False, motor=0, chain=chain, shared=0, rolling=rolling)


def tyre_code(given: Given, _every: Mapping[str, Given]) -> Found:
    size = read_tyre_code(given["code"])
    return {
        "free_diameter_mm": size.free_diameter_mm,
        "rolling_circumference_mm": rolling_from_code(size).circumference_mm,
    }


def tyre_loaded_radius(given: Given, _every: Mapping[str, Given]) -> Found:
    rolling = rolling_from_loaded_radius(
        loaded_radius_mm=given["loaded_radius_mm"],
        construction=Construction(given.get("construction", "radial")),
        free_radius_mm=given.get("free_radius_mm"),
    )
    return {"rolling_circumference_mm": rolling.circumference_mm}


def road_speed(given: Given, _every: Mapping[str, Given]) -> Found:
    chain = _chain(given)
    rpm = given["motor_rpm"] / chain.speed_divisors
    speed_ms = given["motor_rpm"] / _lane(chain, given).rpm_per_ms
    return {
        "gearbox_input_rpm": float(rpm[1]),
        "propshaft_rpm": float(rpm[-2]),
        "wheel_rpm": float(rpm[-1]),
        "speed_ms": speed_ms,
        "speed_kmh": speed_ms * KMH_PER_MS,
        "speed_mph": speed_ms * KMH_PER_MS / KMH_PER_MPH,
    }


def wheel_torque(given: Given, _every: Mapping[str, Given]) -> Found:
    torque_nm = given["motor_nm"] * _chain(given).driving_multipliers
    return {
        "gearbox_input_nm": float(torque_nm[1]),
        "propshaft_nm": float(torque_nm[-2]),
        "axle_total_nm": float(torque_nm[-1]),
        "each_wheel_nm": float(torque_nm[-1]) / 2,
    }


def overrun_torque(given: Given, _every: Mapping[str, Given]) -> Found:
    return {"motor_nm": given["axle_nm"] / float(_chain(given).overrun_multipliers[-1])}


def centre_drive_unit(given: Given, _every: Mapping[str, Given]) -> Found:
    chain = _chain({"ratios": [given["unit_ratio"], given["final_drive"]]})
    speed_ms = given["motor_rpm"] / _lane(chain, given).rpm_per_ms
    return {"overall_ratio": chain.overall_ratio, "speed_kmh": float(speed_ms) * KMH_PER_MS}


def road_load(given: Given, _every: Mapping[str, Given]) -> Found:
    body = Body(mass_kg=given["mass_kg"], crr=given["crr"], cda_m2=given["cda_m2"])
    return {"resistance_n": float(resistance_n(body, given["speed_ms"], given["grade_pct"]))}


def _balance(given: Given) -> Balance:
    return Balance(
        front_share=given["front_share"], cg_height_mm=given["cg_height_mm"], wheelbase_mm=given["wheelbase_mm"]
    )


def _driven(given: Given) -> Driven:
    return {"rear": Driven.REAR, "front": Driven.FRONT, "all": Driven.BOTH}[given["driven"]]


def slip_limit(given: Given, _every: Mapping[str, Given]) -> Found:
    pull = FRONT_PULL[_driven(given)]
    slip_n = slip_limit_n(mass_kg=given["mass_kg"], balance=_balance(given), front_pull=pull, mu=given["mu"])
    return {"tractive_force_n": float(slip_n)}


def acceleration(given: Given, _every: Mapping[str, Given]) -> Found:
    """Through the sweep, as the bench works it out."""
    chain = _chain(given)
    motor = Motor(
        peak=PeakFigures(torque_nm=given["motor_peak_nm"], power_kw=given["motor_peak_kw"]),
        greatest_rpm=given["motor_max_rpm"],
        inertia_kgm2=given["motor_inertia_kgm2"],
    )
    rpm_per_ms = chain.overall_ratio * 60_000 / given["rolling_circumference_mm"]
    gearings = Gearings(
        rpm_per_ms=np.array([[rpm_per_ms]]),
        pull_per_nm=np.array([[chain.efficiency * rpm_per_ms * math.pi / 30]]),
        front_pull=FRONT_PULL[_driven(given)],
        shaft_limit_ms=np.array([math.inf]),
    )
    body = Body(mass_kg=given["mass_kg"], crr=given["crr"], cda_m2=given["cda_m2"])
    road = Road(kerb=body, laden=None, balance=_balance(given), laden_balance=None, grip=given["mu"], cruise_kmh=80)
    figures = road_figures(gearings, [motor], road)
    moved_kg = equivalent_mass_kg(
        mass_kg=given["mass_kg"], motor_inertia_kgm2=given["motor_inertia_kgm2"], rpm_per_ms=rpm_per_ms
    )
    return {
        "equivalent_mass_kg": float(moved_kg),
        "t_0_50_kmh_s": float(figures.s_0_50[0]),
        "t_0_100_kmh_s": float(figures.s_0_100[0]),
    }


def sweep(given: Given, _every: Mapping[str, Given]) -> Found:
    found = indicator_sweep(given["clock_deg"], given["reading_mm"])
    return {
        "a_mm": found.x_mm,
        "b_mm": found.y_mm,
        "offset_mm": found.offset_mm,
        "tir_mm": found.total_reading_mm,
    }


def bolt(given: Given, _every: Mapping[str, Given]) -> Found:
    size = size_of(given["thread"])
    proof_n = _strength(given["property_class"], size).proof_mpa * size.stress_area_mm2
    load_n = preload_n(tightening_nm=given["tightening_nm"], nut_factor=given["K"], diameter_mm=size.diameter_mm)
    return {
        "stress_area_mm2": size.stress_area_mm2,
        "proof_load_n": proof_n,
        "preload_n": load_n,
        "share_of_proof": load_n / proof_n,
    }


def bolt_circle(given: Given, _every: Mapping[str, Given]) -> Found:
    size = size_of(given["thread"])
    strength = _strength(given["property_class"], size)
    nominal_n = given["preload_share_of_proof"] * strength.proof_mpa * size.stress_area_mm2

    def torque_nm(load_n: float) -> float:
        return friction_torque_nm(
            count=given["count"], preload_n=load_n, circle_mm=given["bolt_circle_mm"], mu=given["mu"]
        )

    return {
        "nominal_preload_n": nominal_n,
        "torque_at_nominal_nm": torque_nm(nominal_n),
        "torque_at_least_preload_nm": torque_nm((1 - given["scatter"]) * nominal_n),
    }


def thread_engagement(given: Given, _every: Mapping[str, Given]) -> Found:
    size = size_of(given["thread"])
    sizes = ThreadLimits(**{name: given[name] for name in ThreadLimits.__dataclass_fields__})
    strengths = {"bolt_tensile_mpa": given["bolt_tensile_mpa"], "tapped_tensile_mpa": given["tapped_tensile_mpa"]}
    found = engagement(size=size, sizes=sizes, **strengths)
    return {
        "same_strength_mm": found.same_strength_mm,
        "J": found.strength_ratio,
        "least_engagement_mm": found.least_mm,
        "quick_form_mm": quick_engagement_mm(size=size, **strengths),
    }


def stress_area(given: Given, _every: Mapping[str, Given]) -> Found:
    return {"stress_area_mm2": size_of(given["thread"]).stress_area_mm2}


def interference(given: Given, every: Mapping[str, Given]) -> Found:
    """The hot joint is another example's, both parts warmer: what is left of the interference goes in again."""
    base = every[given["as"]] if "as" in given else given
    outer = Elastic(modulus_mpa=base.get("E_hub_mpa", base.get("E_mpa")), poisson=base.get("nu_hub", base.get("nu")))
    inner = Elastic(
        modulus_mpa=base.get("E_shaft_mpa", base.get("E_mpa")), poisson=base.get("nu_shaft", base.get("nu"))
    )
    hub_per_k = ALPHA_PER_K["steel" if outer.modulus_mpa > 150_000 else "aluminium"]
    joint_mm, outside_mm = base["shaft_mm"], base["hub_outside_mm"]
    left_mm = warm_interference_mm(
        interference_mm=base["interference_mm"],
        joint_mm=joint_mm,
        warmer_k=given.get("both_parts_above_20C_by_K", 0),
        outer_per_k=hub_per_k,
        inner_per_k=ALPHA_PER_K["steel"],
    )
    pressure = fit_pressure_mpa(
        interference_mm=left_mm,
        joint_mm=joint_mm,
        outside_mm=outside_mm,
        inside_mm=base["shaft_bore_mm"],
        outer=outer,
        inner=inner,
    )
    found = {
        "interference_left_mm": left_mm,
        "pressure_mpa": pressure,
        "torque_nm": held_torque_nm(
            pressure_mpa=pressure, joint_mm=joint_mm, length_mm=base["length_mm"], friction=base["mu"]
        ),
        "hub_hoop_mpa": pressure * (outside_mm**2 + joint_mm**2) / (outside_mm**2 - joint_mm**2),
        "hub_bore_von_mises_mpa": bore_stress_mpa(pressure_mpa=pressure, joint_mm=joint_mm, outside_mm=outside_mm),
    }
    for hundredths in range(1, 21):
        found[f"heating_K_with_{hundredths / 100:g}_clearance"] = heating_k(
            interference_mm=left_mm, joint_mm=joint_mm, expansion_per_k=hub_per_k, slip_mm=hundredths / 100
        )
    return found


def misalignment(given: Given, _every: Mapping[str, Given]) -> Found:
    legs = np.array(given["standoffs_mm"])
    budget = Budget(
        plays_mm=tuple(one["greatest_diametral_play_mm"] for one in given["registers"]),
        concentricity_mm=given["machined_concentricity_mm"],
        centre_u_mm=given["u_centre_mm"],
        runout_mm=given.get("hub_tir_mm", 0.0),
        angle_deg=face_tilt(legs[:, :2], legs[:, 2].tolist()).tilt_deg,
        allowed_parallel_mm=given["allowed_parallel_mm"],
        allowed_angle_deg=given["allowed_angle_deg"],
    )
    return {
        "register_play_mm": budget.play_mm,
        "parallel_mm": budget.parallel_mm,
        "standoff_tilt_deg": budget.angle_deg,
        "angle_deg": budget.angle_deg,
        "allowed_parallel_mm": budget.allowed_parallel_mm,
        "allowed_angle_deg": budget.allowed_angle_deg,
        "used": budget.used,
        "left": 1 - budget.used,
        "holds": budget.used <= 1,
        "parallel_allowed_at_this_angle_mm": budget.parallel_left_mm,
    }


def bolts_in_shear(given: Given, _every: Mapping[str, Given]) -> Found:
    xy = np.array(given["bolts_mm"], dtype=float)
    centroid, forces_n = shear_forces_n(xy, torque_nm=given["torque_nm"])
    sizes_n = np.hypot(*forces_n.T)
    shank_mm = given["shank_mm"]
    area = math.pi / 4 * shank_mm**2 if given["shear_plane"] == "shank" else given["stress_area_mm2"]
    nominal_n = given["preload_share_of_proof"] * given["proof_mpa"] * given["stress_area_mm2"]
    least_n = (1 - given["preload_scatter"]) * nominal_n - given["embedding_loss_n"]
    arm_mm = float(np.hypot(*(xy - centroid).T).mean())
    held_nm = friction_torque_nm(count=len(xy), preload_n=least_n, circle_mm=2 * arm_mm, mu=given["mu"])
    shear_mpa = float(sizes_n.max()) / area
    allowable_mpa = shear_allowable_mpa(given["proof_mpa"])
    return {
        "centroid_mm": centroid.tolist(),
        "moment_at_centroid_nm": given["torque_nm"],
        "force_per_bolt_n": sizes_n.tolist(),
        "worst_force_n": float(sizes_n.max()),
        "shear_mpa": shear_mpa,
        "shear_allowable_mpa": allowable_mpa,
        "shear_margin_fitted": allowable_mpa / shear_mpa,
        "preload_nominal_n": nominal_n,
        "preload_least_n": least_n,
        "friction_torque_least_nm": held_nm,
        "friction_margin_torque_only": held_nm / given["torque_nm"],
        "plate_bearing_mpa": float(sizes_n.max()) / (shank_mm * given["plate_mm"]),
    }


def _bar_length(rows: Floats) -> Floats:
    """Between the centres of two joints, less both seats."""
    inner, outer, seats = rows[:, :3], rows[:, 3:6], rows[:, 6:8]
    found: Floats = np.linalg.norm(outer - inner, axis=1) - seats.sum(axis=1)
    return found


_FORMULAS: Final = {
    "bar_length": (_bar_length, ("P_x_mm", "P_y_mm", "P_z_mm", "Q_x_mm", "Q_y_mm", "Q_z_mm", "seat_i_mm", "seat_o_mm"))
}


def interval(given: Given, _every: Mapping[str, Given]) -> Found:
    formula, names = _FORMULAS[given["formula_id"]]
    values, u = (np.array([given["inputs"][name][word] for name in names]) for word in ("value_mm", "u_mm"))
    together = np.eye(len(names))
    for one, other, share in given.get("correlations", []):
        together[names.index(one), names.index(other)] = together[names.index(other), names.index(one)] = share
    covariance = np.outer(u, u) * together
    value, slopes = float(formula(values[None])[0]), slopes_at(formula, values, u)
    sure = combined(slopes, covariance)
    shares = {name: 100 * float(share) for name, share in zip(names, sure.shares, strict=True)}
    return {
        "y_mm": value,
        "u_y_mm": sure.u,
        "interval_95_linear_mm": [value - COVERAGE_95 * sure.u, value + COVERAGE_95 * sure.u],
        "interval_95_draws_mm": list(drawn_range(formula, values, covariance)),
        "shares_pct": shares,
        "measure_better": max(shares, key=lambda name: shares[name]),
        "u_y_if_correlation_left_out_mm": combined(slopes, np.diag(u**2)).u,
    }


ADAPTERS: Final[dict[str, Adapter]] = {
    "interval-bar-length-correlated": interval,
    "tyre-section-code": tyre_code,
    "tyre-loaded-radius-alone": tyre_loaded_radius,
    "tyre-loaded-and-free-radius": tyre_loaded_radius,
    "road-speed-chain": road_speed,
    "wheel-torque-chain": wheel_torque,
    "overrun-torque-chain": overrun_torque,
    "centre-drive-unit": centre_drive_unit,
    "road-load": road_load,
    "road-load-hill": road_load,
    "slip-limit-rear": slip_limit,
    "slip-limit-front": slip_limit,
    "slip-limit-all": slip_limit,
    "acceleration": acceleration,
    "indicator-sweep": sweep,
    "bolt-M10-8.8": bolt,
    "bolt-circle-friction": bolt_circle,
    "thread-engagement-aluminium": thread_engagement,
    "stress-area-inch": stress_area,
    "interference-steel-steel": interference,
    "interference-aluminium-hub": interference,
    "interference-aluminium-hub-hot": interference,
    "misalignment-budget-rigid": misalignment,
    "clutch-centre-rivets-to-bolts": bolts_in_shear,
    **coupler_adapters.ADAPTERS,
    **space_adapters.ADAPTERS,
    **survey_adapters.ADAPTERS,
    **layout_adapters.ADAPTERS,
    **mount_adapters.ADAPTERS,
    **shaft_adapters.ADAPTERS,
    **slope_adapters.ADAPTERS,
    **whole_adapters.ADAPTERS,
    **metal_adapters.ADAPTERS,
    **travel_adapters.ADAPTERS,
}
