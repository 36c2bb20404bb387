"""Whether a bracket lands: its root flat on the face, its bolts through what they clamp."""

import math
from collections.abc import Iterator
from typing import Final

import numpy as np

from driveline.benches.mounts.brackets import Arm
from driveline.benches.mounts.landings import FIXING, LandingFound, landing_of
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import ArmKind, Landing, MountKind, RootCut, Through
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import thread
from driveline.metal.spanners import ROUND_MM, WALL, socket_mm
from driveline.sheet import positive_of
from driveline.working import Working, entered, step, tabled, worked

GREATEST_GAP_MM: Final = 3.0  # that a fillet bridges; past half of it the leg grows by the gap
ROOT: Final = (
    "A square end gapes where the arm does not meet the face squarely: its depth and breadth, each by its tangent. The "
    "face is taken square to the vehicle's axis that the arm is nearest to. A fillet bridges 3 mm, from half of that "
    "on with its leg larger by the gap."
)
ROOM: Final = "From a bolt's middle to the foot of the weld, against half of a socket or washer; sockets by ISO 2725-1."
THROUGH: Final = "What the outermost bolts, with their holes or sleeves, span on the face, against the face, both ways."


def lands_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return whether a bracket's root meets the vehicle and its bolts go through it; nothing of an arm."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.arm.is_none:
        return
    if one.mount.sheet.bracket.kind is not ArmKind.STANDOFFS:  # its legs are sawn each to its place
        yield root_check(one, judge)
    if one.mount.sheet.bracket.landing.is_there is not False:
        yield _through(one, judge)
        yield _room(one, judge)


def gap_mm(arm: Arm) -> float:
    """Return how far a square end gapes on a face square to the vehicle's axis that its arm is nearest to, mm.

    Args:
        arm: From the vehicle to the mount.

    Source:
        Geometry, depth times its lean and breadth times its own, at opposite corners; their sum.
    """
    along = np.abs(arm.turn)
    axis = int(along[:, 0].argmax())
    lean = along[axis, 1:] / along[axis, 0]
    return float(lean @ (arm.section.breadth_mm, arm.section.depth_mm))


def root_check(one: Loaded, judge: Judge) -> Check:
    """Return whether a bracket's root, or a cross member's end, meets the face that it lands on."""
    bracket, arm, name = one.mount.sheet.bracket, one.mount.arm.arm, one.mount.sheet.name
    gap = None if arm is None else gap_mm(arm)
    is_fitted = bracket.root_cut is RootCut.FITTED
    missing = list(one.mount.arm.missing) + ([] if one.mount.at_mm is not None else list(one.mount.missing))
    if bracket.root_cut is None:
        missing.append(f"{name}: how its bracket's root is cut, square or to the face")
    says, is_so = "", None
    if gap is not None and bracket.root_cut is RootCut.SQUARE:
        is_so = gap <= GREATEST_GAP_MM
        says = f"Square-ended it gapes {fig(gap, 'mm', 1)} at its root."
        says += "" if is_so else " Cut it to the face by hand after a template, or stand it square to the face."
    elif gap is not None and is_fitted:
        is_so = True
        says = f"Cut to the face by hand; its drawings are square there and want {fig(gap, 'mm', 1)} more to cut from."
        says = says if gap > GREATEST_GAP_MM / 2 else "Cut to the face by hand."
    return judge.answer(
        is_so=is_so,
        has_catch=gap is not None and gap > GREATEST_GAP_MM / 2,
        key=f"{one.key}.root_gap",
        title=f"{one.mount.bracket_title} meets what it lands on",
        says=says,
        missing=tuple(dict.fromkeys(missing)),
        inputs=field_inputs(one, "bracket.root_cut"),
        working=lambda: Working(source=ROOT) if arm is None else _root_working(arm),
    )


def _root_working(arm: Arm) -> Working:
    along = np.abs(arm.turn)
    axis = int(along[:, 0].argmax())
    across, upright = (along[axis, 1:] / along[axis, 0]).tolist()
    last = step(
        "g",
        "b * t_b + d * t_d",
        worked("b", arm.section.breadth_mm, "mm", "breadth of its section"),
        worked("t_b", across, "", "how it leans across, over one along"),
        worked("d", arm.section.depth_mm, "mm", "depth of its section"),
        worked("t_d", upright, "", "how it leans upright, over one along"),
        value=gap_mm(arm),
        unit="mm",
        decimals=1,
    )
    return Working(steps=(last,), source=ROOT)


def _spans(found: LandingFound, landing: Landing) -> tuple[tuple[float, float], float] | None:
    """What the bolts span across and upright, and what of it is one hole's or sleeve's."""
    sleeve = positive_of(landing.sleeve_outside) if landing.through is Through.SLEEVES else 0.0
    hole = positive_of(landing.hole)
    if sleeve is None or hole is None or landing.through is None:
        return None
    wide = max(sleeve, hole)
    across, upright = found.apart_mm
    return (across + wide, upright + wide), wide


def _through(one: Loaded, judge: Judge) -> Check:
    landing, name = one.mount.sheet.bracket.landing, one.mount.sheet.name
    found = landing_of(landing)
    spans = None if found is None else _spans(found, landing)
    faces = (positive_of(landing.onto_across), positive_of(landing.onto_upright))
    missing = [] if landing.is_there is not None else [FIXING.format(name)]
    if spans is None:
        missing.append(f"{name}: its landing plate's bolts apart, their holes, and what they go through")
    if None in faces:
        missing.append(f"{name}: the face that its plate lands on, across and upright")
    known = [] if spans is None else [(face, span) for face, span in zip(faces, spans[0], strict=True) if face]
    face, span = min(known, key=lambda each: each[0] / each[1], default=(None, None))
    says = "" if face is None else f"They span {fig(span, 'mm', 1)} of a face of {fig(face, 'mm', 1)}."
    if face is not None and span is not None and span > face:
        says += " Some go past it and clamp nothing: bring them nearer, or bear on a longer face."
    return judge.check(
        "clearance",
        key=f"{one.key}.landing_through",
        title=f"Bolts of {name}'s landing plate go through what they clamp",
        demand=span,
        capacity=face,
        unit="mm",
        says=says,
        missing=tuple(missing),
        inputs=field_inputs(one, "bracket.landing"),
        working=lambda: _through_working(one, span, spans),
    )


def _through_working(one: Loaded, span_mm: float | None, spans: tuple[tuple[float, float], float] | None) -> Working:
    found = landing_of(one.mount.sheet.bracket.landing)
    if span_mm is None or spans is None or found is None:
        return Working(source=THROUGH)
    way = spans[0].index(span_mm)
    field = f"{one.mount.field}.bracket.landing"
    apart = entered("a", found.apart_mm[way], "mm", f"{field}.{('across', 'upright')[way]}")
    wide = worked("w", spans[1], "mm", "of a hole or its sleeve")
    return Working(steps=(step("s", "a + w", apart, wide, value=span_mm, unit="mm", decimals=1),), source=THROUGH)


def bolt_to_arm_mm(found: LandingFound, arm: Arm, *, is_round: bool) -> float:
    """Return how far a landing plate's bolts stand from its arm's outside, mm; 0 where they stand within it.

    Args:
        found: The plate.
        arm: That is welded on its middle.
        is_round: Whether that is a tube.

    Source:
        Geometry, from a corner's bolt to the nearest point of the arm's outline.
    """
    if is_round:
        return max(math.hypot(*found.apart_mm) / 2 - arm.section.depth_mm / 2, 0.0)
    sizes = (arm.section.breadth_mm, arm.section.depth_mm)
    return math.hypot(*(max(apart - size, 0.0) / 2 for apart, size in zip(found.apart_mm, sizes, strict=True)))


def _room(one: Loaded, judge: Judge) -> Check:
    """Room for a socket, and for the washer, beside the weld round the arm."""
    bracket, landing, name = one.mount.sheet.bracket, one.mount.sheet.bracket.landing, one.mount.sheet.name
    found, arm, leg = landing_of(landing), one.mount.arm.arm, positive_of(bracket.leg)
    size = thread(landing.thread) if landing.thread else None
    washer = positive_of(landing.screws.head)
    wide = None if size is None else max(socket_mm(size), washer or 0.0)
    apart = None if found is None or arm is None else bolt_to_arm_mm(found, arm, is_round=bracket.kind is ArmKind.TUBE)
    room = None if apart is None or leg is None else max(apart - leg, 0.0)
    missing = missing_of(
        {
            f"{name}: its landing plate, and its bolts apart": found,
            f"{name}: its bracket": arm,
            f"{name}: the leg of its bracket's weld": leg,
            f"{name}: thread of its landing plate's bolts": size,
        }
    )
    missing += () if landing.is_there is not None else (FIXING.format(name),)
    says = ""
    if room is not None and wide is not None:
        says = f"{fig(room, 'mm', 1)} from a bolt to the weld's foot; a socket or washer is {fig(wide, 'mm', 1)} wide."

    def working() -> Working:
        if room is None or wide is None or apart is None or leg is None or size is None:
            return Working(source=ROOM)
        away = worked("a", apart, "mm", "from a bolt's middle to the arm")
        first = step(
            "r",
            "max(a - l, 0)",
            away,
            entered("l", leg, "mm", f"{one.mount.field}.bracket.leg"),
            value=room,
            unit="mm",
            decimals=1,
        )
        flats = tabled("s", size.head_mm, "mm", f"across the flats of {size.name}")
        base, wall = tabled("c", ROUND_MM, "mm", "of a socket"), tabled("k", WALL, "", "of a socket")
        head = entered("w", washer or 0.0, "mm", f"{one.mount.field}.bracket.landing.screws.head")
        half = step("h", "max(k * s + c, w) / 2", wall, flats, base, head, value=wide / 2, unit="mm", decimals=1)
        return Working(steps=(first, half), source=ROOM)

    return judge.check(
        "clearance",
        key=f"{one.key}.landing_room",
        title=f"Room for a socket on {name}'s landing plate",
        demand=None if wide is None else wide / 2,
        capacity=room,
        unit="mm",
        says=says,
        missing=missing,
        inputs=field_inputs(one, "bracket.landing", "bracket.leg"),
        working=working,
    )
