"""Whether a cross member holds all that stands on it, and both its ends hold it."""

from collections.abc import Iterator, Sequence
from typing import Final

import numpy as np

from driveline.benches.mounts.beside_checks import beside_checks
from driveline.benches.mounts.bracket_checks import BOLTED_REACH_MM, REACH_MM, root_checks
from driveline.benches.mounts.buckling_checks import fatigue_check, folding_walls
from driveline.benches.mounts.cross_loads import CrossLoaded, Cut, cross_loaded, end_words, outside_mount
from driveline.benches.mounts.cross_workings import whole_working
from driveline.benches.mounts.crosses import CrossLaid
from driveline.benches.mounts.landing_checks import landing_checks
from driveline.benches.mounts.landings import landing_thick_mm
from driveline.benches.mounts.lands_checks import GREATEST_GAP_MM, lands_checks
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.panel_workings import panel_working
from driveline.benches.mounts.rail_checks import face_check
from driveline.benches.mounts.sheet import ArmKind, MountKind
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.memory import kept
from driveline.sheet import positive_of
from driveline.working import Working, fixed_working

REACHES: Final = "Distance of both ends on the vehicle, against the length that is cut and a landing plate at each."
STANDS: Final = "From where a bracket is welded, or a mount bolted straight on, to the member's middle line."


def crosses_checks(
    crosses: Sequence[CrossLaid],
    needs: MountsNeeds,
    loaded: tuple[Loaded, ...],
    missing: tuple[str, ...],
    judge: Judge,
) -> Iterator[Check]:
    """Return the checks of every cross member, each with all the mounts on it at once."""
    for k, cross in enumerate(crosses, start=1):
        one = cross_loaded(cross, f"mounts.x{k}", loaded, missing)
        yield from _judged(one, judge.guarding())
        yield from beside_checks(outside_mount(cross), one.key, needs, judge)


@kept(20)
def _judged(one: CrossLoaded, judge: Judge) -> tuple[Check, ...]:
    """With something else changed, a member's stay as they were."""
    folds = () if one.cross.sheet.bracket.kind is ArmKind.TUBE else (_folds(one, judge),)
    ends = tuple(check for end in one.ends for check in _end_checks(end, judge))
    return (_whole(one, judge), *folds, _reach(one, judge), _stands(one, judge), *ends)


def _end_checks(end: Loaded, judge: Judge) -> Iterator[Check]:
    """Of an end as of a bracket's root."""
    yield from root_checks(end, judge)
    yield fatigue_check(end, judge)
    yield from landing_checks(end, judge)
    yield from lands_checks(end, judge)
    if end.mount.sheet.bracket.landing.is_there is not True:
        yield face_check(end, judge)


def _where(one: CrossLoaded, cut: Cut) -> str:
    member = one.cross.member
    assert member is not None
    first, other = end_words(one.cross)
    ends = {0.0: f"at its {first}", member.length_mm: f"at its {other}"}
    held = "rails that give way" if cut.is_pinned else "ends held"
    between = f"{fig(cut.x_mm, 'mm', 0)} from its {first}"
    return f"{ends.get(cut.x_mm, between)}, {held}"


def _whole(one: CrossLoaded, judge: Judge) -> Check:
    sheet = one.cross.sheet
    worst = max(one.cuts, key=lambda cut: cut.stress.judged_mpa, default=None)
    bears, is_usual = one.ends[0].yield_mpa, one.ends[0].yield_is_usual
    says = ""
    if worst is not None:
        says = f"{fig(worst.stress.judged_mpa, 'MPa', 0)} {_where(one, worst)}, in {one.names[worst.row]}."
    return judge.check(
        "bracket_yield",
        key=f"{one.key}.arm",
        title=f"{sheet.name.capitalize()} bears all that stands on it",
        demand=None if worst is None else worst.stress.judged_mpa,
        capacity=bears,
        unit="MPa",
        says=says,
        missing=one.missing,
        inputs=(f"{one.cross.field}.bracket",),
        working=lambda: whole_working(one, worst, bears, is_usual=is_usual),
    )


def _folds(one: CrossLoaded, judge: Judge) -> Check:
    worst = max(one.cuts, key=lambda cut: cut.stress.bending_and_axial_mpa, default=None)
    first = one.ends[0]
    wall = None
    if one.cross.member is not None:
        wall = min(folding_walls(first), key=lambda each: each.found.buckling_mpa, default=None)
    says = ""
    if worst is not None and wall is not None:
        folds = fig(wall.found.buckling_mpa, "MPa", 0)
        says = f"{fig(worst.stress.bending_and_axial_mpa, 'MPa', 0)} {_where(one, worst)}; it folds at {folds}."
    return judge.check(
        "buckling",
        key=f"{one.key}.walls",
        title=f"Walls of {one.cross.sheet.name} do not fold",
        demand=None if worst is None else worst.stress.bending_and_axial_mpa,
        capacity=None if wall is None else wall.found.buckling_mpa,
        unit="MPa",
        says=says,
        missing=one.missing,
        inputs=(f"{one.cross.field}.bracket",),
        working=lambda: Working() if wall is None else panel_working(wall, first.yield_mpa),
    )


def _reach(one: CrossLoaded, judge: Judge) -> Check:
    bracket, name, member = one.cross.sheet.bracket, one.cross.sheet.name, one.cross.member
    cut, landing = positive_of(bracket.length), bracket.landing
    thick, unsaid = landing_thick_mm(landing, name)
    missing = [*one.cross.missing, *([] if cut is not None else [f"{name}: the length that it is cut to"]), *unsaid]
    off, says = None, ""
    if cut is not None and member is not None and thick is not None:
        off = cut + 2 * thick - member.length_mm
        on_plates = f", with {fig(thick, 'mm', 1)} of plate and shims at either end" if thick else ""
        says = f"Cut to {fig(cut, 'mm', 1)}{on_plates}; it is {fig(member.length_mm, 'mm', 1)} from rail to rail."
    return judge.answer(
        is_so=None if off is None else abs(off) <= (BOLTED_REACH_MM if landing.is_there else REACH_MM),
        key=f"{one.key}.reach",
        title=f"{name.capitalize()} reaches from rail to rail",
        says=says,
        missing=tuple(dict.fromkeys(missing)),
        inputs=(f"{one.cross.field}.bracket.length", f"{one.cross.field}.first", f"{one.cross.field}.other"),
        working=fixed_working(REACHES),
    )


def _stands(one: CrossLoaded, judge: Judge) -> Check:
    """What is said to stand on it must meet it, between its ends."""
    member, name = one.cross.member, one.cross.sheet.name
    missing, far = [*one.cross.missing], list[str]()
    if not one.mounts:
        missing.append(f"{name}: which mounts stand on it")
    for mount in one.mounts:
        is_link = mount.sheet.kind is MountKind.ARM
        at = mount.at_mm if mount.arm.is_none and not is_link else mount.rail_mm
        if at is None:
            missing += mount.missing or (f"{mount.sheet.name}: where its bracket meets {name}",)
            continue
        if member is None:
            continue
        half = max(member.section.depth_mm, member.section.breadth_mm) / 2
        off = float(np.linalg.norm(one.cross.off_mm(at)))
        ears = (positive_of(mount.sheet.ears.height) or 0.0) if mount.arm.is_none else 0.0
        if off > half + ears + GREATEST_GAP_MM:
            far.append(f"{mount.sheet.name} is {fig(off, 'mm', 0)} from its middle, {fig(half, 'mm', 0)} of it metal")
        elif not 0 < one.cross.along_mm(at) < member.length_mm:
            far.append(f"{mount.sheet.name} stands past its end")
    is_so = None if missing and not far else not far
    return judge.answer(
        is_so=is_so,
        key=f"{one.key}.stands",
        title=f"What stands on {name} meets it",
        says=f"{'; '.join(far)}." if far else "" if is_so is None else "All of it does.",
        missing=tuple(dict.fromkeys(missing)) if is_so is None else (),
        inputs=(f"{one.cross.field}.first", f"{one.cross.field}.other", "mounts.mounts"),
        working=fixed_working(STANDS),
    )
