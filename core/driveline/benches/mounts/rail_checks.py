"""Whether a hollow rail's wall bears the bracket welded on it, and the seams of a boxed arm their shear."""

import math
from collections.abc import Iterator
from typing import Final

from driveline.benches.mounts.brackets import STEEL, Arm
from driveline.benches.mounts.loaded import Loaded, field_inputs, lacking
from driveline.benches.mounts.rail_workings import face_working, seam_working
from driveline.benches.mounts.root_loads import RootLoad, root_loads
from driveline.benches.mounts.sheet import ArmKind, BoxMade, MountKind, RailRuns
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.chord_face import ChordFace, chord_face
from driveline.metal.fillets import greatest_leg_mm
from driveline.metal.weld_groups import E70_MPA
from driveline.metal.welds import weld_allowable_mpa
from driveline.sheet import positive_of
from driveline.working import Working

SOLID: Final = "What it is welded to does not bend in: solid, or stiffened behind it."


def rail_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of the rail's wall and of a boxed arm's seams; none of a torque arm or of no bracket."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.arm.is_none:
        return
    if one.mount.sheet.bracket.landing.is_there is not True:
        yield face_check(one, judge)
    if one.mount.sheet.bracket.kind is ArmKind.BOX:
        yield _seams(one, judge)


def _face_of(one: Loaded, arm: Arm) -> ChordFace | None:
    bracket, rail = one.mount.sheet.bracket, one.mount.sheet.bracket.rail
    face, wall = positive_of(rail.face), positive_of(bracket.base)
    if face is None or wall is None or rail.runs is None or face <= 2 * wall:
        return None
    along, across = arm.section.breadth_mm, arm.section.depth_mm
    if rail.runs is RailRuns.UPRIGHT:
        along, across = across, along
    try:
        return chord_face(
            face_mm=face,
            wall_mm=wall,
            foot_along_mm=along,
            foot_across_mm=across,
            yield_mpa=rail.yield_mpa or STEEL.yield_mpa,
            is_round=bracket.kind is ArmKind.TUBE,
        )
    except ImpossibleInput:
        return None


def face_check(one: Loaded, judge: Judge) -> Check:
    """Return whether the wall of a hollow rail bears what is welded on it."""
    bracket, name, arm = one.mount.sheet.bracket, one.mount.sheet.name, one.mount.arm.arm
    key, title = f"{one.key}.rail_face", f"Wall under {one.mount.bracket_words} does not bend in"
    inputs = field_inputs(one, "bracket.rail", "bracket.base")
    is_hollow = bracket.rail.is_hollow if one.mount.cross is None else True  # a cross member is
    if is_hollow is False:
        return judge.answer(is_so=True, key=key, title=title, says=SOLID, inputs=inputs)
    missing = missing_of(
        {
            f"{name}: whether what it is welded to is hollow behind it": is_hollow,
            f"{name}: the face of its rail, from wall to wall": positive_of(bracket.rail.face),
            f"{name}: which way its rail runs under it": bracket.rail.runs,
        }
    )
    face, wall = positive_of(bracket.rail.face), positive_of(bracket.base)
    if face is not None and wall is not None and face <= 2 * wall:
        missing += (f"{name}: a rail that is hollow: its face is no wider than two of its walls",)
    found = None if arm is None else _face_of(one, arm)
    across_runs = bracket.rail.runs is RailRuns.ACROSS

    def used(load: RootLoad) -> float:
        assert found is not None
        ways = (load.bends_across_nmm, load.bends_upright_nmm)
        along, across = ways if across_runs else reversed(ways)
        return found.share(pull_n=load.pull_n, along_nmm=along, across_nmm=across)

    worst = None if found is None else max(root_loads(one), key=used, default=None)
    share = None if worst is None else used(worst)
    says = (
        "" if worst is None else f"Pulled and tipped in {one.names[worst.row]}: {fig(share, '', 2)} of what folds it."
    )
    return judge.check(
        "bracket_yield",
        key=key,
        title=title,
        demand=share,
        capacity=None if share is None else 1.0,
        unit="",
        says=says,
        missing=(*lacking(one, "beside", "base"), *missing),
        inputs=inputs,
        working=lambda: (
            Working()
            if found is None or worst is None or share is None or arm is None
            else face_working(one, arm, found, worst, share, across_runs=across_runs)
        ),
    )


def seam_flows_n_per_mm(arm: Arm, wall_mm: float, load: RootLoad) -> tuple[float, float, float]:
    """Return the shear flows along a corner of a boxed arm, N/mm: of what bends it upright and across, and twists it.

    Args:
        arm: A box, even along its length.
        wall_mm: Of its plates.
        load: At its root.

    Source:
        V Q/(2 I) both ways, a plate's own Q about the middle, and T/(2 A_m) of a closed wall (Bredt); all added.
    """
    section = arm.section
    breadth, depth = section.breadth_mm, section.depth_mm
    return (
        load.upright_n * breadth * wall_mm * (depth - wall_mm) / (4 * section.upright_mm4),
        load.across_n * depth * wall_mm * (breadth - wall_mm) / (4 * section.across_mm4),
        load.twists_nmm / (2 * (breadth - wall_mm) * (depth - wall_mm)),
    )


def _seams(one: Loaded, judge: Judge) -> Check:
    bracket, name, arm = one.mount.sheet.bracket, one.mount.sheet.name, one.mount.arm.arm
    key, title = f"{one.key}.seams", f"Seams along {name}'s boxed arm"
    inputs = field_inputs(one, "bracket.box_made", "bracket.seam")
    if bracket.box_made is BoxMade.SECTION:
        return judge.answer(is_so=True, key=key, title=title, says="One hollow section: it has none.", inputs=inputs)
    leg, wall = positive_of(bracket.seam), positive_of(bracket.wall)
    missing = missing_of(
        {
            f"{name}: whether its boxed arm is one hollow section or welded of plates": bracket.box_made,
            f"{name}: the leg of the welds along its corners": leg,
        }
    )
    counts = None if leg is None or wall is None else min(leg, greatest_leg_mm(wall))
    worst, stress = None, None
    if arm is not None and wall is not None and counts is not None:
        flows = {load.row: sum(seam_flows_n_per_mm(arm, wall, load)) for load in root_loads(one)}
        worst = max(root_loads(one), key=lambda load: flows[load.row], default=None)
        stress = None if worst is None else flows[worst.row] / (counts * math.sqrt(0.5))
    allowed = weld_allowable_mpa(electrode_tensile_mpa=E70_MPA, is_inspected=bool(bracket.is_inspected))
    return judge.check(
        "weld",
        key=key,
        title=title,
        demand=stress,
        capacity=allowed,
        unit="MPa",
        says="" if worst is None else f"{fig(stress, 'MPa', 0)} on their throat in {one.names[worst.row]}.",
        missing=(*lacking(one, "beside", "is_inspected"), *missing),
        inputs=inputs,
        working=lambda: (
            Working()
            if arm is None or worst is None or stress is None or counts is None or wall is None
            else seam_working(one, arm, worst, seam_flows_n_per_mm(arm, wall, worst), (wall, counts), stress)
        ),
    )
