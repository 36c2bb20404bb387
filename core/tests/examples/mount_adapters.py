"""What maps the examples of mounts, brackets, welds and frames to the core, by kind."""

import math
from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.held.balance import free_motions, held_count, hold, inertia_wrench
from driveline.held.holds import HARD_N_PER_MM, Hold, arm, hard, rubber
from driveline.held.modes import modes_of
from driveline.held.reaction import arm_force_n, casing_moment_nm
from driveline.held.shares import forced_fit_n, redundancy, shares_of
from driveline.metal.ears import Ear, ear_stress
from driveline.metal.frames import Cell, FrameSection, Strip, frame_section, ratios_of
from driveline.metal.sections import Section, arm_stress, box, channel, tube
from driveline.metal.struts import panel_buckling, secant_load_n, secant_stress_mpa, strut_buckling
from driveline.metal.weld_groups import BASE_SHEAR, base_shear_mpa, weld_stress
from driveline.metal.weld_pull import MOST_LEG, at_bolt_mm, pull_mm, pulled, shim_mm
from driveline.metal.welds import weld_allowable_mpa
from driveline.space.pose import rotation

Given = Mapping[str, Any]
Found = dict[str, Any]
Adapter = Callable[[Given, Mapping[str, Given]], Found]


def _array(values: Any) -> Floats:
    return np.array(values, dtype=float)


def _hold(one: Given) -> Hold:
    roll, pitch, yaw = one.get("roll_pitch_yaw_deg", [0, 0, 0])
    turn = rotation(roll_deg=roll, pitch_deg=pitch, yaw_deg=yaw)
    at, bracket = _array(one["at_mm"]), one.get("bracket_n_per_mm")
    behind = None if bracket is None else _array(bracket)
    if one["kind"] == "torque_arm":
        stiffness = one.get("stiffness_n_per_mm", HARD_N_PER_MM)
        return arm(one["name"], at, _array(one["along"]), stiffness, is_rubber=False)
    if one["kind"] == "hard":
        x, y, z = one["held_xyz"]
        return hard(one["name"], at, (x, y, z), turn=turn, bracket_n_per_mm=behind)
    return rubber(one["name"], at, _array(one["stiffness_n_per_mm"]), turn=turn, bracket_n_per_mm=behind)


def holds_of(given: Given) -> list[Hold]:
    return [_hold(one) for one in given["mounts"]]


def _load(given: Given, case: Given) -> Floats:
    moment = _array(case.get("moment_on_unit_nm", [0, 0, 0]))
    return inertia_wrench(given["mass_kg"], _array(given["cg_mm"]), _array(case["inertia_force_g"]), moment)


def three_rubber(given: Given, _every: Mapping[str, Given]) -> Found:
    holds = [
        rubber(str(k), _array(at), _array(stiffness), turn=np.eye(3))
        for k, (at, stiffness) in enumerate(zip(given["mounts_mm"], given["stiffness_n_per_mm"], strict=True))
    ]
    # The weight acts downward however the example counts its g.
    case = {"inertia_force_g": [0, 0, -given["g_vertical"]], "moment_on_unit_nm": given["moment_on_unit_nm"]}
    found = hold(holds, _load(given, case)[None])
    return {
        "on_unit_n": found.forces_n[0].tolist(),
        "move_at_origin_mm": found.moves_mm[0].tolist(),
        "turn_deg": np.degrees(found.turns_rad[0]).tolist(),
    }


def mounts(given: Given, _every: Mapping[str, Given]) -> Found:
    holds = holds_of(given)
    names = [one.name for one in holds]
    found = hold(holds, np.array([_load(given, case) for case in given["cases"]]))
    cases: Found = {}
    for k, case in enumerate(given["cases"]):
        cases[case["name"]] = {
            "move_at_origin_mm": found.moves_mm[k].tolist(),
            "turn_deg": np.degrees(found.turns_rad[k]).tolist(),
            "on_unit_n": dict(zip(names, found.forces_n[k].tolist(), strict=True)),
            "mount_move_mm": dict(zip(names, found.mount_moves_mm[k].tolist(), strict=True)),
            "sum_of_reactions_n": found.forces_n[k].sum(axis=0).tolist(),
        }
    sizes = np.linalg.norm(found.forces_n, axis=2)
    worst = {name: given["cases"][int(sizes[:, n].argmax())]["name"] for n, name in enumerate(names)}
    result: Found = {"cases": cases, "worst_case_of_mount": worst}
    if "inertia_about_cg_kgm2" in given:
        modes = modes_of(
            holds,
            mass_kg=given["mass_kg"],
            cg_mm=_array(given["cg_mm"]),
            inertia_kgm2=_array(given["inertia_about_cg_kgm2"]),
            dynamic=given["dynamic_over_static"],
        )
        result |= {
            "frequencies_hz": [one.frequency_hz for one in modes],
            "mode_names": [one.name for one in modes],
            "kinetic_energy_shares_pct": [one.shares_pct.tolist() for one in modes],
            "below_8_hz": [one.is_low for one in modes],
            "in_wheel_hop_band": [one.hops for one in modes],
        }
    return result


def under_held(given: Given, _every: Mapping[str, Given]) -> Found:
    holds = holds_of(given)
    free = free_motions(holds)
    motion = free[0]
    load = _load(given, given["force_check"])
    work = float(load @ motion.twist) / 1000 * math.radians(1)
    expected_way = motion.direction
    return {
        "held": held_count(holds),
        "free": len(free),
        "kind": motion.kind,
        "direction": (expected_way if expected_way[1] < 0 else -expected_way).tolist(),  # either sign will do
        "line_nearest_origin_mm": motion.at_mm.tolist(),
        "pitch_mm_per_rad": motion.pitch_mm_per_rad,
        "load_carried": abs(work) < 1e-9,
        "work_on_free_motion_nm_per_deg": abs(work),
        "held_with_cure": held_count([*holds, _hold(given["cure"])]),
    }


def hard_shares(given: Given, _every: Mapping[str, Given]) -> Found:
    holds = holds_of(given)
    loads = np.array([_load(given, case) for case in given["cases"]])
    nominal, shares = hold(holds, loads).forces_n, shares_of(holds, loads)
    cases = {
        case["name"]: {
            one.name: {
                "nominal_n": nominal[k, n].tolist(),
                "least_n": shares.least_n[k, n].tolist(),
                "greatest_n": shares.greatest_n[k, n].tolist(),
            }
            for n, one in enumerate(holds)
        }
        for k, case in enumerate(given["cases"])
    }
    names = [one.name for one in holds]
    fit = given["forced_fit"]
    forced = forced_fit_n(holds, names.index(fit["mount"]), _array(fit["misfit_mm"]))
    return {
        "held": held_count(holds),
        "redundant": redundancy(holds),
        "determined_by_statics": redundancy(holds) <= 0,
        "cases": cases,
        "forced_fit_n": dict(zip(names, forced.tolist(), strict=True)),
    }


def _layout_moment(one: Given) -> Floats:
    forward = _array([0, 1, 0])
    sign = -1.0 if one["flow"] == "overrun" else 1.0
    ratio, efficiency = one.get("ratio", 1.0), one.get("efficiency", 1.0)
    times = ratio / efficiency if one["flow"] == "overrun" else ratio * efficiency
    if one["layout"] == "stand_alone_box":
        axis = _array(one["rotation_axis"])
        given = sign * one["input_nm"] * times
        return casing_moment_nm([(sign * one["input_nm"], axis)], [(given, one["sense"] * axis)])
    if one["layout"] == "right_angle_final_drive":
        pinion = sign * one["pinion_nm"]
        return casing_moment_nm([(pinion, _array(one["pinion_rotation_axis"]))], [(pinion * times, forward)])
    axis = _array(one.get("axle_line", one.get("rotation_axis")))
    return casing_moment_nm([], [(sign * one["motor_nm"] * times, axis)])


def torque_reactions(given: Given, _every: Mapping[str, Given]) -> Found:
    layouts: Found = {}
    for one in given["layouts"]:
        moment = _layout_moment(one)
        layouts[one["name"]] = {"moment_on_unit_nm": moment.tolist()}
        if "arm" in one:
            held = one["arm"]
            lever, force = arm_force_n(
                moment_nm=moment,
                at_mm=_array(held["at_mm"]),
                line_mm=_array(held["line_point_mm"]),
                along=_array(held["along"]),
            )
            layouts[one["name"]] |= {"arm_lever_mm": lever, "arm_force_n": force}
    return {"layouts": layouts}


def ear(given: Given, _every: Mapping[str, Given]) -> Found:
    one = Ear(
        bolt_mm=given["bolt_mm"],
        hole_mm=given["hole_mm"],
        thickness_mm=given["thickness_mm"],
        width_mm=given["width_mm"],
        edge_mm=given["hole_edge_to_plate_edge_mm"],
        root_mm=given["root_width_mm"],
        height_mm=given["side_arm_mm"],
    )
    force, side = given["force_n"] / given["ears"], given["side_force_n"] / given["ears"]
    found = ear_stress(one, force_n=force, side_n=side, yield_mpa=given["yield_mpa"])
    return {
        "bearing_mpa": found.bearing_mpa,
        "tear_out_mpa": found.tear_out_mpa,
        "net_section_mpa": found.net_section_mpa,
        "bearing_margin": found.margins["bearing"],
        "tear_out_margin": found.margins["tear-out"],
        "net_section_margin": found.margins["net section"],
        "root_bending_mpa": found.bending_mpa,
        "bending_margin": found.margins["bending"],
        "governing": found.governing,
        "margin": found.margin,
        "holds": found.margin >= 1,
    }


def arms(given: Given, _every: Mapping[str, Given]) -> Found:
    sections: Found = {}
    for one in given["sections"]:
        section, offset = _arm_section(one)
        found = arm_stress(
            section,
            arm_mm=given["arm_mm"],
            upright_n=given["force_n"],
            across_n=0.0,
            axial_n=given["axial_n"],
            offset_mm=offset,
            e_mpa=given["E_mpa"],
        )
        named = (
            {"Iy_mm4": section.across_mm4, "Am_mm2": 1 / (2 * section.shear_per_nmm * one["wall_mm"])}
            if section.is_closed
            else {"shear_centre_from_web_midline_mm": section.shear_centre_mm}
        )
        sections[one["name"]] = {
            "area_mm2": section.area_mm2,
            "I_mm4": section.upright_mm4,
            "Z_mm3": section.modulus_mm3,
            "J_mm4": section.torsion_mm4,
            "torque_nmm": found.torque_nmm,
            "bending_and_axial_mpa": found.bending_and_axial_mpa,
            "torsion_mpa": found.torsion_mpa,
            "combined_mpa": found.combined_mpa,
            "margin": given["yield_mpa"] / found.combined_mpa,
            "twist_deg": found.twist_deg,
            **named,
        }
    return {"sections": sections, "best": max(sections, key=lambda name: sections[name]["margin"])}


def _arm_section(one: Given) -> tuple[Section, float]:
    if one["kind"] == "box":
        section = box(breadth_mm=one["breadth_mm"], depth_mm=one["depth_mm"], wall_mm=one["wall_mm"])
        return section, one["load_offset_from_axis_mm"]
    section = channel(
        flange_mm=one["flange_mm"],
        depth_mm=one["depth_mm"],
        flange_thickness_mm=one["flange_thickness_mm"],
        web_thickness_mm=one["web_thickness_mm"],
    )
    from_web = one["load_from_web_midline_mm"]
    is_outside = one["load_side"] == "web side"  # where the shear centre is
    return section, abs(section.shear_centre_mm + (-from_web if is_outside else from_web))


def weld_group(given: Given, _every: Mapping[str, Given]) -> Found:
    force = _array(given["load_n"])
    found = weld_stress(
        _array(given["weld_lines_mm"]), leg_mm=given["leg_mm"], force_n=force, at_mm=_array(given["load_point_mm"])
    )
    allowable = weld_allowable_mpa(
        electrode_tensile_mpa=given["electrode_tensile_mpa"], is_inspected=given["inspected"]
    )
    beside = base_shear_mpa(found, thickness_mm=given["base_thickness_mm"])
    names = [f"({x:g}, {y:g})" for x, y in found.points_mm]
    return {
        "throat_mm": found.throat_mm,
        "length_mm": found.length_mm,
        "centroid_mm": found.centroid_mm.tolist(),
        "unit_Ix_mm3": found.unit_x_mm3,
        "unit_Iy_mm3": found.unit_y_mm3,
        "unit_Ixy_mm3": found.unit_xy_mm3,
        "unit_J_mm3": found.unit_x_mm3 + found.unit_y_mm3,
        "moment_at_centroid_nmm": found.moment_nmm.tolist(),
        "resultant_mpa": dict(zip(names, found.sizes_mpa.tolist(), strict=True)),
        "governing_point": f"({found.at_mm[0]:g}, {found.at_mm[1]:g})",
        "governing_components_mpa": found.components_mpa.tolist(),
        "governing_mpa": found.governing_mpa,
        "allowable_mpa": allowable,
        "margin": allowable / found.governing_mpa,
        "base_metal_shear_mpa": beside,
        "base_metal_margin": BASE_SHEAR * given["base_yield_mpa"] / beside,
    }


def _tube(given: Given) -> tuple[Section, float]:
    section = tube(outside_mm=given["outside_mm"], wall_mm=given["wall_mm"])
    return section, math.sqrt(section.upright_mm4 / section.area_mm2)


def tube_strut(given: Given, _every: Mapping[str, Given]) -> Found:
    section, gyration = _tube(given)
    found = strut_buckling(
        area_mm2=section.area_mm2,
        gyration_mm=gyration,
        length_mm=given["length_mm"],
        end_factor=given["end_factor"],
        e_mpa=given["E_mpa"],
        yield_mpa=given["yield_mpa"],
    )
    return {"buckling_n": found.load_n}


def struts(given: Given, _every: Mapping[str, Given]) -> Found:
    section, gyration = _tube(given)
    found: Found = {}
    for one in given["struts"]:
        buckling = strut_buckling(
            area_mm2=section.area_mm2,
            gyration_mm=gyration,
            length_mm=one["length_mm"],
            end_factor=given["end_factor"],
            e_mpa=given["E_mpa"],
            yield_mpa=given["yield_mpa"],
        )
        found[one["name"]] = {
            "slenderness": buckling.slenderness,
            "changeover": buckling.changeover,
            "rule": buckling.rule,
            "buckling_n": buckling.load_n,
            "margin": buckling.load_n / one["load_n"],
        }
        if "offset_mm" in one:
            sizes = {
                "area_mm2": section.area_mm2,
                "gyration_mm": gyration,
                "fibre_mm": given["outside_mm"] / 2,
                "length_mm": one["length_mm"],
                "end_factor": given["end_factor"],
                "offset_mm": one["offset_mm"],
                "e_mpa": given["E_mpa"],
            }
            load = secant_load_n(**sizes, yield_mpa=given["yield_mpa"])
            found[one["name"]] |= {
                "secant_n": load,
                "secant_margin": load / one["load_n"],
                "stress_at_load_mpa": secant_stress_mpa(one["load_n"], **sizes),
            }
    return {
        "area_mm2": section.area_mm2,
        "I_mm4": section.upright_mm4,
        "radius_of_gyration_mm": gyration,
        "struts": found,
    }


def panels(given: Given, _every: Mapping[str, Given]) -> Found:
    found: Found = {}
    for one in given["panels"]:
        panel = panel_buckling(
            breadth_mm=one["breadth_mm"],
            thickness_mm=one["thickness_mm"],
            has_free_edge=one["edges"] == "one free",
            e_mpa=given["E_mpa"],
            poisson=given["nu"],
            yield_mpa=given["yield_mpa"],
        )
        found[one["name"]] = {
            "k": panel.factor,
            "elastic_mpa": panel.elastic_mpa,
            "buckling_mpa": panel.buckling_mpa,
            "rule": panel.rule,
            "margin": panel.buckling_mpa / one["stress_mpa"],
            "breadth_over_thickness": one["breadth_mm"] / one["thickness_mm"],
        }
    return {"panels": found}


def _frame(one: Given) -> FrameSection:
    strips = [
        Strip(
            x_mm=plate["x_mm"],
            y_mm=plate["y_mm"],
            breadth_mm=plate["b_mm"],
            height_mm=plate["h_mm"],
            is_outside=plate.get("outside_cell", False),
        )
        for plate in one["plates"]
    ]
    line = one.get("cell_midline") if one["closed"] else None
    cell = None if line is None else Cell(corners_mm=_array(line["corners_mm"]), walls_mm=_array(line["wall_mm"]))
    return frame_section(strips, cell)


def _frame_found(section: FrameSection) -> Found:
    return {
        "area_mm2": section.area_mm2,
        "centroid_mm": list(section.centroid_mm),
        "I_mm4": section.level_mm4,
        "I_sideways_mm4": section.sideways_mm4,
        "Z_mm3": section.modulus_mm3,
        "J_mm4": section.torsion_mm4,
        "closed": section.is_closed,
    }


def cut_frame(given: Given, _every: Mapping[str, Given]) -> Found:
    old = _frame(given["old"])
    stations: Found = {}
    for one in given["stations"]:
        new = _frame(one)
        left = ratios_of(new, old)
        least = min(left, key=lambda name: left[name])
        stations[one["name"]] = {
            **_frame_found(new),
            **{f"{name}_ratio": value for name, value in left.items()},
            "least_ratio": left[least],
            "least_is": least,
            "holds": left[least] >= 1,
        }
    weakest = min(stations, key=lambda name: stations[name]["least_ratio"])
    return {
        "old": _frame_found(old),
        "stations": stations,
        "weakest_station": weakest,
        "weakest_ratio": stations[weakest]["least_ratio"],
        "holds": stations[weakest]["holds"],
    }


def weld_pull(given: Given, _every: Mapping[str, Given]) -> Found:
    is_lap = given["joint"].startswith("lap")
    return {"closes_mm": pull_mm(leg_mm=given["leg_mm"], plate_mm=given["plate_mm"], is_lap=is_lap)}


def weld_pull_log(given: Given, _every: Mapping[str, Given]) -> Found:
    height, wanted = given["ear_height_mm"], given["gap_wanted_mm"]
    closings = [at_bolt_mm(one["closed_mm"], given["ears_tilting"] * one["tilt_deg"], height) for one in given["log"]]
    log = pulled(closings)
    rule = pull_mm(leg_mm=given["leg_mm"], plate_mm=given["plate_mm"], is_lap=given["joint"].startswith("lap"))
    low, high = log.range_mm
    shim, jig = shim_mm(log.mean_mm, given["shim_stock_mm"]), wanted + log.mean_mm
    after, shimmed = [jig - high, jig - low], [wanted + shim - high, wanted + shim - low]
    foot = float(np.mean([one["closed_mm"] for one in given["log"]]))

    def holds(gap: list[float]) -> bool:
        return bool(given["gap_least_mm"] <= gap[0] and gap[1] <= given["gap_greatest_mm"])

    return {
        "rule_closes_mm": rule,
        "n": log.count,
        "mean_mm": log.mean_mm,
        "spread_mm": log.spread_mm,
        "student_t": log.student_t,
        "prediction_half_width_mm": log.half_width_mm,
        "prediction_mm": [low, high],
        "jig_gap_mm": jig,
        "gap_after_weld_mm": after,
        "rule_inside_prediction": low <= rule <= high,
        "gap_holds": holds(after),
        "leg_within_rule": given["leg_mm"] <= MOST_LEG * given["plate_mm"],
        "shim_mm": shim,
        "gap_after_with_shim_mm": shimmed,
        "gap_with_shim_holds": holds(shimmed),
        "tilt_at_1_deg_moves_mm": at_bolt_mm(0.0, 1.0, height),
        "pull_only_mean_mm": foot,
        "tilt_share_of_mean_pct": 100 * (1 - foot / log.mean_mm),
    }


ADAPTERS: Final[dict[str, Adapter]] = {
    "three-rubber-mounts-launch": three_rubber,
    "mounts-three-with-torque-arm": mounts,
    "mounts-four-six-frequencies": mounts,
    "mounts-five-mixed": mounts,
    "mounts-under-held": under_held,
    "mounts-hard-four-shares": hard_shares,
    "torque-reaction-five-layouts": torque_reactions,
    "ear-bracket": ear,
    "arm-box-channel-bending-torsion": arms,
    "weld-group-three-dimensions": weld_group,
    "tube-strut": tube_strut,
    "strut-euler-johnson-secant": struts,
    "panel-buckling": panels,
    "cut-frame-stations": cut_frame,
    "weld-pull": weld_pull,
    "weld-pull-and-tilt-from-nine-welds": weld_pull_log,
}
