"""Where to begin: coordinates good enough for least squares to find the right shape, not a folded one."""

import numpy as np

from driveline.arrays import Floats
from driveline.network.align import laid_over
from driveline.network.equations import Equations
from driveline.network.observations import CENTRE, Kind, Turning


def start_unknowns(equations: Equations) -> Floats:
    """Return a first guess: holes in numbering order about the shaft, or a frame's own coordinates where it has them.

    The guess carries the handedness: distances alone fit the mirror image as well.
    """
    unknowns = np.zeros(equations.count)
    xy = _ring_mm(equations)
    for k, frame in enumerate(equations.frames):
        framed = _framed_mm(equations, frame)
        both = [point for point, (x, y) in framed.items() if x is not None and y is not None]
        if k == 0 and len(both) >= 2:
            xy = _carried_onto(xy, {equations.index[point]: framed[point] for point in both})
        _place_frame(equations, unknowns, k, framed, xy)
    return _with_points(equations, unknowns, xy)


def unknowns_at(equations: Equations, xy_mm: Floats) -> Floats:
    """Return a first guess with points at places, and frames laid over them, (m,).

    Args:
        equations: Of the network.
        xy_mm: Of each point, (points, 2).

    Source:
        Frames by least squares over the points that have both coordinates in them.
    """
    unknowns = np.zeros(equations.count)
    for k, frame in enumerate(equations.frames):
        _place_frame(equations, unknowns, k, _framed_mm(equations, frame), xy_mm)
    return _with_points(equations, unknowns, xy_mm)


def _with_points(equations: Equations, unknowns: Floats, xy: Floats) -> Floats:
    unknowns[: xy.size] = xy.ravel()
    free = equations.diameter_column >= 0
    unknowns[equations.diameter_column[free]] = np.maximum(equations.exact_diameter_mm[free], 1.0)
    return unknowns


def centre_distances(equations: Equations) -> dict[frozenset[str], float]:
    """Return what is between the centres of each two points that were read, by their last reading."""
    columns, points = equations.columns, equations.points
    last = np.nonzero(columns.is_pair)[0][::-1]
    _, kept = np.unique(columns.near[last] * len(points) + columns.far[last], return_index=True)
    rows = last[kept]
    a, b, d = columns.a[rows], columns.b[rows], equations.exact_diameter_mm
    apart_mm = equations.value_mm[rows] - columns.sign[rows] * (d[a] + d[b]) / 2
    ends = zip(a.tolist(), b.tolist(), apart_mm.tolist(), strict=True)
    return {frozenset((points[one], points[other])): mm for one, other, mm in ends}


def _ring_mm(equations: Equations) -> Floats:
    """Holes about the shaft in numbering order, turned on by the cosine rule where radii and a side are known."""
    holes = [hole.id for hole in equations.network.holes if not hole.is_bore]
    distances = centre_distances(equations)
    radii = [distances.get(frozenset((CENTRE, hole))) for hole in holes]
    known = [radius for radius in radii if radius]
    usual_mm = float(np.mean(known)) if known else 0.55 * max(distances.values(), default=2 * equations.size_mm)
    radius_mm = [radius or usual_mm for radius in radii]
    steps: list[float | None] = []
    for k, hole in enumerate(holes):
        after = (k + 1) % len(holes)
        side = distances.get(frozenset((hole, holes[after])))
        steps.append(None if side is None else _apex_rad(radius_mm[k], radius_mm[after], side))
    missing = sum(step is None for step in steps)
    spare = (2 * np.pi - sum(step or 0.0 for step in steps)) / missing if missing else 0.0
    turns = [max(spare, 0.05) if step is None else step for step in steps]
    sign = 1.0 if equations.network.numbered is Turning.ANTICLOCKWISE else -1.0
    angles = sign * np.concatenate([[0.0], np.cumsum(turns[:-1])]) if holes else np.zeros(0)
    ring = np.column_stack([radius_mm * np.cos(angles), radius_mm * np.sin(angles)]) if holes else np.zeros((0, 2))
    xy = np.zeros((len(equations.points), 2))  # bores begin at the shaft, where they belong
    xy[[equations.index[hole] for hole in holes]] = ring
    return xy


def _apex_rad(one_mm: float, other_mm: float, side_mm: float) -> float:
    cosine = (one_mm**2 + other_mm**2 - side_mm**2) / (2 * one_mm * other_mm)
    return float(np.arccos(np.clip(cosine, -1, 1)))


def _framed_mm(equations: Equations, frame: str) -> dict[str, tuple[float | None, float | None]]:
    framed: dict[str, tuple[float | None, float | None]] = {}
    in_frame = np.nonzero(equations.columns.frame == equations.frames.index(frame))[0]
    for reading in (equations.readings[k] for k in in_frame.tolist()):
        if reading.kind in (Kind.X, Kind.Y):
            radius_mm = equations.exact_diameter_mm[equations.index[reading.a]] / 2
            value = reading.value_mm - reading.edge * radius_mm
            x, y = framed.get(reading.a, (None, None))
            framed[reading.a] = (value, y) if reading.kind is Kind.X else (x, value)
    return framed


def _carried_onto(xy: Floats, wanted: dict[int, tuple[float | None, float | None]]) -> Floats:
    """Return the ring laid on the framed points, which then replace their guesses."""
    rows = np.array(list(wanted))
    target = np.array(list(wanted.values()), dtype=float)
    laid = laid_over(xy[rows], target).placed(xy)
    laid[rows] = target
    return laid


def _place_frame(
    equations: Equations, unknowns: Floats, k: int, framed: dict[str, tuple[float | None, float | None]], xy: Floats
) -> None:
    """Lay the frame over the guess by the points that have both coordinates, and its shift by every one."""
    both = {equations.index[p]: (x, y) for p, (x, y) in framed.items() if x is not None and y is not None}
    turn = np.eye(2)
    pointed = dict(equations.network.pointed).get(equations.frames[k])
    if pointed is not None:
        # Its other points lie too near to one another to tell which way it is turned.
        arm = xy[equations.index[pointed]] - xy[equations.index[CENTRE]]
        cos, sin = arm / max(float(np.hypot(*arm)), 1e-9)
        turn = np.array([[cos, sin], [-sin, cos]])
    elif len(both) >= 2:
        turn = laid_over(xy[np.array(list(both))], np.array(list(both.values()), dtype=float)).turn
    column = equations.frame_column[k]
    unknowns[column + 2] = -np.arctan2(turn[1, 0], turn[0, 0]) * equations.size_mm
    for axis in (0, 1):
        shifts = [
            value[axis] - (turn @ xy[equations.index[point]])[axis]
            for point, value in framed.items()
            if value[axis] is not None
        ]
        unknowns[column + axis] = float(np.mean(shifts)) if shifts else 0.0
