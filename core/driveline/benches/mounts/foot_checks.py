"""Whether an ear holds at its foot: bent in its own plane and across, and by the weld that it stands on."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.mounts.ears import ear_share_n, ears_of
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import ArmKind
from driveline.benches.mounts.weld_workings import allowed_step, weld_steps
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.ears import BENDING, Ear, FootStress, foot_lines, foot_stress, worst_way_n
from driveline.metal.fillets import greatest_leg_mm
from driveline.metal.weld_groups import E70_MPA, WeldStress, weld_stress
from driveline.metal.welds import weld_allowable_mpa
from driveline.sheet import positive_of
from driveline.working import Working, entered, entered_or_usual, step, tabled, worked

FOOT: Final = (
    "Beam at its foot: pull and bending both ways at one corner, on 0.6 of yield. Which way it stands to the force in "
    "its plane is not said: the worst way is taken, tan θ = 6 h/b."
)
WELD: Final = (
    "Fillets along both faces of its foot as lines, the worst corner; 0.30 of the electrode's tensile strength, half "
    "of that if nobody inspects it. The leg counts up to the thinner of ear and wall."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Foot:
    """An ear's foot in the case that is worst for it."""

    ear: Ear
    row: int
    in_plane_n: float  # of one ear, whichever way
    side_n: float
    pull_n: float
    push_n: float
    stress: FootStress


def foot_of(one: Loaded) -> Foot | None:
    """Return the foot of a mount's ears where it is stressed most; ``None`` while something of it is not known."""
    sheet = one.mount.sheet
    ear, _ = ears_of(sheet.ears, sheet.name)
    if ear is None or not sheet.ears.count or one.bolt_axis is None or not len(one.forces_n):
        return None
    axis, found = one.bolt_axis, list[Foot]()
    for row, (force, moment) in enumerate(zip(one.forces_n, one.twists_nmm, strict=True)):
        in_plane, side = ear_share_n(ear, sheet.ears.count, force, moment, axis)
        pull, push = worst_way_n(root_mm=ear.root_mm, height_mm=ear.height_mm, in_plane_n=in_plane)
        stress = foot_stress(
            root_mm=ear.root_mm,
            thickness_mm=ear.thickness_mm,
            height_mm=ear.height_mm,
            pull_n=pull,
            in_plane_n=push,
            side_n=side,
        )
        found.append(Foot(ear=ear, row=row, in_plane_n=in_plane, side_n=side, pull_n=pull, push_n=push, stress=stress))
    return max(found, key=lambda each: each.stress.corner_mpa)


def foot_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of an ear's foot and of its weld."""
    foot = foot_of(one)
    yield _foot(one, foot, judge)
    yield _weld(one, foot, judge)


def _missing(one: Loaded) -> tuple[str, ...]:
    return (*one.missing, *ears_of(one.mount.sheet.ears, one.mount.sheet.name)[1])


def _foot(one: Loaded, foot: Foot | None, judge: Judge) -> Check:
    sheet, field = one.mount.sheet, one.mount.field

    def working() -> Working:
        if foot is None:
            return Working(source=FOOT)
        ear = foot.ear
        force = worked("F", foot.in_plane_n, "N", "of one ear, in its plane")
        side = worked("S", foot.side_n, "N", "of one ear, across")
        sizes = (
            entered("h", ear.height_mm, "mm", f"{field}.ears.height"),
            entered("b", ear.root_mm, "mm", f"{field}.ears.root"),
            entered("t", ear.thickness_mm, "mm", f"{field}.ears.thickness"),
        )
        height, root, thick = sizes
        pull = step("P", "F / sqrt(1 + (6 * h / b)**2)", force, height, root, value=foot.pull_n, unit="N")
        push = step("Q", "F * 6 * h / b / sqrt(1 + (6 * h / b)**2)", force, height, root, value=foot.push_n, unit="N")
        last = step(
            "σ",
            "P / (b * t) + 6 * Q * h / (t * b**2) + 6 * S * h / (b * t**2)",
            pull,
            push,
            side,
            *sizes,
            value=foot.stress.corner_mpa,
            unit="MPa",
            decimals=1,
        )
        yields = entered_or_usual("R", one.yield_mpa, "MPa", f"{field}.bracket.yield_mpa", is_usual=one.yield_is_usual)
        share = tabled("q", BENDING, "", "of yield")
        allowed = step("a", "q * R", share, yields, value=BENDING * one.yield_mpa, unit="MPa", decimals=1)
        return Working(steps=(pull, push, allowed, last), source=FOOT)

    says = ""
    if foot is not None:
        with_shear = fig(foot.stress.with_shear_mpa, "MPa", 0)
        says = f"{fig(foot.stress.corner_mpa, 'MPa', 0)} in {one.names[foot.row]}; {with_shear} with direct shear."
    return judge.check(
        "weld",  # what is allowed holds the factor already
        key=f"{one.key}.ear_foot",
        title=f"Foot of the ears of {sheet.name}",
        demand=None if foot is None else foot.stress.corner_mpa,
        capacity=BENDING * one.yield_mpa,
        unit="MPa",
        says=says,
        missing=_missing(one),
        inputs=field_inputs(one, "ears"),
        working=working,
    )


def ear_wall_mm(one: Loaded) -> float | None:
    """Return how thick what a mount's ears stand on is: as stated, else its arm's wall, or its cross member's."""
    return _ear_wall(one)[0]


def ear_wall_field(one: Loaded) -> str:
    """Return the field of that."""
    return _ear_wall(one)[1]


def _ear_wall(one: Loaded) -> tuple[float | None, str]:
    mount, bracket = one.mount, one.mount.sheet.bracket
    stated = positive_of(mount.sheet.ears.on)
    if stated is None and bracket.kind is ArmKind.NONE and mount.cross is not None:
        return positive_of(mount.cross.sheet.bracket.wall), f"{mount.cross.field}.bracket.wall"
    if stated is not None or bracket.kind in (None, ArmKind.NONE):
        return stated, f"{mount.field}.ears.on"
    return positive_of(bracket.wall), f"{mount.field}.bracket.wall"


def _weld(one: Loaded, foot: Foot | None, judge: Judge) -> Check:
    sheet, field = one.mount.sheet, one.mount.field
    leg, wall, inspected = positive_of(sheet.ears.leg), ear_wall_mm(one), sheet.bracket.is_inspected
    missing = missing_of(
        {
            f"{sheet.name}: the leg of its ears' weld": leg,
            f"{sheet.name}: how thick what its ears stand on is": wall,
            f"{sheet.name}: whether its weld is inspected by an expert": inspected is not None,
        }
    )
    stress: WeldStress | None = None
    allowed = weld_allowable_mpa(electrode_tensile_mpa=E70_MPA, is_inspected=bool(inspected))
    if foot is not None and leg is not None and wall is not None:
        counted = min(leg, greatest_leg_mm(foot.ear.thickness_mm, wall))
        stress = weld_stress(
            foot_lines(foot.ear.root_mm, foot.ear.thickness_mm),
            leg_mm=counted,
            force_n=np.array([foot.push_n, foot.side_n, foot.pull_n]),
            at_mm=np.array([0.0, 0.0, foot.ear.height_mm]),
        )

    def working() -> Working:
        if stress is None or foot is None:
            return Working(source=WELD)
        bears = allowed_step(allowed, is_inspected=bool(inspected))
        return Working(steps=(bears, *weld_steps(stress, "at the corner where it is worst")), source=WELD)

    return judge.check(
        "weld",
        key=f"{one.key}.ear_weld",
        title=f"Weld of the ears of {sheet.name}",
        demand=None if stress is None else stress.governing_mpa,
        capacity=allowed,
        unit="MPa",
        says=""
        if stress is None or foot is None
        else f"{fig(stress.governing_mpa, 'MPa', 0)} on the throat in {one.names[foot.row]}.",
        missing=(*_missing(one), *missing),
        inputs=(*field_inputs(one, "ears", "bracket.is_inspected"), f"{field}.ears.leg"),
        working=working,
    )
