"""Whether the unit is held, by how much, how it moves and shakes, and what happens if a mount lets go."""

from collections.abc import Iterator
from typing import Final

import numpy as np

from driveline.benches.mounts.beside_checks import beside_checks
from driveline.benches.mounts.carried import Carried, Solved, greatest_move_mm
from driveline.benches.mounts.cases import cases_missing, cases_of, torques_missing
from driveline.benches.mounts.cross_checks import crosses_checks
from driveline.benches.mounts.frame import FrameFound
from driveline.benches.mounts.frame_checks import frame_checks
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.loaded import loaded
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.pull import PullFound, pull_missing
from driveline.benches.mounts.shake_checks import shake_checks, springs_missing
from driveline.benches.mounts.sheet import MountKind, MountsSheet, Pull
from driveline.benches.mounts.strength import strength_checks
from driveline.benches.mounts.workings import (
    force_working,
    gap_working,
    pull_working,
    travel_working,
)
from driveline.checks import Check
from driveline.figures import fig
from driveline.held.balance import LARGE_TURN_DEG
from driveline.margins import Judge
from driveline.memory import kept
from driveline.sheet import value_of
from driveline.working import Fact, Working, fixed_working

LEAST_WANTED_MM: Final = 10.0
_strength_checks = kept(100)(strength_checks)  # with one mount changed, the others' stay as they were
FAR_MM: Final = 35.0  # off everything, where nothing was found within what is looked at


def held_missing(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> tuple[str, ...]:
    """Return what keeps it from being known what the mounts carry."""
    missing = [*springs_missing(needs, solved)]
    missing += [*torques_missing(sheet, needs, cases_of(sheet, needs)), *cases_missing(sheet)]
    if solved.carried is not None and solved.answer is None:
        missing.append("A balance that settles: bushes and their travel, looked at again")
    return tuple(dict.fromkeys(missing))


def mounts_checks(
    sheet: MountsSheet,
    needs: MountsNeeds,
    solved: Solved,
    pull: PullFound | None,
    frame: FrameFound,
    judge: Judge,
) -> Iterator[Check]:
    """Return every check of the bench."""
    missing = held_missing(sheet, needs, solved)
    carried = solved.answer
    yield _held(solved, judge)
    yield _decided(solved, missing, judge)
    every = tuple(loaded(mount, k, carried, missing) for k, mount in enumerate(solved.mounts))
    for k, one in enumerate(every):
        yield _load(one.mount, k, carried, missing, judge)
        yield from _strength_checks(one, judge.guarding())
        yield from beside_checks(one.mount, one.key, needs, judge)
    yield from crosses_checks(solved.crosses, needs, every, missing, judge)
    yield _bottoms(solved, carried, missing, judge)
    yield _gaps(solved, needs, carried, missing, judge)
    yield _travel(solved, needs, carried, missing, judge)
    yield _small(carried, missing, judge)
    yield from shake_checks(sheet, needs, solved, judge)
    yield _lets_go(solved, judge)
    if sheet.pull != Pull():
        yield _pull(sheet, pull, judge)
    yield from frame_checks(sheet.frame, frame, judge)


def _held(solved: Solved, judge: Judge) -> Check:
    lacking = [name for one in solved.mounts for name in one.missing]
    if not solved.mounts:
        lacking.append("Where the unit is held: its mounts")
    is_so = None if solved.free is None else not solved.free
    free = "; ".join(motion_words(motion.kind, motion.direction.tolist()) for motion in solved.free or ())
    return judge.answer(
        is_so=is_so,
        key="mounts.held",
        title="Held all ways",
        says="" if is_so is None else "In all six directions." if is_so else f"It can still {free}.",
        missing=tuple(dict.fromkeys(lacking)),
        inputs=("mounts.mounts",),
        working=fixed_working("Null space of all held directions, about the mounts' middle."),
    )


def motion_words(kind: str, direction: list[float]) -> str:
    """Return a free motion in words."""
    x, y, z = (abs(one) for one in direction)
    line = "fore and aft" if x > max(y, z) else "across" if y > z else "upright"
    if kind == "slide":
        return f"slide {line if line != 'upright' else 'up and down'}"
    return f"turn about a line that runs {line}" if kind.startswith("turn") else f"screw along a line that runs {line}"


def _decided(solved: Solved, missing: tuple[str, ...], judge: Judge) -> Check:
    carried = solved.carried
    is_open = carried is not None and carried.shares is not None
    says = ""
    if carried is not None:
        says = "Rubber and statics decide what each carries."
        if is_open:
            says = f"Held {solved.redundant} times over by hard mounts: each is judged at the most that it may carry."
    return judge.answer(
        is_so=None if carried is None else True,
        has_catch=is_open,
        key="mounts.decided",
        title="What each carries is decided",
        says=says,
        missing=missing,
        inputs=("mounts.mounts",),
        working=fixed_working("Every combination of half, once and twice each mount's stiffness."),
    )


def _load(mount: LaidMount, k: int, carried: Carried | None, missing: tuple[str, ...], judge: Judge) -> Check:
    sheet = mount.sheet
    lacking = list(missing)
    if sheet.rating_n is None:
        lacking.append(f"{sheet.name}: the greatest load that its maker allows")
    force = None if carried is None else float(carried.sizes_n[carried.worst_case(k), k])
    says = ""
    if carried is not None and force is not None:
        says = f"{fig(force, 'N', 0)} in {carried.cases[carried.worst_case(k)].name}."
    return judge.check(
        "maker_rating",
        key=f"mounts.m{k + 1}.load",
        title=f"Load on {sheet.name}",
        demand=force,
        capacity=sheet.rating_n,
        unit="N",
        says=says,
        missing=tuple(dict.fromkeys(lacking)),
        inputs=(mount.field,),
        working=lambda: Working() if carried is None else force_working(carried, k),
    )


def _bottoms(solved: Solved, carried: Carried | None, missing: tuple[str, ...], judge: Judge) -> Check:
    rubber = [k for k, one in enumerate(solved.mounts) if one.sheet.kind is MountKind.RUBBER]
    lacking = [*missing]
    names: list[str] = []
    if carried is not None:
        names = [
            f"{solved.mounts[k].sheet.name} in {carried.cases[row].name}"
            for k in rubber
            for row in np.flatnonzero(carried.bottomed[:, k])[:1]
        ]
    says = f"On its stop: {', '.join(names)}." if names else "" if lacking else "None bottoms."
    return judge.answer(
        is_so=None if lacking else True,
        has_catch=bool(names),
        key="mounts.bottoms",
        title="Rubber within its travel",
        says=says,
        missing=tuple(dict.fromkeys(lacking)),
        inputs=("mounts.mounts",),
        working=fixed_working("Piecewise springs: past its travel a bush is as hard as its stop."),
    )


def _gaps(solved: Solved, needs: MountsNeeds, carried: Carried | None, missing: tuple[str, ...], judge: Judge) -> Check:
    lacking = [*missing, *needs.unit.missing, *needs.around_missing]
    if needs.around is None:
        lacking.append("What stands round the unit, at Placement")
    tightest = min(solved.nearest, key=lambda one: one[1].gap_mm / one[1].wanted_mm, default=None)
    says, gap, wanted = "", None, LEAST_WANTED_MM
    if tightest is not None:
        case, found = tightest
        gap, wanted = found.gap_mm, found.wanted_mm
        how = "they overlap" if gap <= 0 else f"{fig(gap, 'mm', 1)}"
        says = f"{found.unit_body} to {found.other}: {how}, in {case.name}."
    elif carried is not None and not lacking:
        says = "Nothing stands near it."
    is_clear = carried is not None and not lacking and tightest is None
    return judge.check(
        "clearance",
        key="mounts.gaps",
        title="Clear in every case of load",
        demand=wanted,
        capacity=gap if tightest is not None else FAR_MM if is_clear else None,
        unit="mm",
        says=says,
        missing=tuple(dict.fromkeys(lacking)),
        inputs=("mounts.mounts", "placement.bodies"),
        working=lambda: gap_working(
            gap if tightest is not None else FAR_MM if is_clear else None, tightest[0].name if tightest else "any case"
        ),
    )


def _travel(
    solved: Solved, needs: MountsNeeds, carried: Carried | None, missing: tuple[str, ...], judge: Judge
) -> Check:
    lacking = [*missing, *needs.unit.missing]
    if needs.unit.farthest_mm is None:
        lacking.append("The unit's envelope, at Placement")
    greatest = None
    if carried is not None and solved.about_mm is not None:
        greatest = greatest_move_mm(carried, needs, solved.about_mm)
    says = ""
    if greatest is not None:
        says = f"{fig(greatest[0], 'mm', 1)} at its farthest corner, in {greatest[1].name}; Placement counts on "
        says += f"{fig(needs.counted_travel_mm, 'mm', 1)}{', the usual' if needs.counted_is_usual else ''}."
    return judge.check(
        "clearance",
        key="mounts.travel",
        title="Moves no farther than Placement counts on",
        demand=None if greatest is None else greatest[0],
        capacity=needs.counted_travel_mm,
        unit="mm",
        says=says,
        missing=tuple(dict.fromkeys(lacking)),
        inputs=("placement.travel", "mounts.mounts"),
        working=lambda: travel_working(
            None if greatest is None else greatest[0], "" if greatest is None else greatest[1].name
        ),
    )


def _small(carried: Carried | None, missing: tuple[str, ...], judge: Judge) -> Check:
    turn, says = None, ""
    if carried is not None:
        sizes = np.degrees(np.linalg.norm(carried.held.turns_rad, axis=1))
        row = int(sizes.argmax())
        turn = float(sizes[row])
        says = f"{fig(turn, '°', 1)} in {carried.cases[row].name}."
        if turn > LARGE_TURN_DEG:
            says = f"{says} The sums take turns as small: beyond {fig(LARGE_TURN_DEG, '°', 0)} they are off."
    return judge.answer(
        is_so=None if turn is None else turn <= LARGE_TURN_DEG,
        key="mounts.small",
        title="Turns little enough for these sums",
        says=says,
        missing=missing,
        inputs=("mounts.mounts",),
        working=fixed_working("Linear springs, small turns.", Fact(what="greatest turn", found=says or "not known")),
    )


def _lets_go(solved: Solved, judge: Judge) -> Check:
    may = [one for one in solved.mounts if one.sheet.kind in (MountKind.RUBBER, MountKind.ARM, None)]
    loose = [one.sheet.name for one in may if one.sheet.is_caught is False]
    missing = [f"{one.sheet.name}: what stops the unit if it lets go" for one in may if one.sheet.is_caught is None]
    if not solved.mounts:
        missing.append("Where the unit is held: its mounts")
    is_so: bool | None = False if loose else None if missing else True
    return judge.answer(
        is_so=is_so,
        key="mounts.lets_go",
        title="If a mount lets go, something stops the unit",
        says=f"Nothing does: {', '.join(loose)}." if loose else "" if missing else "A strap or a stop at each.",
        missing=tuple(missing),
        inputs=("mounts.mounts",),
        working=fixed_working("Torn rubber or a broken arm must not let the unit into shafts, brakes or the road."),
    )


def _pull(sheet: MountsSheet, pull: PullFound | None, judge: Judge) -> Check:
    lacking = pull_missing(sheet.pull)
    least, greatest = value_of(sheet.pull.least), value_of(sheet.pull.greatest)
    off, room, says = None, None, ""
    if pull is not None and least is not None and greatest is not None:
        low, high = pull.after_mm
        middle = (least + greatest) / 2
        off, room = abs((low + high) / 2 - middle) + (high - low) / 2, (greatest - least) / 2
        source = f"{pull.log.count} logged welds" if pull.log else "the rule, and a degree of tilt"
        after = f"{fig(low, 'mm', 2)} to {fig(high, 'mm', 2)} after welding, by {source}"
        says = f"{after}. Jig it at {fig(pull.jig_mm, 'mm', 2)}."
        if not pull.leg_is_small:
            says = f"{says} So large a leg pulls more than the rule knows."
    return judge.check(
        "clearance",
        key="mounts.pull",
        title="Gap after the weld has pulled it",
        demand=off,
        capacity=room,
        unit="mm",
        says=says,
        missing=lacking,
        inputs=("mounts.pull",),
        working=lambda: pull_working(pull, off, room),
    )
