"""Where a shaft's ends are: the inner joint on the placed unit, the outer one on its arc, and how far each goes."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.needs import AxlesNeeds, Xyz
from driveline.benches.axles.sheet import Axle, AxleSide, PathKind, Travelled, Which
from driveline.errors import ImpossibleInput
from driveline.margins import missing_of
from driveline.sheet import value_of
from driveline.space.pose import turns_by
from driveline.space.spots import Points, Spot, spot_missing, spot_mm
from driveline.suspension.arc_sureness import ArcSureness, arc_sureness
from driveline.suspension.arcs import Arc, arm_arc, fit_arc
from driveline.suspension.travel import Corner

SIDES: Final = ("left", "right")
MANY_HEIGHTS: Final = 61
MANY_LOCKS: Final = 9
NO_LOCKS: Final = np.zeros(1)
AT_REST: Final = "at rest"
ANY_WAY: Final = np.vstack([np.zeros(3), np.eye(3), -np.eye(3)])


@dataclass(frozen=True, slots=True, kw_only=True)
class Moves:
    """How an inner joint goes with the unit, at rest first: (m, 3), (m, 3, 3) and a name for each."""

    shifts_mm: Floats
    turns: Floats
    names: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class End:
    """One side's shaft between its joints, and the travel of its wheel."""

    corner: Corner
    bump_mm: float
    droop_mm: float  # to the strap, where one is set
    unstrapped_mm: float
    locks_deg: Floats
    moves: Moves
    sureness: ArcSureness | None  # of an arc from measured heights, while it is stated how well they were

    def heights_mm(self, droop_mm: float, many: int = MANY_HEIGHTS) -> Floats:
        """Return heights from a droop to the bump stop, ride among them."""
        down = np.linspace(-droop_mm, 0.0, many // 2 + 1)
        return np.concatenate((down, np.linspace(0.0, self.bump_mm, many // 2 + 1)[1:]))


@dataclass(frozen=True, slots=True, kw_only=True)
class FoundEnd:
    """An end, or what keeps it from being known."""

    end: End | None
    missing: tuple[str, ...]
    doubts: tuple[tuple[str, str], ...]  # fields, and what is odd there


def points_of(needs: AxlesNeeds) -> Points:
    """Return the vehicle's measured points."""
    return {name: np.array(at) for name, at in needs.points}


def inners_mm(axle: Axle, needs: AxlesNeeds, points: Points) -> tuple[Floats | None, Floats | None]:
    """Return both inner joint centres."""
    left, right = (
        (None if unit is None else np.array(unit)) if is_on_unit(side) else spot_mm(side.inner, points)
        for side, unit in ((axle.left, needs.inner_left_mm), (axle.right, needs.inner_right_mm))
    )
    return left, right


def is_on_unit(side: AxleSide) -> bool:
    """Say whether a side's inner joint is the placed unit's."""
    return side.inner == Spot()


def moves_at(at_mm: Floats, needs: AxlesNeeds) -> Moves:
    """Return how a place of the unit goes with it in every case of load; the usual way off where no mounts are."""
    if needs.any_way_mm is not None:
        names = (AT_REST, *(f"unit {way}" for way in ("forward", "left", "up", "back", "right", "down")))
        return Moves(shifts_mm=needs.any_way_mm * ANY_WAY, turns=np.tile(np.eye(3), (7, 1, 1)), names=names)
    turns = turns_by(np.array([np.zeros(3), *(one.turn_rad for one in needs.moves)]))
    shifts = [np.zeros(3)]
    for one, turn in zip(needs.moves, turns[1:], strict=True):
        arm = at_mm - np.array(one.about_mm)
        shifts.append(np.array(one.shift_mm) + turn @ arm - arm)
    return Moves(shifts_mm=np.array(shifts), turns=np.array(turns), names=(AT_REST, *(one.name for one in needs.moves)))


STILL: Final = Moves(shifts_mm=np.zeros((1, 3)), turns=np.eye(3)[None], names=(AT_REST,))


def end_of(axle: Axle, name: str, needs: AxlesNeeds, field: str) -> FoundEnd:
    """Return one side's ends as far as they are known."""
    side: AxleSide = getattr(axle, name)
    points = points_of(needs)
    inner, other = inners_mm(axle, needs, points)
    if name == "right":
        inner, other = other, inner
    words = f"{axle.name}, {name}"
    missing = [*_inner_missing(side, inner, points, words)]
    if other is None:
        missing.append(f"{axle.name}: the other side's inner joint, for the line of the outputs")
    missing += travelled_missing(side.outer, points, f"{words} outer joint")
    if is_on_unit(side):
        missing += needs.moves_missing
    missing += _steered_missing(side, axle.which, points, words)
    found = FoundEnd(end=None, missing=tuple(dict.fromkeys(missing)), doubts=())
    if inner is None or other is None:
        return found
    try:
        return replace(found, end=_end(side, inner, inner - other, needs, points))
    except ImpossibleInput as error:
        return refused(found, axle, name, f"{field}.{name}", error)


def refused(found: FoundEnd, axle: Axle, name: str, field: str, error: ImpossibleInput) -> FoundEnd:
    """Return an end that can't be as one that is asked about, and not known."""
    text = f"{axle.name}, {name}: {error}"
    return FoundEnd(end=None, missing=(*found.missing, text), doubts=(*found.doubts, (f"{field}.outer", text)))


def _inner_missing(side: AxleSide, inner: Floats | None, points: Points, words: str) -> tuple[str, ...]:
    if inner is not None:
        return ()
    if is_on_unit(side):
        return (f"{words}: the placed unit's output, at Placement, or its inner joint's place",)
    return spot_missing(side.inner, points, f"{words} inner joint")


def travelled_missing(path: Travelled, points: Points, words: str) -> list[str]:
    """Return what a joint's path lacks, in words."""
    missing = [*spot_missing(path.ride, points, f"{words} at ride height")]
    if path.kind is None:
        missing.append(f"{words}: how it is known where it goes")
    if path.kind is PathKind.HEIGHTS:
        for k, one in enumerate(path.heights):
            missing += spot_missing(one, points, f"{words}, height {k + 1}")
        if len(path.heights) < 2:
            missing.append(f"{words}: its centre at two more heights")
    if path.kind is PathKind.PIVOTS:
        missing += spot_missing(path.pivot_a, points, f"{words}, first pivot")
        missing += spot_missing(path.pivot_b, points, f"{words}, second pivot")
    missing += missing_of(
        {f"{words}: rise to the bump stop": value_of(path.bump), f"{words}: droop": value_of(path.droop)}
    )
    return missing


def _steered_missing(side: AxleSide, which: Which | None, points: Points, words: str) -> list[str]:
    if side.steers is None and which is not Which.REAR:
        return [f"{words}: whether its wheel steers"]
    if not side.steers:
        return []
    one = side.steered
    return [
        *spot_missing(one.pin_top, points, f"{words} king pin, above"),
        *spot_missing(one.pin_bottom, points, f"{words} king pin, below"),
        *missing_of(
            {f"{words}: lock to the left": value_of(one.to_left), f"{words}: lock to the right": value_of(one.to_right)}
        ),
    ]


def arc_of(path: Travelled, points: Points) -> tuple[Arc, Floats] | None:
    """Return the arc of a joint and where it stands at ride; ``None`` while something of it is not known.

    Raises:
        ImpossibleInput: If its places are on no arc.
    """
    ride = spot_mm(path.ride, points)
    if ride is None or path.kind is None:
        return None
    if path.kind is PathKind.PIVOTS:
        a, b = spot_mm(path.pivot_a, points), spot_mm(path.pivot_b, points)
        return None if a is None or b is None else (arm_arc(a, b, ride), ride)
    others = [spot_mm(one, points) for one in path.heights]
    known = [one for one in others if one is not None]
    if len(known) < len(others) or len(known) < 2:
        return None
    return fit_arc(np.array([ride, *known])), ride


def sureness_of(path: Travelled, arc: Arc, points: Points) -> ArcSureness | None:
    """Return how sure an arc is; ``None`` of an arm's, and while it is not stated how well each height was measured."""
    spots = [path.ride, *path.heights]
    if path.kind is not PathKind.HEIGHTS or any(one.point is not None for one in spots):
        return None
    known = [one.u_mm for spot in spots for one in (spot.x, spot.y, spot.z) if one is not None]
    stated = [u for u in known if u]
    if len(stated) < len(known):
        return None
    places = np.array([spot_mm(one, points) for one in spots])
    return arc_sureness(arc, places, float(np.sqrt(np.mean(np.square(stated)))))


def _end(side: AxleSide, inner: Floats, output: Floats, needs: AxlesNeeds, points: Points) -> End | None:
    found = arc_of(side.outer, points)
    bump, droop, strap = (value_of(one) for one in (side.outer.bump, side.outer.droop, side.outer.strap))
    if found is None or bump is None or droop is None:
        return None
    locks, pin, off = NO_LOCKS, None, None
    arc, ride = found
    if side.steers:
        top, bottom = (spot_mm(one, points) for one in (side.steered.pin_top, side.steered.pin_bottom))
        left, right = value_of(side.steered.to_left), value_of(side.steered.to_right)
        if top is None or bottom is None or left is None or right is None:
            return None
        locks = np.unique(np.concatenate((np.linspace(-right, left, MANY_LOCKS), NO_LOCKS)))
        pin, off = top - bottom, ride - bottom
    moves = moves_at(inner, needs) if is_on_unit(side) and needs.has_moves else STILL
    corner = Corner(
        inner_mm=inner,
        output=output,
        arc=arc,
        near_mm=ride,
        ride_mm=float(ride[2]),
        spindle=np.array([0.0, 1.0, 0.0]),
        turns_with_arm=side.outer.kind is PathKind.PIVOTS,
        kingpin=pin,
        off_kingpin_mm=off,
    )
    strapped = droop if strap is None else min(strap, droop)
    reach = np.array([corner.ride_mm - droop, corner.ride_mm + bump])
    arc.at_height_mm(reach, ride)  # asked now, so that an arc too short is named here
    return End(
        corner=corner,
        bump_mm=bump,
        droop_mm=strapped,
        unstrapped_mm=droop,
        locks_deg=locks,
        moves=moves,
        sureness=sureness_of(side.outer, arc, points),
    )


def xyz(point: Iterable[float]) -> Xyz:
    """Return a place for the screen, to a hundredth of a mm."""
    x, y, z = (round(float(one), 2) for one in point)
    return x, y, z
