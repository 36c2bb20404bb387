"""Whether the walls of a bracket fold, and whether a weld bears launch and back so often."""

from collections.abc import Iterator
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import STEEL, weld_of
from driveline.benches.mounts.loaded import Loaded, field_inputs, lacking
from driveline.benches.mounts.panel_workings import panel_working
from driveline.benches.mounts.sheet import ArmKind, Bracket, MountKind
from driveline.benches.mounts.weld_workings import fatigue_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.metal.panels import Fold, Panel, fold_of
from driveline.metal.welds import SCREEN_CYCLES, range_allowed_mpa
from driveline.sheet import positive_of
from driveline.working import Working

TO_AND_FRO: Final = ("launch", "launch backward", "overrun")


def buckling_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of what may fold or tire; none of a torque arm, or of a mount bolted straight on."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.arm.is_none:
        return
    if one.mount.sheet.bracket.kind in (ArmKind.BOX, ArmKind.CHANNEL, ArmKind.FOLDED, ArmKind.GUSSETED, None):
        yield _panel(one, judge)
    yield fatigue_check(one, judge)


def _panel(one: Loaded, judge: Judge) -> Check:
    sheet, arm = one.mount.sheet, one.mount.arm.arm
    wall = None if arm is None else min(folding_walls(one), key=lambda each: each.found.buckling_mpa, default=None)
    known = [max(at.stress.bending_and_axial_mpa for at in row) for row in one.stresses]
    worst = max(range(len(known)), key=lambda row: known[row], default=None)
    stress = None if worst is None else known[worst]
    says = ""
    if stress is not None and worst is not None and wall is not None:
        folds = fig(wall.found.buckling_mpa, "MPa", 0)
        says = f"{fig(stress, 'MPa', 0)} in {one.names[worst]}; its {wall.panel.words} folds at {folds}."
    return judge.check(
        "buckling",
        key=f"{one.key}.walls",
        title=f"Walls of {sheet.name}'s bracket do not fold",
        demand=stress,
        capacity=None if wall is None else wall.found.buckling_mpa,
        unit="MPa",
        says=says,
        missing=lacking(one, "beside"),
        inputs=field_inputs(one, "bracket"),
        working=lambda: Working() if wall is None else panel_working(wall, one.yield_mpa),
    )


def folding_walls(one: Loaded) -> Iterator[Fold]:
    """Return what of a box or an open channel may fold.

    A flange has a free edge, a web and a box's walls have none.
    """
    bracket = one.mount.sheet.bracket
    breadth, depth, wall, web = (positive_of(x) for x in (bracket.breadth, bracket.depth, bracket.wall, bracket.web))
    if breadth is None or depth is None or wall is None:
        return
    sizes: tuple[tuple[str, float, float, bool], ...] = (("wider wall", max(breadth, depth) - 2 * wall, wall, False),)
    if bracket.kind is ArmKind.FOLDED:
        web = wall
    if bracket.kind in (ArmKind.CHANNEL, ArmKind.FOLDED):
        if web is None:
            return
        sizes = (("flange", breadth - web, wall, True), ("web", depth - 2 * wall, web, False))
    if bracket.kind is ArmKind.GUSSETED:
        sizes = tuple(_shelf_walls(bracket, breadth, depth, wall))
    for words, clear, thick, is_free in sizes:
        panel = Panel(words=words, breadth_mm=clear, thickness_mm=thick, has_free_edge=is_free)
        yield fold_of(panel, e_mpa=STEEL.modulus_mpa, poisson=STEEL.poisson, yield_mpa=one.yield_mpa)


def _shelf_walls(
    bracket: Bracket, breadth_mm: float, depth_mm: float, wall_mm: float
) -> Iterator[tuple[str, float, float, bool]]:
    """A gusset hangs free at its lower edge; a shelf stands out beside one, and is held at both edges by more."""
    gusset, count = positive_of(bracket.gusset), bracket.gussets
    if gusset is None or count is None:
        return
    if depth_mm > wall_mm:
        yield "gusset", depth_mm - wall_mm, gusset, True
    clear = (breadth_mm - count * gusset) / max(count - 1, 2 if count == 1 else 1)
    if clear > 0:
        yield "shelf", clear, wall_mm, count == 1


def fatigue_check(one: Loaded, judge: Judge) -> Check:
    """Return whether the weld at a bracket's root, or a cross member's end, bears launch and back so often."""
    sheet, arm = one.mount.sheet, one.mount.arm.arm
    missing = lacking(one, "leg", "beside")
    stress, ranges = None, back_and_forth(one, one.forces_n)
    if arm is not None and len(ranges):
        found = weld_of(arm, sheet.bracket, ranges, back_and_forth(one, one.moments_nmm))
        stress = None if found is None else found[1]
    elif not missing:
        missing = ("Launch, and launch backward or overrun, among the cases",)
    allowed = range_allowed_mpa(SCREEN_CYCLES)
    says = ""
    if stress is not None:
        says = f"{fig(stress.governing_mpa, 'MPa', 0)} from launch to back. A screen at 100 000 of them, no proof."
    return judge.check(
        "weld",
        key=f"{one.key}.fatigue",
        title=f"Weld of {one.mount.bracket_words}, to and fro",
        demand=None if stress is None else stress.governing_mpa,
        capacity=allowed,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=field_inputs(one, "bracket"),
        working=lambda: Working() if stress is None else fatigue_working(stress, allowed),
    )


def back_and_forth(one: Loaded, loads: Floats) -> Floats:
    """Return how the forces on a mount, or its moments, change between launch, launch backward and overrun, (c, 3).

    A stress is linear in its load: that of a difference is the difference of the stresses.
    """
    turning = [load for load, name in zip(loads, one.names, strict=True) if name in TO_AND_FRO]
    return np.array([a - b for k, a in enumerate(turning) for b in turning[:k]]).reshape(-1, 3)
