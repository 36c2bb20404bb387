"""Examples of shafts over every state that can occur: plunge windows, joints whose axle winds up."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.chains import Chain, exact_rad_s2, rule_rad_s2
from driveline.cardan.lines import (
    COMFORTABLE_RAD_S2,
    MOST_AT_DRIVEN_END_RAD_S2,
    MOST_IN_MIDDLE_RAD_S2,
    unit_line,
)
from driveline.cardan.turning import chain_turns_rad
from driveline.cardan.wound import Pinion
from driveline.space.pose import rotation
from driveline.suspension.arcs import arm_arc
from driveline.suspension.envelope import BarWindow, Envelope, bar_window
from driveline.suspension.travel import Corner, Scan, scan_travel

Given = Mapping[str, Any]
Found = dict[str, Any]
HEIGHTS: Final = 401


def _array(values: Any) -> Floats:
    return np.array(values, dtype=float)


def plunge_window(given: Given, _every: Mapping[str, Given]) -> Found:
    inner, origin, outer = (_array(given[name]) for name in ("inner_mm", "unit_origin_mm", "outer_at_ride_mm"))
    pivot = _array(given["arm"]["pivot_mm"])
    corner = Corner(
        inner_mm=inner,
        output=_array(given["inner_line_outward"]),
        arc=arm_arc(pivot, pivot + unit_line(_array(given["arm"]["axis"]), "axis"), outer),
        near_mm=outer,
        ride_mm=float(outer[2]),
        spindle=_array(given["stub_line_inward"]),
        kingpin=_array(given["kingpin"]["axis"]),
        off_kingpin_mm=outer - _array(given["kingpin"]["point_at_ride_mm"]),
    )
    moves, turns = [], []
    for move in given["unit_moves"]:
        roll, pitch, yaw = move.get("roll_pitch_yaw_deg", (0, 0, 0))
        turn = rotation(roll_deg=roll, pitch_deg=pitch, yaw_deg=yaw)
        turns.append(turn)
        moves.append(_array(move.get("move_mm", (0, 0, 0))) + turn @ (inner - origin) + origin - inner)
    heights = np.linspace(-given["droop_mm"], given["bump_mm"], HEIGHTS)
    heights = np.sort(np.append(heights, 0.0))
    scan = scan_travel(corner, heights, _array(given["locks_deg"]), np.array(moves), np.array(turns))
    envelope = Envelope(tuple((angle, plunge) for angle, plunge in given["envelope_deg_mm"]))
    allowed = envelope.plunge_at(scan.inner_deg)
    names = [
        (f"lock {lock:g}, {move['name']}", k, m)
        for k, lock in enumerate(given["locks_deg"])
        for m, move in enumerate(given["unit_moves"])
    ]
    whole = bar_window(scan.length_mm, allowed)
    full = bar_window(scan.length_mm, np.full_like(allowed, envelope.plunge_mm))
    ride = int(np.abs(heights).argmin())
    at_rest = tuple(float(values[ride, 0, 0]) for values in (scan.length_mm, scan.inner_deg, scan.outer_deg))

    def state_of(flat: int) -> str:
        _, lock, move = (int(one) for one in np.unravel_index(flat, scan.length_mm.shape))
        return next(name for name, k, m in names if (k, m) == (lock, move))

    inner_at, outer_at = int(scan.inner_deg.argmax()), int(scan.outer_deg.argmax())
    worst_outer = float(scan.outer_deg.max())
    return {
        "states": {name: _state(scan, allowed, k, m) for name, k, m in names},
        "at_ride": dict(zip(("length_mm", "inner_deg", "outer_deg"), at_rest, strict=True)),
        "bar_window_mm": [whole.least_mm, whole.greatest_mm],
        "window_width_mm": whole.width_mm,
        "middle_mm": whole.middle_mm,
        "holds": _holds(whole, envelope, scan, given["bar_tolerance_mm"]),
        "governs_short_bar": state_of(whole.least_at),
        "governs_long_bar": state_of(whole.greatest_at),
        "inner_worst": {"state": state_of(inner_at), "angle_deg": float(scan.inner_deg.max())},
        "outer_worst": {"state": state_of(outer_at), "angle_deg": worst_outer},
        "angle_holds": worst_outer <= given["outer_greatest_allowed_deg"] and not envelope.is_past(scan.inner_deg),
        "flattering_window_width_mm": full.width_mm,
    }


def _holds(window: BarWindow, envelope: Envelope, scan: Scan, tolerance_mm: float) -> str:
    if envelope.is_past(scan.inner_deg):
        return "not known"
    return "holds" if window.width_mm > 2 * tolerance_mm else "fails"


def _state(scan: Scan, allowed: Floats, lock: int, move: int) -> Found:
    lengths, inner, outer = (values[:, lock, move] for values in (scan.length_mm, scan.inner_deg, scan.outer_deg))
    window = bar_window(lengths, allowed[:, lock, move])
    return {
        "bar_at_least_mm": window.least_mm,
        "bar_at_most_mm": window.greatest_mm,
        "inner_greatest_deg": float(inner.max()),
        "outer_greatest_deg": float(outer.max()),
        "length_greatest_mm": float(lengths.max()),
        "length_least_mm": float(lengths.min()),
    }


def _view_deg(lines: Floats, axis: int) -> list[float]:
    """Change of slope at each joint in a view: up (2) or left (1), going along the chain."""
    slopes = np.degrees(np.arctan2(lines[:, axis], np.abs(lines[:, 0])))
    return [float(one) for one in np.diff(slopes)]


def _second_order_deg(swing: Floats) -> float:
    """Twice the root of the second order of a turn, as an angle."""
    order = 2 * float(np.abs(np.fft.rfft(swing)[2])) / len(swing)
    return float(np.degrees(2 * np.sqrt(order)))


def _reach_state(given: Given, height: Given, drive: Given) -> tuple[Found, Chain]:
    centre = _array(given["axle_centre_at_ride_mm"]) + _array(height["axle_move_mm"])
    nose_up = given["pinion_nose_up_deg"] - height.get("axle_pitch_deg", 0.0)
    turn = rotation(roll_deg=0, pitch_deg=-nose_up, yaw_deg=given["pinion_nose_left_deg"])
    ahead, above = given["joint_ahead_of_axle_mm"], given["joint_above_axle_centre_mm"]
    still = centre + turn @ np.array([ahead, given["joint_left_of_axle_centre_mm"], above])
    pinion = Pinion(joint_mm=still, line=turn @ np.array([-1.0, 0, 0]), ahead_mm=ahead, above_mm=above)
    joint, line = pinion.wound(drive["nose_up_deg"])
    shaft = joint - _array(given["gearbox_joint_mm"])
    lines = np.array([unit_line(one, "line") for one in (_array(given["gearbox_line"]), shaft, line)])
    chain = Chain(lines=tuple(lines), is_cross=(True, True), phasing_deg=(0.0,))
    rpm = given["propshaft_rpm"]
    angles = chain.angles_deg
    omega2 = (rpm * np.pi / 30) ** 2
    rule = float(rule_rad_s2(chain, rpm)[-1])
    swing = chain_turns_rad(chain.lines, chain.phasing_deg)[-1]
    found = {
        "pinion_joint_mm": joint.tolist(),
        "length_mm": float(np.linalg.norm(shaft)),
        "joint_angles_deg": angles.tolist(),
        "side_view_deg": _view_deg(lines, 2),
        "plan_view_deg": _view_deg(lines, 1),
        "residual_deg": float(np.degrees(np.sqrt(rule / omega2))),
        "residual_exact_deg": _second_order_deg(swing),
        "excitation_rad_s2": rule,
        "excitation_exact_rad_s2": float(exact_rad_s2(chain, rpm)[-1]),
        "middle_drive_rad_s2": float(omega2 * np.radians(angles[0]) ** 2),
        "middle_coast_rad_s2": float(omega2 * np.radians(angles[1]) ** 2),
    }
    return found, chain


def joint_reach(given: Given, _every: Mapping[str, Given]) -> Found:
    states = {
        f"{height['name']}, {drive['name']}": _reach_state(given, height, drive)[0]
        for height in given["heights"]
        for drive in given["drives"]
    }
    still = [one for name, one in states.items() if name.endswith(given["drives"][0]["name"])]
    ride = next(iter(states.values()))["length_mm"]
    lengths = [one["length_mm"] for one in states.values()]
    uneven = max(states, key=lambda name: states[name]["excitation_rad_s2"])
    middle = max(max(one["middle_drive_rad_s2"], one["middle_coast_rad_s2"]) for one in states.values())
    worst = states[uneven]

    def joint(k: int) -> Found:
        name = max(states, key=lambda each: states[each]["joint_angles_deg"][k])
        return {"state": name, "joint_angle_deg": float(states[name]["joint_angles_deg"][k])}

    return {
        "states": states,
        "joint_1_worst": joint(0),
        "joint_2_worst": joint(1),
        "evenness_worst": {
            "state": uneven,
            **{name: worst[name] for name in ("residual_deg", "excitation_rad_s2", "excitation_exact_rad_s2")},
        },
        "middle_worst_rad_s2": middle,
        "slip_in_mm": ride - min(lengths),
        "slip_out_mm": max(lengths) - ride,
        "comfortable": worst["excitation_rad_s2"] <= COMFORTABLE_RAD_S2,
        "holds": worst["excitation_rad_s2"] <= MOST_AT_DRIVEN_END_RAD_S2 and middle <= MOST_IN_MIDDLE_RAD_S2,
        "without_wind_up": {
            "joint_1_deg": max(float(one["joint_angles_deg"][0]) for one in still),
            "joint_2_deg": max(float(one["joint_angles_deg"][1]) for one in still),
            "excitation_rad_s2": max(one["excitation_rad_s2"] for one in still),
        },
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "plunge-window-product": plunge_window,
    "joint-reach-with-windup": joint_reach,
}
