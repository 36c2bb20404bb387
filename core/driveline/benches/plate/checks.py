"""The checks of the adapter plate: do the readings agree, is the shaft where it should be, is enough metal left."""

from collections.abc import Sequence
from dataclasses import dataclass

from driveline.benches.plate.centre import Offset
from driveline.benches.plate.centre_check import on_centre_check
from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.parts import EdgeShare
from driveline.benches.plate.workings import (
    edge_working,
    holes_settled_working,
    readings_agree_working,
)
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.flat.holes import Ligament
from driveline.margins import Judge, wanted_words
from driveline.network.judge import GREATEST_W
from driveline.parts.ligament import ligament_check
from driveline.parts.made import FlatPart
from driveline.shafts.coupler import Forgives
from driveline.survey.solve import SurveyResult
from driveline.working import Fact, Working


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateFigures:
    """What the checks judge."""

    survey: SurveyResult
    face_survey: SurveyResult | None  # the motor face's own
    ligaments: tuple[Ligament, ...]
    edge_shares: tuple[EdgeShare, ...] | None
    holes_wanted: tuple[str, ...]  # what of the holes is not known yet
    coupler: Forgives | None
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
    field = "plate.survey.readings" if is_flange else "plate.face.survey.readings"
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
        inputs=(field,),
        working=lambda: readings_agree_working(survey, worst, spread, field),
    )


def _holes_settled(survey: SurveyResult, judge: Judge) -> Check:
    loose = [hole.id for hole in survey.holes if hole.is_loose]
    unchecked = [reading.label for reading in survey.readings if reading.fit == "unchecked"]
    known = bool(survey.holes) and not loose and survey.is_settled
    least = min((reading.redundancy for reading in survey.readings if reading.redundancy is not None), default=0.0)
    if any(reading.kind == "sweep" and reading.fit == "unchecked" for reading in survey.readings):
        least = 0.0  # a dial is judged by whether anything checks it at all: it is far finer than what does
    says = f"every reading is checked by others; the least by {fig(100 * least, '%', 0)}"
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
        working=lambda: holes_settled_working(survey, least, is_known=known),
    )


def _least_ligament(figures: PlateFigures, judge: Judge) -> Check:
    return ligament_check(
        figures.ligaments,
        judge,
        key="plate.ligament",
        title="Least ligament",
        missing=figures.holes_wanted,
        inputs=("plate.survey", "plate.face", "plate.plate.turned", "plate.plate.bore", "plate.build_up"),
    )


def way_through_check(parts: Sequence[FlatPart], judge: Judge) -> Check:
    """Return whether every plate is bored for the shaft; fails where one is drawn with all its holes but no bore."""
    bare = [part for part in parts if all(hole.kind != "bore" for hole in part.holes)]
    is_drawn = any(len({hole.kind for hole in part.holes}) > 1 for part in bare)
    bores = [(hole.finished_mm, part.title) for part in parts for hole in part.holes if hole.kind == "bore"]
    says = f"Give the bore through the {bare[0].title.lower()}: shaft and coupler pass there." if bare else ""
    if bores and not bare:
        says = f"Ø {fig(min(bores)[0], 'mm')} at the least, in the {min(bores)[1].lower()}; see that the coupler passes"
    return judge.answer(
        is_so=False if is_drawn else None if bare else True,
        key="plate.way_through",
        title="Shaft comes through",
        says=says,
        missing=() if is_drawn or not bare else ("Bore",),
        inputs=("plate.plate.bore", "plate.face.register_size"),
        working=lambda: Working(
            steps=(
                *(Fact(title, f"Ø {fig(bore_mm, 'mm')}") for bore_mm, title in bores),
                *(Fact(part.title, "no bore") for part in bare),
            ),
            source="The drawing of each plate between gearbox and motor.",
        ),
    )


def _edge(figures: PlateFigures, judge: Judge) -> Check:
    worst = min(figures.edge_shares, key=lambda one: one.depth_mm / one.wanted_mm) if figures.edge_shares else None
    missing = figures.holes_wanted or (() if worst else ("Three holes or more to draw an outline round",))
    says = wanted_words(missing)
    if worst:
        drawn = (
            f"{fig(worst.depth_mm, 'mm', 1)} from {worst.hole}'s centre to the edge; "
            f"{num(worst.wanted_mm, 'mm', 1)} wanted"
        )
        says = f"{drawn}, of what is drawn. {says}" if missing else drawn
    return judge.check(
        "clearance",
        key="plate.edge",
        title="Plate edge distance",
        demand=worst.wanted_mm if worst else None,
        capacity=worst.depth_mm if worst else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=("plate.plate.edge_factor", "plate.plate.process", "plate.plate.bore"),
        working=lambda: edge_working(worst),
    )
