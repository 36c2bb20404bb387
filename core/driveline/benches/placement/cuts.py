"""What must be cut out of a body that is to be cut, for the unit to keep its distance."""

from collections.abc import Callable, Iterator, Sequence
from typing import Final

import numpy as np

from driveline.benches.placement.gaps import solid, travel_mm, wanted_mm
from driveline.benches.placement.lay_out import LaidPlacement, VehicleThing
from driveline.benches.placement.results import CutFound
from driveline.benches.placement.sheet import Fate, Nature, PlacementSheet
from driveline.space.bodies import Piece
from driveline.space.distance import nearest
from driveline.space.pose import Placed
from driveline.space.shapes import Box, Cylinder
from driveline.space.surface import LaidSurface

SLICE_MM: Final = 0.2
SETTLED_MM: Final = 0.1
AXES: Final = ("length", "width", "height")


def cuts_of(sheet: PlacementSheet, laid: LaidPlacement, placed: Placed) -> Iterator[CutFound]:
    """Return the stretch of each body that is in the way, with the distance that is wanted and the mounts' travel.

    Along the longest side of a box, along each leg of a bar or rail.
    """
    unit = [piece.moved(placed) for one in solid(laid.unit_on) if one.built.body for piece in one.built.body.pieces]
    for thing in laid.vehicle:
        if thing.sheet.fate is not Fate.CUT or thing.built.body is None:
            continue
        off_mm = wanted_mm(sheet, thing.sheet.nature or Nature.FIXED) + travel_mm(sheet)
        if thing.built.body.surface is not None:
            yield from _patch(thing, thing.built.body.surface, unit, off_mm)
        for leg in thing.built.body.pieces:
            found = [stretch for piece in unit if (stretch := _stretch(leg, piece, off_mm))]
            if found:
                yield _cut(thing, leg, min(low for low, _ in found), max(high for _, high in found))


def _patch(thing: VehicleThing, surface: LaidSurface, unit: Sequence[Piece], off_mm: float) -> Iterator[CutFound]:
    """Between which places, from the datum, a scanned surface comes nearer than it may."""
    low, high = np.full(3, np.inf), np.full(3, -np.inf)
    for piece in unit:
        least, greatest = piece.bounds_mm
        triangles = surface.within(least - off_mm, greatest + off_mm)
        own = piece.placed.inverse.points(triangles.reshape(-1, 3)).reshape(-1, 3, 3)
        near = triangles[piece.shape.floor_mm(own) < off_mm + surface.noise_mm]  # type: ignore[union-attr]
        if len(near):
            low, high = np.minimum(low, near.min(axis=(0, 1))), np.maximum(high, near.max(axis=(0, 1)))
    if np.isfinite(low).all():
        for k, axis in enumerate(("forward", "left", "up")):
            yield CutFound(
                name=thing.sheet.name, field=thing.field, from_mm=float(low[k]), to_mm=float(high[k]), axis=axis
            )


def _sides(leg: Piece) -> tuple[tuple[float, float, float], int]:
    if isinstance(leg.shape, Cylinder):
        return (leg.shape.length_mm, 2 * leg.shape.radius_mm, 2 * leg.shape.radius_mm), 0
    assert isinstance(leg.shape, Box)
    sizes = leg.shape.size_mm
    return sizes, int(np.argmax(sizes))


def _cut(thing: VehicleThing, leg: Piece, low: float, high: float) -> CutFound:
    sizes, axis = _sides(leg)
    return CutFound(
        name=thing.sheet.name,
        field=thing.field,
        from_mm=low + sizes[axis] / 2,
        to_mm=high + sizes[axis] / 2,
        axis=AXES[axis] if isinstance(leg.shape, Box) else "length",
    )


def _stretch(leg: Piece, piece: Piece, off_mm: float) -> tuple[float, float] | None:
    """The part of a leg, about its middle, that comes nearer to a piece than is wanted: both convex, it is one."""
    sizes, axis = _sides(leg)
    half = sizes[axis] / 2
    direction = leg.placed.turn[:, axis]

    def off(at: float) -> float:
        near = nearest(_slice(leg, sizes, axis).moved(Placed(np.eye(3), at * direction)), piece)
        return near.gap_mm - near.depth_mm - off_mm

    low, high = -half, half
    while high - low > SETTLED_MM:
        third = (high - low) / 3
        if off(low + third) <= off(high - third):
            high -= third
        else:
            low += third
    middle = (low + high) / 2
    if off(middle) >= 0:
        return None
    return _edge(off, middle, -half), _edge(off, middle, half)


def _edge(off: Callable[[float], float], inside: float, end: float) -> float:
    """Where it comes clear, toward an end; the end itself where it doesn't."""
    if off(end) < 0:
        return end
    clear = end
    while abs(clear - inside) > SETTLED_MM:
        middle = (clear + inside) / 2
        if off(middle) < 0:
            inside = middle
        else:
            clear = middle
    return clear


def _slice(leg: Piece, sizes: tuple[float, float, float], axis: int) -> Piece:
    if isinstance(leg.shape, Cylinder):
        return Piece(Cylinder(leg.shape.radius_mm, SLICE_MM), leg.placed)
    thin = [SLICE_MM if k == axis else size for k, size in enumerate(sizes)]
    return Piece(Box((thin[0], thin[1], thin[2])), leg.placed)
