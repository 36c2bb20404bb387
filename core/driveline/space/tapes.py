"""Points in space from what was measured: coordinates where they were, tapes between points where they were not."""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.special import chdtri

from driveline.arrays import Floats

MOST_STEPS: Final = 80
SETTLED_MM: Final = 1e-7
SAME_MM: Final = 0.5  # two answers nearer than this are one
LOOSE: Final = 1e-9  # a direction whose readings count less than this of the best known one is free
CHECKED: Final = 1e-6  # redundancy above which a reading is checked by others
AS_WELL: Final = 10.0  # of Σ(v/u)²: an answer that fits so little worse can't be ruled out
ALIKE: Final = 0.999  # of the greatest |w|
GREATEST_W: Final = 3.29  # 0.1 % two-sided: Baarda's critical value
Coordinates = tuple[float | None, float | None, float | None]


@dataclass(frozen=True, slots=True, kw_only=True)
class Measured3:
    """A point's coordinates as measured, each with its u; ``None`` where it was not."""

    mm: Coordinates
    u_mm: tuple[float, float, float]
    near_mm: Coordinates = (None, None, None)  # roughly, where tapes leave two places


@dataclass(frozen=True, slots=True, kw_only=True)
class Tape:
    """A distance between two points."""

    key: str
    first: str
    second: str
    mm: float
    u_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class TapeFit:
    """How a reading sits among the others. ``w`` is ``None`` where nothing checks it."""

    key: str
    v_mm: float  # adjusted minus read
    u_mm: float
    w: float | None
    mistake_mm: float  # read minus what the others say: above 0 it reads long


@dataclass(frozen=True, slots=True, kw_only=True)
class Points3:
    """Points as their readings place them."""

    mm: Mapping[str, Floats]
    u_mm: Mapping[str, float]  # the greatest, any way
    loose: tuple[str, ...]  # not fixed by the readings
    two_places: tuple[str, ...]  # fixed but for which side they are on
    fits: tuple[TapeFit, ...]
    chi_square: float
    chi_square_limit: float | None  # None: nothing checks anything
    wrong: str | None  # the reading that does not fit
    wrong_by_mm: float
    settled: bool

    @property
    def worst_w(self) -> float:
        """The largest |w|; 0 where nothing checks anything."""
        return max((abs(fit.w) for fit in self.fits if fit.w is not None), default=0.0)


NOTHING: Final = Points3(
    mm={},
    u_mm={},
    loose=(),
    two_places=(),
    fits=(),
    chi_square=0.0,
    chi_square_limit=None,
    wrong=None,
    wrong_by_mm=0.0,
    settled=True,
)


@dataclass(frozen=True, slots=True)
class _System:
    """Readings and unknowns in order: three unknowns a point."""

    names: tuple[str, ...]
    direct: tuple[tuple[int, float, float], ...]  # unknown, value, u
    tapes: tuple[tuple[int, int, float, float], ...]  # point, point, value, u
    keys: tuple[str, ...]

    def weighted(self, at: Floats) -> tuple[Floats, Floats]:
        """Misfits over u, (n,), and their derivatives, (n, m)."""
        points = at.reshape(-1, 3)
        rows = len(self.direct) + len(self.tapes)
        misfit, slopes = np.zeros(rows), np.zeros((rows, at.size))
        for k, (column, value, u) in enumerate(self.direct):
            misfit[k], slopes[k, column] = (at[column] - value) / u, 1 / u
        for k, (one, other, value, u) in enumerate(self.tapes, start=len(self.direct)):
            between = points[other] - points[one]
            length = float(np.linalg.norm(between)) or 1e-9
            misfit[k] = (length - value) / u
            slopes[k, 3 * one : 3 * one + 3] = -between / length / u
            slopes[k, 3 * other : 3 * other + 3] = between / length / u
        return misfit, slopes


def solve_points(points: Mapping[str, Measured3], tapes: Sequence[Tape]) -> Points3:
    """Return where points are.

    Args:
        points: By name.
        tapes: Between them.

    Returns:
        Every point, those that the readings don't fix named, and the reading that does not fit, if one doesn't.

    Source:
        Least squares, Σ(v/u)² against χ² at 5 %, data snooping (Baarda, 1968) as for a flange.
    """
    system = _system(points, tapes)
    if not system.names:
        return NOTHING
    answers = [_adjusted(system, start) for start in _starts(points, tapes)]
    best = min(answers, key=lambda one: (not one[1], round(one[2], 6), _strays(one[0], points, system)))
    at, settled, cost = best
    cofactors, loose = _cofactors(system, at)
    two = _two_places(system, answers, best, points, loose)
    fits = _fits(system, at, cofactors)
    redundancy = len(system.direct) + len(system.tapes) - (at.size - _free(system, at))
    limit = float(chdtri(redundancy, 0.05)) if redundancy > 0 else None
    checked = [fit for fit in fits if fit.w is not None]
    worst = _worst(checked, {tape.key for tape in tapes})
    is_wrong = worst is not None and abs(worst.w or 0.0) > GREATEST_W and redundancy > 1
    u = {name: float(np.sqrt(max(np.diag(cofactors)[3 * k : 3 * k + 3]))) for k, name in enumerate(system.names)}
    return Points3(
        mm={name: at[3 * k : 3 * k + 3] for k, name in enumerate(system.names)},
        u_mm=u,
        loose=loose,
        two_places=two,
        fits=fits,
        chi_square=cost,
        chi_square_limit=limit,
        wrong=worst.key if is_wrong and worst else None,
        wrong_by_mm=worst.mistake_mm if is_wrong and worst else 0.0,
        settled=settled,
    )


def _worst(checked: Sequence[TapeFit], tapes: Collection[str]) -> TapeFit | None:
    """The reading that fits worst; a tape before the coordinate that it alone checks, whose mistake looks the same."""
    most = max((abs(fit.w or 0.0) for fit in checked), default=0.0)
    alike = [fit for fit in checked if abs(fit.w or 0.0) > ALIKE * most]
    return next((fit for fit in alike if fit.key in tapes), alike[0] if alike else None)


def _system(points: Mapping[str, Measured3], tapes: Sequence[Tape]) -> _System:
    names = tuple(points)
    order = {name: k for k, name in enumerate(names)}
    direct = [
        (3 * order[name] + axis, value, point.u_mm[axis], f"{name} {'xyz'[axis]}")
        for name, point in points.items()
        for axis, value in enumerate(point.mm)
        if value is not None
    ]
    between = [(order[t.first], order[t.second], t.mm, t.u_mm, t.key) for t in tapes if t.first != t.second]
    return _System(
        names=names,
        direct=tuple(one[:3] for one in direct),
        tapes=tuple(one[:4] for one in between),
        keys=(*(one[3] for one in direct), *(one[4] for one in between)),
    )


def _starts(points: Mapping[str, Measured3], tapes: Sequence[Tape]) -> list[Floats]:
    """First guesses: unknown coordinates as said roughly, else to either side of the points that are known."""
    known = [[v for v in axis if v is not None] for axis in zip(*(point.mm for point in points.values()), strict=True)]
    middle = [float(np.mean(axis)) if axis else 0.0 for axis in known]
    reach = max((tape.mm for tape in tapes), default=100.0)
    starts: dict[tuple[float, ...], Floats] = {}
    for signs in [(x, y, z) for x in (1, -1) for y in (1, -1) for z in (1, -1)]:
        guess = []
        for k, point in enumerate(points.values()):
            for axis in range(3):
                value, near = point.mm[axis], point.near_mm[axis]
                stray = reach * signs[axis] * (0.6 + 0.07 * (k % 5))
                guess.append(value if value is not None else near if near is not None else middle[axis] + stray)
        starts.setdefault(tuple(guess), np.array(guess))
    return list(starts.values())


def _adjusted(system: _System, start: Floats) -> tuple[Floats, bool, float]:
    """Levenberg and Marquardt's steps: where they end, whether at rest, and Σ(v/u)²."""
    at, damping = start, 1e-3
    misfit, slopes = system.weighted(at)
    cost = float(misfit @ misfit)
    for _ in range(MOST_STEPS):
        normal = slopes.T @ slopes
        scale = np.diag(np.maximum(np.diag(normal), 1e-9 * max(float(np.diag(normal).max()), 1e-12)))
        step = np.linalg.solve(normal + damping * scale, -slopes.T @ misfit)
        trial_misfit, trial_slopes = system.weighted(at + step)
        trial = float(trial_misfit @ trial_misfit)
        if trial <= cost * (1 + 1e-12):
            at, misfit, slopes, cost = at + step, trial_misfit, trial_slopes, trial
            damping = max(damping / 10, 1e-12)
            if float(np.abs(step).max()) < SETTLED_MM * 1000:
                return at, True, cost
        else:
            damping *= 10
            if damping > 1e12:
                return at, True, cost
    return at, False, cost


def _free(system: _System, at: Floats) -> int:
    slopes = system.weighted(at)[1]
    values = np.linalg.eigvalsh(slopes.T @ slopes)
    return int(np.count_nonzero(values < LOOSE * max(float(values.max()), 1e-12)))


def _cofactors(system: _System, at: Floats) -> tuple[Floats, tuple[str, ...]]:
    slopes = system.weighted(at)[1]
    values, vectors = np.linalg.eigh(slopes.T @ slopes)
    is_free = values < LOOSE * max(float(values.max()), 1e-12)
    held = vectors[:, ~is_free]
    cofactors: Floats = (held / values[~is_free]) @ held.T
    moved = np.abs(vectors[:, is_free]).sum(axis=1) > 1e-6
    loose = tuple(name for k, name in enumerate(system.names) if moved[3 * k : 3 * k + 3].any())
    return cofactors, loose


def _strays(at: Floats, points: Mapping[str, Measured3], system: _System) -> float:
    """How far an answer is from what was said roughly."""
    return sum(
        abs(float(at[3 * k + axis]) - near)
        for k, name in enumerate(system.names)
        for axis, near in enumerate(points[name].near_mm)
        if near is not None
    )


def _two_places(
    system: _System,
    answers: Sequence[tuple[Floats, bool, float]],
    best: tuple[Floats, bool, float],
    points: Mapping[str, Measured3],
    loose: tuple[str, ...],
) -> tuple[str, ...]:
    """Points that stand elsewhere in another answer that fits as well, and nothing said roughly tells them apart."""
    found = []
    alike = [one for one in answers if one[1] and one[2] <= best[2] + AS_WELL]
    for k, name in enumerate(system.names):
        if name in loose or any(near is not None for near in points[name].near_mm):
            continue
        places = [one[0][3 * k : 3 * k + 3] for one in alike]
        if any(float(np.linalg.norm(place - best[0][3 * k : 3 * k + 3])) > SAME_MM for place in places):
            found.append(name)
    return tuple(found)


def _fits(system: _System, at: Floats, cofactors: Floats) -> tuple[TapeFit, ...]:
    misfit, slopes = system.weighted(at)
    redundancy = 1 - np.einsum("ij,jk,ik->i", slopes, cofactors, slopes)
    sizes = [one[2] for one in system.direct] + [one[3] for one in system.tapes]
    return tuple(
        TapeFit(
            key=key,
            v_mm=float(misfit[k] * sizes[k]),
            u_mm=sizes[k],
            w=float(misfit[k] / math.sqrt(redundancy[k])) if redundancy[k] > CHECKED else None,
            mistake_mm=float(-misfit[k] * sizes[k] / redundancy[k]) if redundancy[k] > CHECKED else 0.0,
        )
        for k, key in enumerate(system.keys)
    )
