"""Whether the wall that ears are welded on bends in under them: a torque arm's on a rail, others on a boxed arm."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.ears import ear_share_n, ears_of
from driveline.benches.mounts.foot_checks import ear_wall_mm
from driveline.benches.mounts.holding_sheet import EarsStand
from driveline.benches.mounts.laid import has_ears
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.rail_workings import bears_steps, rail_yield
from driveline.benches.mounts.sheet import ArmKind, MountKind, RailRuns
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.chord_face import ChordFace, chord_face
from driveline.metal.ears import Ear
from driveline.sheet import positive_of
from driveline.working import Given, Working, entered, entered_or_usual, step, worked

PAIR: Final = 2
SOLID: Final = "What its ears stand on does not bend in: solid, or stiffened behind them."
FACE: Final = (
    "Chord face failure, EN 1993-1-8 tables 7.11 and 7.14, the pair and its gap as one foot. Which way the force in "
    "their plane goes is not said: the worst way is taken, 1/√(1/N² + 1/F_b²)."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Face:
    """The wall under a pair of ears."""

    ear: Ear
    over_mm: float  # along the bolt, over both
    is_along_bolt: bool  # what they stand on runs along their bolt; else square to it
    face: Given
    wall: Given
    yields: Given
    bears: ChordFace

    @property
    def about_nmm(self) -> tuple[float, float]:
        """Of moments that tip the pair about its bolt, and square to that."""
        both = (self.bears.across_nmm, self.bears.along_nmm)
        return both if self.is_along_bolt else (both[1], both[0])

    def tips_n(self, in_plane_n: float, side_n: float) -> tuple[float, float, float]:
        """Return the share used by a force in the ears' plane and one across; what each bears by itself, N and N·mm."""
        (about_bolt, about_ears), height = self.about_nmm, self.ear.height_mm
        in_plane = 1 / math.hypot(1 / self.bears.pull_n, height / about_bolt)
        return in_plane_n / in_plane + side_n * height / about_ears, in_plane, about_ears


def ear_face_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the check of the wall under a torque arm's ears, or under ears on top of or below a boxed arm."""
    sheet = one.mount.sheet
    on_box = has_ears(sheet) and sheet.bracket.kind is ArmKind.BOX and sheet.ears.stands is not EarsStand.END
    if sheet.kind is MountKind.ARM or on_box:
        yield _check(one, judge)


def _on_rail(one: Loaded) -> tuple[bool | None, Given | None, Given]:
    """Whether a torque arm's ears stand on what runs along their bolt, its face and its yield."""
    rail, at = one.mount.sheet.bracket.rail, f"{one.mount.field}.bracket.rail.face"
    face = positive_of(rail.face)
    runs = None if rail.runs is None else rail.runs is RailRuns.ACROSS
    return runs, None if face is None else entered("b_0", face, "mm", at), rail_yield(one)


def _on_box(one: Loaded) -> tuple[bool | None, Given | None, Given]:
    """The same of ears on a boxed arm, which runs along itself."""
    bracket, at, arm = one.mount.sheet.bracket, f"{one.mount.field}.bracket", one.mount.arm.arm
    breadth = positive_of(bracket.breadth)
    runs = None
    if arm is not None and one.bolt_axis is not None:
        along, across, _ = (abs(float(part)) for part in arm.turn.T @ one.bolt_axis)
        runs = along > across
    own = bracket.yield_mpa
    yields = entered_or_usual("f", own or STEEL.yield_mpa, "MPa", f"{at}.yield_mpa", is_usual=own is None)
    return runs, None if breadth is None else entered("b_0", breadth, "mm", f"{at}.breadth"), yields


def _face_of(one: Loaded) -> tuple[Face | None, tuple[str, ...]]:
    sheet, field, name = one.mount.sheet, one.mount.field, one.mount.sheet.name
    ear, missing = ears_of(sheet.ears, name)
    is_link, gap, wall = sheet.kind is MountKind.ARM, positive_of(sheet.tube.gap), ear_wall_mm(one)
    runs, face, yields = _on_rail(one) if is_link else _on_box(one)
    words = "its rail" if is_link else "its boxed arm"
    missing += missing_of(
        {
            f"{name}: where on its bracket its ears stand": is_link or sheet.ears.stands,
            f"{name}: the gap between its ears, welded": sheet.ears.count == 1 or gap is not None,
            f"{name}: how thick what its ears stand on is": wall,
            f"{name}: the face of {words}, from wall to wall": face,
            f"{name}: which way {words} runs under its ears": runs is not None,
        }
    )
    if ear is None or wall is None or face is None or runs is None or missing:
        return None, missing
    over = ear.thickness_mm if sheet.ears.count == 1 else PAIR * ear.thickness_mm + (gap or 0.0)
    along, across = (over, ear.root_mm) if runs else (ear.root_mm, over)
    if face.value <= 2 * wall:
        return None, (f"{name}: what is hollow under its ears: its face is no wider than two of its walls",)
    try:
        bears = chord_face(
            face_mm=face.value,
            wall_mm=wall,
            foot_along_mm=along,
            foot_across_mm=across,
            yield_mpa=yields.value,
            is_round=False,
        )
    except ImpossibleInput as error:
        return None, (f"{name}: ears that can be made; {error}",)
    at = f"{field}.ears.on" if positive_of(sheet.ears.on) is not None else f"{field}.bracket.wall"
    thick = entered("t", wall, "mm", at)
    return Face(ear=ear, over_mm=over, is_along_bolt=runs, face=face, wall=thick, yields=yields, bears=bears), ()


def _check(one: Loaded, judge: Judge) -> Check:
    sheet, name = one.mount.sheet, one.mount.sheet.name
    key, title = f"{one.key}.ear_face", f"Wall under the ears of {name} does not bend in"
    inputs = field_inputs(one, "ears", "tube.gap", "bracket")
    is_hollow = sheet.bracket.rail.is_hollow if sheet.kind is MountKind.ARM else True
    if is_hollow is False:
        return judge.answer(is_so=True, key=key, title=title, says=SOLID, inputs=inputs)
    found, missing = _face_of(one)
    missing += missing_of({f"{name}: whether what its ears stand on is hollow behind them": is_hollow})
    worst: tuple[float, int, float, float] | None = None
    axis = one.bolt_axis
    if found is not None and axis is not None:
        for row, (force, moment) in enumerate(zip(one.forces_n, one.twists_nmm, strict=True)):
            in_plane, side = ear_share_n(found.ear, 1, force, moment, axis)
            share = found.tips_n(in_plane, side)[0]
            worst = max(worst or (-1.0, 0, 0.0, 0.0), (share, row, in_plane, side))
    return judge.check(
        "bracket_yield",
        key=key,
        title=title,
        demand=None if worst is None else worst[0],
        capacity=None if worst is None else 1.0,
        unit="",
        says="" if worst is None else f"{fig(worst[0], '', 2)} of what folds it, in {one.names[worst[1]]}.",
        missing=(*one.missing, *missing),
        inputs=inputs,
        working=lambda: Working(source=FACE) if found is None or worst is None else _working(one, found, worst),
    )


def _working(one: Loaded, found: Face, worst: tuple[float, int, float, float]) -> Working:
    sheet, field, (share, row, in_plane, side) = one.mount.sheet, one.mount.field, worst
    thick = entered("t_e", found.ear.thickness_mm, "mm", f"{field}.ears.thickness")
    root = entered("r", found.ear.root_mm, "mm", f"{field}.ears.root")
    height = entered("h_e", found.ear.height_mm, "mm", f"{field}.ears.height")
    over_as, root_as = ("h", "b") if found.is_along_bolt else ("b", "h")
    if sheet.ears.count == 1:
        over = step(over_as, "t_e", thick, value=found.over_mm, unit="mm", decimals=1)
    else:
        gap = entered("g", positive_of(sheet.tube.gap) or 0.0, "mm", f"{field}.tube.gap")
        over = step(over_as, "2 * t_e + g", thick, gap, value=found.over_mm, unit="mm", decimals=1)
    foot = step(root_as, "r", root, value=found.ear.root_mm, unit="mm", decimals=1)
    along, across = (over, foot) if found.is_along_bolt else (foot, over)
    bears = bears_steps(found.bears, (along, across, found.face, found.wall, found.yields), form=1.0)
    pull, tips_along, tips_across = bears[-3:]
    about_bolt, about_ears = (tips_across, tips_along) if found.is_along_bolt else (tips_along, tips_across)
    _, most, tips_nmm = found.tips_n(in_plane, side)
    height_mm, about_bolt_nmm = found.ear.height_mm, found.about_nmm[0]
    over_it = step("F_b", f"{about_bolt.symbol} / h_e", about_bolt, height, value=about_bolt_nmm / height_mm, unit="N")
    aside = step("F_a", f"{about_ears.symbol} / h_e", about_ears, height, value=tips_nmm / height_mm, unit="N")
    by_plane = step("F_p", "1 / sqrt(1 / N**2 + 1 / F_b**2)", pull, over_it, value=most, unit="N")
    used = step(
        "s",
        "F / F_p + S / F_a",
        worked("F", in_plane, "N", f"in the ears' plane, {one.names[row]}"),
        by_plane,
        worked("S", side, "N", "across them"),
        aside,
        value=share,
        unit="",
        decimals=2,
    )
    return Working(steps=(over, foot, *bears, over_it, aside, by_plane, used), source=FACE)
