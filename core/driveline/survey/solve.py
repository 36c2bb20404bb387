"""The flange survey: from readings as typed to holes on the plate, seen from the engine side."""

import math
from dataclasses import dataclass
from enum import StrEnum
from typing import Final

import numpy as np

from driveline.checks import Result
from driveline.figures import fig
from driveline.memory import kept
from driveline.network import NetworkResult, ReadingFit, Suspect, solve_network
from driveline.network.observations import CENTRE
from driveline.results import Assumed, ToDo
from driveline.survey.next_reading import NextReading, next_reading
from driveline.survey.readings import LEAST_DIAL, index_of, network_of, sweep_offset_mm, u_mm_of, usable
from driveline.survey.routes import CentreRoute, centre_routes
from driveline.survey.sheet import PairReading, Side, Survey, SurveyReading, SweepReading, SweepTurned, ends_of


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


class HoleResult(Result):
    """A hole or the shaft's centre as seen from the engine side; the ellipse is of 95 %."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float
    is_loose: bool
    is_bore: bool
    major_mm: float | None
    minor_mm: float | None
    angle_deg: float | None


class OutlineCorner(Result):
    """A corner of the flange's own outline, about the shaft's centre."""

    x_mm: float
    y_mm: float


class SurveyResult(Result):
    """The flange as its readings place it."""

    holes: tuple[HoleResult, ...]
    holes_turned_over: tuple[HoleResult, ...]  # the same as the eye on the other side has them
    readings: tuple[SurveyReadingResult, ...]
    says: tuple[str, ...]  # what to do about it, most urgent first
    redundancy: int
    chi_square: float
    chi_square_limit: float | None
    worst_w: float | None
    centre_u_mm: float | None
    is_settled: bool  # False: the adjustment did not come to rest, and nothing here is an answer
    steps: int  # of the adjustment
    last_step_mm: float | None  # the most that anything moved in the last of them
    about: str
    next_reading: NextReading | None
    routes: tuple[CentreRoute, ...]  # to the shaft's centre, where there are two or more
    outline: tuple[OutlineCorner, ...]  # as traced, seen from the engine side
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True)
class SolvedSurvey:
    """The survey solved; ``network`` is ``None`` before there is anything to solve."""

    network: NetworkResult | None
    result: SurveyResult


def solve_survey(survey: Survey) -> SolvedSurvey:
    """Return where the holes are, what fits and what does not, in words; a survey not changed since is not redone."""
    return _solved(survey)


@kept(64)
def _solved(survey: Survey) -> SolvedSurvey:
    used = usable(survey)
    if len(survey.holes) < 2 or not used:
        return SolvedSurvey(None, _empty(survey))
    solved = solve_network(network_of(survey, used))
    readings, holes = _readings(survey, solved), _holes(survey, solved)
    return SolvedSurvey(
        solved,
        SurveyResult(
            holes=holes,
            holes_turned_over=tuple(_turned_over(hole) for hole in holes),
            readings=readings,
            says=_says(survey, solved),
            redundancy=solved.redundancy,
            chi_square=solved.chi_square,
            chi_square_limit=solved.chi_square_limit,
            worst_w=solved.worst_w,
            centre_u_mm=_centre_u_mm(solved),
            is_settled=solved.converged and solved.rival is None,
            steps=solved.steps,
            last_step_mm=solved.last_step_mm if math.isfinite(solved.last_step_mm) else None,
            about="the shaft's centre"
            if solved.origin == CENTRE
            else "the middle of the holes: the shaft's centre is loose",
            next_reading=next_reading(survey, solved),
            routes=centre_routes(survey, solved),
            outline=_outline(survey, solved),
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
    readings = tuple(_reading(survey, k, NOT_SEEN) for k in range(len(survey.readings)))
    return SurveyResult(
        holes=(),
        holes_turned_over=(),
        readings=readings,
        says=(),
        redundancy=0,
        chi_square=0.0,
        chi_square_limit=None,
        worst_w=None,
        centre_u_mm=None,
        is_settled=True,
        steps=0,
        last_step_mm=None,
        about="",
        next_reading=next_reading(survey, None),
        routes=(),
        outline=(),
        assumed=(),
        to_do=(ToDo(field="plate.survey.readings", text=text),),
    )


def label_of(reading: SurveyReading) -> str:
    """Return what a reading goes between, in the trade's shorthand."""
    if isinstance(reading, PairReading):
        return f"{reading.a}–{reading.b}"
    if isinstance(reading, SweepReading):
        return f"{reading.a} round"
    edge = "" if reading.edge == "centre" else f" {reading.edge}"
    return f"{reading.a} {reading.kind}{edge} in {reading.frame}"


def _readings(survey: Survey, solved: NetworkResult) -> tuple[SurveyReadingResult, ...]:
    fits: dict[int, list[ReadingFit]] = {}
    for fit in solved.readings:
        if (k := index_of(fit.key)) is not None:
            fits.setdefault(k, []).append(fit)
    covers = {k: one.cover for one in solved.unchecked if (k := index_of(one.key)) is not None and "." not in one.key}
    suspects = {k: one for one in reversed(solved.suspects) if (k := index_of(one.key)) is not None}
    return tuple(
        _reading(survey, k, _Seen(solved, _worst_of(fits.get(k, [])), covers, suspects))
        for k in range(len(survey.readings))
    )


@dataclass(frozen=True, slots=True)
class _Seen:
    """What the network says of one reading."""

    solved: NetworkResult | None
    fit: ReadingFit | None
    covers: dict[int, tuple[str, str] | None]
    suspects: dict[int, Suspect]


NOT_SEEN: Final = _Seen(None, None, {}, {})


def _worst_of(fits: list[ReadingFit]) -> ReadingFit | None:
    """Of a sweep's several observations the one that fits worst."""
    return max(fits, key=lambda fit: abs(fit.w or 0.0), default=None)


def _reading(survey: Survey, k: int, seen: _Seen) -> SurveyReadingResult:
    reading, found = survey.readings[k], seen.fit
    u_mm, u_is_default = u_mm_of(reading)
    fit, says = _fit_of(survey, k, seen)
    is_judged = found is not None and fit is not Fit.ALONE
    return SurveyReadingResult(
        label=label_of(reading),
        kind=reading.kind,
        value_mm=_value_mm(reading),
        u_mm=u_mm,
        u_is_default=u_is_default,
        off_mm=-found.v_mm / found.redundancy if found and is_judged and found.w is not None else None,
        w=found.w if found and is_judged else None,
        # A dial is far finer than what checks it: of a sweep, the smallest mistake that shows says more.
        redundancy=found.redundancy if found and not isinstance(reading, SweepReading) else None,
        smallest_shown_mm=found.smallest_shown_mm if found and is_judged else None,
        fit=fit,
        says=says,
    )


def _value_mm(reading: SurveyReading) -> float:
    """A sweep's value is how far its centre lies from the shaft's."""
    if not isinstance(reading, SweepReading):
        return reading.reading.mm
    return float(np.hypot(*sweep_offset_mm(reading))) if len(reading.dial) >= LEAST_DIAL else 0.0


def _fit_of(survey: Survey, k: int, seen: _Seen) -> tuple[Fit, str]:
    reading = survey.readings[k]
    if reading.left_out:
        by = f" by {reading.left_out_by}" if reading.left_out_by else ""
        return Fit.LEFT_OUT, f"Left out{by}: {reading.why}" if reading.why else f"Left out{by}."
    if isinstance(reading, SweepReading) and seen.fit is None:
        return Fit.ALONE, _sweep_words(reading)
    if seen.solved is None or not seen.solved.converged or set(ends_of(reading)) & set(seen.solved.loose):
        return Fit.ALONE, "More readings are needed before this one can be checked."
    suspect = seen.suspects.get(k)
    if suspect and suspect.can_be_named:
        return Fit.SUSPECT, _suspect_words(label_of(reading), suspect.mistake_mm)
    if k in seen.covers:
        cover = seen.covers[k]
        best = f" {cover[0]}–{cover[1]} would check it best." if cover else ""
        return Fit.UNCHECKED, f"Nothing checks this reading: a mistake in it would not show.{best}"
    return Fit.FITS, "Fits the others."


def _sweep_words(reading: SweepReading) -> str:
    if reading.turned is SweepTurned.PART:
        return "With the part turned under a standing dial this finds what it turned about, not the shaft's centre."
    return "A sweep wants the dial read at three places or more round the turn."


def _suspect_words(label: str, mistake_mm: float) -> str:
    return f"{label} looks {fig(abs(mistake_mm), 'mm', 1)} {'long' if mistake_mm > 0 else 'short'}; measure it again."


def _says(survey: Survey, solved: NetworkResult) -> tuple[str, ...]:
    words: list[str] = []
    if not solved.converged:
        return (
            "The readings fit no shape: the adjustment did not settle. Look for holes numbered in another order than "
            "they stand, for readings to the wrong hole, or in another unit.",
        )
    if solved.rival is not None:
        one, other = solved.rival.pair
        near, far = sorted((solved.rival.this_mm, solved.rival.other_mm))
        words.append(
            f"Two shapes fit these readings: from {_name(one)} to {_name(other)}, centre to centre, it is "
            f"{fig(near, 'mm', 1)} in the one and {fig(far, 'mm', 1)} in the other. Measure it: till then nothing is "
            "drawn."
        )
        return tuple(words)
    for suspect in solved.suspects:
        words.append(_suspect_sentence(survey, suspect.key, suspect.mistake_mm, suspect.can_be_named, suspect.alike))
    if solved.is_against_numbering:
        words.append(
            f"The holes run the other way than {survey.numbered.value} from the {survey.seen_from.words}. "
            "Was the trace or square read from the other side? A mirrored plate is scrap."
        )
    if solved.loose:
        names = ", ".join(_name(point) for point in solved.loose)
        words.append(f"Not settled yet: {names}. Two readings to holes that are settled fix a hole, three check it.")
        bore = next((hole.id for hole in survey.holes if hole.is_bore), None)
        if CENTRE in solved.loose and bore is not None and survey.bore_true is None:
            words[-1] += (
                f" Or say how true {bore} is to the shaft, under Holes: then its middle stands for the shaft's."
            )
    for flip in solved.flips:
        words.append(
            f"{', '.join(flip.points)} could as well lie on the other side of {flip.across[0]}–{flip.across[1]}; "
            "only the numbering says which. One more reading to another hole settles it."
        )
    if solved.redundancy <= 0 and not solved.loose:
        words.append("Just enough readings: nothing is checked. Each further one checks those before it.")
    words += [
        f"{label_of(survey.readings[k])} is checked by nothing; measure {one.cover[0]}–{one.cover[1]} to cover it."
        for one in solved.unchecked[:3]
        if one.cover and solved.redundancy > 0 and (k := index_of(one.key)) is not None
    ]
    bare = [k for one in solved.unchecked if not one.cover and (k := index_of(one.key)) is not None]
    if bare and solved.redundancy > 0:
        names = ", ".join(dict.fromkeys(label_of(survey.readings[k]) for k in bare))
        words.append(f"Checked by nothing: {names}. Take each a second time, with the tool put on afresh.")
    return tuple(dict.fromkeys(words))


def _name(point: str) -> str:
    return "the shaft's centre" if point == CENTRE else point


def _suspect_sentence(survey: Survey, key: str, mistake_mm: float, can_be_named: bool, alike: tuple[str, ...]) -> str:
    def name(of: str) -> str:
        k = index_of(of)
        return of if k is None else label_of(survey.readings[k])

    index = index_of(key)
    if index is not None and isinstance(survey.readings[index], SweepReading):
        return f"{name(key)} does not fit the others by {fig(abs(mistake_mm), 'mm', 2)}; sweep it again."
    if can_be_named:
        return _suspect_words(name(key), mistake_mm)
    if alike:
        others = " or ".join(name(other) for other in alike[:3])
        wrong = f"{name(key)} or {others} is wrong by about {fig(abs(mistake_mm), 'mm', 1)}"
        return f"{wrong}; the readings can't tell which. Measure them again."
    return "The readings don't agree, and one check is too few to say which is wrong. Measure one more pair."


def _holes(survey: Survey, solved: NetworkResult) -> tuple[HoleResult, ...]:
    side = -1.0 if survey.seen_from is Side.GEARBOX else 1.0
    bores = {hole.id for hole in survey.holes if hole.is_bore}
    stated = {hole.id: hole.diameter.mm for hole in survey.holes}  # what is drilled, not what the fit made of it
    return tuple(
        HoleResult(
            id=point.id,
            x_mm=side * point.x_mm,
            y_mm=point.y_mm,
            diameter_mm=stated.get(point.id, point.diameter_mm),
            is_loose=point.ellipse is None,
            is_bore=point.id in bores,
            major_mm=point.ellipse and point.ellipse.major_mm,
            minor_mm=point.ellipse and point.ellipse.minor_mm,
            angle_deg=point.ellipse and (side * point.ellipse.angle_deg) % 180,
        )
        for point in solved.points
    )


def _turned_over(hole: HoleResult) -> HoleResult:
    angle_deg = None if hole.angle_deg is None else (180 - hole.angle_deg) % 180
    return hole.model_copy(update={"x_mm": -hole.x_mm, "angle_deg": angle_deg})


def _outline(survey: Survey, solved: NetworkResult) -> tuple[OutlineCorner, ...]:
    """The traced outline, carried by the same shift, turn and scale as the readings in its frame."""
    if survey.outline is None or survey.outline.frame not in solved.frames:
        return ()
    side = -1.0 if survey.seen_from is Side.GEARBOX else 1.0
    corners = np.array([[one.x_mm, one.y_mm] for one in survey.outline.points])
    placed = solved.frames[survey.outline.frame].placed(corners)
    return tuple(OutlineCorner(x_mm=side * x, y_mm=y) for x, y in placed.tolist())


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
            text=f"u {fig(0.05, 'mm')} (caliper), {fig(0.3, 'mm')} (radius, square) for {len(unstated)} readings "
            "without a tool",
        ),
    )
