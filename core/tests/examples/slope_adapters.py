"""What maps the examples of propshafts measured by their slopes to the core."""

import math
from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.cardan.chains import Chain, by_slopes, exact_rad_s2
from driveline.cardan.lines import (
    COMFORTABLE_RAD_S2,
    MOST_AT_DRIVEN_END_RAD_S2,
    JointLine,
    excitation_rad_s2,
    joint_line,
    residual_deg,
)

Given = Mapping[str, Any]
Found = dict[str, Any]
ENDS: Final = ("front_mm", "aft_mm")
WAYS: Final = ("left_mm", "ahead_mm")


def _readings(given: Given) -> Floats:
    """Of each line its slope, then where its marks stand: front left and ahead, aft left and ahead; (lines, 5)."""
    return np.array(
        [[one["rises_aft_deg"], *(one[end][way] for end in ENDS for way in WAYS)] for one in given["lines"]]
    )


def _slopes(given: Given, readings: Floats) -> list[tuple[float, float]]:
    """How each line rises and runs to the left going aft."""
    zero = given["inclinometer_zero_deg"]
    return [
        (rise - zero, math.degrees(math.atan2(aft_left - left, ahead - aft_ahead)))
        for rise, left, ahead, aft_left, aft_ahead in readings.tolist()
    ]


def _joints(slopes: list[tuple[float, float]]) -> tuple[list[Floats], JointLine]:
    lines = [by_slopes(falls_deg=-rise, left_deg=plan, ahead=-1.0) for rise, plan in slopes]
    return lines, joint_line(lines)


def from_slopes(given: Given, _every: Mapping[str, Given]) -> Found:
    readings = _readings(given)
    slopes = _slopes(given, readings)
    lines, line = _joints(slopes)
    phasing, rpm = np.array(given["yoke_phasing_deg"], dtype=float), given["propshaft_rpm"]
    chain = Chain(lines=tuple(lines), is_cross=(True,) * (len(lines) - 1), phasing_deg=tuple(phasing.tolist()))
    _, flat = _joints([(rise, 0.0) for rise, _ in slopes])
    left = residual_deg(line.angles_deg, line.planes_deg, phasing)
    excited = excitation_rad_s2(left, rpm)
    side, plan = np.diff(np.array(slopes), axis=0).T
    return {
        "plan_left_aft_deg": [plan for _, plan in slopes],
        "lines": [one.tolist() for one in lines],
        "joint_angles_deg": line.angles_deg.tolist(),
        "side_view_deg": side.tolist(),
        "plan_view_deg": plan.tolist(),
        "root_of_squares_deg": np.hypot(side, plan).tolist(),
        "planes_turned_deg": ((line.planes_deg - line.planes_deg[0] + 90) % 180 - 90).tolist(),
        "residual_deg": left,
        "excitation_rad_s2": excited,
        "excitation_exact_rad_s2": float(exact_rad_s2(chain, rpm)[-1]),
        "comfortable": excited <= COMFORTABLE_RAD_S2,
        "holds": excited <= MOST_AT_DRIVEN_END_RAD_S2,
        "side_view_alone_residual_deg": residual_deg(flat.angles_deg, flat.planes_deg, phasing),
        "u_joint_angle_deg": _u_angles_deg(given, readings),
    }


def _u_angles_deg(given: Given, readings: Floats) -> list[float]:
    """By central differences of half a u of every reading, all independent."""
    u = np.array([given["u_slope_deg"], *(given["u_tape_mm"],) * 4])
    squares = np.zeros(len(readings) - 1)
    for row, column in np.ndindex(*readings.shape):
        step = np.zeros_like(readings)
        step[row, column] = u[column] / 2
        more, less = (_joints(_slopes(given, readings + sign * step))[1].angles_deg for sign in (1, -1))
        squares += (more - less) ** 2
    found: list[float] = np.sqrt(squares).tolist()
    return found


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {"propshaft-from-slopes": from_slopes}
