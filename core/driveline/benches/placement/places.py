"""Where things stand, from the sheet: points found, spots read, bodies put together; what lacks a figure is named."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.sheet import (
    BodyShape,
    BodySheet,
    MeasuredPoint,
    PointTape,
    Turned,
)
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.memory import kept
from driveline.sheet import Coordinate, positive_of, value_of
from driveline.space.bodies import Body, Piece, tube
from driveline.space.laying import LaidScan
from driveline.space.pose import Placed
from driveline.space.shapes import Box
from driveline.space.spots import Points, spot_missing, spot_mm, turn_of
from driveline.space.tapes import Measured3, Points3, Tape, solve_points

LONGEST_MM: Final = 20_000.0  # no vehicle is longer, and a search around a body of kilometres takes seconds
TAPE_U_MM: Final = 1.0  # of a tape, where neither tool nor ± is stated


@dataclass(frozen=True, kw_only=True)
class Built:
    """A body as far as it can be put together. ``missing`` names what it lacks."""

    name: str
    body: Body | None
    missing: tuple[str, ...]
    scan: "ScanLaid | None" = None


@dataclass(frozen=True, kw_only=True)
class ScanLaid:
    """Where a scan lies: ``placed`` is ``None`` while it lacks something."""

    placed: Placed | None
    by_points: LaidScan | None
    missing: tuple[str, ...]


def label_of(tape: PointTape) -> str:
    """Return what a tape is called."""
    return f"{tape.a} to {tape.b}"


@kept(20)  # a nudge of the unit leaves the points where they are
def points_of(points: Sequence[MeasuredPoint], read: Sequence[PointTape]) -> Points3:
    """Return the measured points. Two of one name count as the first."""
    measured: dict[str, Measured3] = {}
    for point in points:
        measured.setdefault(point.name, _measured(point))
    tapes = [
        Tape(key=label_of(tape), first=tape.a, second=tape.b, mm=tape.length.mm, u_mm=tape.length.u_mm or TAPE_U_MM)
        for tape in read
        if tape.length is not None and tape.a in measured and tape.b in measured
    ]
    return solve_points(measured, tapes)


def _measured(point: MeasuredPoint) -> Measured3:
    axes = (point.x, point.y, point.z)
    near = (point.near.x, point.near.y, point.near.z)
    u_x, u_y, u_z = ((one.u_mm if one else None) or TAPE_U_MM for one in axes)
    return Measured3(mm=_three(axes), u_mm=(u_x, u_y, u_z), near_mm=_three(near))


def _three(axes: Sequence[Coordinate | None]) -> tuple[float | None, float | None, float | None]:
    x, y, z = (value_of(one) for one in axes)
    return x, y, z


def known_points(found: Points3) -> dict[str, Floats]:
    """Return those that their readings fix, in one place."""
    return {name: at for name, at in found.mm.items() if name not in (*found.loose, *found.two_places)}


def built(sheet: BodySheet, points: Points) -> Built:
    """Return a body as the sheet gives it."""
    named = {one.point: points[one.point] for one in (sheet.at, *sheet.along) if one.point and one.point in points}
    return _built(sheet, named)


@kept(300)  # with one body changed, the others keep what was worked out of them
def _built(sheet: BodySheet, points: Points) -> Built:
    if sheet.shape is None:
        return Built(name=sheet.name, body=None, missing=(f"{sheet.name}: its shape",))
    pieces, missing = _box(sheet, points) if sheet.shape is BodyShape.BOX else _tube(sheet, points)
    if any(np.ptp(piece.bounds_mm, axis=0).max() > LONGEST_MM for piece in pieces):
        pieces, missing = (), (f"{sheet.name}: a size under {fig(LONGEST_MM, 'mm', 0)}",)
    return Built(name=sheet.name, body=Body(sheet.name, pieces) if pieces else None, missing=missing)


def _box(sheet: BodySheet, points: Points) -> tuple[tuple[Piece, ...], tuple[str, ...]]:
    sizes = {word: positive_of(getattr(sheet, word)) for word in ("length", "width", "height")}
    turn = np.eye(3) if sheet.turned is Turned.SQUARE else turn_of(sheet.angles) if sheet.turned else None
    at = spot_mm(sheet.at, points)
    missing = [f"{sheet.name}: its {word}" for word, size in sizes.items() if size is None]
    missing += spot_missing(sheet.at, points, f"{sheet.name}: its middle")
    if turn is None:
        missing.append(f"{sheet.name}: how it is turned")
    length, width, height = sizes.values()
    if missing or at is None or turn is None or length is None or width is None or height is None:
        return (), tuple(missing)
    return (Piece(Box((length, width, height)), Placed(turn, at)),), ()


def _tube(sheet: BodySheet, points: Points) -> tuple[tuple[Piece, ...], tuple[str, ...]]:
    is_round, width, height = sheet.shape is BodyShape.ROUND, positive_of(sheet.width), positive_of(sheet.height)
    missing = [] if width is not None else [f"{sheet.name}: its {'diameter' if is_round else 'width'}"]
    if not is_round and height is None:
        missing.append(f"{sheet.name}: its height")
    if len(sheet.along) < 2:
        missing.append(f"{sheet.name}: two places along it")
    spots = [spot_mm(spot, points) for spot in sheet.along]
    for k, spot in enumerate(sheet.along, start=1):
        missing += spot_missing(spot, points, f"{sheet.name}: place {k}")
    if missing or width is None:
        return (), tuple(missing)
    line = np.array([spot for spot in spots if spot is not None])
    try:
        return tube(line, width_mm=width, height_mm=None if is_round else height), ()
    except ImpossibleInput:
        return (), (f"{sheet.name}: places along it that are apart",)
