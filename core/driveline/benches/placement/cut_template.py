"""A template at 1:1 of what is cut out of a sheet: laid on it by its middle and by which way is which."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np
from shapely import Polygon

from driveline.arrays import Floats
from driveline.benches.contract import Paper
from driveline.benches.placement.gaps import solid, travel_mm, wanted_mm
from driveline.benches.placement.lay_out import LaidPlacement, VehicleThing
from driveline.benches.placement.sheet import Fate, Nature, PlacementSheet
from driveline.drawing.model import Drawing, Entity, Layer, Path, Text, Vertex
from driveline.figures import fig, num
from driveline.space.bodies import Piece
from driveline.space.opening import opening
from driveline.space.pose import Placed
from driveline.space.shapes import Box

FLAT: Final = 0.2  # of its other sides: thicker, and a paper on one face says little
CROSS_MM: Final = 15.0
SMOOTH_MM: Final = 0.05
HEAD_MM: Final = 2.5  # of an arrow
TEXT_MM: Final = 3.0
LINE_MM: Final = 5.5
SQUARE_DEG: Final = 0.5
WAYS: Final = ("forward", "left", "up", "back", "right", "down")
SEEN_FROM: Final = ("the front", "the left", "above", "the rear", "the right", "below")


@dataclass(frozen=True, slots=True, kw_only=True)
class Opening:
    """An opening in one sheet: its outline about its own middle, and the paper's axes in the vehicle's."""

    thing: VehicleThing
    key: str  # of its paper
    outline: Polygon
    middle_mm: Floats  # of the outline, from the datum
    across: Floats  # the paper's way to the right, (3,)
    up: Floats
    off_mm: float


def openings_of(sheet: PlacementSheet, laid: LaidPlacement, placed: Placed) -> Iterator[Opening]:
    """Return the opening in each flat body that is to be cut and is in the way."""
    unit = [piece.moved(placed) for one in solid(laid.unit_on) if one.built.body for piece in one.built.body.pieces]
    for k, thing in enumerate(laid.vehicle):
        if thing.sheet.fate is not Fate.CUT or thing.built.body is None:
            continue
        off_mm = wanted_mm(sheet, thing.sheet.nature or Nature.FIXED) + travel_mm(sheet)
        for piece in thing.built.body.pieces:
            found = _opening(thing, f"placement.cut_{k + 1}", piece, unit, off_mm)
            if found is not None:
                yield found


def _opening(thing: VehicleThing, key: str, piece: Piece, unit: list[Piece], off_mm: float) -> Opening | None:
    if not isinstance(piece.shape, Box):
        return None
    sizes = piece.shape.size_mm
    thin = int(np.argmin(sizes))
    long = [k for k in range(3) if k != thin]
    if sizes[thin] > FLAT * min(sizes[k] for k in long):
        return None
    outline = opening(piece, thin, (sizes[long[0]], sizes[long[1]]), unit, off_mm)
    if outline.is_empty:
        return None
    left, low, right, high = outline.bounds
    own, middle = np.zeros(3), ((left + right) / 2, (low + high) / 2)
    own[long] = middle
    corners = np.array(outline.simplify(SMOOTH_MM).exterior.coords)[:-1] - middle
    return Opening(
        thing=thing,
        key=key,
        outline=Polygon(corners),
        middle_mm=piece.placed.points(own),
        across=piece.placed.turn[:, long[0]],
        up=piece.placed.turn[:, long[1]],
        off_mm=off_mm,
    )


def cut_papers(sheet: PlacementSheet, laid: LaidPlacement, placed: Placed) -> Iterator[Paper]:
    """Return a template for each opening."""
    for one in openings_of(sheet, laid, placed):

        def draw(job_name: str, revision: str, one: Opening = one) -> Drawing:
            return _template(one, job_name, revision)

        yield Paper(key=one.key, title=f"Cut in {one.thing.sheet.name}", draw=draw, is_full_size=True)


def _template(one: Opening, job_name: str, revision: str) -> Drawing:
    left, low, right, high = one.outline.bounds
    corners = [Vertex(x_mm=float(x), y_mm=float(y)) for x, y in one.outline.exterior.coords[:-1]]
    entities: list[Entity] = [
        Path(layer=Layer.CUT, part="opening", vertices=tuple(corners)),
        _line((-CROSS_MM, 0), (CROSS_MM, 0)),
        _line((CROSS_MM - HEAD_MM, HEAD_MM), (CROSS_MM, 0), (CROSS_MM - HEAD_MM, -HEAD_MM)),
        _line((0, -CROSS_MM), (0, CROSS_MM)),
        _line((-HEAD_MM, CROSS_MM - HEAD_MM), (0, CROSS_MM), (HEAD_MM, CROSS_MM - HEAD_MM)),
        _text(CROSS_MM + 2, 0, _way(one.across)),
        _text(HEAD_MM + 1, CROSS_MM, _way(one.up)),
    ]
    x, y, z = (float(part) for part in one.middle_mm)
    seen_from = SEEN_FROM[_nearest(np.cross(one.across, one.up))[0]]
    words = (
        f"{job_name}, {one.thing.sheet.name} seen from {seen_from}, {revision}",
        f"The cross lies {num(x, 'mm', 0)} forward, {num(y, 'mm', 0)} left, {fig(z, 'mm', 0)} up of the datum.",
        f"{num(right - left, 'mm', 0)} by {fig(high - low, 'mm', 0)}: {fig(one.off_mm, 'mm', 0)} kept off the unit.",
        "Look behind it for lines, wires and fuel before anything is cut.",
        "What carries the body is cut only with the approval of whoever passes the vehicle.",
    )
    foot = low - LINE_MM * (len(words) + 1)
    entities += [_text(left, low - LINE_MM * (k + 1), line) for k, line in enumerate(words)]
    return Drawing(
        title=f"{job_name}: cut in {one.thing.sheet.name}",
        seen_from=seen_from,
        entities=tuple(entities),
        least_x_mm=left,
        least_y_mm=foot,
        greatest_x_mm=max(right, left + 130.0),
        greatest_y_mm=high,
    )


def _way(direction: Floats) -> str:
    """The way of the vehicle that a direction is nearest to, and how far off it where it is."""
    nearest, off_deg = _nearest(direction)
    return WAYS[nearest] if off_deg < SQUARE_DEG else f"{WAYS[nearest]}, {fig(off_deg, '°', 0)} off"


def _nearest(direction: Floats) -> tuple[int, float]:
    along = np.concatenate([direction, -direction])
    nearest = int(along.argmax())
    return nearest, float(np.degrees(np.arccos(min(along[nearest], 1.0))))


def _line(*points: tuple[float, float]) -> Path:
    return Path(layer=Layer.MARK, part="cross", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in points), closed=False)


def _text(x: float, y: float, text: str) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=TEXT_MM, text=text, part="opening")
