"""The cases of load: the usual ones, those of one's own, and those left out with a reason."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import MountsSheet, OutputTurns, TorqueKind
from driveline.held.balance import G_MS2, wrench
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
    with_case: str = ""  # one that it goes with: left out together
    lift_g: float = 0.0  # of its own weights, that a hoist pulls up with at its eye


# Customary starting points, no code: ENGINEERING 12.
_DRIVEN: Final = (
    Case(name="launch", g_xyz=(0, 0, -1), torque=TorqueKind.LAUNCH),
    Case(name="overrun", g_xyz=(0, 0, -1), torque=TorqueKind.OVERRUN),
    Case(name="launch backward", g_xyz=(0, 0, -1), torque=TorqueKind.REVERSE),
    Case(name="wheels locked", g_xyz=(0, 0, -1), torque=TorqueKind.LOCKED),
    Case(name="wheels locked, rolling back", g_xyz=(0, 0, -1), torque=TorqueKind.LOCKED_BACK),
)
_ROAD: Final = (
    Case(name="bump", g_xyz=(0, 0, -3)),
    Case(name="rebound", g_xyz=(0, 0, 1)),
    Case(name="braking", g_xyz=(1.2, 0, -1)),
    Case(name="cornering to the left", g_xyz=(0, -1, -1)),
    Case(name="cornering to the right", g_xyz=(0, 1, -1)),
    Case(name="kerb", g_xyz=(1, 0, -2)),
    Case(name="lifted by its eye, still bolted down", g_xyz=(0, 0, -1), lift_g=2.0),
)


def _together() -> Iterator[Case]:
    """What occurs together: every torque with the unit's weight lifted off and thrown down, and a kerb backward."""
    for one in _DRIVEN:
        for words, up_g in (("over a crest", 1.0), ("in a bump", -3.0)):
            yield Case(name=f"{one.name}, {words}", g_xyz=(0, 0, up_g), torque=one.torque, with_case=one.name)
    yield Case(name="braking, over a crest", g_xyz=(1.2, 0, 1), with_case="braking")
    yield Case(name="kerb, backward", g_xyz=(-1, 0, -2), torque=TorqueKind.REVERSE, with_case="kerb")


ALWAYS: Final = ("launch", "overrun", "bump")  # no vehicle is without them
LEAST_WORDS: Final = 3
USUAL: Final = (*_DRIVEN, *_ROAD)
TOGETHER: Final = tuple(_together())
STANDING: Final = Case(name="standing", g_xyz=(0, 0, -1))


def usual_cases(needs: MountsNeeds) -> tuple[Case, ...]:
    """Return the usual cases; a unit without an eye is not lifted by it."""
    return tuple(case for case in (*USUAL, *TOGETHER) if not case.lift_g or needs.unit.has_eye)


def cases_of(sheet: MountsSheet, needs: MountsNeeds) -> tuple[Case, ...]:
    """Return the cases that are asked: the usual ones but for those left out with a reason, and one's own."""
    left_out = {one.case for one in sheet.left_out if is_reason(one.why) and one.case not in ALWAYS}
    usual = (case for case in usual_cases(needs) if case.name not in left_out and case.with_case not in left_out)
    return (*usual, *_own(sheet))


def is_reason(why: str) -> bool:
    """Say whether it is more than a shrug."""
    return len(why.split()) >= LEAST_WORDS


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
    wanted += [f"Why {one.case} is left out, in a few words" for one in sheet.left_out if not is_reason(one.why)]
    return (
        *wanted,
        *(f"{one.case.capitalize()}: no vehicle is without it" for one in sheet.left_out if one.case in ALWAYS),
    )


def axis_of(sheet: MountsSheet, needs: MountsNeeds) -> Floats | None:
    """Return the right-hand axis of the output's turning, driving forward; ``None`` while it is not said."""
    if needs.turns_wheels:
        return FORWARD_ROLL
    if sheet.output_turns is None:
        return None
    return ALONG if sheet.output_turns is OutputTurns.CLOCKWISE else -ALONG


def lift_n(case: Case, needs: MountsNeeds, mass_kg: float, about_mm: Floats) -> Floats | None:
    """Return what a hoist pulls with at the unit's eye, N and N·mm about its centre of gravity, (6,).

    ``None`` while it is not known where that is.
    """
    unit = needs.unit
    if not case.lift_g:
        return np.zeros(6)
    if unit.eye_mm is None or unit.placed is None:
        return None
    return wrench(
        np.array([0.0, 0.0, case.lift_g * mass_kg * G_MS2]), np.zeros(3), unit.placed.points(unit.eye_mm) - about_mm
    )


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
        TorqueKind.LOCKED_BACK: needs.locked_nm,
    }[case.torque]


def torques_missing(sheet: MountsSheet, needs: MountsNeeds, cases: tuple[Case, ...]) -> tuple[str, ...]:
    """Return which torques are not known, in words."""
    asked = {case.torque for case in cases}
    if needs.torque_unsaid and asked - {TorqueKind.NONE}:
        return (needs.torque_unsaid,)
    words = (
        (
            TorqueKind.LAUNCH,
            needs.launch_nm,
            "The torque that leaves the unit at launch: motor, tyre and a gearing that is chosen",
        ),
        (
            TorqueKind.REVERSE,
            needs.launch_nm,
            "The torque that leaves the unit at launch: motor, tyre and a gearing that is chosen",
        ),
        (TorqueKind.OVERRUN, needs.overrun_nm, "The torque that leaves the unit on overrun"),
        (TorqueKind.LOCKED, needs.locked_nm, "The torque at which the tyres slip: masses and centre of gravity"),
        (TorqueKind.LOCKED_BACK, needs.locked_nm, "The torque at which the tyres slip: masses and centre of gravity"),
    )
    found = [text for kind, value, text in words if kind in asked and value is None]
    if any(case.lift_g for case in cases):
        found += needs.unit.eye_missing
    if asked - {TorqueKind.NONE} and axis_of(sheet, needs) is None:
        found.append(WHICH_WAY)
    return tuple(dict.fromkeys(found))
