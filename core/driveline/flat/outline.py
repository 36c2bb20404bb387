"""The edge of a plate: round its holes or along the flange's own outline, and what it encloses."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Final, Protocol

import numpy as np
from shapely import MultiPoint, Polygon, contains_xy
from shapely.geometry.polygon import orient

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput

FLAT_SEGMENTS: Final = 32  # of a quarter circle, where arcs must become chords
SMOOTHED_MM: Final = 0.01


@dataclass(frozen=True, slots=True)
class OutlineVertex:
    """A vertex of the outline; ``bulge`` is the tangent of a quarter of the arc to the next vertex."""

    x_mm: float
    y_mm: float
    bulge: float


class Edge(Protocol):
    """An edge that can be drawn, and drawn farther out by a kerf."""

    @property
    def vertices(self) -> tuple[OutlineVertex, ...]:
        """Anticlockwise."""
        ...

    def grown(self, by_mm: float) -> "Edge":
        """Return the same edge farther out."""
        ...


@dataclass(frozen=True, slots=True)
class HullEdge:
    """Round the holes at one distance: straight sides joined by true arcs."""

    centres: Floats  # (n, 2), mm
    radius_mm: float

    @property
    def vertices(self) -> tuple[OutlineVertex, ...]:
        """Anticlockwise, a side and an arc in turn."""
        return hull_outline(self.centres, self.radius_mm)

    def grown(self, by_mm: float) -> "HullEdge":
        """Return the same edge farther out."""
        return HullEdge(self.centres, self.radius_mm + by_mm)


@dataclass(frozen=True, slots=True)
class CircleEdge:
    """A round part about the shaft's centre."""

    radius_mm: float

    @property
    def vertices(self) -> tuple[OutlineVertex, ...]:
        """Two half circles, anticlockwise."""
        return (OutlineVertex(self.radius_mm, 0.0, 1.0), OutlineVertex(-self.radius_mm, 0.0, 1.0))

    def grown(self, by_mm: float) -> "CircleEdge":
        """Return the same edge farther out."""
        return CircleEdge(self.radius_mm + by_mm)


@dataclass(frozen=True, slots=True)
class TracedEdge:
    """Along a traced outline, let out where holes would come too near to it."""

    polygon: Polygon

    @property
    def vertices(self) -> tuple[OutlineVertex, ...]:
        """Corners, anticlockwise, joined by straight sides."""
        corners = np.array(orient(self.polygon).exterior.coords)[:-1]
        return tuple(OutlineVertex(float(x), float(y), 0.0) for x, y in corners)

    def grown(self, by_mm: float) -> "TracedEdge":
        """Return the same edge farther out; corners stay sharp."""
        return TracedEdge(self.polygon.buffer(by_mm, join_style="mitre"))


def traced_edge(corners: Floats, *, holes: Floats, radius_mm: float) -> TracedEdge:
    """Return a traced outline, let out round holes that lie too near to it.

    Args:
        corners: Of the trace, (n, 2), mm.
        holes: Centres that must keep their distance to the edge, (m, 2), mm.
        radius_mm: That distance.

    Raises:
        ImpossibleInput: If the trace crosses itself, or encloses nothing.

    Source:
        Union of the trace with discs of that radius about the holes.
    """
    traced = Polygon(corners)
    if not traced.is_valid or traced.area <= 0:
        raise ImpossibleInput("outline", len(corners), "a closed line that does not cross itself")
    kept = MultiPoint(holes).buffer(radius_mm, quad_segs=FLAT_SEGMENTS)
    joined = traced.union(kept)
    if not isinstance(joined, Polygon):
        joined = traced.union(MultiPoint(holes).convex_hull.buffer(radius_mm, quad_segs=FLAT_SEGMENTS))
    return TracedEdge(Polygon(joined.exterior).simplify(SMOOTHED_MM))


def hull_outline(centres: Floats, radius_mm: float) -> tuple[OutlineVertex, ...]:
    """Return the convex hull of holes, offset by an edge distance: straight sides joined by true arcs.

    Args:
        centres: (n, 2), mm; at least three that don't lie on one line.
        radius_mm: From a hole's centre to the edge; above 0.

    Returns:
        Anticlockwise vertices, a side and an arc in turn.

    Raises:
        ImpossibleInput: If the holes span no area.

    Source:
        Minkowski sum of the convex hull with a disc: sides moved out along their normals, joined by arcs.
    """
    hull = MultiPoint(centres).convex_hull
    if not isinstance(hull, Polygon) or not radius_mm > 0:
        raise ImpossibleInput("holes", len(centres), "at least three that do not lie on one line")
    corners = np.array(orient(hull).exterior.coords)[:-1]
    sides = np.roll(corners, -1, axis=0) - corners
    heading = np.arctan2(sides[:, 1], sides[:, 0])
    normal = np.column_stack([np.sin(heading), -np.cos(heading)])
    vertices: list[OutlineVertex] = []
    for k in range(len(corners)):
        after = (k + 1) % len(corners)
        start, end = corners[k] + radius_mm * normal[k], corners[after] + radius_mm * normal[k]
        sweep = (heading[after] - heading[k]) % (2 * np.pi)
        vertices.append(OutlineVertex(float(start[0]), float(start[1]), 0.0))
        vertices.append(OutlineVertex(float(end[0]), float(end[1]), math.tan(sweep / 4)))
    return tuple(vertices)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Sides:
    """An outline's sides as arrays; an arc's centre and radius are its own, a straight side's are not used."""

    start: Floats  # (n, 2)
    end: Floats  # (n, 2)
    chord_mm: Floats
    sweep_rad: Floats  # 0 for a straight side
    radius_mm: Floats
    centre: Floats  # (n, 2)


@lru_cache(maxsize=64)
def _sides_of(vertices: tuple[OutlineVertex, ...]) -> _Sides:
    start = np.array([[vertex.x_mm, vertex.y_mm] for vertex in vertices])
    bulge = np.array([vertex.bulge for vertex in vertices])
    end = np.roll(start, -1, axis=0)
    along = end - start
    chord = np.hypot(*along.T)
    is_arc = bulge != 0
    safe = np.where(is_arc, bulge, 1.0)
    left = np.column_stack([-along[:, 1], along[:, 0]])
    return _Sides(
        start=start,
        end=end,
        chord_mm=chord,
        sweep_rad=4 * np.arctan(bulge),
        radius_mm=np.where(is_arc, chord * (1 + safe**2) / (4 * np.abs(safe)), 0.0),
        centre=(start + end) / 2 + left * ((1 - safe**2) / (4 * safe))[:, None],
    )


def _sides(vertices: Sequence[OutlineVertex]) -> _Sides:
    """Area, length, bounds and distances all ask for the sides of the same outline, one after another."""
    return _sides_of(tuple(vertices))


def outline_area_mm2(vertices: Sequence[OutlineVertex]) -> float:
    """Return the area inside an outline, arcs included, mm².

    Args:
        vertices: Of a closed outline that does not cross itself, anticlockwise.

    Source:
        ½ Σ (x y' − x' y) of the corners, and ½ r² (φ − sin φ) of each arc.
    """
    sides = _sides(vertices)
    (x, y), (x_next, y_next) = sides.start.T, sides.end.T
    segments = sides.radius_mm**2 / 2 * (sides.sweep_rad - np.sin(sides.sweep_rad))
    return float(0.5 * np.sum(x * y_next - x_next * y) + segments.sum())


def outline_length_mm(vertices: Sequence[OutlineVertex]) -> float:
    """Return the length of an outline, arcs along the arc.

    Args:
        vertices: Of a closed outline, in order.

    Source:
        Σ chord, or r |φ| of an arc.
    """
    sides = _sides(vertices)
    return float(np.where(sides.sweep_rad != 0, sides.radius_mm * np.abs(sides.sweep_rad), sides.chord_mm).sum())


def outline_bounds_mm(vertices: Sequence[OutlineVertex]) -> tuple[float, float, float, float]:
    """Return the least x and y and the greatest x and y of an outline, arcs included.

    Args:
        vertices: Of a closed outline, in order.

    Source:
        Corners, and the arcs' points farthest along each axis.
    """
    return _bounds_of(tuple(vertices))


@lru_cache(maxsize=64)  # a part's drawings, sheet, nest and line of the cut list all ask
def _bounds_of(vertices: tuple[OutlineVertex, ...]) -> tuple[float, float, float, float]:
    sides = _sides_of(vertices)
    points = [sides.start]
    for heading in (np.array([1.0, 0.0]), np.array([0.0, 1.0]), np.array([-1.0, 0.0]), np.array([0.0, -1.0])):
        far = sides.centre + sides.radius_mm[:, None] * heading
        points.append(far[(sides.sweep_rad != 0) & _within(sides, far - sides.centre)])
    every = np.vstack(points)
    least, greatest = every.min(axis=0), every.max(axis=0)
    return float(least[0]), float(least[1]), float(greatest[0]), float(greatest[1])


def _within(sides: _Sides, from_centre: Floats) -> np.ndarray:
    """Whether points, given from each arc's centre, (…, sides, 2), lie within that arc's sweep."""
    first = sides.start - sides.centre
    angle = np.arctan2(
        first[:, 0] * from_centre[..., 1] - first[:, 1] * from_centre[..., 0], (first * from_centre).sum(axis=-1)
    )
    turned = np.where(sides.sweep_rad > 0, angle, -angle) % (2 * np.pi)
    return np.asarray(turned <= np.abs(sides.sweep_rad) + 1e-9)


def edge_distances_mm(centres: Floats, vertices: Sequence[OutlineVertex]) -> Floats:
    """Return the distance from each point to the nearest of an outline's sides and arcs, (n,), mm.

    Args:
        centres: (n, 2), mm.
        vertices: Of a closed outline, in order.

    Source:
        Distance to a segment, and to an arc where the point lies within its angle, else to its ends.
    """
    sides = _sides(vertices)
    points = np.asarray(centres, dtype=float).reshape(-1, 1, 2)
    along, from_start = sides.end - sides.start, points - sides.start
    share = np.clip((from_start * along).sum(axis=2) / np.maximum(sides.chord_mm**2, 1e-12), 0, 1)
    foot = from_start - share[..., None] * along
    straight = np.hypot(foot[..., 0], foot[..., 1])
    from_end, from_centre = points - sides.end, points - sides.centre
    ends = np.minimum(np.hypot(*np.moveaxis(from_start, 2, 0)), np.hypot(*np.moveaxis(from_end, 2, 0)))
    round_ = np.abs(np.hypot(*np.moveaxis(from_centre, 2, 0)) - sides.radius_mm)
    arcs = np.where(_within(sides, from_centre), round_, ends)
    nearest: Floats = np.where(sides.sweep_rad != 0, arcs, straight).min(axis=1)
    return nearest


def edge_depths_mm(centres: Floats, vertices: Sequence[OutlineVertex]) -> Floats:
    """Return how far inside an outline each point lies, (n,), mm; below 0 outside it.

    Args:
        centres: (n, 2), mm.
        vertices: Of a closed outline, in order.

    Source:
        As ``edge_distances_mm``, with the sign of point in polygon.
    """
    points = np.asarray(centres, dtype=float).reshape(-1, 2)
    inside = contains_xy(Polygon(flattened(vertices)), points[:, 0], points[:, 1])
    depths: Floats = np.where(inside, 1.0, -1.0) * edge_distances_mm(points, vertices)
    return depths


def flattened(vertices: Sequence[OutlineVertex]) -> Floats:
    """Corners with points along the arcs between."""
    sides = _sides(vertices)
    parts = []
    for k, sweep in enumerate(sides.sweep_rad.tolist()):
        parts.append(sides.start[k : k + 1])
        if sweep:
            first = sides.start[k] - sides.centre[k]
            turn = np.linspace(0, sweep, FLAT_SEGMENTS + 1)[1:-1]
            cos, sin = np.cos(turn), np.sin(turn)
            along = np.column_stack([first[0] * cos - first[1] * sin, first[0] * sin + first[1] * cos])
            parts.append(sides.centre[k] + along)
    return np.vstack(parts)
