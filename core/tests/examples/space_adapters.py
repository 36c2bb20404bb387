"""What maps the examples of placement and masses to the core, by kind."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.space.bodies import Body, Piece, cylinder_between
from driveline.space.distance import Near, nearest
from driveline.space.neighbours import nearest_bodies
from driveline.space.outputs import both_joints, laid_on_outputs, lowest_mm, turns_normally
from driveline.space.path import PathPart, StepFound, installed, walk
from driveline.space.pose import AS_IS, Placed, Pose, move_about, rotation
from driveline.space.shapes import Box, Mesh
from driveline.space.solids import Weighed, box_inertia_kgm2, cylinder_inertia_kgm2, hangs, together, turned
from driveline.space.sweep import Move

Given = Mapping[str, Any]
Found = dict[str, Any]


def _turn(roll_pitch_yaw_deg: list[float]) -> Any:
    roll, pitch, yaw = roll_pitch_yaw_deg
    return rotation(roll_deg=roll, pitch_deg=pitch, yaw_deg=yaw)


def _body(one: Given) -> Body:
    if "radius_mm" in one:
        end_1, end_2 = (np.array(one[name], dtype=float) for name in ("end_1_mm", "end_2_mm"))
        return Body(one["name"], (cylinder_between(end_1, end_2, one["radius_mm"]),))
    turn = _turn(one.get("roll_pitch_yaw_deg", [0, 0, 0]))
    size = tuple(float(side) for side in one["size_mm"])
    return Body(one["name"], (Piece(Box(size), Placed(turn, np.array(one["centre_mm"], dtype=float))),))  # type: ignore[arg-type]


def _move(change: Given, about_mm: list[float]) -> Placed:
    shift = np.array(change["move_mm"], dtype=float)
    return move_about(np.array(about_mm, dtype=float), shift_mm=shift, turn=_turn(change["roll_pitch_yaw_deg"]))


def distances(given: Given, _every: Mapping[str, Given]) -> Found:
    pairs: Found = {}
    for unit in given["on_unit"]:
        for fixed in given["fixed"]:
            cases: dict[str, Near] = {}
            moves = {"ride": AS_IS} | {
                name: _move(change, given["pose_about_mm"]) for name, change in given["pose_changes"].items()
            }
            for case, move in moves.items():
                found = nearest_bodies(_body(unit).moved(move), _body(fixed))
                assert found is not None
                cases[case] = found
            least_in = min(cases, key=lambda case: cases[case].gap_mm)
            least_mm = cases[least_in].gap_mm
            pairs[f"{unit['name']} to {fixed['name']}"] = {
                **{case: found.gap_mm for case, found in cases.items()},
                "nearest_on_unit_mm": cases["ride"].on_first_mm.tolist(),
                "nearest_on_fixed_mm": cases["ride"].on_second_mm.tolist(),
                "least_mm": least_mm,
                "least_in": least_in,
                "wanted_mm": fixed["wanted_mm"],
                "margin": least_mm / fixed["wanted_mm"],
            }
    return {"pairs": pairs, "tightest_pair": min(pairs, key=lambda name: pairs[name]["margin"])}


def meshes(given: Given, _every: Mapping[str, Given]) -> Found:
    first, second = (
        Piece(
            Mesh(np.array(given[name]["vertices_mm"], dtype=float), np.array(given[name]["faces"], dtype=np.int32)),
            AS_IS,
        )
        for name in ("mesh_1", "mesh_2")
    )
    found: Found = {"ride_mm": nearest(first, second).gap_mm}
    for name, change in given["pose_changes"].items():
        found[f"{name}_mm"] = nearest(first.moved(_move(change, given["pose_about_mm"])), second).gap_mm
    return found


def install_path(given: Given, _every: Mapping[str, Given]) -> Found:
    fixed = [PathPart(body=_body(one), after_step=one.get("goes_on_after_step")) for one in given["fixed"]]
    moves = [Move(np.array(one, dtype=float), np.eye(3), np.zeros(3)) for one in given["moves_mm"]]
    parts = [PathPart(body=_body(one), after_step=one.get("goes_on_after_step")) for one in given["parts"]]
    every = [PathPart(body=part.body) for part in parts]
    end = installed(every, fixed, moves)
    assert end.near is not None
    return {
        "all_on": [_step(one, given) for one in walk(every, fixed, moves)],
        "later_parts_off": [_step(one, given) for one in walk(parts, fixed, moves)],
        "installed": {"least_gap_mm": end.near.gap_mm, "pair": f"{end.part} to {end.to}"},
    }


def _step(one: StepFound, given: Given) -> Found:
    assert one.near is not None
    found = {
        "step": one.step,
        "least_gap_mm": one.near.gap_mm,
        "least_gap_part": one.part,
        "least_gap_to": one.to,
    }
    if one.contact_at is not None:
        length_mm = float(np.linalg.norm(given["moves_mm"][one.step - 1]))
        found |= {
            "first_contact_after_mm": one.contact_at * length_mm,
            "first_contact_part": one.part,
            "first_contact_with": one.to,
        }
    return found


def orientations(given: Given, _every: Mapping[str, Given]) -> Found:
    unit, found = given["unit"], {}
    outer = {f"outer_{side}_mm": np.array(given[f"outer_{side}_mm"], dtype=float) for side in ("left", "right")}
    worst: dict[str, float] = {}
    for one in given["orientations"]:
        placed = Placed(_turn(one["roll_pitch_yaw_deg"]), np.array(one["origin_mm"], dtype=float))
        own, drive = ("output_a_mm", "output_b_mm"), one.get("final_drive")
        a, b = (
            (np.array(drive["left_mm"], dtype=float), np.array(drive["right_mm"], dtype=float))
            if drive
            else (placed.points(np.array(unit[name], dtype=float)) for name in own)
        )
        joints = both_joints(output_a_mm=a, output_b_mm=b, **outer)
        worst[one["name"]] = joints.worst_deg
        lowest = lowest_mm(placed, np.array(unit["outline_mm"], dtype=float))
        answer: Found = {
            side: {
                "joint_angle_deg": joint.angle_deg,
                "joint_distance_mm": joint.distance_mm,
                "output_mm": joint.output_mm.tolist(),
            }
            for side, joint in (("left", joints.left), ("right", joints.right))
        }
        answer |= {
            "worse_side": joints.worse_side,
            "cg_mm": placed.points(np.array(unit["cg_mm"], dtype=float)).tolist(),
            "lowest_point_mm": lowest,
            "ground_clearance_holds": lowest >= given["ground_clearance_wanted_mm"],
        }
        if not drive:
            is_normal = turns_normally(turn=placed.turn, forward_axis=np.array(unit["forward_rotation_axis"]))
            answer["motor_turns"] = "normal" if is_normal else "reversed"
            answer["output_a_is_on"] = "left" if joints.a_is_left else "right"
        found[one["name"]] = answer
    return {"orientations": found, "least_worst_angle": min(worst, key=lambda name: worst[name])}


def outputs_first(given: Given, _every: Mapping[str, Given]) -> Found:
    def at(name: str) -> Any:
        return np.array(given[name], dtype=float)

    pose: Pose = laid_on_outputs(
        outer_left_mm=at("outer_left_mm"),
        outer_right_mm=at("outer_right_mm"),
        offset_mm=at("output_line_offset_mm"),
        output_left_mm=at("unit_output_left_mm"),
        output_right_mm=at("unit_output_right_mm"),
        along_mm=given["shift_along_line_mm"],
        pitch_deg=given["unit_pitch_deg"],
    )
    joints = both_joints(
        output_a_mm=pose.placed.points(at("unit_output_left_mm")),
        output_b_mm=pose.placed.points(at("unit_output_right_mm")),
        outer_left_mm=at("outer_left_mm"),
        outer_right_mm=at("outer_right_mm"),
    )
    sides = {
        side: {
            "output_mm": joint.output_mm.tolist(),
            "joint_distance_mm": joint.distance_mm,
            "joint_angle_deg": joint.angle_deg,
        }
        for side, joint in (("left", joints.left), ("right", joints.right))
    }
    return {
        "origin_mm": [pose.x_mm, pose.y_mm, pose.z_mm],
        "roll_deg": pose.roll_deg,
        "pitch_deg": pose.pitch_deg,
        "yaw_deg": pose.yaw_deg,
        "cg_mm": pose.placed.points(at("cg_on_unit_mm")).tolist(),
        **sides,
    }


def _weighed(one: Given) -> Weighed:
    if one["shape"] == "cylinder":
        own = cylinder_inertia_kgm2(
            mass_kg=one["mass_kg"],
            radius_mm=one["radius_mm"],
            bore_radius_mm=one.get("bore_radius_mm", 0.0),
            length_mm=one["length_mm"],
        )
    else:
        own = box_inertia_kgm2(mass_kg=one["mass_kg"], size_mm=tuple(one["size_mm"]))
    turn = _turn(one.get("roll_pitch_yaw_deg", [0, 0, 0]))
    return Weighed(one["mass_kg"], np.array(one["cg_mm"], dtype=float), turned(own, turn))


def masses_and_lift(given: Given, _every: Mapping[str, Given]) -> Found:
    bodies = {one["name"]: _weighed(one) for one in given["bodies"]}
    whole = together(list(bodies.values()))
    lift, on = [], []
    for added in given["lift_order"]:
        on += [bodies[name] for name in added]
        load = together(on)
        hung = hangs(eye_mm=np.array(given["lift_eye_mm"], dtype=float), cg_mm=load.cg_mm)
        lift.append(
            {
                "added": added,
                "mass_kg": load.kg,
                "cg_mm": load.cg_mm.tolist(),
                "lift_point_xy_mm": load.cg_mm[:2].tolist(),
                "hangs_tilted_deg": hung.tilted_deg,
                "nose_down_in_side_view_deg": hung.nose_down_deg,
                "left_down_in_front_view_deg": hung.left_down_deg,
            }
        )
    first, last = (np.array(lift[k]["lift_point_xy_mm"]) for k in (0, -1))
    return {
        "mass_kg": whole.kg,
        "cg_mm": whole.cg_mm.tolist(),
        "inertia_about_cg_kgm2": whole.inertia_kgm2.tolist(),
        "principal_kgm2": whole.principal_kgm2.tolist(),
        "lift": lift,
        "lift_point_moves_mm": float(np.linalg.norm(last - first)),
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "distance-boxes-and-cylinder-moved": distances,
    "distance-mesh-to-mesh": meshes,
    "install-path-with-lug": install_path,
    "four-orientations": orientations,
    "outputs-first-pose": outputs_first,
    "masses-five-bodies-and-lift": masses_and_lift,
}
