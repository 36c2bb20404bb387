"""What would make a bracket hold: thicker, welded heavier, boxed; tried and compared by mass and by what is cut."""

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import product
from typing import Final

from driveline.benches.contract import Sought, SoughtField, Way
from driveline.benches.mounts.brackets import STEEL, Arm, arm_of
from driveline.benches.mounts.laid import ears_off_mm, in_line_mm
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import ArmKind, Bracket, LiesTo, Mount, MountsSheet, StandoffLegs
from driveline.benches.mounts.strength import hanging_on_it, strength_checks
from driveline.checks import Check, Verdict
from driveline.figures import fig
from driveline.margins import Judge
from driveline.parts.drawings import cut_line
from driveline.sheet import Length, positive_of, value_of

WALLS_MM: Final = (3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
LEG_WALLS_MM: Final = (3.0, 4.0, 5.0, 6.0, 8.0)  # of a standoff
LEGS_MM: Final = (4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
HEAD: Final = ("", "leg", "mass", "cut", "seams", "")
CHANNELS: Final = (ArmKind.CHANNEL, ArmKind.FOLDED)
OPPOSITE: Final = {
    LiesTo.FRONT: LiesTo.REAR,
    LiesTo.REAR: LiesTo.FRONT,
    LiesTo.LEFT: LiesTo.RIGHT,
    LiesTo.RIGHT: LiesTo.LEFT,
}
ARM_PLATES: Final = ("standoff", "side", "top", "fold", "shelf", "gusset")
KG_PER_MM3: Final = STEEL.density_kgm3 * 1e-9
Changes = dict[str, Length | LiesTo | None]  # of a bracket's other fields


@dataclass(frozen=True, kw_only=True)
class _Way:
    kind: ArmKind
    wall_mm: float
    leg_mm: float
    kg: float
    words: str
    cut_mm: float | None  # of all its plates; None where it is sawn from stock
    seam_mm: float  # that are welded along it, its root's not counted
    changes: Changes
    legs: StandoffLegs | None  # of a plate that stands on such

    @property
    def row(self) -> tuple[str, ...]:
        """Its line of the table."""
        cut = "sawn" if self.cut_mm is None else fig(self.cut_mm / 1000, "m", 2)
        seams = fig(self.seam_mm / 1000, "m", 2) if self.seam_mm else "none"
        return self.words, fig(self.leg_mm, "mm", 0), fig(self.kg, "kg", 2), cut, seams, ""


def mend_sought(one: Loaded, judge: Judge) -> Sought:
    """Return the brackets of the sizes that it has which hold everything asked of them, the lightest first."""
    tried = tuple(_tried(one, judge))
    asked = hanging_on_it([checks for _, checks in tried])
    holding = [way for way, checks in tried if _hold(checks, asked)]
    ways = sorted(_least_welded(holding), key=lambda way: (way.kg, way.leg_mm))
    if not ways:
        says = "Nothing does with walls and a leg of 12 mm or less: make it deeper or shorter, or move a mount nearer."
        if one.mount.sheet.bracket.kind is ArmKind.STANDOFFS:
            says = (
                "Nothing does with a plate and a fillet of 12 mm or less: take legs of more diameter, or farther apart."
            )
        return Sought(says=says, fields=())
    return Sought(
        says="These hold under the loads of now, the lightest first; folded, it has bends for seams. A stiffer "
        "bracket draws a little more.",
        about=one.key,
        rows=(HEAD,),
        ways=tuple(Way(row=way.row, fields=tuple(_fields(way, f"{one.mount.field}.bracket"))) for way in ways),
        fields=(),
    )


def _fields(way: _Way, field: str) -> Iterator[SoughtField]:
    yield SoughtField(field=f"{field}.kind", text=way.kind.value)
    yield SoughtField(field=f"{field}.wall", text=f"{way.wall_mm:g} mm")
    yield SoughtField(field=f"{field}.leg", text=f"{way.leg_mm:g} mm")
    for name, one in way.changes.items():
        if one:
            yield SoughtField(field=f"{field}.{name}", text=_text(one))
    if way.legs is not None:
        yield SoughtField(field=f"{field}.legs.wall", text=_wall(way.legs))


def _hold(checks: Sequence[Check], asked: Collection[str]) -> bool:
    return all(check.verdict is Verdict.HOLDS for check in checks if check.key in asked)


def _least_welded(ways: Sequence[_Way]) -> list[_Way]:
    """Of ways that differ only in their leg, the one with the least."""
    found: dict[tuple[str, float, str], _Way] = {}
    for way in sorted(ways, key=lambda each: each.leg_mm):
        found.setdefault((way.kind, way.wall_mm, way.words), way)
    return list(found.values())


def _tried(one: Loaded, judge: Judge) -> Iterator[tuple[_Way, tuple[Check, ...]]]:
    bracket = one.mount.sheet.bracket
    kinds = [bracket.kind]
    if bracket.kind in (ArmKind.BOX, *CHANNELS, ArmKind.GUSSETED):
        kinds += [kind for kind in (ArmKind.BOX, ArmKind.FOLDED) if kind is not bracket.kind]
    for kind, wall, legs in product(kinds, WALLS_MM, _legs(bracket)):
        changes = _changes(bracket, kind, wall)
        tried = bracket.model_copy(update={"kind": kind, "wall": Length.of_mm(wall), "legs": legs, **changes})
        end, sheet = one.mount.at_mm, one.mount.sheet.model_copy(update={"bracket": tried})
        laid = arm_of(
            tried,
            "",
            one.mount.rail_mm,
            None if end is None else end - ears_off_mm(sheet)[0],
            ears_mm=in_line_mm(sheet),
        )
        if kind is None or laid.arm is None:
            continue
        cut_mm = _cut_mm(one.mount.sheet.model_copy(update={"bracket": tried}))
        for leg in LEGS_MM:
            sheet = one.mount.sheet.model_copy(update={"bracket": tried.model_copy(update={"leg": Length.of_mm(leg)})})
            tried_on = replace(one, mount=replace(one.mount, sheet=sheet, arm=laid))
            way = _Way(
                kind=kind,
                wall_mm=wall,
                leg_mm=leg,
                kg=laid.arm.volume_mm3 * KG_PER_MM3,
                words=_words(laid.arm),
                cut_mm=cut_mm,
                seam_mm=_seams(tried) * laid.arm.length_mm,
                changes=changes,
                legs=legs if laid.arm.legs is not None else None,
            )
            yield way, strength_checks(tried_on, judge)


def _legs(bracket: Bracket) -> list[StandoffLegs]:
    """As they are and with other walls; of whatever stands on none, as they are."""
    outside, own = positive_of(bracket.legs.outside), positive_of(bracket.legs.wall)
    if bracket.kind is not ArmKind.STANDOFFS or outside is None or own is None:
        return [bracket.legs]
    walls = [wall for wall in LEG_WALLS_MM if wall < outside / 2 and wall != own]
    return [bracket.legs, *(bracket.legs.model_copy(update={"wall": Length.of_mm(wall)}) for wall in walls)]


def _words(arm: Arm) -> str:
    return arm.section.words if arm.legs is None else f"{arm.section.words}, legs of {arm.legs.section.words}"


def _cut_mm(mount: Mount) -> float | None:
    """The length of all cuts that its arm takes; nothing of what is sawn, or not as long as it will be yet."""
    every = parts_of(MountsSheet(mounts=[mount]))
    plates = [cut_line(part) for part in every if part.key.split("_")[-1] in ARM_PLATES]
    return sum(one.cut_length_mm * one.quantity for one in plates) if plates else None


def _changes(bracket: Bracket, kind: ArmKind | None, wall_mm: float) -> Changes:
    """What else another kind asks for: bends as its sheet is thick, and from where the load is measured."""
    if kind is ArmKind.GUSSETED:
        return {"gusset": Length.of_mm(wall_mm)}  # tried as thick as their shelf
    changes: Changes = {"bend": Length.of_mm(wall_mm)} if kind is ArmKind.FOLDED else {}
    beside, breadth = value_of(bracket.beside), positive_of(bracket.breadth)
    if beside is None or breadth is None or (kind in CHANNELS) is (bracket.kind in CHANNELS):
        return changes
    # Web and middle are half a breadth apart; of a box either side may become the web, and that is the nearer.
    apart = abs(beside) - breadth / 2
    lies_to = bracket.lies_to if apart >= 0 or bracket.lies_to is None else OPPOSITE[bracket.lies_to]
    return {**changes, "beside": Length.of_mm(abs(apart)), "lies_to": lies_to}


def _seams(bracket: Bracket) -> int:
    """How many run along it, from root to mount."""
    if bracket.kind is ArmKind.GUSSETED:
        return 2 * (bracket.gussets or 0)
    return {ArmKind.BOX: 4, ArmKind.CHANNEL: 2}.get(bracket.kind, 0) if bracket.kind else 0


def _wall(legs: StandoffLegs) -> str:
    return "" if legs.wall is None else legs.wall.text


def _text(one: Length | LiesTo) -> str:
    return one.value if isinstance(one, LiesTo) else one.text
