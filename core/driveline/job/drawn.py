"""The range of a margin with a kink: readings drawn all at once, each draw through the benches themselves."""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.stats.mstats import hdquantiles

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.job.moved import Margins, Steps, Work
from driveline.job.slopes import NO_MOVE, Move, Slopes
from driveline.reading.combined import EDGES, SEED, normals_of

FIRST: Final = 64  # of Sobol's, which fill the room evenly: of these every margin with a kink is looked at
DRAWS: Final = 256  # of a margin that its readings do not move each by itself
LEFT_OVER: Final = 0.2  # of its spread, that the readings by themselves do not make: more, and it takes all draws
FARTHEST: Final = 3.2  # spreads: beyond, what was seen of the draws says nothing
MANY: Final = 8192
Bent = tuple[Check, Slopes]


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """Within which bounds 95 % of the draws lie, and which share of all is below what is wanted."""

    least: float
    greatest: float
    fails_chance: float


@dataclass(frozen=True, kw_only=True)
class Drawn:
    """What the draws came to: the first few for every margin, the rest for those that need them."""

    columns: tuple[int, ...]  # which readings were drawn, by their place among the moves
    normals: Floats  # how many u each is off, (d, n)
    margins: tuple[Margins, ...]  # (d,)
    every: frozenset[str]  # checks that took all the draws

    def spread(self, check: Check, slopes: Slopes) -> Spread | None:
        """Return how a check's margin spreads; ``None`` where a draw left it without an answer.

        Args:
            check: With a kink.
            slopes: Of its margin.

        Source:
            GUM supplement 1. What the readings make by themselves is known of thousands of draws without a single
            evaluation; the draws tell how the margin goes with that (least squares) and what is left over. Where that
            is more than a fifth, quantiles of 256 draws alone, by Harrell and Davis (1982).
        """
        takes_every = check.key in self.every
        known = [one.get(check.key) for one in (self.margins if takes_every else self.margins[:FIRST])]
        if None in known:
            return None
        values = np.array(known, dtype=np.float64)
        if takes_every:
            least, greatest = np.asarray(hdquantiles(values, EDGES), dtype=np.float64).tolist()
        else:
            values = _of_many(values, _apart(self, slopes), slopes)
            least, greatest = np.quantile(values, EDGES).tolist()
        return Spread(least=least, greatest=greatest, fails_chance=float(np.mean(values < check.wanted_margin)))


def _apart(found: Drawn, slopes: Slopes) -> Floats:
    """What the readings make by themselves in the first draws."""
    return _of(slopes, list(found.columns)).apart(found.normals[:FIRST])


def _of(slopes: Slopes, which: Sequence[int] | NDArray[np.bool_]) -> Slopes:
    return Slopes(slopes.up[which], slopes.down[which])


def _along(apart: Floats) -> Floats:
    straight, curved = np.clip(apart, -FARTHEST, FARTHEST).T
    return np.column_stack([np.ones(len(apart)), straight, straight**2, curved])


def _fitted(values: Floats, apart: Floats) -> tuple[Floats, Floats]:
    """How the margin goes with what the readings make by themselves, and what is left over of each draw."""
    along = _along(apart)
    weights = np.asarray(np.linalg.lstsq(along, values, rcond=None)[0], dtype=np.float64)
    left: Floats = (values - along @ weights) * (len(values) / (len(values) - along.shape[1])) ** 0.5
    return weights, left


def _of_many(values: Floats, apart: Floats, slopes: Slopes) -> Floats:
    weights, left = _fitted(values, apart)
    own = _of(slopes, slopes.variances > 0)
    many = own.apart(normals_of(MANY, len(own.up)))
    found: Floats = _along(many) @ weights + np.random.default_rng(SEED).choice(left, MANY)
    return found


def draw(work: Work, bent: Sequence[Bent], moves: Sequence[Move]) -> Drawn:
    """Return what the margins with a kink come to with all their readings drawn at once.

    Args:
        work: Evaluates moves.
        bent: Those margins.
        moves: Each reading by itself.
    """
    columns = _columns(bent, len(moves))
    if not columns:
        return Drawn(columns=(), normals=np.zeros((0, 0)), margins=(), every=frozenset())
    normals = normals_of(DRAWS, len(columns))
    whole = range(len(columns))
    first = work([_steps(row, columns, whole, moves) for row in normals[:FIRST]], _benches(bent))
    found = Drawn(columns=columns, normals=normals, margins=tuple(first), every=frozenset())
    rest = [one for one in bent if _is_left_over(found, *one)]
    own = frozenset(_columns(rest, len(moves)))
    some = [k for k, column in enumerate(columns) if column in own]
    second = work([_steps(row, columns, some, moves) for row in normals[FIRST:]], _benches(rest)) if rest else []
    every = frozenset(check.key for check, _ in rest)
    return Drawn(columns=columns, normals=normals, margins=(*first, *second), every=every)


def _is_left_over(found: Drawn, check: Check, slopes: Slopes) -> bool:
    """Whether the readings by themselves say too little of how the margin spreads."""
    known = [one.get(check.key) for one in found.margins]
    if None in known:
        return False
    values = np.array(known, dtype=np.float64)
    left = _fitted(values, _apart(found, slopes))[1]
    return float(np.std(left)) > LEFT_OVER * float(np.std(values))


def _columns(bent: Sequence[Bent], count: int) -> tuple[int, ...]:
    """The readings that move any of these margins, what counts most first: Sobol's first ways are filled best."""
    greatest = np.zeros(count)
    for _, slopes in bent:
        greatest = np.maximum(greatest, slopes.variances / slopes.total**2)
    order = np.argsort(-greatest, kind="stable").tolist()
    return tuple(k for k in order if greatest[k] > NO_MOVE**2)


def _benches(bent: Sequence[Bent]) -> Collection[str]:
    return frozenset(check.bench for check, _ in bent)


def _steps(row: Floats, columns: Sequence[int], some: Iterable[int], moves: Sequence[Move]) -> Steps:
    places = [(k, moves[columns[k]].place) for k in some]
    return tuple((place.path, float(row[k]) * (place.reading.measured.u or 0.0)) for k, place in places)
