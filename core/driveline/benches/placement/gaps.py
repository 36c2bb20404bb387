"""How near the unit comes to everything that stays, wheels and steering through their travel."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.lay_out import LaidPlacement, UnitThing, VehicleThing
from driveline.benches.placement.sheet import Nature, PlacementSheet
from driveline.memory import kept
from driveline.sheet import positive_of, value_of
from driveline.space.bodies import Body, Piece
from driveline.space.distance import Near, bounds_apart_mm, nearest
from driveline.space.neighbours import nearest_bodies
from driveline.space.on_surface import hull_of
from driveline.space.pose import Placed
from driveline.space.sweep import TOUCHING_MM, Move, Swept, sweep, valley

KIND_WORDS: Final = {
    Nature.FIXED: "The sheet and frame near the unit, or that there is none",
    Nature.HOT: "What is hot or moves near the unit, or that nothing is",
    Nature.STEERING: "What steers or brakes near the unit, or that nothing does",
}
WANTED_MM: Final = {Nature.FIXED: 10.0, Nature.HOT: 15.0, Nature.STEERING: 25.0}
GROUND_MM: Final = 150.0
TRAVEL_MM: Final = 10.0  # of rubber mounts, until the mounts are worked out
FAR_MM: Final = 150.0  # beyond what is wanted: of no interest
GROUND: Final = "ground"
_nearest = kept(1000)(nearest_bodies)  # a change of one body leaves the others where they were


@dataclass(frozen=True, kw_only=True)
class Gap:
    """A gap between a body of the unit and one of the vehicle."""

    unit: UnitThing
    other: VehicleThing | None  # None: the ground
    near: Near  # the first point is on the unit
    wanted_mm: float
    travel_mm: float

    @property
    def gap_mm(self) -> float:
        """Below nought where they overlap: by how much."""
        return self.near.gap_mm - self.near.depth_mm

    @property
    def least_mm(self) -> float:
        """With what the mounts let the unit move taken off."""
        return self.gap_mm - self.travel_mm

    @property
    def nature(self) -> str:
        """What it is judged as."""
        if self.other is None:
            return GROUND
        return (self.other.sheet.nature or Nature.FIXED).value

    @property
    def share(self) -> float:
        """Of what is wanted: the least is the tightest."""
        return self.least_mm / self.wanted_mm


def wanted_mm(sheet: PlacementSheet, nature: Nature) -> float:
    """Return how far the unit is to keep off a kind of body."""
    return positive_of(getattr(sheet.wanted, nature.value)) or WANTED_MM[nature]


def travel_mm(sheet: PlacementSheet) -> float:
    """Return what the mounts let the unit move."""
    stated = value_of(sheet.travel)
    return TRAVEL_MM if stated is None else stated


def ground_wanted_mm(sheet: PlacementSheet) -> float:
    """Return the ground clearance that is wanted: the usual, or as it was where that was less."""
    was = positive_of(sheet.clearance_was)
    return GROUND_MM if was is None else min(GROUND_MM, was)


def solid(things: Sequence[UnitThing]) -> tuple[UnitThing, ...]:
    """Return those of the unit's bodies that are metal, not room to be kept clear."""
    return tuple(one for one in things if not one.sheet.keeps_clear)


def gaps_of(
    sheet: PlacementSheet, laid: LaidPlacement, placed: Placed, *, far_mm: float = FAR_MM, is_deep: bool = True
) -> tuple[Gap, ...]:
    """Return the gaps of a stand up to so far beyond what is wanted, the tightest first, the ground's among them.

    Where it is not asked how deep, an overlap with a scan is a gap of nought.
    """
    give_mm = travel_mm(sheet)
    others = [(one, _widest_mm(sheet, one)) for one in laid.in_the_way if one.built.body is not None]
    found = []
    for thing in solid(laid.unit_on):
        if thing.built.body is None:
            continue
        body = thing.built.body.moved(placed)
        for (other, wanted), apart_mm in zip(others, _bounds_apart_mm(body, others), strict=True):
            within_mm = wanted + give_mm + far_mm
            near = near_of(body, other, within_mm=within_mm, is_deep=is_deep) if apart_mm <= within_mm else None
            if near is not None:
                found.append(Gap(unit=thing, other=other, near=near, wanted_mm=wanted, travel_mm=give_mm))
    ground = _to_ground(sheet, laid, placed)
    return tuple(sorted([*found, *ground], key=lambda gap: gap.share))


def tightest_moved(
    sheet: PlacementSheet,
    laid: LaidPlacement,
    at_rest: Sequence[Gap],
    placed: Placed,
    *,
    move_mm: float,
    near_mm: float,
) -> Gap | None:
    """Return the gap that is tightest for what is wanted with the unit moved; ``None`` where nothing is near.

    Args:
        sheet: Of the placement.
        laid: From it.
        at_rest: The gaps of the unit as it stands: no gap closes by more than the unit moves.
        placed: Where the move leaves the unit.
        move_mm: How far the move takes any point of it, at the most.
        near_mm: A gap so far beyond what is wanted is of no interest.
    """
    if move_mm > FAR_MM - near_mm:  # what is too far off to be among them may come near
        found = gaps_of(sheet, laid, placed, far_mm=near_mm, is_deep=False)
        return min(found, key=_moved_share, default=None)
    best: Gap | None = None
    for gap in sorted(at_rest, key=lambda one: (one.gap_mm - move_mm) / one.wanted_mm):
        if best is not None and (gap.gap_mm - move_mm) / gap.wanted_mm >= _moved_share(best):
            break
        near = _moved_near(gap, laid, placed, within_mm=gap.wanted_mm + gap.travel_mm + near_mm)
        moved = None if near is None else replace(gap, near=near)
        if moved is not None and (best is None or _moved_share(moved) < _moved_share(best)):
            best = moved
    return best


def _moved_share(gap: Gap) -> float:
    """Of what is wanted, with the move itself in the gap already."""
    return gap.gap_mm / gap.wanted_mm


def _moved_near(gap: Gap, laid: LaidPlacement, placed: Placed, *, within_mm: float) -> Near | None:
    if gap.other is None:
        lowest = _lowest(laid, placed)
        return None if lowest is None else lowest[1]
    body = gap.unit.built.body
    return None if body is None else near_of(body.moved(placed), gap.other, within_mm=within_mm, is_deep=False)


def _widest_mm(sheet: PlacementSheet, other: VehicleThing) -> float:
    """What is wanted to a body; of one that may be of any kind, the most."""
    natures = [other.sheet.nature] if other.sheet.nature else list(Nature)
    return max(wanted_mm(sheet, nature) for nature in natures)


def _bounds_apart_mm(body: Body, others: Sequence[tuple[VehicleThing, float]]) -> Sequence[float]:
    """How far a body is from each of the others at the least, by the bounds of both and the others' travel."""
    bounds = [one.built.body.bounds_mm for one, _ in others if one.built.body is not None]
    if not bounds:
        return []
    lows, highs = (np.array(side) for side in zip(*bounds, strict=True))
    apart = bounds_apart_mm((lows, highs), body.bounds_mm)
    found: list[float] = (apart - [_reach_mm(one) for one, _ in others]).tolist()
    return found


def _reach_mm(other: VehicleThing) -> float:
    """How far a body goes with the wheels, any way."""
    if not goes_with_wheels(other):
        return 0.0
    travel = other.sheet.travel
    return sum(value_of(one) or 0.0 for one in (travel.up, travel.down, travel.aside))


def _to_ground(sheet: PlacementSheet, laid: LaidPlacement, placed: Placed) -> Iterator[Gap]:
    lowest = _lowest(laid, placed)
    if lowest is not None:
        thing, near = lowest
        give_mm = travel_mm(sheet)
        yield Gap(unit=thing, other=None, near=near, wanted_mm=ground_wanted_mm(sheet), travel_mm=give_mm)


def _lowest(laid: LaidPlacement, placed: Placed) -> tuple[UnitThing, Near] | None:
    """What of the unit is lowest, and how far it is off the ground."""
    lowest: tuple[float, UnitThing, Floats] | None = None
    for thing in solid(laid.unit_on):
        if thing.built.body is None:
            continue
        corners = np.vstack([piece.corners_mm for piece in thing.built.body.moved(placed).pieces])
        corner = corners[corners[:, 2].argmin()]
        if lowest is None or corner[2] < lowest[0]:
            lowest = (float(corner[2]), thing, corner)
    if lowest is None:
        return None
    height, thing, corner = lowest
    return thing, Near(max(height, 0.0), corner, np.array([corner[0], corner[1], 0.0]), depth_mm=max(-height, 0.0))


def travel_known(other: VehicleThing) -> bool:
    """Say whether a body that goes with the wheels has its travel."""
    travel = other.sheet.travel
    return None not in (travel.up, travel.down, travel.aside)


def around_missing(sheet: PlacementSheet, laid: LaidPlacement) -> tuple[str, ...]:
    """Return what of all that stands round the unit is not known."""
    missing = [name for one in laid.in_the_way for name in one.built.missing]
    for one in laid.in_the_way:
        missing += [] if one.sheet.nature else [f"{one.sheet.name}: what it is"]
        if goes_with_wheels(one) and not travel_known(one):
            missing.append(f"{one.sheet.name}: how far it goes with the wheels")
    return (*missing, *kinds_missing(sheet, laid))


def kinds_missing(sheet: PlacementSheet, laid: LaidPlacement) -> tuple[str, ...]:
    """Return the kinds of body of which none is entered, and none is said not to be there."""
    entered = {one.sheet.nature for one in laid.vehicle}
    return tuple(KIND_WORDS[nature] for nature in Nature if nature not in entered and nature not in sheet.none_near)


def unit_bodies_missing(laid: LaidPlacement) -> tuple[str, ...]:
    """Return what of the unit's outside is not known: a unit without bodies comes near nothing."""
    if not solid(laid.unit_on):
        return ("The unit's bodies",)
    return tuple(name for one in solid(laid.unit_on) for name in one.built.missing)


def goes_with_wheels(other: VehicleThing) -> bool:
    """Say whether a body moves against the frame: all that steers or brakes, or may."""
    return other.sheet.nature in (Nature.STEERING, None)


def near_of(body: Body, other: VehicleThing, *, within_mm: float, is_deep: bool) -> Near | None:
    """Return how near a body of the vehicle comes, through its own travel; ``None`` beyond what is asked."""
    still = other.built.body
    if still is None:
        return None
    if not goes_with_wheels(other):
        return _nearest(body, still, within_mm=within_mm, is_deep=is_deep)
    travel = other.sheet.travel
    ways = tuple(value_of(one) or 0.0 for one in (travel.up, travel.down, travel.aside))
    return _with_wheels(body, still, ways, within_mm=within_mm, is_deep=is_deep)


@kept(1000)
def _with_wheels(
    body: Body, other: Body, ways_mm: tuple[float, ...], *, within_mm: float, is_deep: bool
) -> Near | None:
    """The nearest to a body that goes up, down and aside so far."""
    up, down, aside = ways_mm
    if other.surface is not None:
        # The surface going one way is the unit's pieces going the other, and those sweep a hull.
        ways = [_shifted(y, z) for y in (-aside, aside) for z in (-up, down)]
        swept = Body(body.name, tuple(hull_of(piece, ways) for piece in body.pieces))
        return nearest_bodies(swept, other, within_mm=within_mm, is_deep=is_deep)
    best: Near | None = None
    for at_least_mm, moving, still in _nearest_first(body, other, ways_mm, within_mm):
        if best is not None and at_least_mm > best.gap_mm:
            break
        found = _through_travel(moving, still, up_mm=up, down_mm=down, aside_mm=aside)
        if best is None or (found.gap_mm, -found.depth_mm) < (best.gap_mm, -best.depth_mm):
            best = found
    if best is None or best.gap_mm > within_mm:
        return None
    return Near(best.gap_mm, best.on_second_mm, best.on_first_mm, best.depth_mm)


def _nearest_first(
    body: Body, other: Body, ways_mm: tuple[float, ...], within_mm: float
) -> list[tuple[float, Piece, Piece]]:
    """Pieces of both with how near they come at the least: by the bounds of all that the moving one passes through."""
    up, down, aside = ways_mm
    found = []
    for moving in other.pieces:
        low, high = moving.bounds_mm
        passed = low - [0.0, aside, down], high + [0.0, aside, up]
        for still in body.pieces:
            at_least_mm = float(bounds_apart_mm(passed, still.bounds_mm))
            if at_least_mm <= within_mm:
                found.append((at_least_mm, moving, still))
    return sorted(found, key=lambda one: one[0])


def _through_travel(moving: Piece, still: Piece, *, up_mm: float, down_mm: float, aside_mm: float) -> Near:
    """The nearest through all heights and locks; both are convex, so the gap has one valley over both."""

    def at_lock(y_mm: float) -> Near:
        low = moving.moved(_shifted(y_mm, -down_mm))
        if up_mm + down_mm == 0:
            return nearest(low, still)
        swept = sweep(low, still, Move(np.array([0.0, 0.0, up_mm + down_mm]), np.eye(3), np.zeros(3)))
        if _is_clear(swept):
            return swept.near
        return _deepest(swept, [nearest(moving.moved(_shifted(y_mm, z)), still) for z in (-down_mm, 0.0, up_mm)])

    first = at_lock(-aside_mm)
    if aside_mm == 0 or first.gap_mm <= TOUCHING_MM:
        return first
    whole = np.array([0.0, 2 * aside_mm, 0.0])
    found = valley(lambda share: at_lock((2 * share - 1) * aside_mm), first, whole)
    return found.near if _is_clear(found) else _deepest(found, [at_lock(y) for y in (0.0, aside_mm)])


def _is_clear(swept: Swept) -> bool:
    """Say whether it nowhere touches, and that for certain: what did not settle may touch."""
    return swept.contact_at is None and swept.sure_mm == 0.0


def _shifted(y_mm: float, z_mm: float) -> Placed:
    return Placed(np.eye(3), np.array([0.0, y_mm, z_mm]))


def _deepest(swept: Swept, looks: Sequence[Near]) -> Near:
    """The deepest overlap at some places of a travel that touches; where there is none at them, it touches between."""
    deepest = max(looks, key=lambda near: near.depth_mm)
    if deepest.depth_mm == 0.0:
        deepest = swept.near
    return Near(0.0, deepest.on_first_mm, deepest.on_second_mm, depth_mm=deepest.depth_mm)
