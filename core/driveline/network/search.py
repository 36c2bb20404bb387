"""The shape that distances alone decide: many beginnings, of which the best that runs as numbered is kept."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.sparse.csgraph import shortest_path

from driveline.arrays import Floats
from driveline.network.adjust import Adjustment, Descent, adjusted, descended
from driveline.network.align import laid_over
from driveline.network.equations import Equations
from driveline.network.observations import CENTRE, Turning
from driveline.network.start import centre_distances, start_unknowns, unknowns_at

LEAST_POINTS: Final = 3  # fewer have one shape
MOST_POINTS: Final = 20  # of which every beginning is tried: a flange of more is traced or scanned
RANDOM_STARTS: Final = 24
SEED: Final = 20_26
AS_GOOD: Final = 6.0  # of Σ(v/u)²: a shape that fits no worse than that beside the best can't be told from it
FAR_BETTER: Final = 4 * AS_GOOD
SAME: Final = 1e-3  # of Σ(v/u)²
AT_BORE_MM: Final = 1e-3
METAL_MM: Final = 1.0  # that a reading of either edge may be out by
APART_MM: Final = 0.5  # two shapes that differ less are one
MISFIT: Final = 9.0  # Σ(v/u)² a reading, at the most, of a shape that fits at all


@dataclass(frozen=True, slots=True, kw_only=True)
class Rival:
    """Another shape that fits as well, and the distance that would tell them apart best."""

    pair: tuple[str, str]
    this_mm: float
    other_mm: float


def best_adjustment(equations: Equations) -> tuple[Adjustment, Rival | None]:
    """Return the adjustment of the best shape that runs as numbered, and one that can't be told from it.

    Readings in a frame say where each hole is, so one beginning does; of distances alone many are tried.

    Args:
        equations: Of the network.

    Source:
        Classical scaling (Torgerson, 1952) of distances completed by shortest ways; rings about shaft and bore; random
        rings in the order of the numbers; least squares from each.
    """
    first = descended(equations, start_unknowns(equations))
    pointed = {frame for frame, _ in equations.network.pointed}  # of sweeps: they place the shaft, and no hole
    many = len(_read_points(equations))
    is_open = int(equations.columns.is_pair.sum()) < 2 * many - 3  # of shapes without number any is as good
    if is_open or not LEAST_POINTS <= many <= MOST_POINTS or not set(equations.frames) <= pointed:
        return adjusted(equations, first), None
    found = [first, *(descended(equations, start) for start in _starts(equations))]
    found += [descended(equations, _mirrored(equations, one.unknowns)) for one in found if _is_mirror(equations, one)]
    found += [descended(equations, start) for start in _folded_over(equations, _best(equations, found).unknowns)]
    best = _best(equations, found)
    if first.converged and _is_in_order(equations, first.unknowns) and first.cost < best.cost + SAME:
        best = first
    return adjusted(equations, best), _rival(equations, best, found)


def _best(equations: Equations, found: list[Descent]) -> Descent:
    """The best fit that runs as numbered, unless one that does not fits far better: then the numbers are wrong."""
    fits = [one for one in found if _fits(equations, one)] or found
    best = min(fits, key=lambda one: one.cost)
    in_order = [one for one in fits if _is_in_order(equations, one.unknowns) and one.cost <= best.cost + FAR_BETTER]
    return min(in_order, key=lambda one: one.cost, default=best)


def _folded_over(equations: Equations, unknowns: Floats) -> Iterator[Floats]:
    """A shape with each hole laid over to the other side of the line through its neighbours."""
    xy = equations.coordinates_mm(unknowns)
    holes = [equations.index[one.id] for one in equations.network.holes if not one.is_bore]
    for k, hole in enumerate(holes):
        before, after = xy[holes[k - 1]], xy[holes[(k + 1) % len(holes)]]
        along = (after - before) / max(float(np.hypot(*(after - before))), 1e-9)
        arm = xy[hole] - before
        folded = xy.copy()
        folded[hole] = before + 2 * along * float(along @ arm) - arm
        yield unknowns_at(equations, folded)


def _fits(equations: Equations, one: Descent) -> bool:
    is_near = one.converged and one.cost < MISFIT * max(len(equations.readings), 1)
    return is_near and _is_possible(equations, one.unknowns)


def _is_possible(equations: Equations, unknowns: Floats) -> bool:
    """Whether no two holes run into one another, nor into a bore."""
    holes = [equations.index[one.id] for one in equations.network.holes]
    xy, d = equations.coordinates_mm(unknowns)[holes], equations.exact_diameter_mm[holes]
    i, j = np.triu_indices(len(holes), 1)
    is_bore = np.array([one.is_bore for one in equations.network.holes])
    asked = ~(is_bore[i] & is_bore[j])  # bores stand about one another
    apart = np.hypot(*(xy[i] - xy[j]).T) - (d[i] + d[j]) / 2
    return bool((apart[asked] > -METAL_MM).all())


def _starts(equations: Equations) -> Iterator[Floats]:
    apart = centre_distances(equations)
    yield from _scaled(equations, apart)
    even = np.random.default_rng(SEED)
    for hub in (CENTRE, *(one.id for one in equations.network.holes if one.is_bore)):
        yield _ring(equations, apart, hub, even, spread=0.0)
    draws = np.random.default_rng(SEED)
    for _ in range(RANDOM_STARTS):
        yield _ring(equations, apart, _hub(equations), draws, spread=1.0)


def _usual_mm(apart: dict[frozenset[str], float], equations: Equations) -> float:
    """How far a hole is from the shaft where nobody measured it: of a ring that is measured across."""
    return 0.55 * max(apart.values(), default=equations.size_mm)


def _scaled(equations: Equations, apart: dict[frozenset[str], float]) -> Iterator[Floats]:
    """Distances not read stand as the shortest way over those that were; both hands of the picture."""
    count = len(equations.points)
    known = np.zeros((count, count))
    for ends, mm in apart.items():
        i, j = (equations.index[end] for end in ends)
        known[i, j] = known[j, i] = max(mm, 1.0)
    if not known[0].any():  # nothing is read to the shaft: it stands at the bore, or among the holes
        hub = equations.index[_hub(equations)]
        near = [hub] if hub else list(range(1, count))
        known[0, near] = known[near, 0] = AT_BORE_MM if hub else _usual_mm(apart, equations)
    way = shortest_path(known, directed=False)
    if not np.isfinite(way).all():
        return
    middle = np.eye(count) - 1 / count
    values, vectors = np.linalg.eigh(-middle @ way**2 @ middle / 2)
    xy = vectors[:, -2:] * np.sqrt(np.maximum(values[-2:], 0.0))
    yield unknowns_at(equations, xy)
    yield unknowns_at(equations, xy * np.array([1.0, -1.0]))


def _ring(
    equations: Equations, apart: dict[frozenset[str], float], hub: str, draws: np.random.Generator, *, spread: float
) -> Floats:
    """Holes in order about a hub, at their distances from it where these are known."""
    holes = [one.id for one in equations.network.holes if not one.is_bore]
    known = [mm for hole in holes if (mm := apart.get(frozenset((hub, hole))))]
    usual = float(np.mean(known)) if known else _usual_mm(apart, equations)
    gaps = 1 + spread * draws.uniform(-0.8, 1.2, len(holes))
    turns = np.cumsum(gaps) / gaps.sum() * 2 * np.pi
    radii = np.array(
        [apart.get(frozenset((hub, hole))) or usual * (1 + spread * draws.uniform(-0.4, 0.4)) for hole in holes]
    )
    sign = 1.0 if equations.network.numbered is Turning.ANTICLOCKWISE else -1.0
    xy = np.zeros((len(equations.points), 2))
    xy[[equations.index[hole] for hole in holes]] = np.column_stack(
        [radii * np.cos(turns), sign * radii * np.sin(turns)]
    )
    return unknowns_at(equations, xy)


def _hub(equations: Equations) -> str:
    """About what the numbers run: the shaft where it was measured, else a bore, else the shaft's guess."""
    columns = equations.columns
    is_read = bool(np.any(columns.is_pair & ((columns.a == 0) | (columns.b == 0) & columns.has_b)))
    bores = [one.id for one in equations.network.holes if one.is_bore]
    return CENTRE if is_read or not bores else bores[0]


def _turns(equations: Equations, unknowns: Floats) -> Floats:
    """The turn from each hole to the next about the hub, in the sense of the numbers, (holes,)."""
    xy = equations.coordinates_mm(unknowns)
    numbered = [equations.index[one.id] for one in equations.network.holes if not one.is_bore]
    hub = _hub(equations)
    middle = xy[numbered].mean(axis=0) if hub == CENTRE and not _is_hub_read(equations) else xy[equations.index[hub]]
    about = xy[numbered] - middle
    after = np.roll(about, -1, axis=0)
    turns = np.arctan2(about[:, 0] * after[:, 1] - about[:, 1] * after[:, 0], (about * after).sum(axis=1))
    return np.asarray(turns if equations.network.numbered is Turning.ANTICLOCKWISE else -turns)


def _is_hub_read(equations: Equations) -> bool:
    columns = equations.columns
    return bool(np.any(columns.is_pair & ((columns.a == 0) | (columns.b == 0))))


def _is_in_order(equations: Equations, unknowns: Floats) -> bool:
    turns = _turns(equations, unknowns)
    return bool((turns > 0).all() and abs(turns.sum() - 2 * np.pi) < 1)


def _is_mirror(equations: Equations, one: Descent) -> bool:
    return bool(_turns(equations, one.unknowns).sum() < 0)


def _mirrored(equations: Equations, unknowns: Floats) -> Floats:
    return unknowns_at(equations, equations.coordinates_mm(unknowns) * np.array([1.0, -1.0]))


def _rival(equations: Equations, best: Descent, found: list[Descent]) -> Rival | None:
    """The shape that differs and fits as well; where the numbering tells them apart it is none."""
    at = _read_points(equations)
    xy = equations.coordinates_mm(best.unknowns)[at]
    for one in found:
        if not _fits(equations, one) or one.cost > best.cost + AS_GOOD or not _is_in_order(equations, one.unknowns):
            continue
        other = equations.coordinates_mm(one.unknowns)[at]
        if np.abs(laid_over(other, xy).placed(other) - xy).max() < APART_MM:
            continue
        this, that = (np.linalg.norm(each[:, None] - each[None], axis=2) for each in (xy, other))
        i, j = np.unravel_index(int(np.abs(this - that).argmax()), this.shape)
        names = [equations.points[k] for k in at]
        return Rival(pair=(names[int(i)], names[int(j)]), this_mm=float(this[i, j]), other_mm=float(that[i, j]))
    return None


def _read_points(equations: Equations) -> list[int]:
    """Points that a reading goes to: the shaft's guess is no part of the shape."""
    columns = equations.columns
    read = set(columns.a[columns.is_pair].tolist()) | set(columns.b[columns.is_pair & columns.has_b].tolist())
    return sorted(read)
