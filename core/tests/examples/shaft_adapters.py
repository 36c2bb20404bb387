"""What maps the examples of bars, axles and propshafts to the core, by kind."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.chains import Chain, rule_rad_s2
from driveline.cardan.lines import (
    LEAST_JOINT_DEG,
    MOST_AT_DRIVEN_END_RAD_S2,
    allowed_joint_deg,
    best_twist_deg,
    cross_couples_nm,
    cv_couple_nm,
    excitation_rad_s2,
    joint_angle_deg,
    joint_line,
    residual_deg,
)
from driveline.cardan.slip import END_ROOM_MM, slip_of
from driveline.gearing.differential import clutched_high_nm, high_share
from driveline.shafts.bars import (
    MOST_OF_CRITICAL,
    MOST_OF_CRITICAL_TWO_PIECE,
    bar_shear_mpa,
    bar_twist_deg,
    critical_rpm,
)
from driveline.shafts.hubs import unbalance_allowed_g_mm
from driveline.space.pose import rotation
from driveline.suspension.arcs import fit_arc
from driveline.suspension.envelope import best_length_mm, room_mm
from driveline.suspension.travel import RUNNING_WANTED_DEG, Corner, Scan, scan_travel

Given = Mapping[str, Any]
Found = dict[str, Any]
Adapter = Callable[[Given, Mapping[str, Given]], Found]
STILL: Final = np.zeros((1, 3))
AHEAD: Final = np.zeros(1)
HEIGHTS: Final = 1_401


def _array(values: Any) -> Floats:
    return np.array(values, dtype=float)


def bar_torsion(given: Given, _every: Mapping[str, Given]) -> Found:
    return {"shear_mpa": bar_shear_mpa(given["torque_nm"], outside_mm=given["diameter_mm"])}


def _critical(tube: Given, steel: Given, length_mm: float) -> float:
    return critical_rpm(
        length_mm=length_mm,
        outside_mm=tube["outside_mm"],
        inside_mm=tube["outside_mm"] - 2 * tube["wall_mm"],
        young_mpa=steel["E_mpa"],
        density_kgm3=steel["density_kgm3"],
    )


def critical(given: Given, _every: Mapping[str, Given]) -> Found:
    return {"critical_rpm": _critical(given, given, given["length_mm"])}


def joint_angle(given: Given, _every: Mapping[str, Given]) -> Found:
    return {"angle_deg": joint_angle_deg(_array(given["line_a"]), _array(given["line_b"]))}


def residual(given: Given, _every: Mapping[str, Given]) -> Found:
    angles = _array([given["angle_1_deg"], given["angle_2_deg"]])
    left = residual_deg(angles, _array([0, given["phase_deg"]]), np.zeros(1))
    return {"residual_deg": left, "excitation_rad_s2": excitation_rad_s2(left, given["rpm"])}


def through_travel(given: Given, _every: Mapping[str, Given]) -> Found:
    inner, output = _array(given["inner_mm"]), _array(given["output_line"])
    found: Found = {}
    for name, outer in given["outer_mm"].items():
        bar = _array(outer) - inner
        found[name] = {"length_mm": float(np.linalg.norm(bar)), "inner_angle_deg": joint_angle_deg(output, bar)}
    return found


def axle_torque(given: Given, _every: Mapping[str, Given]) -> Found:
    whole, bias, lock = given["axle_torque_nm"], given["bias_ratio"], given["lock_torque_nm"]
    highs = {
        "open": whole / 2,
        "limited_slip_bias": whole * high_share(bias),
        "limited_slip_clutch": clutched_high_nm(whole, lock),
        "locked_one_wheel_unloaded": whole,
    }
    cases: Found = {}
    for name, high in highs.items():
        one: Found = {"high_side_nm": high, "low_side_nm": whole - high}
        twists = []
        for bar in given["bars"]:
            root = bar_shear_mpa(high, outside_mm=bar["spline_root_mm"])
            shear = bar_shear_mpa(high, outside_mm=bar["diameter_mm"])
            twists.append(
                bar_twist_deg(
                    high,
                    length_mm=bar["length_mm"],
                    outside_mm=bar["diameter_mm"],
                    shear_modulus_mpa=given["G_mpa"],
                )
            )
            one[bar["name"]] = {
                "bar_shear_mpa": shear,
                "spline_root_shear_mpa": root,
                "margin": given["guide_mpa"] / max(root, shear),
                "twist_deg": twists[-1],
                "joint_couple_inner_nm": cv_couple_nm(high, bar["inner_angle_deg"]),
                "joint_couple_outer_nm": cv_couple_nm(high, bar["outer_angle_deg"]),
            }
        one["twist_difference_deg"] = max(twists) - min(twists)
        cases[name] = one
    return {"cases": cases}


def _corner(name: str, side: Given, given: Given) -> Corner:
    points, steer = _array(side["outer_measured_mm"]), given.get("steer", {})
    ride = points[given["ride_index"]]
    pin = steer.get("kingpin_axis", {}).get(name)
    off = steer.get("outer_from_kingpin_point_mm", {}).get(name)
    return Corner(
        inner_mm=_array(side["inner_mm"]),
        output=_array(side["output_line"]),
        arc=fit_arc(points),
        near_mm=ride,
        ride_mm=float(ride[2]),
        spindle=_array(side.get("spindle_line_at_ride", side["output_line"])),
        turns_with_arm=given.get("carrier_turns_with_arm", False),
        kingpin=None if pin is None else _array(pin),
        off_kingpin_mm=None if off is None else _array(off),
    )


def _at(scan: Scan, row: int = 0, lock: int = 0) -> Found:
    return {
        "length_mm": float(scan.length_mm[row, lock, 0]),
        "inner_angle_deg": float(scan.inner_deg[row, lock, 0]),
        "outer_angle_deg": float(scan.outer_deg[row, lock, 0]),
    }


def _still(corner: Corner, side: Given, locks: Floats) -> Found:
    droop, bump = -side["droop_mm"], side["bump_mm"]
    ends = scan_travel(corner, _array([bump, 0.0, droop]), AHEAD, STILL)
    scan = scan_travel(corner, np.linspace(droop, bump, HEIGHTS), AHEAD, STILL)
    length, inner, outer = scan.length_mm[:, 0, 0], scan.inner_deg[:, 0, 0], scan.outer_deg[:, 0, 0]
    found: Found = {name: _at(ends, row) for row, name in enumerate(("bump", "ride", "droop"))}
    found |= {
        "length_least_mm": float(length.min()),
        "length_least_at_height_mm": float(scan.heights_mm[length.argmin()]),
        "length_greatest_mm": float(length.max()),
        "length_greatest_at_height_mm": float(scan.heights_mm[length.argmax()]),
        "inner_angle_greatest_deg": float(inner.max()),
        "inner_angle_greatest_at_height_mm": float(scan.heights_mm[inner.argmax()]),
        "outer_angle_greatest_deg": float(outer.max()),
    }
    if len(locks) == 1:
        return found
    steered = scan_travel(corner, np.linspace(droop, bump, 201), locks, STILL)
    row, lock, _ = np.unravel_index(int(steered.outer_deg.argmax()), steered.outer_deg.shape)
    ride = scan_travel(corner, np.zeros(1), locks, STILL)
    return found | {
        "outer_angle_greatest_with_steer_deg": float(steered.outer_deg.max()),
        "outer_angle_greatest_at_height_mm": float(steered.heights_mm[row]),
        "outer_angle_greatest_at_steer_deg": float(locks[lock]),
        "ride_at_least_steer": _at(ride, 0, 0),
        "ride_at_greatest_steer": _at(ride, 0, -1),
        "length_least_with_steer_mm": float(steered.length_mm.min()),
        "length_greatest_with_steer_mm": float(steered.length_mm.max()),
        "inner_angle_greatest_with_steer_deg": float(steered.inner_deg.max()),
    }


def _cv_side(name: str, given: Given) -> Found:
    side = given["sides"][name]
    corner = _corner(name, side, given)
    low, high = given.get("steer", {}).get("range_deg", {}).get(name, (0.0, 0.0))
    locks = np.linspace(low, high, 141) if high > low else AHEAD
    seats = given["seat_offset_inner_mm"] + given["seat_offset_outer_mm"]

    allowed = given["plunge_allowed_mm"]

    def scanned(droop_mm: float) -> Scan:
        return scan_travel(corner, np.linspace(-droop_mm, side["bump_mm"], HEIGHTS), locks, STILL)

    def best_and_left(scan: Scan) -> tuple[float, float]:
        plunge = np.full_like(scan.length_mm, allowed)
        best = best_length_mm(scan.length_mm, plunge)
        return best, room_mm(scan.length_mm, plunge, length_mm=best)

    whole = scanned(side["droop_mm"])
    still = _still(corner, side, locks)
    middle, left = best_and_left(whole)
    found: Found = {
        "arc_radius_mm": corner.arc.radius_mm,
        "fit_greatest_miss_mm": float(corner.arc.misses_mm.max()),
        "still": still,
        "all_cases_least_mm": float(whole.length_mm.min()),
        "all_cases_greatest_mm": float(whole.length_mm.max()),
        "mid_length_mm": middle,
        "plunge_each_way_mm": allowed - left,
        "plunge_allowed_mm": allowed,
        "plunge_left_mm": left,
        "bar_length_seat_to_seat_mm": middle - seats,
        "bar_tolerance_left_mm": left,
        "inner_angle_margin": given["inner_limit_deg"] / float(whole.inner_deg.max()),
        "outer_angle_margin": given["outer_limit_deg"] / float(whole.outer_deg.max()),
        "running_angle_holds": still["ride"]["inner_angle_deg"] <= RUNNING_WANTED_DEG,
    }
    strap = given.get("limit_strap_droop_mm")
    if strap is not None:
        strapped = scanned(min(strap, side["droop_mm"]))
        short, short_left = best_and_left(strapped)
        found["with_strap"] = {
            "inner_angle_greatest_deg": float(strapped.inner_deg.max()),
            "plunge_each_way_mm": allowed - short_left,
            "bar_length_seat_to_seat_mm": short - seats,
            "inner_angle_bought_deg": float(whole.inner_deg.max() - strapped.inner_deg.max()),
            "plunge_bought_mm": short_left - left,
        }
    return found


def cv_axle(given: Given, _every: Mapping[str, Given]) -> Found:
    sides = {name: _cv_side(name, given) for name in given["sides"]}
    return {"sides": sides, "worse_side": min(sides, key=lambda name: float(sides[name]["inner_angle_margin"]))}


def two_piece(given: Given, _every: Mapping[str, Given]) -> Found:
    joints, rpm, torque = _array(given["joints_mm"]), given["rpm"], given["torque_nm"]
    shafts = list(np.diff(joints, axis=0))
    lines = (_array(given["gearbox_line"]), *shafts, _array(given["pinion_line"]))
    line, phasing = joint_line(lines), _array(given["yoke_phasing_deg"])
    chain = Chain(lines=lines, is_cross=(True,) * len(joints), phasing_deg=tuple(phasing.tolist()))
    best = best_twist_deg(line, phasing, len(phasing) - 1)
    twisted = np.concatenate((phasing[:-1], [best]))
    left = residual_deg(line.angles_deg, line.planes_deg, phasing)
    at_best = residual_deg(line.angles_deg, line.planes_deg, twisted)
    lengths = [float(np.linalg.norm(one)) for one in shafts]
    criticals = [_critical(tube, given, length) for tube, length in zip(given["tubes"], lengths, strict=True)]
    most = MOST_OF_CRITICAL if len(shafts) == 1 else MOST_OF_CRITICAL_TWO_PIECE
    inside = [bool(one <= allowed_joint_deg(rpm)) for one in line.angles_deg]
    box, bearing = cross_couples_nm(torque, float(line.angles_deg[0]))
    return {
        "joint_lengths_mm": lengths,
        "joint_angles_deg": line.angles_deg.tolist(),
        "residual_deg": left,
        "excitation_rad_s2": excitation_rad_s2(left, rpm),
        "best_last_yoke_twist_deg": abs(best),
        "best_last_yoke_twist_signed_deg": best,
        "residual_at_best_twist_deg": at_best,
        "excitation_at_best_twist_rad_s2": excitation_rad_s2(at_best, rpm),
        "excitation_of_each_shaft_drive_rad_s2": rule_rad_s2(chain, rpm)[:-1].tolist(),
        "excitation_of_each_shaft_coast_rad_s2": rule_rad_s2(chain.reversed(), rpm)[::-1][1:].tolist(),
        "allowable_angle_deg": allowed_joint_deg(rpm),
        "angles_inside_allowable": inside,
        "each_angle_at_least_half_degree": [bool(one >= LEAST_JOINT_DEG) for one in line.angles_deg],
        "holds_as_it_is": excitation_rad_s2(left, rpm) <= MOST_AT_DRIVEN_END_RAD_S2 and all(inside),
        "holds_at_best_twist": excitation_rad_s2(at_best, rpm) <= MOST_AT_DRIVEN_END_RAD_S2 and all(inside),
        "critical_rpm": criticals,
        "speed_over_critical": [rpm / one for one in criticals],
        "allowed_share_of_critical": most,
        "critical_holds": [rpm / one <= most for one in criticals],
        "half_critical_rpm": [one / 2 for one in criticals],
        "torsion_mpa": [
            bar_shear_mpa(torque, outside_mm=t["outside_mm"], inside_mm=t["outside_mm"] - 2 * t["wall_mm"])
            for t in given["tubes"]
        ],
        "couple_on_box_nm": box,
        "couple_on_centre_bearing_nm": bearing,
    }


def _one_piece(given: Given, shaft: Floats, pinion: Floats) -> Found:
    rpm = given["top_rpm"]
    line = joint_line([_array(given["gearbox_line"]), shaft, pinion])
    left = residual_deg(line.angles_deg, line.planes_deg, np.zeros(1))
    return {
        "joint_angles_deg": line.angles_deg.tolist(),
        "residual_deg": left,
        "excitation_rad_s2": excitation_rad_s2(left, rpm),
        "middle_drive_rad_s2": excitation_rad_s2(float(line.angles_deg[0]), rpm),
        "middle_coast_rad_s2": excitation_rad_s2(float(line.angles_deg[1]), rpm),
    }


def slip(given: Given, _every: Mapping[str, Given]) -> Found:
    box, points = _array(given["gearbox_joint_mm"]), _array(given["pinion_joint_measured_mm"])
    measured, arc = points[given["ride_index"]], fit_arc(points)
    heights = np.linspace(-given["droop_mm"], given["bump_mm"], HEIGHTS)
    shafts = arc.at_height_mm(measured[2] + heights, measured) - box
    ride = arc.at_height_mm(measured[2:], measured)[0] - box
    lengths, at_ride = np.linalg.norm(shafts, axis=1), float(np.linalg.norm(ride))
    moves = slip_of(lengths, ride_mm=at_ride, closes_mm=tuple(given["unit_moves_along_mm"]))
    top, critical_longest = given["top_rpm"], _critical(given, given, moves.longest_mm)
    uneven_g_mm = unbalance_allowed_g_mm(
        grade_mm_s=given["balance_grade_mm_s"], mass_kg=given["shaft_mass_kg"], rpm=top
    )
    pinion = _array(given["pinion_line"])
    nose_up = rotation(roll_deg=0, pitch_deg=-given["wind_up_deg"], yaw_deg=0)
    angles = [joint_angle_deg(_array(given["gearbox_line"]), one) for one in shafts]
    return {
        "length_at_ride_mm": at_ride,
        "length_least_mm": float(lengths.min()),
        "length_least_at_height_mm": float(heights[lengths.argmin()]),
        "length_greatest_mm": float(lengths.max()),
        "length_greatest_at_height_mm": float(heights[lengths.argmax()]),
        "slip_in_mm": moves.in_mm,
        "slip_out_mm": moves.out_mm,
        "slip_range_mm": moves.in_mm + moves.out_mm,
        "slip_wanted_each_way_mm": [moves.in_mm + END_ROOM_MM, moves.out_mm + END_ROOM_MM],
        "slip_holds": moves.wanted_mm <= given["slip_joint_travel_mm"],
        "joint_1_angle_greatest_deg": max(angles),
        "critical_at_ride_rpm": _critical(given, given, at_ride),
        "critical_longest_rpm": critical_longest,
        "speed_over_critical": top / critical_longest,
        "critical_margin": MOST_OF_CRITICAL * critical_longest / top,
        "half_critical_rpm": critical_longest / 2,
        "U_per_g_mm": uneven_g_mm,
        "U_each_end_g_mm": uneven_g_mm / 2,
        "weight_at_tube_radius_g": uneven_g_mm / 2 / (given["outside_mm"] / 2),
        "ride": _one_piece(given, ride, pinion),
        "launch": _one_piece(given, ride, nose_up @ pinion),
    }


ADAPTERS: Final[dict[str, Adapter]] = {
    "torsion-bar": bar_torsion,
    "critical-speed-tube": critical,
    "joint-angle-two-planes": joint_angle,
    "residual-in-plane": residual,
    "residual-two-planes": residual,
    "axle-through-travel": through_travel,
    "axle-torque-limited-slip-twist": axle_torque,
    "cv-axle-four-heights-two-sides": cv_axle,
    "cv-axle-steering-lock": cv_axle,
    "propshaft-two-piece": two_piece,
    "propshaft-slip-and-critical": slip,
}
