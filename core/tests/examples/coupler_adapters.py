"""What maps the examples of shafts, couplers and stack-ups to the core, by kind."""

from collections.abc import Callable, Mapping
from typing import Any, Final

from driveline.fits.interference import (
    Elastic,
    bore_stress_mpa,
    embedding_mm,
    fit_pressure_mpa,
    heating_k,
    held_torque_nm,
    inner_bore_hoop_mpa,
)
from driveline.fits.jaw import JawRoom, SpiderWay, face_window
from driveline.fits.spacing import Gap, window
from driveline.fits.stackup import Link
from driveline.metal.bolts import preload_n
from driveline.metal.welds import THROAT, life_cycles, range_allowed_mpa, ring_shear_mpa, weld_allowable_mpa
from driveline.shafts.hubs import balance_grade_mm_s, burst_rpm, eccentric_force_n, spun_ring
from driveline.shafts.keys import REVERSING, KeyEnds, KeySize, key_stress
from driveline.shafts.runout import hub_runout
from driveline.shafts.splines import WANTED_OF_PITCH, root_shear_mpa, side_pressure_mpa
from driveline.shafts.tapers import Taper, grub_torque_nm

Given = Mapping[str, Any]
Found = dict[str, Any]


def key(given: Given, _every: Mapping[str, Given]) -> Found:
    width_mm, height_mm = (float(one) for one in given["key"].split("x"))
    size = KeySize(width_mm=width_mm, height_mm=height_mm, shaft_depth_mm=given["t1_mm"])

    def at(ends: KeyEnds) -> Any:
        return key_stress(
            torque_nm=given["torque_nm"],
            shaft_mm=given["shaft_mm"],
            key=size,
            length_mm=given["length_mm"],
            ends=ends,
        )

    found = at(KeyEnds(given["ends"]))
    return {
        "shear_mpa": found.shear_mpa,
        "bearing_hub_mpa": found.bearing_hub_mpa,
        "bearing_shaft_mpa": found.bearing_shaft_mpa,
        "bearing_hub_if_round_ended_mpa": at(KeyEnds.ROUND).bearing_hub_mpa,
    }


def spline_pressure(given: Given, _every: Mapping[str, Given]) -> Found:
    pressure = side_pressure_mpa(
        torque_nm=given["torque_nm"],
        teeth=given["teeth"],
        mean_mm=given["mean_diameter_mm"],
        height_mm=given["tooth_height_mm"],
        engaged_mm=given["engaged_mm"],
    )
    return {"pressure_mpa": pressure}


def spline_chamfers(given: Given, every: Mapping[str, Given]) -> Found:
    nominal_mm = given["overlap_nominal_mm"] - given["chamfer_hub_mm"] - given["chamfer_shaft_mm"]
    least_mm = nominal_mm - given["axial_worst_case_mm"]
    wanted_mm = WANTED_OF_PITCH * given["pitch_diameter_mm"]
    nominal, least = (
        spline_pressure({**given, "engaged_mm": one}, every)["pressure_mpa"] for one in (nominal_mm, least_mm)
    )
    torque_nm, root_mm = given["torque_nm"], given["root_diameter_mm"]
    shear = root_shear_mpa(torque_nm=torque_nm, root_mm=root_mm, bore_mm=given["shaft_bore_mm"])
    return {
        "engaged_nominal_mm": nominal_mm,
        "engaged_least_mm": least_mm,
        "engaged_wanted_mm": wanted_mm,
        "engaged_margin": least_mm / wanted_mm,
        "side_pressure_nominal_mpa": nominal,
        "side_pressure_mpa": least,
        "side_pressure_margin": given["guide_mpa"] / least,
        "root_shear_mpa": shear,
        "root_shear_solid_mpa": root_shear_mpa(torque_nm=torque_nm, root_mm=root_mm),
        "root_shear_margin": given["shear_allowable_mpa"] / shear,
    }


def key_and_fit(given: Given, _every: Mapping[str, Given]) -> Found:
    hub_um, shaft_um = given["hub_deviations_um"], given["shaft_deviations_um"]
    least_mm, greatest_mm = (shaft_um[0] - hub_um[1]) / 1000, (shaft_um[1] - hub_um[0]) / 1000
    embedded_mm = embedding_mm(outer_rz_um=given["Rz_hub_um"], inner_rz_um=given["Rz_shaft_um"])
    joint_mm, outside_mm, inside_mm = given["shaft_mm"], given["hub_outside_mm"], given["shaft_bore_mm"]

    def pressure(interference_mm: float) -> float:
        return fit_pressure_mpa(
            interference_mm=interference_mm,
            joint_mm=joint_mm,
            outside_mm=outside_mm,
            inside_mm=inside_mm,
            outer=Elastic(modulus_mpa=given["E_hub_mpa"], poisson=given["nu_hub"]),
            inner=Elastic(modulus_mpa=given["E_shaft_mpa"], poisson=given["nu_shaft"]),
        )

    def torque(pressure_mpa: float) -> float:
        return held_torque_nm(
            pressure_mpa=pressure_mpa, joint_mm=joint_mm, length_mm=given["length_mm"], friction=given["mu"]
        )

    least, greatest = pressure(least_mm - embedded_mm), pressure(greatest_mm)
    stress = key_stress(
        torque_nm=given["design_torque_nm"],
        shaft_mm=joint_mm,
        key=KeySize(
            width_mm=given["key_width_mm"], height_mm=given["key_height_mm"], shaft_depth_mm=given["key_t1_mm"]
        ),
        length_mm=given["key_length_mm"],
        ends=KeyEnds(given["key_ends"]),
    )
    allowable = given["key_bearing_allowable_steady_mpa"] * (REVERSING if given["reverses"] else 1.0)
    alone, fit_alone = allowable / stress.bearing_mpa, torque(least) / given["design_torque_nm"]
    return {
        "interference_least_mm": least_mm,
        "interference_greatest_mm": greatest_mm,
        "embedding_mm": embedded_mm,
        "effective_least_mm": least_mm - embedded_mm,
        "pressure_least_mpa": least,
        "pressure_greatest_mpa": greatest,
        "fit_torque_least_nm": torque(least),
        "fit_torque_greatest_nm": torque(greatest),
        "hub_hoop_greatest_mpa": greatest * (outside_mm**2 + joint_mm**2) / (outside_mm**2 - joint_mm**2),
        "hub_von_mises_greatest_mpa": bore_stress_mpa(pressure_mpa=greatest, joint_mm=joint_mm, outside_mm=outside_mm),
        "shaft_bore_hoop_greatest_mpa": inner_bore_hoop_mpa(
            pressure_mpa=greatest, joint_mm=joint_mm, inside_mm=inside_mm
        ),
        "heating_K": heating_k(
            interference_mm=greatest_mm, joint_mm=joint_mm, expansion_per_k=given["alpha_hub_per_K"]
        ),
        "key_effective_length_mm": stress.effective_mm,
        "key_shear_mpa": stress.shear_mpa,
        "key_bearing_hub_mpa": stress.bearing_hub_mpa,
        "key_bearing_shaft_mpa": stress.bearing_shaft_mpa,
        "key_bearing_allowable_mpa": allowable,
        "key_alone_margin": alone,
        "fit_alone_margin": fit_alone,
        "joint_margin": max(alone, fit_alone),
    }


def taper_and_grubs(given: Given, _every: Mapping[str, Given]) -> Found:
    taper = Taper(
        large_mm=given["taper_large_end_mm"], length_mm=given["taper_length_mm"], one_in=given["taper_one_in"]
    )
    preload = preload_n(
        tightening_nm=given["nut_torque_nm"], nut_factor=given["nut_K"], diameter_mm=given["nut_thread_mm"]
    )
    at_least = 1 - given["preload_scatter"]
    least_nm = taper.torque_nm(preload_n=at_least * preload, friction=given["mu"])
    grub_n = at_least * preload_n(
        tightening_nm=given["grub_torque_nm"], nut_factor=given["grub_K"], diameter_mm=given["grub_thread_mm"]
    )
    hold_nm = grub_torque_nm(
        count=given["grub_count"], preload_n=grub_n, friction=given["grub_mu"], shaft_mm=given["grub_shaft_mm"]
    )
    return {
        "small_end_mm": taper.small_mm,
        "half_angle_deg": taper.half_angle_rad * 180 / 3.141592653589793,
        "nut_preload_n": preload,
        "taper_pressure_mpa": taper.pressure_mpa(preload_n=preload, friction=given["mu"]),
        "taper_torque_nominal_nm": taper.torque_nm(preload_n=preload, friction=given["mu"]),
        "taper_torque_least_nm": least_nm,
        "taper_margin": least_nm / given["design_torque_nm"],
        "grub_preload_least_n": grub_n,
        "grub_axial_hold_n": 2 * given["grub_count"] * given["grub_mu"] * grub_n,
        "grub_torque_hold_nm": hold_nm,
        "grub_share_of_design_torque": hold_nm / given["design_torque_nm"],
    }


def hub_burst(given: Given, _every: Mapping[str, Given]) -> Found:
    rpm, density = given["top_rpm"], given["density_kgm3"]
    spun = spun_ring(
        outside_mm=given["outside_mm"], bore_mm=given["bore_mm"], density_kgm3=density, poisson=given["nu"], rpm=rpm
    )
    burst = burst_rpm(mean_hoop_mpa=spun.mean_hoop_mpa, rpm=rpm, tensile_mpa=given["tensile_mpa"])
    eccentric_mm = given["eccentricity_mm"]
    return {
        "rim_speed_ms": spun.rim_ms,
        "rim_stress_thin_ring_mpa": density * spun.rim_ms**2 / 1e6,
        "bore_hoop_mpa": spun.bore_hoop_mpa,
        "yield_over_bore_hoop": given["yield_mpa"] / spun.bore_hoop_mpa,
        "mean_hoop_mpa": spun.mean_hoop_mpa,
        "burst_rpm": burst,
        "burst_over_top": burst / rpm,
        "balance_grade_mm_s": balance_grade_mm_s(eccentric_mm=eccentric_mm, rpm=rpm),
        "eccentric_force_n": eccentric_force_n(mass_kg=given["mass_kg"], eccentric_mm=eccentric_mm, rpm=rpm),
        "eccentricity_allowed_mm": given["grade_wanted_mm_s"] / balance_grade_mm_s(eccentric_mm=1.0, rpm=rpm),
    }


def welded_hub(given: Given, _every: Mapping[str, Given]) -> Found:
    throat_mm, fat = THROAT * given["leg_mm"], given["fat_mpa"]
    launch, overrun = (
        ring_shear_mpa(torque_nm=nm, radius_mm=given["weld_radius_mm"], throat_mm=throat_mm, rings=given["rings"])
        for nm in (given["launch_nm"], -given["overrun_nm"])
    )
    allowable = weld_allowable_mpa(
        electrode_tensile_mpa=given["electrode_tensile_mpa"], is_inspected=given["inspected"]
    )
    allowed = range_allowed_mpa(given["cycles"], fat_mpa=fat)
    return {
        "throat_mm": throat_mm,
        "shear_launch_mpa": launch,
        "shear_overrun_mpa": overrun,
        "stress_range_mpa": launch - overrun,
        "allowable_mpa": allowable,
        "static_margin": allowable / max(abs(launch), abs(overrun)),
        "range_allowed_mpa": allowed,
        "fatigue_margin": allowed / (launch - overrun),
        "life_cycles": life_cycles(launch - overrun, fat_mpa=fat),
    }


def spacer(given: Given, _every: Mapping[str, Given]) -> Found:
    own, limits = given["spacer"], given["gaps"]
    gaps = [
        Gap(
            key=name,
            links=tuple(
                Link(one["name"], one["sign"][name] * one["nominal_mm"], one["plus_minus_mm"])
                for one in given["contributors"]
                if one["sign"].get(name)
            ),
            sign=own["sign"].get(name, 0),
            least_mm=limit["least_mm"],
            greatest_mm=limit["greatest_mm"],
        )
        for name, limit in limits.items()
    ]
    worst, likely = (
        window(gaps, either_way_mm=own["plus_minus_mm"], is_statistical=statistical) for statistical in (False, True)
    )
    chosen = None if worst.middle_mm is None else Link("spacer", worst.middle_mm, own["plus_minus_mm"])
    found: Found = {
        "gaps": {gap.key: _gap(gap, own["plus_minus_mm"]) for gap in gaps},
        "spacer_least_mm": worst.least_mm,
        "spacer_greatest_mm": worst.greatest_mm,
        "window_open": worst.is_open,
        "spacer_least_statistical_mm": likely.least_mm,
        "spacer_greatest_statistical_mm": likely.greatest_mm,
        "spacer_mm": worst.middle_mm,
    }
    if chosen is not None:
        stacks = {gap.key: gap.stack(chosen) for gap in gaps}
        found["with_spacer"] = {
            name: {"least_mm": one.nominal_mm - one.worst_mm, "greatest_mm": one.nominal_mm + one.worst_mm}
            for name, one in stacks.items()
        }
    return found


def _gap(gap: Gap, either_way_mm: float) -> Found:
    links = [*gap.links, *([Link("spacer", 0.0, either_way_mm)] if gap.sign else [])]
    stack = gap.stack(Link("spacer", 0.0, either_way_mm))
    return {
        "nominal_without_spacer_mm": stack.nominal_mm,
        "worst_case_mm": stack.worst_mm,
        "statistical_mm": stack.likely_mm,
        "shares_of_worst_case_pct": {
            link.name: 100 * link.either_way_mm / stack.worst_mm for link in links if stack.worst_mm
        },
        "shares_of_statistical_pct": {link.name: 100 * share for link, share in zip(links, stack.shares, strict=True)},
    }


def jaw(given: Given, _every: Mapping[str, Given]) -> Found:
    room = JawRoom(
        hub_lengths_mm=(given["hub_length_mm"],) * 2,
        hub_to_face_least_mm=given["hub_to_face_least_mm"],
        hub_engaged_least_mm=given["hub_engaged_least_mm"],
        gap_least_mm=given["hub_gap_least_mm"],
        gap_greatest_mm=given["hub_gap_greatest_mm"],
        tip_gap_least_mm=given["tip_gap_least_when_drilled_mm"],
    )
    gearbox = (given["gearbox_stub_mm"], given["gearbox_stub_plus_minus_mm"])
    whole = (given["motor_stub_mm"], given["motor_stub_plus_minus_mm"])
    cut = (whole[0] - given["motor_shaft_cut_mm"], whole[1] + given["motor_shaft_cut_plus_minus_mm"])
    either_way = given["face_distance_plus_minus_mm"]
    found = {}
    for way in SpiderWay:
        motor = cut if way is SpiderWay.CUT else whole
        faces = face_window(way, (motor, gearbox), room, apart_either_way_mm=either_way)
        found[way.value] = {
            "face_distance_least_mm": faces.least_mm,
            "face_distance_greatest_mm": faces.greatest_mm,
            "face_distance_middle_mm": faces.middle_mm,
            "tip_gap_at_middle_mm": faces.middle_mm - motor[0] - gearbox[0],
            "possible": faces.is_possible,
            "fits_room": faces.is_possible and faces.least_mm + either_way <= given["room_between_faces_mm"],
        }
    return {"alternatives": found}


def runout(given: Given, _every: Mapping[str, Given]) -> Found:
    found = hub_runout(given["clock_deg"], given["reading_mm"])
    screws = {one["name"]: one["at_clock_deg"] for one in given["grub_screws"]}
    return {
        "mean_mm": found.mean_mm,
        "tir_mm": found.tir_mm,
        "first_cos_mm": found.first_mm[0],
        "first_sin_mm": found.first_mm[1],
        "eccentric_mm": found.eccentric_mm,
        "high_spot_deg": found.high_deg,
        "tir_of_first_mm": 2 * found.eccentric_mm,
        "second_cos_mm": found.second_mm[0],
        "second_sin_mm": found.second_mm[1],
        "out_of_round_amplitude_mm": found.oval_mm,
        "out_of_round_high_deg": found.oval_high_deg,
        "residual_mm": found.residual_mm,
        "ease_screw": found.screw_to_ease(screws),
        "degrees_from_high_spot": {name: found.away_deg(at) for name, at in screws.items()},
        "within_allowed": found.eccentric_mm <= given["allowed_parallel_mm"],
        "mostly": "eccentric" if found.is_mostly_eccentric else "out of round",
        "balance_grade_mm_s": balance_grade_mm_s(eccentric_mm=found.eccentric_mm, rpm=given["rpm"]),
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "key": key,
    "spline-side-pressure": spline_pressure,
    "spline-chamfers-hollow-shaft": spline_chamfers,
    "key-and-fit-alone-and-together": key_and_fit,
    "taper-with-nut-and-grub-screws": taper_and_grubs,
    "hub-burst-and-rim-speed": hub_burst,
    "welded-hub-launch-and-overrun": welded_hub,
    "stack-spacer-for-two-gaps": spacer,
    "jaw-three-alternatives": jaw,
    "hub-runout-two-harmonics": runout,
}
