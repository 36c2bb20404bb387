"""Examples of what is judged whole: screwed joints, engagement, misalignment, shafts with keyways."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

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


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "screwed-joint-whole": screwed_joint,
}
