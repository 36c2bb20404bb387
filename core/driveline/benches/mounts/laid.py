"""The mounts laid out: where each holds, how stiff it is, on what bracket; what lacks a figure is named."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import ArmLaid, arm_of, turned_stiffness
from driveline.benches.mounts.crosses import CrossLaid, gives_mm_per_n
from driveline.benches.mounts.holding_sheet import EarsStand, Grip
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import ArmKind, Mount, MountKind, MountsSheet
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.held.balance import G_MS2
from driveline.held.holds import HARD_N_PER_MM, Hold, arm, hard, rubber
from driveline.held.stops import Limit
from driveline.sheet import positive_of, value_of
from driveline.space.spots import Points, spot_missing, spot_mm, turn_of

NO_ARM: Final = ArmLaid(arm=None, missing=(), is_none=True)
NMM_PER_NM: Final = 1000.0
DEG_PER_RAD: Final = 180 / math.pi
APART_MM: Final = 1.0  # two mounts nearer than that are in one place


@dataclass(frozen=True, kw_only=True)
class LaidMount:
    """A mount as far as it is known."""

    field: str
    sheet: Mount
    at_mm: Floats | None  # on the unit as it stands, in the vehicle's axes
    rail_mm: Floats | None
    turn: Floats | None  # of its own axes
    arm: ArmLaid
    hold: Hold | None
    limit: Limit | None
    missing: tuple[str, ...]  # what keeps it from holding
    off_mm: Floats  # its bolt from the end of its arm's middle line
    cross: CrossLaid | None = None  # that it stands on
    is_member: bool = False  # a cross member, or an end of one, judged as a bracket is

    @property
    def bracket_words(self) -> str:
        """What stands on the vehicle here."""
        return self.sheet.name if self.is_member else f"{self.sheet.name}'s bracket"

    @property
    def bracket_title(self) -> str:
        """The same, to begin a title with."""
        return self.sheet.name.capitalize() if self.is_member else f"Bracket of {self.sheet.name}"


def mounts_of(sheet: MountsSheet, needs: MountsNeeds, crosses: Sequence[CrossLaid]) -> tuple[LaidMount, ...]:
    """Return the mounts, each where it stands."""
    points = {name: np.array(at) for name, at in needs.points}
    by_name = {one.sheet.name: one for one in crosses}
    return tuple(
        _laid(f"mounts.mounts.{k}", one, needs, points, by_name.get(one.stands_on or ""))
        for k, one in enumerate(sheet.mounts)
    )


def _laid(field: str, sheet: Mount, needs: MountsNeeds, points: Points, cross: CrossLaid | None) -> LaidMount:
    name, placed = sheet.name, needs.unit.placed
    boss, rail = spot_mm(sheet.boss, {}), spot_mm(sheet.rail, points)
    missing = list(spot_missing(sheet.boss, {}, f"{name}: its place on the unit"))
    at = None
    if placed is None:
        missing.append("Where the unit stands: one of its ways, chosen at Placement")
    elif boss is not None:
        at = placed.points(boss)
    turn = turn_of(sheet.angles) if sheet.is_turned else np.eye(3)
    if turn is None:
        missing.append(f"{name}: how its own axes are turned")
    is_link = sheet.kind is MountKind.ARM
    off, unsaid = ears_off_mm(sheet)
    bracket = (
        NO_ARM
        if is_link
        else arm_of(sheet.bracket, name, rail, None if at is None else at - off, ears_mm=in_line_mm(sheet))
    )
    bracket = replace(bracket, missing=(*bracket.missing, *unsaid))
    found: Hold | None = None
    if sheet.stands_on and cross is None:
        missing.append(f"{name}: what it stands on; {sheet.stands_on} is not among the cross members")
    missing += () if cross is None else cross.missing
    if sheet.kind is None:
        missing.append(f"{name}: how it holds")
    elif sheet.kind is MountKind.ARM:
        found, lacking = _link(sheet, at, rail, points)
        missing += lacking
    else:
        missing += bracket.missing
        found, lacking = _mount(sheet, at, turn, bracket, cross)
        missing += lacking
    travel = positive_of(sheet.travel)
    limit = None if travel is None or turn is None else Limit(turn=turn, travel_mm=np.full(3, travel))
    return LaidMount(
        field=field,
        sheet=sheet,
        at_mm=at,
        rail_mm=rail,
        turn=turn,
        arm=bracket,
        hold=found if not missing else None,
        limit=limit,
        missing=tuple(dict.fromkeys(missing)),
        off_mm=off,
        cross=cross,
    )


def has_ears(sheet: Mount) -> bool:
    """Say whether a mount's ears stand on the arm of its own bracket."""
    no_arm = (None, ArmKind.NONE, ArmKind.STANDOFFS)
    return sheet.kind is not MountKind.ARM and sheet.grip is Grip.EARS and sheet.bracket.kind not in no_arm


def in_line_mm(sheet: Mount) -> float:
    """Return what ears on the end of a mount's arm add to its length.

    Args:
        sheet: The mount.

    Source:
        As ``ears_off_mm``.
    """
    is_end = has_ears(sheet) and sheet.ears.stands is EarsStand.END
    return (positive_of(sheet.ears.height) or 0.0) if is_end else 0.0


def ears_off_mm(sheet: Mount) -> tuple[Floats, tuple[str, ...]]:
    """Return where a mount's bolt is from the end of its arm's middle line, (3,), or what that lacks, in words.

    Args:
        sheet: The mount.

    Source:
        Geometry. Ears on top or under stand off by their height and half of the arm's depth; at its end they are in
        line with it, and the arm with them goes as far as the bolt.
    """
    none = np.zeros(3)
    if not has_ears(sheet):
        return none, ()
    stands, height, depth = sheet.ears.stands, positive_of(sheet.ears.height), positive_of(sheet.bracket.depth)
    if stands is None:
        return none, (f"{sheet.name}: where on its bracket its ears stand",)
    if stands is EarsStand.END:
        return none, () if height is not None else (f"{sheet.name}: the height of its ears to the hole",)
    if height is None or depth is None:
        return none, (f"{sheet.name}: height of its ears, and depth of its bracket under them",)
    return np.array([0.0, 0.0, (1.0 if stands is EarsStand.TOP else -1.0) * (height + depth / 2)]), ()


def _link(sheet: Mount, at: Floats | None, rail: Floats | None, points: Points) -> tuple[Hold | None, list[str]]:
    missing = list(spot_missing(sheet.rail, points, f"{sheet.name}: its end on the vehicle"))
    if sheet.along_n_per_mm is None:
        missing.append(f"{sheet.name}: its stiffness along itself")
    if at is None or rail is None or sheet.along_n_per_mm is None:
        return None, missing
    try:
        return arm(sheet.name, at, rail - at, sheet.along_n_per_mm, is_rubber=True), missing
    except ImpossibleInput:
        return None, [*missing, f"{sheet.name}: its two ends, which are in one place"]


def upright_n_per_mm(sheet: Mount) -> float | None:
    """Return the upright stiffness: as stated, else by a known weight and a ruler."""
    if sheet.upright_n_per_mm is not None:
        return sheet.upright_n_per_mm
    mass, sinks = positive_of(sheet.weighed.mass), positive_of(sheet.weighed.sinks)
    return None if mass is None or sinks is None else mass * G_MS2 / sinks


def _behind(at: Floats, turn: Floats, bracket: ArmLaid, cross: CrossLaid | None) -> Floats | None:
    """What a mount's bracket, and the cross member that it stands on, hold it with along its own axes."""
    own = None if bracket.arm is None else turned_stiffness(bracket.arm, turn)
    under = None if cross is None else gives_mm_per_n(cross, at, turn)
    if under is None:
        return own
    return np.asarray(1 / (under if own is None else under + 1 / own), dtype=np.float64)


def _mount(
    sheet: Mount, at: Floats | None, turn: Floats | None, bracket: ArmLaid, cross: CrossLaid | None
) -> tuple[Hold | None, list[str]]:
    name = sheet.name
    if at is None or turn is None:
        return None, []
    behind = _behind(at, turn, bracket, cross)
    if sheet.kind is MountKind.HARD:
        holds = (sheet.holds_x, sheet.holds_y, sheet.holds_z)
        if None in holds:
            return None, [f"{name}: which ways it holds"]
        x, y, z = (bool(one) for one in holds)
        return hard(name, at, (x, y, z), turn=turn, bracket_n_per_mm=behind), []
    stiffness = (sheet.along_n_per_mm, sheet.across_n_per_mm, upright_n_per_mm(sheet))
    missing = [
        f"{name}: its stiffness {word}"
        for word, value in zip(("along", "across", "upright"), stiffness, strict=True)
        if value is None
    ]
    if missing:
        return None, missing
    if positive_of(sheet.travel) is None:
        return None, [f"{name}: how far it goes before it bottoms"]
    own = np.array([min(value or 0.0, HARD_N_PER_MM) for value in stiffness])
    twist, standing = _twist_nmm_per_rad(sheet, bracket, turn)
    found = rubber(
        name,
        at,
        own,
        turn=turn,
        bracket_n_per_mm=behind,
        twist_nmm_per_rad=twist,
        twist_bracket_nmm_per_rad=standing,
    )
    return found, []


def _twist_nmm_per_rad(sheet: Mount, bracket: ArmLaid, turn: Floats) -> tuple[float, float]:
    """Of its rubber about its bolt, and of its bracket; nought where nothing is said, or it lies in a cradle."""
    if sheet.turning_nm_per_deg is None or sheet.grip is not Grip.EARS:
        return 0.0, math.inf
    own = sheet.turning_nm_per_deg * NMM_PER_NM * DEG_PER_RAD
    if bracket.arm is None:
        return own, math.inf
    gives = float(((bracket.arm.turn.T @ turn[:, 0]) ** 2 / bracket.arm.turning_nmm_per_rad).sum())
    return own, 1 / gives if gives > 0 else math.inf


def _member_wall_mm(mount: LaidMount) -> float | None:
    """Of what a bracket is welded to that stands on a cross member."""
    if mount.cross is None or mount.arm.is_none or mount.sheet.bracket.landing.is_there:
        return None
    return positive_of(mount.cross.sheet.bracket.wall)


def questions(mounts: tuple[LaidMount, ...], crosses: tuple[CrossLaid, ...]) -> Iterator[tuple[str, str]]:
    """Return what looks wrong, each with its field."""
    for k, member in enumerate(crosses):
        if any(other.sheet.name == member.sheet.name for other in crosses[:k]):
            yield f"{member.field}.name", f"Two cross members are called {member.sheet.name}. Rename one."
    for k, one in enumerate(mounts):
        for other in mounts[:k]:
            if one.at_mm is None or other.at_mm is None:
                continue
            if float(np.linalg.norm(one.at_mm - other.at_mm)) < APART_MM:
                text = f"{one.sheet.name} and {other.sheet.name} are in one place. Which one is there?"
                yield f"{one.field}.boss", text
        if sum(other.sheet.name == one.sheet.name for other in mounts[:k]):
            yield f"{one.field}.name", f"Two mounts are called {one.sheet.name}. Rename one."
        base, wall = positive_of(one.sheet.bracket.base), _member_wall_mm(one)
        if base is not None and wall is not None and base > wall:
            text = f"{one.sheet.name} is welded to {fig(base, 'mm', 1)}, and the wall of {one.sheet.stands_on} is "
            yield f"{one.field}.bracket.base", f"{text}{fig(wall, 'mm', 1)}. Which is it?"
        weighed, stated = value_of(one.sheet.weighed.sinks), one.sheet.upright_n_per_mm
        if stated is not None and weighed:
            yield (
                f"{one.field}.upright_n_per_mm",
                f"{one.sheet.name} has a stated and a weighed stiffness: the stated counts.",
            )
