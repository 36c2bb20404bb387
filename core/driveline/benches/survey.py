"""The flange survey: from readings as typed to holes on the plate, seen from the engine side."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Final

import numpy as np

from driveline.benches.common import Assumed, ToDo
from driveline.checks import Result
from driveline.network import Direction, Hole, Kind, Network, NetworkResult, Observation, solve_network
from driveline.network.observations import CENTRE
from driveline.sheets.plate import AxisReading, PairReading, Side, Survey

UNSTATED_U_MM: Final = {Kind.RADIUS: 0.3, Kind.X: 0.3, Kind.Y: 0.3}  # a combination square's transfer
CALIPER_U_MM: Final = 0.05
EDGES: Final = {"low": -1, "centre": 0, "high": 1}


class Fit(StrEnum):
    """How a reading sits among the others."""

    FITS = "fits"
    SUSPECT = "suspect"
    UNCHECKED = "unchecked"
    LEFT_OUT = "left_out"
    ALONE = "alone"  # nothing can be said yet: a hole it goes to is loose


class SurveyReadingResult(Result):
    """One reading, in the sheet's order."""

    label: str
    kind: str
    value_mm: float
    u_mm: float
    u_is_default: bool
    off_mm: float | None  # reading minus what the others say; None while nothing checks it
    w: float | None
    redundancy: float | None
    smallest_shown_mm: float | None
    fit: Fit
    says: str


class NextReading(Result):
    """The reading to take next, and why that one."""

    kind: str
    a: str
    b: str
    why: str
    replaces: int | None = None  # the reading that it takes the place of


class HoleResult(Result):
    """A hole or the shaft's centre as seen from the engine side; the ellipse is of 95 %."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float
    is_loose: bool
    major_mm: float | None
    minor_mm: float | None
    angle_deg: float | None


class SurveyResult(Result):
    """The flange as its readings place it."""

    holes: tuple[HoleResult, ...]
    readings: tuple[SurveyReadingResult, ...]
    says: tuple[str, ...]  # what to do about it, most urgent first
    redundancy: int
    chi_square: float
    chi_square_limit: float | None
    worst_w: float | None
    centre_u_mm: float | None
    about: str
    next_reading: NextReading | None
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True)
class SolvedSurvey:
    """The survey solved; ``network`` is ``None`` before there is anything to solve."""

    network: NetworkResult | None
    result: SurveyResult


def solve_survey(survey: Survey) -> SolvedSurvey:
    """Return where the holes are, what fits and what does not, in words."""
    used = [k for k, reading in enumerate(survey.readings) if not reading.left_out]
    if len(survey.holes) < 2 or not used:
        return SolvedSurvey(None, _empty(survey))
    solved = solve_network(_network(survey, used))
    readings = _readings(survey, solved)
    return SolvedSurvey(
        solved,
        SurveyResult(
            holes=_holes(survey, solved),
            readings=readings,
            says=_says(survey, solved),
            redundancy=solved.redundancy,
            chi_square=solved.chi_square,
            chi_square_limit=solved.chi_square_limit,
            worst_w=solved.worst_w,
            centre_u_mm=_centre_u_mm(solved),
            about="the shaft's centre"
            if solved.origin == CENTRE
            else "the middle of the holes: the shaft's centre is loose",
            next_reading=_next_reading(survey, solved),
            assumed=_assumed(readings),
            to_do=(),
        ),
    )


def _empty(survey: Survey) -> SurveyResult:
    text = (
        "Name the holes in order, with their diameters."
        if len(survey.holes) < 2
        else "Measure between two holes, nearest edges, with a caliper."
    )
    readings = tuple(_reading(survey, k, None, {}) for k in range(len(survey.readings)))
    return SurveyResult(
        holes=(),
        readings=readings,
        says=(),
        redundancy=0,
        chi_square=0.0,
        chi_square_limit=None,
        worst_w=None,
        centre_u_mm=None,
        about="",
        next_reading=_next_reading(survey, None),
        assumed=(),
        to_do=(ToDo(field="plate.survey.readings", text=text),),
    )


def _next_reading(survey: Survey, solved: NetworkResult | None) -> NextReading | None:
    """The one that checks an unchecked reading; else the next in order: radii, neighbours, next but one, across."""
    if again := _measure_again(survey, solved):
        return again
    pairs = [r for r in survey.readings if isinstance(r, PairReading)]
    taken = {frozenset((r.a, r.b)) for r in pairs}
    covers = [one.cover for one in solved.unchecked if one.cover] if solved and solved.redundancy > 0 else []
    if covers:
        a, b = sorted(covers[0], key=lambda end: end == CENTRE)
        return NextReading(
            kind="radius" if b == CENTRE else "inside", a=a, b=b, why="it checks a reading that nothing checks"
        )
    ids = [hole.id for hole in survey.holes]
    count = len(ids)
    if count < 2:
        return None
    around = [
        (ids[k], ids[(k + step) % count], "inside") for step in (1, 2, count // 2) for k in range(count) if step < count
    ]
    for a, b, kind in [*((hole, CENTRE, "radius") for hole in ids), *around]:
        if frozenset((a, b)) not in taken and a != b:
            return NextReading(kind=kind, a=a, b=b, why="the next in order")
    return None


def _measure_again(survey: Survey, solved: NetworkResult | None) -> NextReading | None:
    """The first reading that does not fit, when it can be named."""
    suspect = next((one for one in solved.suspects if one.can_be_named and one.key.isdigit()), None) if solved else None
    reading = survey.readings[int(suspect.key)] if suspect else None
    if suspect is None or not isinstance(reading, PairReading):
        return None
    why = "the last one does not fit"
    return NextReading(kind=reading.kind, a=reading.a, b=reading.b, why=why, replaces=int(suspect.key))


def _network(survey: Survey, used: list[int]) -> Network:
    return Network(
        holes=tuple(Hole(hole.id, hole.diameter.mm, hole.diameter.u_mm) for hole in survey.holes),
        observations=tuple(_observation(survey.readings[k], k) for k in used),
        numbered=survey.numbered,
        direction=Direction(_direction_of(survey), survey.direction_at.deg),
        scaled_frames=tuple(survey.scaled_frames),
    )


def _direction_of(survey: Survey) -> str:
    """The stated hole or frame, unless all readings in that frame are left out; else the first hole."""
    frames = {r.frame for r in survey.readings if isinstance(r, AxisReading) and not r.left_out}
    ids = {hole.id for hole in survey.holes}
    stated = survey.direction_of
    return stated if stated and stated in ids | frames else survey.holes[0].id


def _observation(reading: PairReading | AxisReading, k: int) -> Observation:
    u_mm, _ = _u_mm(reading)
    kind, value_mm = Kind(reading.kind), reading.reading.mm
    if isinstance(reading, AxisReading):
        edge = EDGES[reading.edge]
        return Observation(
            key=str(k), kind=kind, a=reading.a, value_mm=value_mm, u_mm=u_mm, frame=reading.frame, edge=edge
        )
    return Observation(key=str(k), kind=kind, a=reading.a, b=reading.b, value_mm=value_mm, u_mm=u_mm)


def _u_mm(reading: PairReading | AxisReading) -> tuple[float, bool]:
    """Standard uncertainty, and whether it is a default because neither it nor the tool was stated."""
    stated = reading.reading.u_mm
    if stated is not None:
        return stated, False
    return UNSTATED_U_MM.get(Kind(reading.kind), CALIPER_U_MM), True


def label_of(reading: PairReading | AxisReading) -> str:
    """Return what a reading goes between, in the trade's shorthand."""
    return (
        f"{reading.a} {reading.kind} in {reading.frame}"
        if isinstance(reading, AxisReading)
        else f"{reading.a}–{reading.b}"
    )


def _readings(survey: Survey, solved: NetworkResult) -> tuple[SurveyReadingResult, ...]:
    covers = {int(one.key): one.cover for one in solved.unchecked}
    return tuple(_reading(survey, k, solved, covers) for k in range(len(survey.readings)))


def _reading(
    survey: Survey, k: int, solved: NetworkResult | None, covers: dict[int, tuple[str, str] | None]
) -> SurveyReadingResult:
    reading = survey.readings[k]
    u_mm, u_is_default = _u_mm(reading)
    found = next((fit for fit in solved.readings if fit.key == str(k)), None) if solved else None
    fit, says = _fit_of(survey, k, solved, covers)
    is_judged = found is not None and fit is not Fit.ALONE
    return SurveyReadingResult(
        label=label_of(reading),
        kind=reading.kind,
        value_mm=reading.reading.mm,
        u_mm=u_mm,
        u_is_default=u_is_default,
        off_mm=-found.v_mm / found.redundancy if found and is_judged and found.w is not None else None,
        w=found.w if found and is_judged else None,
        redundancy=found.redundancy if found else None,
        smallest_shown_mm=found.smallest_shown_mm if found and is_judged else None,
        fit=fit,
        says=says,
    )


def _fit_of(
    survey: Survey, k: int, solved: NetworkResult | None, covers: dict[int, tuple[str, str] | None]
) -> tuple[Fit, str]:
    reading = survey.readings[k]
    if reading.left_out:
        return Fit.LEFT_OUT, f"Left out: {reading.why}" if reading.why else "Left out."
    ends = {reading.a, reading.b} if isinstance(reading, PairReading) else {reading.a}
    if solved is None or ends & set(solved.loose):
        return Fit.ALONE, "More readings are needed before this one can be checked."
    suspect = next((one for one in solved.suspects if one.key == str(k)), None)
    if suspect and suspect.can_be_named:
        return Fit.SUSPECT, _suspect_words(label_of(reading), suspect.mistake_mm)
    if k in covers:
        cover = covers[k]
        best = f" {cover[0]}–{cover[1]} would check it best." if cover else ""
        return Fit.UNCHECKED, f"Nothing checks this reading: a mistake in it would not show.{best}"
    return Fit.FITS, "Fits the others."


def _suspect_words(label: str, mistake_mm: float) -> str:
    return f"{label} looks {abs(mistake_mm):.1f} mm {'long' if mistake_mm > 0 else 'short'}; measure it again."


def _says(survey: Survey, solved: NetworkResult) -> tuple[str, ...]:
    words: list[str] = []
    for suspect in solved.suspects:
        words.append(_suspect_sentence(survey, suspect.key, suspect.mistake_mm, suspect.can_be_named, suspect.alike))
    if solved.is_against_numbering:
        words.append(
            f"The holes run the other way than {survey.numbered.value} from the {survey.seen_from.value}. "
            "Was the trace or square read from the other side? A mirrored plate is scrap."
        )
    if solved.loose:
        names = ", ".join("the shaft's centre" if point == CENTRE else point for point in solved.loose)
        words.append(f"Not settled yet: {names}. Two readings to holes that are settled fix a hole, three check it.")
    for flip in solved.flips:
        words.append(
            f"{', '.join(flip.points)} could as well lie on the other side of {flip.across[0]}–{flip.across[1]}; "
            "only the numbering says which. One more reading to another hole settles it."
        )
    if solved.redundancy <= 0 and not solved.loose:
        words.append("Just enough readings: nothing is checked. Each further one checks those before it.")
    words += [
        f"{label_of(survey.readings[int(one.key)])} is checked by nothing; "
        f"measure {one.cover[0]}–{one.cover[1]} to cover it."
        for one in solved.unchecked[:3]
        if one.cover and solved.redundancy > 0
    ]
    return tuple(words)


def _suspect_sentence(survey: Survey, key: str, mistake_mm: float, can_be_named: bool, alike: tuple[str, ...]) -> str:
    def name(of: str) -> str:
        return label_of(survey.readings[int(of)]) if of.isdigit() else of

    if can_be_named:
        return _suspect_words(name(key), mistake_mm)
    if alike:
        others = " or ".join(name(other) for other in alike[:3])
        wrong = f"{name(key)} or {others} is wrong by about {abs(mistake_mm):.1f} mm"
        return f"{wrong}; the readings can't tell which. Measure them again."
    return "The readings don't agree, and one check is too few to say which is wrong. Measure one more pair."


def _holes(survey: Survey, solved: NetworkResult) -> tuple[HoleResult, ...]:
    side = -1.0 if survey.seen_from is Side.GEARBOX else 1.0
    stated = {hole.id: hole.diameter.mm for hole in survey.holes}  # what is drilled, not what the fit made of it
    return tuple(
        HoleResult(
            id=point.id,
            x_mm=side * point.x_mm,
            y_mm=point.y_mm,
            diameter_mm=stated.get(point.id, point.diameter_mm),
            is_loose=point.ellipse is None,
            major_mm=point.ellipse and point.ellipse.major_mm,
            minor_mm=point.ellipse and point.ellipse.minor_mm,
            angle_deg=point.ellipse and (side * point.ellipse.angle_deg) % 180,
        )
        for point in solved.points
    )


def _centre_u_mm(solved: NetworkResult) -> float | None:
    """Standard uncertainty of the shaft's centre against the hole pattern: of the holes' mean about it."""
    if solved.origin != CENTRE or solved.loose:
        return None
    values = np.linalg.eigvalsh(solved.mean_mm2)
    return float(np.sqrt(max(float(values[-1]), 0.0)))


def _assumed(readings: tuple[SurveyReadingResult, ...]) -> tuple[Assumed, ...]:
    unstated = [reading.label for reading in readings if reading.u_is_default and reading.fit is not Fit.LEFT_OUT]
    if not unstated:
        return ()
    return (
        Assumed(
            field="plate.survey.readings",
            text=f"u 0.05 mm (caliper), 0.3 mm (radius, square) for {len(unstated)} readings without a tool",
        ),
    )
