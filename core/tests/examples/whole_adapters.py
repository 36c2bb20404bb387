"""Examples of what is judged whole: screwed joints, engagement, misalignment, shafts with keyways."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.benches.coupler.carriers import IN_SHEAR
from driveline.fits.engagement import FullForm, engaged
from driveline.fits.interference import bore_stress_mpa, held_torque_nm, inner_bore_hoop_mpa
from driveline.fits.stackup import Link
from driveline.metal.bolts import (
    BoltClass,
    Thread,
    ThreadLimits,
    engagement,
    friction_torque_nm,
    greatest_preload_n,
    head_pressure_mpa,
    least_preload_n,
    mean_radius_mm,
    preload_n,
    proof_load_n,
    stripping,
)
from driveline.shafts.hubs import balance_grade_mm_s, eccentric_force_n
from driveline.shafts.keys import KeyEnds, KeySize, key_stress
from driveline.shafts.misalignment import (
    Budget,
    Points,
    holds_up_to_rpm,
    runout_angle_deg,
    share_left,
    usual_fall,
)
from driveline.shafts.splines import WANTED_OF_PITCH, side_pressure_mpa
from driveline.shafts.torsion import (
    hoop_and_shear_mpa,
    net_wall_hoop_mpa,
    shaft_shear_mpa,
    wall_over_keyway_mm,
    wall_under_keyway_mm,
)

Given = Mapping[str, Any]
Found = dict[str, Any]


def screwed_joint(given: Given, _every: Mapping[str, Given]) -> Found:
    screw = given["screw"]
    size = Thread(
        name="",
        diameter_mm=screw["thread_mm"],
        pitch_mm=screw["pitch_mm"],
        clearance_mm=None,
        head_mm=given["head_bears_outside_mm"],
        is_inch=False,
    )
    strength = BoltClass(name="", proof_mpa=screw["proof_mpa"], tensile_mpa=screw["tensile_mpa"])
    sizes = ThreadLimits(
        minor_internal_max_mm=screw["minor_inside_greatest_mm"],
        pitch_external_min_mm=screw["pitch_outside_least_mm"],
        major_external_min_mm=screw["major_outside_least_mm"],
        pitch_internal_max_mm=screw["pitch_inside_greatest_mm"],
    )
    mean = preload_n(tightening_nm=given["tightening_nm"], nut_factor=given["K"], diameter_mm=size.diameter_mm)
    greatest = greatest_preload_n(mean)
    least = least_preload_n(mean, given["embedding_loss_n"], given["separating_n_each"])
    proof, pulled = proof_load_n(size, strength), greatest + given["pulling_n_each"]
    pressure = head_pressure_mpa(force_n=greatest, bears_mm=given["head_bears_outside_mm"], hole_mm=given["hole_mm"])
    needed = engagement(
        size=size, sizes=sizes, bolt_tensile_mpa=strength.tensile_mpa, tapped_tensile_mpa=given["tapped_tensile_mpa"]
    )
    engaged = given["length_in_thread_mm"] - size.pitch_mm - given["countersink_mm"]
    strips = stripping(
        size=size,
        sizes=sizes,
        engaged_mm=engaged,
        bolt_tensile_mpa=strength.tensile_mpa,
        tapped_tensile_mpa=given["tapped_tensile_mpa"],
    )
    xy = np.array(given["screws_mm"])
    held = friction_torque_nm(count=given["count"], preload_n=least, circle_mm=2 * mean_radius_mm(xy), mu=given["mu"])
    under = given["grip_mm"] + given["washer_mm"]
    window = (
        under + needed.least_mm + size.pitch_mm + given["countersink_mm"],
        under + given["depth_to_first_thing_mm"],
    )
    margins = {
        "proof": (proof / pulled, 1.1),
        "head_pressure": (given["head_pressure_limit_mpa"] / pressure, 1.0),
        "engagement": (engaged / needed.least_mm, 1.0),
        "stripping": (strips.force_n / pulled, 1.1),
        "friction": (held / given["torque_nm"], 1.5),
    }
    checks: Found = {
        name: {"margin": margin, "wanted": wanted, "holds": margin >= wanted}
        for name, (margin, wanted) in margins.items()
    }
    checks["length"] = {"holds": window[0] <= given["screw_length_mm"] <= window[1]}
    return {
        "stress_area_mm2": size.stress_area_mm2,
        "preload_nominal_n": mean,
        "preload_greatest_n": greatest,
        "preload_least_n": least,
        "share_of_proof_nominal": mean / proof,
        "head_area_mm2": greatest / pressure,
        "head_pressure_mpa": pressure,
        "engagement_effective_mm": engaged,
        "engagement_wanted_mm": needed.least_mm,
        "engagement_J": needed.strength_ratio,
        "strip_force_n": strips.force_n,
        "weaker_thread": "tapped part" if strips.is_tapped else "screw",
        "friction_holds_nm": held,
        "breaks_when_tightened": greatest > strength.tensile_mpa * size.stress_area_mm2,
        "checks": checks,
        "screw_length_window_mm": window,
        "governing": min(margins, key=lambda name: margins[name][0] / margins[name][1]),
        "holds": all(one["holds"] for one in checks.values()),
    }


def _form(joint: Given, part: str) -> FullForm:
    return FullForm(joint[f"{part}_from"], joint[f"{part}_to"])


def _spline(joint: Given, torque_nm: float, least_mm: float) -> Found:
    sizes = {
        "teeth": joint["teeth"],
        "mean_mm": joint["mean_diameter_mm"],
        "height_mm": joint["tooth_height_mm"],
        "engaged_mm": least_mm,
    }
    pressure = side_pressure_mpa(torque_nm=torque_nm, **sizes)
    wanted = WANTED_OF_PITCH * joint["pitch_diameter_mm"]
    return {
        "engaged_wanted_mm": wanted,
        "engagement_holds": least_mm >= wanted,
        "holds_nm": torque_nm * joint["guide_mpa"] / pressure,
        "pressure_mpa": pressure,
    }


def _key(joint: Given, torque_nm: float, least_mm: float) -> Found:
    size = KeySize(width_mm=joint["key_width_mm"], height_mm=joint["key_height_mm"], shaft_depth_mm=joint["key_t1_mm"])
    ends = KeyEnds.ROUND if joint["round_ends_mm"] else KeyEnds.SQUARE
    found = key_stress(torque_nm=torque_nm, shaft_mm=joint["shaft_mm"], key=size, length_mm=least_mm, ends=ends)
    by_shear = IN_SHEAR * joint["key_yield_mpa"] / found.shear_mpa
    by_flank = joint["bearing_allowable_mpa"] / found.bearing_mpa
    return {
        "effective_least_mm": found.effective_mm,
        "holds_nm": torque_nm * min(by_shear, by_flank),
        "shear_mpa": found.shear_mpa,
        "hub_pressure_mpa": found.bearing_hub_mpa,
        "shaft_pressure_mpa": found.bearing_shaft_mpa,
    }


def _seat(joint: Given, _torque_nm: float, least_mm: float) -> Found:
    held = held_torque_nm(
        pressure_mpa=joint["pressure_least_mpa"],
        joint_mm=joint["shaft_mm"],
        length_mm=least_mm,
        friction=joint["mu"],
    )
    return {"holds_nm": held}


JOINTS: Final = {"spline": _spline, "key": _key, "seat": _seat}


def engagement_overlap(given: Given, _every: Mapping[str, Given]) -> Found:
    lengths = {one["name"]: Link(one["name"], one["nominal_mm"], one["plus_minus_mm"]) for one in given["lengths"]}
    found: Found = {}
    for name, joint in given["joints"].items():
        both = engaged(lengths, _form(joint, "shaft"), _form(joint, "hub"))
        carried = JOINTS[joint["kind"]](joint, given["torque_nm"], both.least_mm)
        margin = carried["holds_nm"] / given["torque_nm"]
        found[name] = {
            "engaged_nominal_mm": both.nominal_mm,
            "engaged_least_mm": both.least_mm,
            "engaged_greatest_mm": both.greatest_mm,
            **carried,
            "margin": margin,
            "holds": margin >= 1.3 and carried.get("engagement_holds", True),
        }
    return {"joints": found, "holds": all(one["holds"] for one in found.values())}


def misalignment_with_speed(given: Given, _every: Mapping[str, Given]) -> Found:
    allowed = {"allowed_parallel_mm": given["allowed_parallel_mm"], "allowed_angle_deg": given["allowed_angle_deg"]}
    budget = Budget(
        plays_mm=tuple(one["greatest_diametral_play_mm"] for one in given["registers"]),
        concentricity_mm=given["machined_concentricity_mm"],
        centre_u_mm=given["u_holes_centre_mm"],
        runout_mm=given["hub_tir_mm"],
        lean_deg=given["lean_deg"],
        reach_mm=given["face_to_coupler_mm"],
        angle_deg=runout_angle_deg(total_mm=given["faces_out_of_parallel_mm"], sweep_mm=given["faces_over_mm"]),
        face_runout_deg=runout_angle_deg(total_mm=given["face_tir_mm"], sweep_mm=given["face_sweep_diameter_mm"]),
        **allowed,
    )
    fall, top = given["allowance_falls"], given["top_rpm"]
    falls = usual_fall(top) if fall["how"] == "usual" else tuple((n, share) for n, share in fall["points_rpm_share"])
    eccentric = given["hub_tir_mm"] / 2
    grade = balance_grade_mm_s(eccentric_mm=eccentric, rpm=top)
    margin = given["grade_wanted_mm_s"] / grade
    return {
        "offset_parts_mm": {
            "holes": budget.centre_u_mm,
            "registers": budget.play_mm,
            "concentricity": budget.concentricity_mm,
            "runout": budget.runout_mm / 2,
            "lean": budget.leans_mm,
        },
        "angle_parts_deg": {
            "faces": budget.angle_deg,
            "face_runout": budget.face_runout_deg,
            "lean": budget.lean_deg,
        },
        "offset_mm": budget.parallel_mm,
        "angle_deg": budget.whole_angle_deg,
        "used_at_standstill": budget.used,
        "at_speed": {f"{rpm:g}": _at_speed(budget, falls, rpm) for rpm in given["speeds_rpm"]},
        "holds_up_to_rpm": holds_up_to_rpm(falls, budget.used),
        "balance": {
            "eccentricity_mm": eccentric,
            "grade_mm_s": grade,
            "force_at_top_n": eccentric_force_n(mass_kg=given["turning_mass_kg"], eccentric_mm=eccentric, rpm=top),
            "allowed_eccentricity_mm": eccentric * margin,
            "margin": margin,
            "holds": margin >= 1,
        },
    }


def _at_speed(budget: Budget, falls: Points, rpm: float) -> Found:
    share = share_left(falls, rpm)
    if share is None:
        nothing = dict.fromkeys(("allowed_parallel_mm", "allowed_angle_deg", "used", "margin"))
        return {**nothing, "holds": "not known"}
    used = budget.used_at(share)
    return {
        "allowed_parallel_mm": budget.allowed_parallel_mm * share,
        "allowed_angle_deg": budget.allowed_angle_deg * share,
        "used": used,
        "margin": 1 / used,
        "holds": "holds" if used <= 1 else "fails",
    }


def shaft_torsion(given: Given, _every: Mapping[str, Given]) -> Found:
    torque, shaft, bore = given["torque_nm"], given["shaft_mm"], given["shaft_bore_mm"]
    plain = shaft_shear_mpa(torque_nm=torque, outside_mm=shaft, bore_mm=bore)
    notched = {
        "keyway": shaft_shear_mpa(torque_nm=torque, outside_mm=shaft, bore_mm=bore, factor=given["K_t_keyway"]),
        "fillet": shaft_shear_mpa(
            torque_nm=torque, outside_mm=given["fillet_on_mm"], bore_mm=bore, factor=given["K_t_fillet"]
        ),
    }
    over, at_corner = wall_over_keyway_mm(
        hub_mm=given["hub_outside_mm"],
        shaft_mm=shaft,
        depth_mm=given["keyway_hub_depth_mm"],
        width_mm=given["key_width_mm"],
    )
    under = wall_under_keyway_mm(shaft_mm=shaft, bore_mm=bore, depth_mm=given["keyway_shaft_depth_mm"])
    pressure, hub = given["pressure_mpa"], given["hub_outside_mm"]
    mises = bore_stress_mpa(pressure_mpa=pressure, joint_mm=shaft, outside_mm=hub)
    squeezed = inner_bore_hoop_mpa(pressure_mpa=pressure, joint_mm=shaft, inside_mm=bore)
    stretched = pressure * (hub**2 + shaft**2) / (hub**2 - shaft**2)
    return {
        "plain_torsion_mpa": plain,
        "with_keyway_mpa": notched["keyway"],
        "with_fillet_mpa": notched["fillet"],
        "governs": max(notched, key=lambda name: notched[name]),
        "torsion_margin": given["shear_allowable_mpa"] / max(notched.values()),
        "hub_wall_over_keyway_mm": over,
        "hub_wall_at_keyway_corner_mm": at_corner,
        "shaft_wall_under_keyway_mm": under,
        "keyway_breaks_into_bore": under <= 0,
        "keyway_breaks_through_hub": at_corner <= 0,
        "hub_hoop_bore_mpa": stretched,
        "hub_hoop_outside_mpa": stretched - pressure,
        "shaft_hoop_outside_mpa": squeezed + pressure,
        "shaft_hoop_bore_mpa": squeezed,
        "hub_von_mises_mpa": mises,
        "hub_margin": given["hub_yield_mpa"] / mises,
        "shaft_bore_von_mises_mpa": hoop_and_shear_mpa(
            hoop_mpa=squeezed, pressure_mpa=0.0, shear_mpa=plain * bore / shaft
        ),
        "shaft_outside_von_mises_mpa": hoop_and_shear_mpa(
            hoop_mpa=squeezed + pressure, pressure_mpa=pressure, shear_mpa=plain
        ),
        "net_wall_hoop_over_keyway_mpa": net_wall_hoop_mpa(pressure_mpa=pressure, shaft_mm=shaft, wall_mm=over),
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "screwed-joint-whole": screwed_joint,
    "engagement-overlap": engagement_overlap,
    "shaft-torsion-keyway": shaft_torsion,
    "misalignment-budget-with-speed": misalignment_with_speed,
}
