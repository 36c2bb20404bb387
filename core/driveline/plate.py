"""The adapter plate's geometry: two hole patterns on one centre, what is left between them, and the outline.

Everything is drawn from the engine side. The motor's face, seen looking at the motor, is reflected before
it is laid over the flange: a mirrored plate is the classic scrap part.
"""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from shapely import MultiPoint, Point, Polygon

from driveline.chain import Floats
from driveline.errors import ImpossibleInput

LEAST_LIGAMENT_MM: Final = 6.0
MACHINING_MM: Final = 2.5  # registers are cut this much small on diameter and machined
GRID_DEG: Final = 0.5
SETTLED_DEG: Final = 1e-7
SETTLED_SHARE: Final = 1e-9


@dataclass(frozen=True, slots=True)
class Disc:
    """A round hole in the plate."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Ligament:
    """What is left between two holes, and what is wanted there."""

    between: tuple[str, str]
    left_mm: float
    wanted_mm: float

    @property
    def share(self) -> float:
        """Left over wanted; 1 or more is enough."""
        return self.left_mm / self.wanted_mm


@dataclass(frozen=True, slots=True)
class Window:
    """Clocking angles between which every ligament is enough; ``to_deg`` may pass 360."""

    from_deg: float
    to_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Clocking:
    """Least share of the wanted ligament over a whole turn of the motor."""

    angle_deg: Floats
    share: Floats
    closest: tuple[tuple[str, int], ...]  # which fixed hole and which of the motor's are nearest, per angle
    windows: tuple[Window, ...]
    best_deg: float
    best_share: float


@dataclass(frozen=True, slots=True)
class OutlineVertex:
    """A vertex of the outline; ``bulge`` is the tangent of a quarter of the arc to the next vertex."""

    x_mm: float
    y_mm: float
    bulge: float


def bolt_circle_mm(*, count: int, circle_mm: float, first_at_deg: float) -> Floats:
    """Return hole centres of a bolt circle, anticlockwise from the first, (count, 2), mm.

    Raises:
        ImpossibleInput: If the circle is not above 0.
    """
    if not circle_mm > 0:
        raise ImpossibleInput("bolt_circle", circle_mm, "above 0 mm")
    angle = np.radians(first_at_deg + 360 / max(count, 1) * np.arange(count))
    return circle_mm / 2 * np.column_stack([np.cos(angle), np.sin(angle)])


def reflected(xy: Floats) -> Floats:
    """Return points as seen from the other side: x → −x."""
    seen: Floats = np.asarray(xy) * np.array([-1.0, 1.0])
    return seen


def turned(xy: Floats, angle_deg: float) -> Floats:
    """Return points turned anticlockwise as drawn."""
    angle = math.radians(angle_deg)
    cos, sin = math.cos(angle), math.sin(angle)
    after: Floats = np.asarray(xy) @ np.array([[cos, sin], [-sin, cos]])
    return after


def motor_on_plate(face_xy: Floats, turned_deg: float) -> Floats:
    """Return the motor's holes on the plate as drawn, from its face seen looking at the motor.

    Args:
        face_xy: (n, 2), mm, about the motor's axis, seen looking at its face.
        turned_deg: Clocking, anticlockwise seen from the engine side.
    """
    return turned(reflected(face_xy), turned_deg)


def ligaments(discs: Sequence[Disc], *, factor: float) -> tuple[Ligament, ...]:
    """Return what is left between every two holes, the least share of the wanted first.

    Args:
        discs: All holes of the plate, the bore among them.
        factor: Wanted ligament over the larger hole of the two; never less than 6 mm is wanted.
            A bore counts for its wall, not its size: see ``wanted_ligament_mm``.
    """
    found = [
        Ligament(
            between=(one.id, other.id),
            left_mm=math.hypot(one.x_mm - other.x_mm, one.y_mm - other.y_mm)
            - (one.diameter_mm + other.diameter_mm) / 2,
            wanted_mm=float(wanted_ligament_mm(one.diameter_mm, other.diameter_mm, factor)),
        )
        for k, one in enumerate(discs)
        for other in discs[k + 1 :]
    ]
    return tuple(sorted(found, key=lambda ligament: ligament.share))


def wanted_ligament_mm(one_mm: float | Floats, other_mm: float | Floats, factor: float) -> Floats:
    """Return the ligament wanted between two holes: factor × the larger, at least 6 mm.

    Beside a bore over twice the other hole's size the other hole governs: a wall as thick as a
    register is wide is nobody's rule.
    """
    small, large = np.minimum(one_mm, other_mm), np.maximum(one_mm, other_mm)
    governing = np.where(large > 2 * small, small, large)
    return np.maximum(LEAST_LIGAMENT_MM, factor * governing)


def clocking(fixed: Sequence[Disc], moving_xy: Floats, moving_diameter_mm: float, *, factor: float) -> Clocking:
    """Return how the least ligament changes as the motor is turned through a whole turn.

    Args:
        fixed: The flange's holes as drawn.
        moving_xy: The motor's holes on the plate at 0°, (n, 2), mm.
        moving_diameter_mm: Of their hole or counterbore, the larger.
        factor: As for ``ligaments``.

    Returns:
        Shares every half degree, the windows where all are 1 or more, and the best angle.

    Raises:
        ImpossibleInput: If either pattern is empty.
    """
    if not fixed or not len(moving_xy):
        raise ImpossibleInput("holes", 0, "at least one on the flange and one on the motor")
    pattern = _Patterns(fixed, moving_xy, moving_diameter_mm, factor)
    angles = np.arange(0, 360, GRID_DEG)
    share = pattern.least_share(angles)
    best_deg, best_share = _best(pattern, angles, share)
    return Clocking(
        angle_deg=angles,
        share=share,
        closest=pattern.closest(angles),
        windows=_windows(pattern.least_share, angles, share),
        best_deg=best_deg % 360,
        best_share=best_share,
    )


class _Patterns:
    """Fixed holes and turning ones: how near the nearest pair comes at any angle."""

    def __init__(self, fixed: Sequence[Disc], moving_xy: Floats, moving_diameter_mm: float, factor: float) -> None:
        self._ids = [disc.id for disc in fixed]
        self._moving = moving_xy
        self._centres = np.array([[disc.x_mm, disc.y_mm] for disc in fixed])
        diameters = np.array([disc.diameter_mm for disc in fixed])
        self._wanted = wanted_ligament_mm(diameters, moving_diameter_mm, factor)
        self._clear = (diameters + moving_diameter_mm) / 2
        # Turning by a radian moves a hole along its circle, and so its gap by no more than the smaller radius.
        reach = np.minimum(np.hypot(*moving_xy.T)[:, None], np.hypot(*self._centres.T))
        self.slope_per_deg = float(np.radians((reach / self._wanted).max()))

    def _shares(self, angles_deg: Floats) -> Floats:
        angle = np.radians(angles_deg)[:, None]
        x = self._moving[:, 0] * np.cos(angle) - self._moving[:, 1] * np.sin(angle)
        y = self._moving[:, 0] * np.sin(angle) + self._moving[:, 1] * np.cos(angle)
        apart = np.hypot(x[..., None] - self._centres[:, 0], y[..., None] - self._centres[:, 1])
        shares: Floats = (apart - self._clear) / self._wanted
        return shares

    def least_share(self, angles_deg: Floats) -> Floats:
        """Return the least ligament over the wanted one at each angle."""
        least: Floats = self._shares(angles_deg).min(axis=(1, 2))
        return least

    def closest(self, angles_deg: Floats) -> tuple[tuple[str, int], ...]:
        """Return which two holes make it so: the fixed one's name, and the number of the turning one."""
        shares = self._shares(angles_deg).reshape(len(angles_deg), -1)
        moving, fixed = np.divmod(shares.argmin(axis=1), len(self._ids))
        return tuple((self._ids[k], m) for k, m in zip(fixed.tolist(), moving.tolist(), strict=True))


def _best(pattern: _Patterns, angles: Floats, share: Floats) -> tuple[float, float]:
    """The best angle of all and its share, to 1e-7: spans that could still hold a better one are halved.

    Over a span the share rises no faster than ``slope_per_deg``, so half the span past its better end bounds it.
    """
    start, span, at_start, at_end = angles, GRID_DEG, share, np.roll(share, -1)
    best_deg, best_share = float(angles[int(share.argmax())]), float(share.max())
    while span > SETTLED_DEG:
        able = (at_start + at_end + pattern.slope_per_deg * span) / 2 > best_share + SETTLED_SHARE
        start, at_start, at_end = start[able], at_start[able], at_end[able]
        if not start.size:
            break
        span /= 2
        middle = pattern.least_share(start + span)
        if middle.max() > best_share:
            best_deg, best_share = float(start[int(middle.argmax())] + span), float(middle.max())
        start = np.concatenate([start, start + span])
        at_start, at_end = np.concatenate([at_start, middle]), np.concatenate([middle, at_end])
    return best_deg, best_share


def _windows(share_at: Callable[[Floats], Floats], angles: Floats, share: Floats) -> tuple[Window, ...]:
    """Spans of the grid with enough, their ends sought between grid points; each end errs to the inside."""
    enough = share >= 1
    if enough.all():
        return (Window(0.0, 360.0),)
    if not enough.any():
        return ()
    starts = np.nonzero(enough & ~np.roll(enough, 1))[0]
    ends = np.nonzero(enough & ~np.roll(enough, -1))[0]
    if ends[0] < starts[0]:  # the first window began before 0°
        ends = np.roll(ends, -1)
    from_deg = _edges(share_at, angles[starts], -GRID_DEG)
    to_deg = _edges(share_at, angles[ends], GRID_DEG)
    return tuple(
        Window(start % 360, start % 360 + (end - start) % 360)
        for start, end in zip(from_deg.tolist(), to_deg.tolist(), strict=True)
    )


def _edges(share_at: Callable[[Floats], Floats], inside_deg: Floats, step_deg: float) -> Floats:
    """Where the share passes 1 within a step outward, all windows halved together to a 1/16000 of the step."""
    outside_deg = inside_deg + step_deg
    for _ in range(14):
        middle = (inside_deg + outside_deg) / 2
        is_enough = share_at(middle) >= 1
        inside_deg, outside_deg = np.where(is_enough, middle, inside_deg), np.where(is_enough, outside_deg, middle)
    return inside_deg


def hull_outline(centres: Floats, radius_mm: float) -> tuple[OutlineVertex, ...]:
    """Return the convex hull of holes, offset by an edge distance: straight sides joined by true arcs.

    Args:
        centres: (n, 2), mm; at least three that don't lie on one line.
        radius_mm: From a hole's centre to the edge; above 0.

    Returns:
        Anticlockwise vertices, a side and an arc in turn.

    Raises:
        ImpossibleInput: If the holes span no area.
    """
    hull = MultiPoint(centres).convex_hull
    if not isinstance(hull, Polygon) or not radius_mm > 0:
        raise ImpossibleInput("holes", len(centres), "at least three that do not lie on one line")
    corners = np.array(hull.exterior.coords)[:-1]
    if Polygon(corners).exterior.is_ccw is False:
        corners = corners[::-1]
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


def edge_distances_mm(discs: Sequence[Disc], outline_centres: Floats, radius_mm: float) -> tuple[float, ...]:
    """Return the distance from each hole's centre to the edge of the hull outline, mm."""
    hull = MultiPoint(outline_centres).convex_hull
    return tuple(radius_mm + float(hull.exterior.distance(Point(disc.x_mm, disc.y_mm))) for disc in discs)
