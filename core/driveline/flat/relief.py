"""Reliefs: what is cut out of a plate round something that stands out of the face under it, and what that leaves."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from shapely import LineString, Point, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.geometry.polygon import orient

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.flat.holes import LEAST_LIGAMENT_MM, Disc
from driveline.flat.outline import OutlineVertex, flattened
from driveline.flat.seats import LEAST_FLOOR_MM
from driveline.words import Choice

GAP_MM: Final = 2.0  # all round what stands out: castings are rough and no two alike
OVER_MM: Final = 1.0  # past its end
QUARTER_CHORDS: Final = 8  # of a round corner
OUTSIDE_MM: Final = 1e-9


class ReliefCut(Choice):
    """What is cut for it."""

    THROUGH = "through", "cut right through"
    POCKET = "pocket", "milled as a pocket"
    NOTHING = "nothing", "nothing: it is clear of the plate"


@dataclass(frozen=True, slots=True, kw_only=True)
class Cutout:
    """A relief of a part, as it is cut or milled."""

    id: str
    side: int  # 0 the part's first side, 1 the other
    corners_mm: Floats  # (n, 2), anticlockwise
    depth_mm: float | None  # of a pocket; None: right through

    @property
    def shape(self) -> Polygon:
        """As a polygon."""
        return Polygon(self.corners_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class Spare:
    """A place where a relief has room or metal, and how much is wanted there."""

    where: str
    left_mm: float
    wanted_mm: float


def outline_of(points_mm: Floats, width_mm: float | None) -> BaseGeometry:
    """Return what stands out, seen along the shaft.

    Args:
        points_mm: One or two with a width, or three and more along its outline, (n, 2).
        width_mm: Diameter about one point, width along two, a margin about more.

    Raises:
        ImpossibleInput: If there is no point, one or two have no width, or the outline crosses itself.

    Source:
        Everything within half the width of the points' point, line or polygon.
    """
    if not len(points_mm):
        raise ImpossibleInput("points", 0, "one or more")
    if len(points_mm) < 3:
        if not width_mm:
            raise ImpossibleInput("width", 0.0, "above 0 about one or two points")
        line = Point(points_mm[0]) if len(points_mm) == 1 else LineString(points_mm)
        return line.buffer(width_mm / 2, quad_segs=QUARTER_CHORDS)
    shape = Polygon(points_mm)
    if not shape.is_valid or not shape.area > 0:
        raise ImpossibleInput("points", len(points_mm), "in the order in which they run round it")
    return shape.buffer((width_mm or 0.0) / 2, quad_segs=QUARTER_CHORDS)


def cutout(name: str, side: int, shape: BaseGeometry, *, room_mm: float, depth_mm: float | None) -> Cutout:
    """Return what is cut out for it.

    Args:
        name: Of what stands out.
        side: Of the part that it stands against.
        shape: Of it.
        room_mm: Free all round.
        depth_mm: Of a pocket; ``None`` for right through.

    Source:
        Everything within the room of what stands out (Minkowski sum with a disc, circumscribed).
    """
    # Chords of a buffer lie inside its arcs: they are pushed out so that the room is kept between corners too.
    reach_mm = room_mm / float(np.cos(np.pi / (2 * QUARTER_CHORDS)))
    grown = orient(shape.buffer(reach_mm, quad_segs=QUARTER_CHORDS))
    return Cutout(id=name, side=side, corners_mm=np.array(grown.exterior.coords)[:-1], depth_mm=depth_mm)


def spares(
    shape: BaseGeometry,
    cut: Cutout | None,
    *,
    stands_out_mm: float,
    thickness_mm: float,
    edge: Sequence[OutlineVertex],
    discs: Sequence[Disc],
    room_mm: float,
    others: Sequence[Cutout] = (),
) -> tuple[Spare, ...]:
    """Return the room about what stands out and the metal that its relief leaves, the worst for its wish first.

    Args:
        shape: What stands out.
        cut: What is cut for it; ``None`` for nothing.
        stands_out_mm: How far.
        thickness_mm: Of the plate.
        edge: Of the plate.
        discs: Its holes, the bore among them.
        room_mm: Cut free round it.
        others: The plate's other reliefs.

    Source:
        Plane distances between polygons and circles.
    """
    plate = Polygon(flattened(edge))
    if cut is None:
        bores = [Point(disc.x_mm, disc.y_mm).buffer(disc.diameter_mm / 2) for disc in discs if disc.is_bore]
        metal = plate
        for bore in bores:
            metal = metal.difference(bore)
        return (Spare(where="beside the plate", left_mm=float(metal.distance(shape)), wanted_mm=GAP_MM),)
    deep_mm = thickness_mm if cut.depth_mm is None else cut.depth_mm
    found = [
        Spare(where="free round it", left_mm=room_mm, wanted_mm=GAP_MM),
        Spare(where="free past its end", left_mm=deep_mm - stands_out_mm, wanted_mm=OVER_MM),
        Spare(where="to the plate's edge", left_mm=_inside_mm(plate, cut.shape), wanted_mm=LEAST_LIGAMENT_MM),
    ]
    if cut.depth_mm is not None:
        found.append(Spare(where="of floor", left_mm=thickness_mm - cut.depth_mm, wanted_mm=LEAST_FLOOR_MM))
    for disc in discs:
        apart_mm = float(cut.shape.distance(Point(disc.x_mm, disc.y_mm))) - disc.diameter_mm / 2
        found.append(Spare(where=f"to {disc.id}", left_mm=apart_mm, wanted_mm=LEAST_LIGAMENT_MM))
    for other in others:
        apart_mm = float(cut.shape.distance(other.shape))
        found.append(Spare(where=f"to {other.id}", left_mm=apart_mm, wanted_mm=LEAST_LIGAMENT_MM))
    return tuple(sorted(found, key=lambda one: one.left_mm / one.wanted_mm))


def _inside_mm(plate: Polygon, shape: Polygon) -> float:
    """How far a shape is inside a plate's edge; below 0 where it crosses it."""
    crosses = float(shape.difference(plate).area) > OUTSIDE_MM
    return -1.0 if crosses else float(plate.exterior.distance(shape))
