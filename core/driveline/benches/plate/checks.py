"""The checks of the adapter plate: do the readings agree, is the shaft where it should be, is enough metal left."""

from collections.abc import Sequence
from dataclasses import dataclass

from driveline.benches.plate.centre import Offset, on_centre_check
from driveline.benches.plate.inputs import PlateInputs
from driveline.checks import Check, Step, Working
from driveline.flat.holes import Ligament
from driveline.margins import Judge, wanted_words
from driveline.network.judge import GREATEST_W
from driveline.parts.made import FlatPart
from driveline.shafts.coupler import CouplerStyle
from driveline.survey.solve import SurveyResult


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateFigures:
    """What the checks judge."""

    survey: SurveyResult
    face_survey: SurveyResult | None  # the motor face's own
    ligaments: tuple[Ligament, ...]
    edge_shares: tuple[tuple[str, float, float], ...] | None
    holes_wanted: tuple[str, ...]  # what of the holes is not known yet
    coupler: CouplerStyle | None
    centre_off: Offset


def plate_checks(inputs: PlateInputs, figures: PlateFigures, judge: Judge) -> tuple[Check, ...]:
    """Return the checks of the plate bench."""
    face = () if figures.face_survey is None else (_readings_agree(figures.face_survey, judge, "face"),)
    if inputs.built.is_base:
        return (_least_ligament(figures, judge), _edge(figures, judge))
    return (
        _readings_agree(figures.survey, judge, "flange"),
        *face,
        _holes_settled(figures.survey, judge),
        on_centre_check(inputs, figures.centre_off, figures.coupler, judge),
        _least_ligament(figures, judge),
        _edge(figures, judge),
    )


def _readings_agree(survey: SurveyResult, judge: Judge, of: str) -> Check:
    """By the worst reading and by all of them together, whichever is worse; not known where the sum did not settle."""
    is_flange = of == "flange"
    worst = survey.worst_w if survey.redundancy > 0 and survey.is_settled else None
    spread = survey.chi_square / survey.chi_square_limit if survey.chi_square_limit else 0.0
    chi = (
        f"Σ(v/u)² = {survey.chi_square:.1f} on {survey.redundancy}; 95 % limit {survey.chi_square_limit:.1f}"
        if survey.chi_square_limit
        else "no reading more than is just enough"
    )
    says = survey.says[0] if worst and worst > GREATEST_W and survey.says else chi
    if worst is not None and spread > 1 >= worst / GREATEST_W:
        says = f"No single reading stands out, but all of them scatter more than their tools: {chi}."
    missing: tuple[str, ...] = ()
    if not survey.is_settled:
        missing, says = ("Readings that fit one shape",), survey.says[0] if survey.says else ""
    elif worst is None:
        missing = ("Readings that check one another",)
        says = "Measure more pairs than are just enough: only then can a wrong one show."
    return judge.check(
        "readings_agree",
        key="plate.readings_agree" if is_flange else "plate.face_readings_agree",
        title="Flange readings agree" if is_flange else "Motor face readings agree",
        demand=None if worst is None else max(worst / GREATEST_W, spread),
        capacity=1.0,
        unit="of the limit",
        says=says,
        missing=missing,
        inputs=("plate.survey.readings" if is_flange else "plate.face.survey.readings",),
        working=Working(
            steps=(
                Step(
                    formula=f"w = v / (u √r), the largest, of {GREATEST_W:g}",
                    result="" if worst is None else f"{worst:.2f}",
                ),
                Step(formula="Σ(v/u)² against χ²", result=chi),
            ),
            source="Least squares; a reading with |w| above 3.29 is the likeliest mistake (Baarda, 1968). Together "
            "they scatter no more than χ² allows.",
        ),
    )


def _holes_settled(survey: SurveyResult, judge: Judge) -> Check:
    loose = [hole.id for hole in survey.holes if hole.is_loose]
    unchecked = [reading.label for reading in survey.readings if reading.fit == "unchecked"]
    known = bool(survey.holes) and not loose and survey.is_settled
    least = min((reading.redundancy for reading in survey.readings if reading.redundancy is not None), default=0.0)
    if any(reading.kind == "sweep" and reading.fit == "unchecked" for reading in survey.readings):
        least = 0.0  # a dial is judged by whether anything checks it at all: it is far finer than what does
    says = f"every reading is checked by others; the least by {least:.0%}"
    if unchecked:
        says = f"{len(unchecked)} readings are checked by nothing: {', '.join(unchecked[:3])}"
    if not known:
        says = f"Not settled: {', '.join(loose)}" if loose else "Nothing is measured yet."
    return judge.check(
        "readings_agree",
        key="plate.holes_settled",
        title="Every reading is checked",
        demand=0.1,
        capacity=least if known else None,
        unit="r",
        says=says,
        missing=() if known else ("Readings that settle every hole",),
        inputs=("plate.survey.readings",),
        working=Working(
            steps=(Step(formula="r = 1 − leverage, the least", result=f"{least:.3f}"),),
            source="Below 0.1 nobody would notice a mistake in the reading.",
        ),
    )


def _least_ligament(figures: PlateFigures, judge: Judge) -> Check:
    """Of the holes that are drawn; at best, while some are missing."""
    least = figures.ligaments[0] if figures.ligaments else None
    missing = figures.holes_wanted or (() if least else ("Holes to measure between",))
    says = wanted_words(missing)
    if least:
        drawn = (
            f"{least.left_mm:.1f} mm between {least.between[0]} and {least.between[1]}; {least.wanted_mm:.1f} wanted"
        )
        says = f"{drawn}, of what is drawn. {says}" if missing else drawn
    return judge.check(
        "clearance",
        key="plate.ligament",
        title="Least ligament",
        demand=None if least is None else least.wanted_mm,
        capacity=None if least is None else max(least.left_mm, 0.0),
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.survey", "plate.face", "plate.plate.turned", "plate.plate.bore", "plate.build_up"),
        working=Working(
            steps=()
            if not least
            else (Step(formula="centre distance − (d1 + d2)/2", result=f"{least.left_mm:.2f} mm"),),
            source="Wanted: 1.0 × the larger hole, at least 6 mm; counterbores count as holes, a bore as no more than "
            "twice the hole beside it.",
        ),
    )


def way_through_check(parts: Sequence[FlatPart], judge: Judge) -> Check:
    """Return whether every plate is bored for the shaft; fails where one is drawn with all its holes but no bore."""
    bare = [part for part in parts if all(hole.kind != "bore" for hole in part.holes)]
    is_drawn = any(len({hole.kind for hole in part.holes}) > 1 for part in bare)
    bores = [(hole.finished_mm, part.title) for part in parts for hole in part.holes if hole.kind == "bore"]
    says = f"Give the bore through the {bare[0].title.lower()}: shaft and coupler pass there." if bare else ""
    if bores and not bare:
        says = f"Ø {min(bores)[0]:g} mm at the least, in the {min(bores)[1].lower()}; see that the coupler passes"
    return judge.answer(
        is_so=False if is_drawn else None if bare else True,
        key="plate.way_through",
        title="Shaft comes through",
        says=says,
        missing=() if is_drawn or not bare else ("Bore",),
        inputs=("plate.plate.bore", "plate.face.register_size"),
        working=Working(
            steps=tuple(Step(formula=title, result=f"Ø {bore_mm:g} mm") for bore_mm, title in bores)
            + tuple(Step(formula=part.title, result="no bore") for part in bare),
            source="The drawing of each plate between gearbox and motor.",
        ),
    )


def _edge(figures: PlateFigures, judge: Judge) -> Check:
    worst = min(figures.edge_shares, key=lambda one: one[1] / one[2]) if figures.edge_shares else None
    missing = figures.holes_wanted or (() if worst else ("Three holes or more to draw an outline round",))
    says = wanted_words(missing)
    if worst:
        drawn = f"{worst[1]:.1f} mm from {worst[0]}'s centre to the edge; {worst[2]:.1f} wanted"
        says = f"{drawn}, of what is drawn. {says}" if missing else drawn
    return judge.check(
        "clearance",
        key="plate.edge",
        title="Plate edge distance",
        demand=worst and worst[2],
        capacity=worst and worst[1],
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.plate.edge_factor", "plate.plate.process", "plate.plate.bore"),
        working=Working(
            source="1.5 d machined, laser or waterjet cut; 2 d plasma or flame cut, to the hole's centre. Round a bore "
            "a wall as wide as the largest other hole, at least 6 mm."
        ),
    )
