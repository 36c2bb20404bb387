"""How sure the margins are: every figure that carries a ± is moved by it, up and down, through the whole evaluation.

Readings are moved as typed, so what is worked out of several, such as the places of holes, moves as one.
"""

import math
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.special import ndtr

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.job.drawn import Drawn, Spread, draw
from driveline.job.moved import Margins, Mover, Steps, Work
from driveline.job.places import places_in
from driveline.job.registry import JobFileBase, Registry
from driveline.job.slopes import NO_MOVE, Move, Slopes, lost_at, slopes_of
from driveline.job.sureness_results import Narrower, Sureness, left_out_words, odds_words, range_words
from driveline.memory import Aside, Memory, told
from driveline.reading.combined import combined
from driveline.results import COVERAGE_95, assumed_in

NUDGE: Final = 0.01  # of a figure without a ±, to see what hangs on it
_MOVED: Final = Memory(8)  # the next check of the same job asks for the same
LEAST_SHARE: Final = 0.01
MOST_NARROWERS: Final = 3


@dataclass(frozen=True, slots=True, kw_only=True)
class _Moved:
    """All margins with each figure moved: those with a ± by their u, those without by a little."""

    checks: tuple[Check, ...]  # those with a margin
    moves: tuple[Move, ...]
    drawn: Drawn  # with all at once that move a margin with a kink
    exact: tuple[tuple[str, Margins], ...]
    usual: tuple[str, ...]  # fields that go by a usual value

    def exact_for(self, check: Check) -> tuple[str, ...]:
        """What moves this check's margin and carries no ±, what counts most first."""
        margin = check.margin or 0.0

        def effect(margins: Margins) -> float:
            now = margins.get(check.key)
            return math.inf if now is None else abs(now - margin)

        effects = [(effect(margins), what) for what, margins in self.exact]
        return tuple(what for moves, what in sorted(effects, reverse=True) if moves > NO_MOVE * abs(margin))

    def goes_by_usual(self, check: Check) -> bool:
        return any(f"{field}.".startswith(f"{one}.") for field in self.usual for one in check.inputs)


def solve_sureness(
    registry: Registry,
    job: JobFileBase,
    keys: Collection[str] | None = None,
    *,
    is_wanted: Callable[[], bool] = lambda: True,
    work: Work | None = None,
) -> tuple[Sureness, ...]:
    """Return how sure the margins of some checks are, or of all.

    Args:
        registry: Of the benches; what it remembers is left alone.
        job: As it stands.
        keys: Of the checks; all of them when left out.
        is_wanted: Asked again and again; once it says no, the sum is given up.
        work: Who evaluates the job with readings moved, where it is not to be done here.

    Returns:
        One for each of those checks that has a margin, worst first.

    Raises:
        ImpossibleInput: If a figure of the job can't be a real part's.
        NotWantedAnyMore: If it was given up.

    Source:
        GUM 5.1, u² = Σ (∂f/∂x u)² over the readings as taken, by central differences over ±u; what is worked out of
        several readings so keeps its correlation (GUM 5.2). Where a margin has a kink, by draws of all readings that
        move it at once, 2.5–97.5 % (GUM supplement 1).
    """
    own = work or Mover.apart(registry, job, is_wanted).many
    moved = _MOVED.of(_moved, Aside(registry), told(job), told(registry.leans_on(job)), Aside(own))
    asked = [one for one in moved.checks if keys is None or one.key in keys]
    return tuple(_sureness(check, moved) for check in asked)


def _moved(registry: Registry, job: JobFileBase, _leans_on: object, work: Work) -> _Moved:
    found = registry.evaluate(job)
    checks = tuple(check for check in found.checks if check.margin is not None)
    places = tuple(places_in(job.sheets))
    unsure = [(place, u) for place in places if (u := place.reading.measured.u)]
    exact = [place for place in places if place.reading.measured.u is None and not place.is_counted]
    steps: list[Steps] = [((place.path, side * u),) for place, u in unsure for side in (1.0, -1.0)]
    steps += [((place.path, NUDGE * (place.reading.measured.value or 1.0)),) for place in exact]
    margins = work(steps, None)
    pairs, nudged = margins[: 2 * len(unsure)], margins[2 * len(unsure) :]
    moves = tuple(Move(place, pairs[2 * k], pairs[2 * k + 1]) for k, (place, _) in enumerate(unsure))
    return _Moved(
        checks=checks,
        moves=moves,
        drawn=draw(work, _bent(checks, moves), moves),
        exact=tuple((place.what, one) for place, one in zip(exact, nudged, strict=True)),
        usual=tuple(one.field for bench in registry.benches for one in assumed_in(getattr(found, bench.key))),
    )


def _bent(checks: Sequence[Check], moves: Sequence[Move]) -> list[tuple[Check, Slopes]]:
    """The checks whose margin has a kink."""
    ranged = [check for check in checks if not _is_of_readings(check) and lost_at(check, moves) is None]
    every = [(check, slopes_of(check, moves)) for check in ranged]
    return [(check, slopes) for check, slopes in every if slopes.moves(check) and slopes.is_kinked]


def _is_of_readings(check: Check) -> bool:
    """Whether it asks how well the readings agree: a test of what was read has no ± of its own."""
    return check.wanted_kind == "readings_agree"


def _sureness(check: Check, moved: _Moved) -> Sureness:
    if _is_of_readings(check):
        says = "It judges the readings as they were taken, each by its own ±: there is no range to give."
        return Sureness(check=check.key, margin=check.margin or 0.0, says=(says,))
    exact = moved.exact_for(check)
    left_out = left_out_words(exact, moved.goes_by_usual(check))
    bare = Sureness(check=check.key, margin=check.margin or 0.0, taken_as_exact=exact)
    slopes = slopes_of(check, moved.moves)
    lost = lost_at(check, moved.moves)
    if lost is None and not slopes.moves(check):
        lost = "Nothing that moves it carries a ±, so how sure it is can't be said."
    spread: Spread | None = None
    if lost is None:
        spread = moved.drawn.spread(check, slopes) if slopes.is_kinked else _straight(check, slopes)
        if spread is None:
            lost = "Readings within their ± leave no answer: no range can be given."
    if spread is None:
        return bare.model_copy(update={"says": (lost, *left_out)})
    least, greatest, chance = spread.least, spread.greatest, spread.fails_chance
    sure = bare.model_copy(
        update={
            "least": least,
            "greatest": greatest,
            "fails_chance": chance,
            "odds": odds_words(chance) if least < check.wanted_margin <= greatest else "",
            "narrowers": _narrowers(moved.moves, slopes.variances / slopes.total**2, (greatest - least) / 2),
        }
    )
    return sure.model_copy(update={"says": (*range_words(sure, check.wanted_margin), *left_out)})


def _straight(check: Check, slopes: Slopes) -> Spread:
    margin = check.margin or 0.0
    u = combined((slopes.up - slopes.down) / 2, np.eye(len(slopes.up))).u  # moved by their own u, as they were taken
    return Spread(
        least=margin - COVERAGE_95 * u,
        greatest=margin + COVERAGE_95 * u,
        fails_chance=float(ndtr((check.wanted_margin - margin) / u)),
    )


def _narrowers(moves: Sequence[Move], shares: Floats, plus_minus: float) -> tuple[Narrower, ...]:
    return tuple(
        Narrower(
            what=moves[k].place.what,
            field=moves[k].place.field,
            share=float(shares[k]),
            left_plus_minus=plus_minus * float(max(1 - shares[k], 0.0)) ** 0.5,
        )
        for k in np.argsort(-shares, kind="stable")[:MOST_NARROWERS].tolist()
        if shares[k] > LEAST_SHARE
    )
