"""What a bracket, which stays where it is welded, comes near: of the vehicle, and of the unit that it holds."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.gaps import near_of, solid, travel_mm, wanted_mm
from driveline.benches.placement.lay_out import LaidPlacement, VehicleThing
from driveline.benches.placement.sheet import Nature, PlacementSheet
from driveline.space.bodies import Body, Piece
from driveline.space.neighbours import nearest_bodies
from driveline.space.pose import Placed
from driveline.space.shapes import Box

STILL_MM: Final = 3.0  # where neither moves: room for the weld, and for paint
ON_MM: Final = 15.0  # a bracket's end stands on what is so near
NEAR_MM: Final = 15.0  # beyond what is wanted: of no interest
POINT_MM: Final = 0.01


@dataclass(frozen=True, slots=True, kw_only=True)
class Beside:
    """A bracket's gap to one thing, with what that may move taken off."""

    other: str
    gap_mm: float  # below nought: overlap
    wanted_mm: float
    taken_mm: float = 0.0  # off the gap already

    @property
    def share(self) -> float:
        """Of what is wanted."""
        return self.gap_mm / self.wanted_mm


@dataclass(frozen=True, kw_only=True)
class BracketBody:
    """A bracket's outside: whole, and without its root, which is welded into whatever a scan shows there."""

    whole: Body
    off_root: Body
    roots_mm: tuple[Floats, ...]  # each (3,): a cross member has two
    tip_mm: Floats | None  # (3,); None: none of it holds the unit itself


def beside_of(sheet: PlacementSheet, laid: LaidPlacement, one: BracketBody) -> tuple[str, tuple[Beside, ...]]:
    """Return what a bracket stands on, empty where nothing entered is there; and its gaps, the tightest first.

    It is welded to the bodies nearest its roots and bolted to the unit's nearest its tip: these are not asked.
    """
    bodies = [(each.field, each.built.body) for each in laid.in_the_way]
    roots = frozenset(_nearest(bodies, at) for at in one.roots_mm)
    found = [*_vehicle(sheet, laid, one, roots), *_unit(sheet, laid, one)]
    name = " and ".join(each.sheet.name for each in laid.in_the_way if each.field in roots)
    return name, tuple(sorted(found, key=lambda gap: gap.share))


def _vehicle(sheet: PlacementSheet, laid: LaidPlacement, one: BracketBody, roots: frozenset[str]) -> Iterator[Beside]:
    for other in laid.in_the_way:
        if other.built.body is None or other.field in roots:
            continue
        wanted = _wanted_mm(sheet, other)
        is_scan = other.built.body.surface is not None
        body = one.off_root if is_scan else one.whole
        near = near_of(body, other, within_mm=wanted + NEAR_MM, is_deep=not is_scan)
        if near is not None:
            yield Beside(other=other.sheet.name, gap_mm=near.gap_mm - near.depth_mm, wanted_mm=wanted)


def _wanted_mm(sheet: PlacementSheet, other: VehicleThing) -> float:
    """What is wanted to a body; of one that may be of any kind, the most."""
    natures = [other.sheet.nature] if other.sheet.nature else list(Nature)
    return max(STILL_MM if nature is Nature.FIXED else wanted_mm(sheet, nature) for nature in natures)


def _unit(sheet: PlacementSheet, laid: LaidPlacement, one: BracketBody) -> Iterator[Beside]:
    """The unit moves any way by what Placement counts on."""
    if laid.chosen is None or laid.chosen.placed is None:
        return
    give = travel_mm(sheet)
    things = [(each, each.built.body.moved(laid.chosen.placed)) for each in solid(laid.unit_on) if each.built.body]
    held = "" if one.tip_mm is None else _nearest([(each.field, body) for each, body in things], one.tip_mm)
    for each, body in things:
        if each.field == held:
            continue
        near = nearest_bodies(one.whole, body, within_mm=STILL_MM + give + NEAR_MM)
        if near is not None:
            gap = near.gap_mm - near.depth_mm - give
            yield Beside(other=each.sheet.name, gap_mm=gap, wanted_mm=STILL_MM, taken_mm=give)


def _nearest(bodies: Sequence[tuple[str, Body | None]], at_mm: Floats) -> str:
    """The field of the body of pieces that a point is nearest to, not farther than what stands on it may be."""
    point = Body("", (Piece(Box((POINT_MM, POINT_MM, POINT_MM)), Placed(np.eye(3), at_mm)),))
    best, found = np.inf, ""
    for field, body in bodies:
        near = None if body is None or not body.pieces else nearest_bodies(point, body, within_mm=ON_MM)
        if near is not None and near.gap_mm - near.depth_mm < best:
            best, found = near.gap_mm - near.depth_mm, field
    return found
