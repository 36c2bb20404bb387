"""How sure the margins are: every figure that carries a ± is moved by it, up and down, through the whole evaluation.

Readings are moved as typed, so what is worked out of several, such as the places of holes, moves as one.
"""

import copy
import math
from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.special import ndtr, ndtri
from scipy.stats import qmc

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.errors import ImpossibleInput, NotWantedAnyMore
from driveline.job.places import Place, places_in, with_reading
from driveline.job.registry import JobFileBase, Registry
from driveline.job.sureness_results import Narrower, Sureness, left_out_words, odds_words, range_words
from driveline.memory import Memory, key_of
from driveline.results import COVERAGE_95, assumed_in

DRAWS: Final = 256  # of Sobol's, which fill the room evenly: they find the range as some thousands at random do
FEW: Final = 3  # readings at once, whose room half as many draws fill
SEED: Final = 20
KINK: Final = 0.05  # the slopes up and down differ by more of the ±: it is drawn, not taken as straight
NO_MOVE: Final = 1e-9
NUDGE: Final = 0.01  # of a figure without a ±, to see what hangs on it
LEAST_SHARE: Final = 0.01
MOST_NARROWERS: Final = 3
Margins = Mapping[str, float | None]
_MOVED: Final = Memory(8)  # the next check of the same job asks for the same


@dataclass(frozen=True, slots=True)
class _Move:
    """All margins with one reading up by its u, and down."""

    place: Place
    up: Margins
    down: Margins


@dataclass(frozen=True, slots=True, kw_only=True)
class _Moved:
    """All margins with each figure moved: those with a ± by their u, those without by a little."""

    checks: tuple[Check, ...]  # those with a margin
    moves: tuple[_Move, ...]
    drawn: tuple[Margins, ...]  # with all at once that move a margin with a kink
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
) -> tuple[Sureness, ...]:
    """Return how sure the margins of some checks are, or of all.

    Args:
        registry: Of the benches; what it remembers is left alone.
        job: As it stands.
        keys: Of the checks; all of them when left out.
        is_wanted: Asked again and again; once it says no, the sum is given up.

    Returns:
        One for each of those checks that has a margin, worst first.

    Raises:
        ImpossibleInput: If a figure of the job can't be a real part's.
        NotWantedAnyMore: If it was given up.

    Source:
        GUM 5.1, u² = Σ (∂f/∂x u)² over the readings as taken, by central differences over ±u; what is worked out of
        several readings so keeps its correlation (GUM 5.2). Where a margin has a kink, 256 draws of all readings that
        move it at once, each through the whole evaluation, 2.5–97.5 % (GUM supplement 1).
    """
    apart = copy.copy(registry)
    apart.memory = Memory(40)  # what was worked out for the screen stays
    moved = _MOVED.remembered(key_of(job), lambda: _moved(_Mover(apart, job, is_wanted)))
    asked = [one for one in moved.checks if keys is None or one.key in keys]
    return tuple(_sureness(check, moved) for check in asked)


@dataclass(frozen=True, slots=True)
class _Mover:
    """A job whose readings are moved, as long as somebody wants to know."""

    registry: Registry
    job: JobFileBase
    is_wanted: Callable[[], bool]

    def margins(self, *steps: tuple[Place, float]) -> Margins:
        """The margins with readings moved; none of them where one can't be moved so far."""
        if not self.is_wanted():
            raise NotWantedAnyMore
        try:
            sheets: object = self.job.sheets
            for place, step in steps:
                sheets = with_reading(sheets, place.path, place.by(step))
            found = self.registry.own_checks(self.job.model_copy(update={"sheets": sheets}))
        except (ImpossibleInput, ValueError):
            return {}
        return {check.key: check.margin for check in found}


def _moved(mover: _Mover) -> _Moved:
    registry, job = mover.registry, mover.job
    found = registry.evaluate(job)
    checks = tuple(check for check in found.checks if check.margin is not None)
    places = tuple(places_in(job.sheets))
    moves = tuple(
        _Move(place, up=mover.margins((place, u)), down=mover.margins((place, -u)))
        for place in places
        if (u := place.reading.measured.u)
    )
    return _Moved(
        checks=checks,
        moves=moves,
        drawn=_drawn(mover, _bent_by(checks, moves)),
        exact=tuple(
            (place.what, mover.margins((place, NUDGE * (place.reading.measured.value or 1.0))))
            for place in places
            if place.reading.measured.u is None and not place.is_counted
        ),
        usual=tuple(one.field for bench in registry.benches for one in assumed_in(getattr(found, bench.key))),
    )


def _bent_by(checks: Sequence[Check], moves: Sequence[_Move]) -> tuple[Place, ...]:
    """The readings that move any margin with a kink, what counts most first: Sobol's first ways are filled best."""
    greatest = np.zeros(len(moves))
    for check in checks:
        slopes = _slopes(check, moves)
        if _lost_at(check, moves) is None and slopes.moves(check) and slopes.is_kinked:
            greatest = np.maximum(greatest, slopes.variances / slopes.total**2)
    order = np.argsort(-greatest, kind="stable").tolist()
    return tuple(moves[k].place for k in order if greatest[k] > NO_MOVE**2)


def _drawn(mover: _Mover, places: Sequence[Place]) -> tuple[Margins, ...]:
    if not places:
        return ()
    normals = ndtri(qmc.Sobol(len(places), seed=SEED).random(DRAWS // 2 if len(places) <= FEW else DRAWS))
    return tuple(
        mover.margins(*((place, z * (place.reading.measured.u or 0.0)) for place, z in zip(places, row, strict=True)))
        for row in normals.tolist()
    )


@dataclass(frozen=True, slots=True)
class _Slopes:
    """How far a margin goes with each reading up by its u, and down."""

    up: Floats
    down: Floats

    @property
    def variances(self) -> Floats:
        found: Floats = (self.up**2 + self.down**2) / 2
        return found

    @property
    def total(self) -> float:
        """The root of their sum."""
        return math.sqrt(np.sum(self.variances))

    def moves(self, check: Check) -> bool:
        return self.total > NO_MOVE * abs(check.margin or 0.0)

    @property
    def is_kinked(self) -> bool:
        return bool(np.any(np.abs(self.up + self.down) > KINK * self.total))


def _slopes(check: Check, moves: Sequence[_Move]) -> _Slopes:
    margin = check.margin or 0.0
    ups, downs = ([one.up.get(check.key) for one in moves], [one.down.get(check.key) for one in moves])
    up, down = (np.array([0.0 if now is None else now - margin for now in side]) for side in (ups, downs))
    return _Slopes(up, down)


def _lost_at(check: Check, moves: Sequence[_Move]) -> str | None:
    """What leaves a check without an answer when it moves by its ±."""
    for one in moves:
        if one.up.get(check.key) is None or one.down.get(check.key) is None:
            return f"Moved by its ±, {one.place.what} leaves no answer: no range can be given."
    return None


def _sureness(check: Check, moved: _Moved) -> Sureness:
    margin = check.margin or 0.0
    exact = moved.exact_for(check)
    left_out = left_out_words(exact, moved.goes_by_usual(check))
    bare = Sureness(check=check.key, margin=margin, taken_as_exact=exact)
    slopes = _slopes(check, moved.moves)
    lost = _lost_at(check, moved.moves)
    if lost is None and not slopes.moves(check):
        lost = "Nothing that moves it carries a ±, so how sure it is can't be said."
    drawn: list[float | None] = []
    if lost is None and slopes.is_kinked:
        drawn = [one.get(check.key) for one in moved.drawn]
        if None in drawn:
            lost = "Readings within their ± leave no answer: no range can be given."
    if lost is not None:
        return bare.model_copy(update={"says": (lost, *left_out)})
    if drawn:
        values = np.array(drawn, dtype=float)
        least, greatest = np.percentile(values, (2.5, 97.5)).tolist()
        chance = float(np.mean(values < check.wanted_margin))
    else:
        u = float(np.sum(((slopes.up - slopes.down) / 2) ** 2)) ** 0.5
        least, greatest = margin - COVERAGE_95 * u, margin + COVERAGE_95 * u
        chance = float(ndtr((check.wanted_margin - margin) / u))
    sure = Sureness(
        check=check.key,
        margin=margin,
        least=least,
        greatest=greatest,
        fails_chance=chance,
        odds=odds_words(chance) if least < check.wanted_margin <= greatest else "",
        narrowers=_narrowers(moved.moves, slopes.variances / slopes.total**2, (greatest - least) / 2),
        taken_as_exact=exact,
    )
    return sure.model_copy(update={"says": (*range_words(sure, check.wanted_margin), *left_out)})


def _narrowers(moves: Sequence[_Move], shares: Floats, plus_minus: float) -> tuple[Narrower, ...]:
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
