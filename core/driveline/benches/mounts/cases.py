"""The cases of load: the usual ones, those of one's own, and those left out with a reason."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import MountsSheet, OutputTurns, TorqueKind
from driveline.held.reaction import casing_moment_nm

FORWARD_ROLL: Final = np.array([0.0, 1.0, 0.0])  # of wheels, right-handed
WHICH_WAY: Final = "Which way the output turns, seen from behind"
ALONG: Final = np.array([1.0, 0.0, 0.0])


@dataclass(frozen=True, slots=True, kw_only=True)
class Case:
    """A case: inertia force in g on the unit, and which torque leaves it."""

    name: str
    g_xyz: tuple[float, float, float]
    torque: TorqueKind = TorqueKind.NONE
    is_own: bool = False


# Customary starting points, no code: ENGINEERING 12.
USUAL: Final = (
    Case(name="launch", g_xyz=(0, 0, -1), torque=TorqueKind.LAUNCH),
    Case(name="overrun", g_xyz=(0, 0, -1), torque=TorqueKind.OVERRUN),
    Case(name="launch backward", g_xyz=(0, 0, -1), torque=TorqueKind.REVERSE),
    Case(name="wheels locked", g_xyz=(0, 0, -1), torque=TorqueKind.LOCKED),
    Case(name="bump", g_xyz=(0, 0, -3)),
    Case(name="rebound", g_xyz=(0, 0, 1)),
    Case(name="braking", g_xyz=(1.2, 0, -1)),
    Case(name="cornering to the left", g_xyz=(0, -1, -1)),
    Case(name="cornering to the right", g_xyz=(0, 1, -1)),
    Case(name="kerb", g_xyz=(1, 0, -2)),
)
STANDING: Final = Case(name="standing", g_xyz=(0, 0, -1))


def cases_of(sheet: MountsSheet) -> tuple[Case, ...]:
    """Return the cases that are asked: the usual ones but for those left out with a reason, and one's own."""
    left_out = {one.case for one in sheet.left_out if one.why}
    return (*(case for case in USUAL if case.name not in left_out), *_own(sheet))


def _own(sheet: MountsSheet) -> Iterator[Case]:
    for one in sheet.own_cases:
        if one.forward_g is not None and one.left_g is not None and one.up_g is not None:
            g = (one.forward_g, one.left_g, one.up_g)
            yield Case(name=one.name, g_xyz=g, torque=one.torque, is_own=True)


def cases_missing(sheet: MountsSheet) -> tuple[str, ...]:
    """Return what cases lack, in words."""
    wanted = [
        f"{one.name}: forward, left and up in g"
        for one in sheet.own_cases
        if None in (one.forward_g, one.left_g, one.up_g)
    ]
    return (*wanted, *(f"Why {one.case} is left out" for one in sheet.left_out if not one.why))


def axis_of(sheet: MountsSheet, needs: MountsNeeds) -> Floats | None:
    """Return the right-hand axis of the output's turning, driving forward; ``None`` while it is not said."""
    if needs.turns_wheels:
        return FORWARD_ROLL
    if sheet.output_turns is None:
        return None
    return ALONG if sheet.output_turns is OutputTurns.CLOCKWISE else -ALONG


def moment_nm(case: Case, sheet: MountsSheet, needs: MountsNeeds) -> Floats | None:
    """Return the moment that the shafts leave on the unit; ``None`` while something of it is not known."""
    if case.torque is TorqueKind.NONE:
        return np.zeros(3)
    leaving = torque_nm(case, needs)
    axis = axis_of(sheet, needs)
    if leaving is None or axis is None:
        return None
    return casing_moment_nm([], [(leaving, axis)])


def torque_nm(case: Case, needs: MountsNeeds) -> float | None:
    """Return the torque that leaves the unit, above nought driving forward."""
    forward, backward = needs.launch_nm, needs.overrun_nm
    return {
        TorqueKind.NONE: 0.0,
        TorqueKind.LAUNCH: forward,
        TorqueKind.OVERRUN: None if backward is None else -backward,
        TorqueKind.REVERSE: None if forward is None else -forward,
        TorqueKind.LOCKED: None if needs.locked_nm is None else -needs.locked_nm,
    }[case.torque]


def torques_missing(sheet: MountsSheet, needs: MountsNeeds, cases: tuple[Case, ...]) -> tuple[str, ...]:
    """Return which torques are not known, in words."""
    asked = {case.torque for case in cases}
    words = (
        (TorqueKind.LAUNCH, needs.launch_nm, "The torque that leaves the unit at launch: motor, tyre and gearing"),
        (TorqueKind.REVERSE, needs.launch_nm, "The torque that leaves the unit at launch: motor, tyre and gearing"),
        (TorqueKind.OVERRUN, needs.overrun_nm, "The torque that leaves the unit on overrun"),
        (TorqueKind.LOCKED, needs.locked_nm, "The torque at which the tyres slip: masses and centre of gravity"),
    )
    found = [text for kind, value, text in words if kind in asked and value is None]
    if asked - {TorqueKind.NONE} and axis_of(sheet, needs) is None:
        found.append(WHICH_WAY)
    return tuple(dict.fromkeys(found))
