"""Whether the wall that ears are welded on bends in: a torque arm's rail, a boxed arm, a cross member."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.crosses import CrossLaid
from driveline.benches.mounts.ear_round import on_round
from driveline.benches.mounts.ear_wall import Bears, EarsOn, Face
from driveline.benches.mounts.ears import ear_share_n, ears_of
from driveline.benches.mounts.foot_checks import ear_wall_field, ear_wall_mm
from driveline.benches.mounts.holding_sheet import EarsStand, Grip
from driveline.benches.mounts.laid import has_ears
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.rail_workings import bears_steps, rail_yield
from driveline.benches.mounts.sheet import ArmKind, MountKind, RailRuns
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.metal.chord_face import ChordFace, chord_face
from driveline.sheet import Length, positive_of
from driveline.working import Given, Working, entered, entered_or_usual, step, worked

SOLID: Final = "What its ears stand on does not bend in: solid, or stiffened behind them."
FACE: Final = (
    "Chord face failure, EN 1993-1-8 tables 7.11 and 7.14, the pair and its gap as one foot. Which way the force in "
    "their plane goes is not said: the worst way is taken, 1/√(1/N² + 1/F_b²)."
)
DIAGONAL: Final = 0.5**0.5  # of a way and its bolt: nearer than that, it runs along it


def ear_face_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the check of the wall under ears of a torque arm, on a boxed arm's top or below, or on a cross member."""
    sheet = one.mount.sheet
    on_box = has_ears(sheet) and sheet.bracket.kind is ArmKind.BOX and sheet.ears.stands is not EarsStand.END
    if sheet.kind is MountKind.ARM or on_box or _member(one) is not None:
        yield _check(one, judge)


def _member(one: Loaded) -> CrossLaid | None:
    """The cross member that a mount's ears stand on by themselves."""
    mount = one.mount
    is_alone = mount.sheet.kind is not MountKind.ARM and mount.arm.is_none and mount.sheet.grip is Grip.EARS
    return mount.cross if is_alone else None


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


def _on_member(one: Loaded, cross: CrossLaid) -> tuple[bool | None, Given | None, Given]:
    """The same of ears on what runs from rail to rail: its diameter, or whichever of its faces is wider."""
    bracket, at = cross.sheet.bracket, f"{cross.field}.bracket"
    runs, own = None, bracket.yield_mpa
    if one.bolt_axis is not None and cross.member is not None:
        runs = abs(float(cross.turn[:, 0] @ one.bolt_axis)) > DIAGONAL
    wide, name = max((positive_of(size) or 0.0, name) for size, name in _faces(cross))
    yields = entered_or_usual("f", own or STEEL.yield_mpa, "MPa", f"{at}.yield_mpa", is_usual=own is None)
    return runs, entered("b_0", wide, "mm", f"{at}.{name}") if wide else None, yields


def _faces(cross: CrossLaid) -> tuple[tuple[Length | None, str], ...]:
    bracket = cross.sheet.bracket
    depth = (bracket.depth, "depth")
    return (depth,) if bracket.kind is ArmKind.TUBE else (depth, (bracket.breadth, "breadth"))


def _face_of(one: Loaded) -> tuple[Face | None, tuple[str, ...]]:
    sheet, name, member = one.mount.sheet, one.mount.sheet.name, _member(one)
    ear, missing = ears_of(sheet.ears, name)
    gap, wall = positive_of(sheet.tube.gap), ear_wall_mm(one)
    if member is not None:
        words, (runs, face, yields) = member.sheet.name, _on_member(one, member)
    elif sheet.kind is MountKind.ARM:
        words, (runs, face, yields) = "its rail", _on_rail(one)
    else:
        words, (runs, face, yields) = "its boxed arm", _on_box(one)
    missing += missing_of(
        {
            f"{name}: where on its bracket its ears stand": not has_ears(sheet) or sheet.ears.stands,
            f"{name}: the gap between its ears, welded": sheet.ears.count == 1 or gap is not None,
            f"{name}: how thick what its ears stand on is": wall,
            f"{name}: the face of {words}, from wall to wall": face,
            f"{name}: which way {words} runs under its ears": runs is not None,
        }
    )
    if ear is None or wall is None or face is None or runs is None or missing:
        return None, missing
    if face.value <= 2 * wall:
        return None, (f"{name}: what is hollow under its ears: its face is no wider than two of its walls",)
    thick = entered("t", wall, "mm", ear_wall_field(one))
    on = EarsOn(one=one, ear=ear, gap_mm=gap or 0.0, face=face, wall=thick, yields=yields, is_along_bolt=runs)
    try:
        is_round = member is not None and member.sheet.bracket.kind is ArmKind.TUBE
        return on_round(on) if is_round else _on_flat(on), ()
    except ImpossibleInput as error:
        return None, (f"{name}: ears, and what they stand on, that can be judged; {error}",)


def _on_flat(on: EarsOn) -> Face:
    sizes = (on.over_mm, on.ear.root_mm)
    along, across = sizes if on.is_along_bolt else reversed(sizes)
    bears = chord_face(
        face_mm=on.face.value,
        wall_mm=on.wall.value,
        foot_along_mm=along,
        foot_across_mm=across,
        yield_mpa=on.yields.value,
        is_round=False,
    )
    tips = (bears.across_nmm, bears.along_nmm)
    about_bolt, about_ears = tips if on.is_along_bolt else reversed(tips)
    return Face(
        ear=on.ear,
        pull_n=bears.pull_n,
        about_bolt_nmm=about_bolt,
        about_ears_nmm=about_ears,
        steps=lambda: _flat_steps(on, bears),
        source=FACE,
    )


def _flat_steps(on: EarsOn, bears: ChordFace) -> Bears:
    over = on.over_step("h" if on.is_along_bolt else "b")
    foot = step("b" if on.is_along_bolt else "h", "r", on.root("r"), value=on.ear.root_mm, unit="mm", decimals=1)
    along, across = (over, foot) if on.is_along_bolt else (foot, over)
    steps = bears_steps(bears, (along, across, on.face, on.wall, on.yields), form=1.0)
    pull, tips_along, tips_across = steps[-3:]
    about_bolt, about_ears = (tips_across, tips_along) if on.is_along_bolt else (tips_along, tips_across)
    return (over, foot, *steps), pull, about_bolt, about_ears


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
            share = found.used(in_plane, side)[0]
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
    share, row, in_plane, side = worst
    bears, pull, about_bolt, about_ears = found.steps()
    height_mm = found.ear.height_mm
    height = entered("h_e", height_mm, "mm", f"{one.mount.field}.ears.height")
    over_n, aside_n = found.about_bolt_nmm / height_mm, found.about_ears_nmm / height_mm
    over_it = step("F_b", f"{about_bolt.symbol} / h_e", about_bolt, height, value=over_n, unit="N")
    aside = step("F_a", f"{about_ears.symbol} / h_e", about_ears, height, value=aside_n, unit="N")
    most = found.used(in_plane, side)[1]
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
    return Working(steps=(*bears, over_it, aside, by_plane, used), source=found.source)
