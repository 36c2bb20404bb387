"""The Line: speed, torque and tightest margin at every station of every bench, over road speed, for each case."""

from collections.abc import Mapping, Sequence
from typing import Any, Final, TypeVar

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel

from driveline.arrays import Floats
from driveline.checks import TIGHT_SHARE, Check, Result, Verdict
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.stations import Drive, DrivingCase, LineStation, Station, Tick
from driveline.memory import key_of
from driveline.results import rounded, rounded_array

P = TypeVar("P", bound=BaseModel)
Judged = tuple[Verdict, float | None]

GREATEST_MARGIN_SHOWN: Final = 99.0
LETTERS: Final = {Verdict.HOLDS: "h", Verdict.TIGHT: "t", Verdict.FAILS: "f", Verdict.NOT_KNOWN: "?"}
OUT_OF_REACH: Final = "-"
NOT_ASKED: Final = "."


class CaseMotion(Result):
    """What one case of driving makes of every station: a figure per road speed."""

    torque_nm: list[list[float | None]]
    road_n: list[float | None]


class CaseJudged(Result):
    """Tightest margins of one case of driving; per station a figure per road speed."""

    key: str
    title: str
    about: str
    margin: list[list[float | None]]
    # A letter a road speed: h, t, f; ? while a limit or torque is not known, - out of reach, . where none is asked.
    verdict: list[str]


class Case(CaseJudged, CaseMotion):
    """Torques and tightest margins of one case of driving."""


class Motion(Result):
    """How the Line turns and what it bears: most of what there is to say of it, and seldom what a change is about."""

    speed_kmh: list[float]
    rpm: tuple[list[float] | None, ...]  # None of a station that does not turn
    cases: tuple[CaseMotion, ...]


class LineJudged(Result):
    """The Line without its motion."""

    candidate: str
    is_chosen: bool
    stations: tuple[Station, ...]
    cases: tuple[CaseJudged, ...]
    ticks: tuple[Tick, ...]
    top_kmh: float
    top_set_by: str


class Line(Result):
    """The driveline over road speed. The trunk's stations come first, then each branch from its split to its wheels."""

    candidate: str
    is_chosen: bool
    speed_kmh: list[float]
    rpm: tuple[list[float] | None, ...]
    stations: tuple[Station, ...]
    cases: tuple[Case, ...]
    ticks: tuple[Tick, ...]
    top_kmh: float
    top_set_by: str

    def motion(self) -> Motion:
        """Return how it turns and what it bears."""
        return _part_of(self, Motion, cases=tuple(_part_of(case, CaseMotion) for case in self.cases))

    def judged(self) -> LineJudged:
        """Return all else."""
        return _part_of(self, LineJudged, cases=tuple(_part_of(case, CaseJudged) for case in self.cases))


def _part_of(whole: Result, part: type[P], **other: object) -> P:
    """Some of a result's fields, which were looked at when it was made."""
    fields: dict[str, Any] = {name: getattr(whole, name) for name in part.model_fields} | other
    return part.model_construct(**fields)


def motion_key(drive: Drive | None, stations: Sequence[LineStation]) -> str:
    """Return a hash of what the motion of a Line is worked out from."""
    if drive is None:
        return key_of("none")
    turns = [
        (one.station.key, one.before, one.motor, one.rpm_per_ms, one.driving, one.overrun, one.radius_m)
        for one in stations
    ]
    return key_of((drive.speed_kmh, drive.cases, turns))


def solve_line(
    drive: Drive,
    stations: Sequence[LineStation],
    worst: Mapping[str, Judged | None],
    ticks: Sequence[Tick] = (),
) -> Line:
    """Return the Line of all benches.

    Args:
        drive: What moves it.
        stations: In order of the benches; one that stands ahead of another's is put there.
        worst: Of each bench's checks, by its key, for stations that are judged by them; ``None`` where it has none.
        ticks: Of the benches, beside those of what moves it.
    """
    places = _in_order(stations)
    rows = _Rows(drive, places, worst)
    return Line(
        candidate=drive.candidate,
        is_chosen=drive.is_chosen,
        speed_kmh=rounded(drive.speed_kmh),
        rpm=tuple(
            None if place.rpm_per_ms is None else row
            for place, row in zip(places, rounded_array(rows.rpm, 4).tolist(), strict=True)
        ),
        stations=tuple(place.station for place in places),
        cases=rows.cases(drive.cases),
        ticks=tuple(sorted((*drive.ticks, *ticks), key=lambda tick: tick.kmh)),
        top_kmh=drive.top_kmh,
        top_set_by=drive.top_set_by,
    )


def _in_order(stations: Sequence[LineStation]) -> list[LineStation]:
    """Stations of later benches ahead of those that they name; left out where there is none of that name."""
    found = [one for one in stations if one.before is None]
    for one in stations:
        at = next((k for k, other in enumerate(found) if other.station.key == one.before), None)
        if at is not None:
            found.insert(at, one)
    return found


class _Rows:
    """The Line's tables: a row a station, a column a road speed."""

    def __init__(self, drive: Drive, places: Sequence[LineStation], worst: Mapping[str, Judged | None]) -> None:
        self._places = places
        speed_ms = drive.speed_kmh / KMH_PER_MS
        self._in_reach = drive.speed_kmh <= drive.greatest_kmh * (1 + 1e-9)
        self.rpm: Floats = np.stack([speed_ms * (place.rpm_per_ms or 0.0) for place in places])
        self._ratings = _column([place.station.rating_nm for place in places])
        self._speeds = _column([place.station.greatest_rpm for place in places])
        self._limited = np.array([[place.station.is_limited] for place in places])
        self._asked = np.array([[place.is_asked] for place in places])
        self._motors = np.array([place.motor for place in places])
        self._driving = _column([place.driving for place in places])
        self._overrun = _column([place.overrun for place in places])
        self._judged = {
            k: worst.get(place.station.bench) for k, place in enumerate(places) if place.is_judged_by_checks
        }

    def cases(self, cases: Sequence[DrivingCase]) -> tuple[Case, ...]:
        """Return every case: all are worked out and rounded as one table."""
        torque_nm = np.stack([self._torque_nm(case) for case in cases])
        margins = self._margins(torque_nm)
        letters = self._letters(margins, torque_nm)
        for k, judged in self._judged.items():
            verdict, margin = judged or (None, None)
            margins[:, k] = np.nan if margin is None else margin
            letter = OUT_OF_REACH if verdict is None else LETTERS[verdict]
            letters[:, k] = np.where(self._in_reach, letter, OUT_OF_REACH)
        pulls = [torque_nm[:, k] / one.radius_m for k, one in enumerate(self._places) if one.radius_m is not None]
        torque = _figures(torque_nm, 4)
        margin = _figures(np.where(self._in_reach, margins, np.nan), 3)
        road_n = _figures(np.sum(pulls, axis=0), 4)
        return tuple(
            Case(
                key=case.key,
                title=case.title,
                about=case.about,
                torque_nm=torque[k],
                margin=margin[k],
                verdict=["".join(row) for row in letters[k].tolist()],
                road_n=road_n[k],
            )
            for k, case in enumerate(cases)
        )

    def _torque_nm(self, case: DrivingCase) -> Floats:
        """Torque at each station's input, (stations, n)."""
        gains = self._overrun if case.key == "overrun" else self._driving
        torque_nm: Floats = np.stack(case.motor_nm)[self._motors] * gains
        return torque_nm

    def _margins(self, torque_nm: Floats) -> Floats:
        """Rating over torque or greatest speed over speed, whichever is less; NaN where neither is known."""
        with np.errstate(divide="ignore", invalid="ignore"):
            tightest: Floats = np.fmin(self._ratings / np.abs(torque_nm), self._speeds / self.rpm)
        return np.where(np.isfinite(tightest), np.minimum(tightest, GREATEST_MARGIN_SHOWN), np.nan)

    def _letters(self, margins: Floats, torque_nm: Floats) -> NDArray[np.str_]:
        """The ledger's rule on every point: the worst of what is asked of a station, unknown included.

        Limits here already hold what is wanted, so that 1 is enough.
        """
        is_unknown = np.isnan(margins) | np.isnan(torque_nm) | ~self._limited
        conditions = [
            np.broadcast_to(~self._in_reach, margins.shape),
            margins < 1,
            is_unknown & ~self._asked,
            is_unknown,
            margins < TIGHT_SHARE,
        ]
        return np.select(conditions, [OUT_OF_REACH, "f", NOT_ASKED, "?", "t"], "h")


def judged_by(checks: Sequence[Check]) -> Judged | None:
    """Return the verdict and the margin of the worst check; ``None`` where there is none."""
    worst = min(checks, key=lambda check: check.rank, default=None)
    return None if worst is None else (worst.verdict, worst.margin)


def _column(limits: list[float | None]) -> Floats:
    """A column of limits, NaN where one is not known."""
    return np.array([[np.nan if limit is None else limit] for limit in limits])


def _figures(values: Floats, digits: int) -> Any:
    """Figures as nested lists, ``None`` where one is not known."""
    known = np.isfinite(values)
    figures = rounded_array(np.where(known, values, 0.0), digits).astype(object)
    figures[~known] = None
    return figures.tolist()
