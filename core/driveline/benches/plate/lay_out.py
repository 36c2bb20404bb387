"""The adapter plate laid out: flange and motor face on one centre, the motor turned, the parts drawn."""

from dataclasses import dataclass, replace

import numpy as np

from driveline.arrays import Floats
from driveline.benches.contract import LaidOut
from driveline.benches.plate.inputs import FaceInputs, PlateInputs, inputs_of
from driveline.benches.plate.made_to import made_to
from driveline.benches.plate.parts import EdgeShare, Patterns, edge_shares, holes_wanted, parts_of, patterns_of
from driveline.benches.plate.sheet import PlateSheet
from driveline.flat.holes import Disc, bolt_circle_mm, reflected
from driveline.network.observations import CENTRE
from driveline.parts.made import FlatPart
from driveline.parts.records import FrozenReading
from driveline.results import ToDo
from driveline.survey.sheet import Side
from driveline.survey.solve import SolvedSurvey, SurveyResult, solve_survey


@dataclass(frozen=True, kw_only=True)
class LaidPlate(LaidOut):
    """Surveys solved and parts laid out: what drawings are made of."""

    inputs: PlateInputs
    survey: SolvedSurvey
    face_survey: SolvedSurvey | None
    face_xy: Floats  # seen looking at the motor's face, (n, 2), mm
    patterns: Patterns
    edges: tuple[EdgeShare, ...]
    holes_wanted: tuple[str, ...]  # what of the holes is not known yet


def lay_out(sheet: PlateSheet) -> LaidPlate:
    """Return the bench's surveys and parts as far as they go."""
    inputs = inputs_of(sheet)
    survey = solve_survey(inputs.survey)
    face_survey = None
    if inputs.face.survey is not None:  # looking at the motor's face is looking from the gearbox
        face_survey = solve_survey(inputs.face.survey.model_copy(update={"seen_from": Side.GEARBOX}))
    holes = [h for h in survey.result.holes if h.id != CENTRE and not h.is_loose and not h.is_bore]
    flange = tuple(Disc(h.id, h.x_mm, h.y_mm, h.diameter_mm) for h in holes)
    face_xy = _face_mm(inputs.face, face_survey)
    traced = np.array([[one.x_mm, one.y_mm] for one in survey.result.outline]).reshape(-1, 2)
    patterns = patterns_of(inputs, flange, face_xy, traced)
    loose = [h.id for h in survey.result.holes if h.is_loose and not h.is_bore]
    if face_survey is not None:
        loose += [f"{h.id} of the motor's face" for h in face_survey.result.holes if h.is_loose and not h.is_bore]
    laid, not_drawn = _drawn(inputs, patterns, (survey, face_survey))
    sure_mm = {hole.id: hole.major_mm for hole in survey.result.holes}
    readings = frozen_readings(survey.result)
    parts = tuple(
        replace(part, sure_mm=_sure_of(part, sure_mm), readings=readings, made_to=made_to(inputs, part))
        for part in laid
    )
    return LaidPlate(
        inputs=inputs,
        survey=survey,
        face_survey=face_survey,
        face_xy=face_xy,
        patterns=patterns,
        parts=parts,
        edges=tuple(one for part in parts for one in edge_shares(inputs, part)),
        holes_wanted=holes_wanted(inputs, patterns, tuple(loose)),
        to_do=_to_do(inputs, survey, face_xy) + not_drawn,
    )


def _drawn(
    inputs: PlateInputs, patterns: Patterns, surveys: tuple[SolvedSurvey | None, ...]
) -> tuple[tuple[FlatPart, ...], tuple[ToDo, ...]]:
    """The parts; none by a survey that did not settle: a folded flange is scrap, however well it is cut."""
    unsettled = [one for one in surveys if one is not None and not one.result.is_settled]
    if unsettled and not inputs.built.is_base:
        return (), (ToDo(field="plate.survey.readings", text=unsettled[0].result.says[0]),)
    return parts_of(inputs, patterns)


def _sure_of(part: FlatPart, sure_mm: dict[str, float | None]) -> dict[str, float | None]:
    """Of the holes that were surveyed: those of the flange."""
    return {hole.id: sure_mm.get(hole.id) for hole in part.holes if hole.kind == "flange"}


def _face_mm(face: FaceInputs, survey: SolvedSurvey | None) -> Floats:
    """The motor's holes seen looking at its face, (n, 2)."""
    if survey is not None:
        holes = [h for h in survey.result.holes if h.id != CENTRE and not h.is_loose and not h.is_bore]
        return reflected(np.array([[hole.x_mm, hole.y_mm] for hole in holes]).reshape(-1, 2))
    if face.holes:
        return np.array([[x_mm, y_mm] for _, x_mm, y_mm in face.holes])
    if face.count and face.circle_mm:
        return bolt_circle_mm(count=face.count, circle_mm=face.circle_mm, first_at_deg=face.first_at_deg)
    return np.zeros((0, 2))


def _to_do(inputs: PlateInputs, survey: SolvedSurvey, face_xy: Floats) -> tuple[ToDo, ...]:
    face, plate, build = inputs.face, inputs.plate, inputs.built
    if build.is_base:
        needs = [
            (
                build.base.is_known,
                "plate.build_up.base",
                "Measure the motor's feet: holes along, across, and their size.",
            )
        ]
    else:
        needs = [
            (
                bool(len(face_xy)),
                "plate.face.bolt_circle",
                "Measure the motor face: how many holes, on what circle.",
            ),
            (
                face.plate_hole_mm is not None,
                "plate.face.plate_hole",
                "Give the clearance hole for the motor's screws.",
            ),
        ]
    needs.append((plate.thickness is not None, "plate.plate.thickness", "Choose the plate's thickness."))
    own = () if build.is_base else survey.result.to_do
    return own + tuple(ToDo(field=field, text=text) for known, field, text in needs if not known)


def frozen_readings(survey: SurveyResult) -> tuple[FrozenReading, ...]:
    """Return the survey's readings as a part and its release keep them."""
    return tuple(
        FrozenReading(label=one.label, kind=one.kind, value_mm=one.value_mm, left_out=one.fit == "left_out")
        for one in survey.readings
    )
