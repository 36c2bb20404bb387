"""Reading what a person types, as they type it."""

import re
from typing import Annotated

from django.http import HttpRequest
from ninja import File, Form, Router, Schema, UploadedFile
from pydantic import StringConstraints

from driveline.benches.mounts.sheet import DrawnRing
from driveline.gearing.sheets import CurvePoint
from driveline.metal.section_dxf import read_section_dxf
from driveline.reading.curve_csv import GREATEST_BYTES, read_motor_curve
from driveline.reading.measure import Tool
from driveline.survey.files import read_survey_csv, read_survey_dxf
from driveline.survey.sheet import FlangeHole, Outline, OutlinePoint, Side, Survey, SurveyReading
from fernback.problems import Problem
from jobs.actions import FileRefused
from jobs.reading import ReadBack, Typed, read_back

router = Router(tags=["measure"])
MOST_SURVEY_BYTES = 4_000_000
MOST_SURVEY_TEXT = 1_000_000
SurveyText = Annotated[str, StringConstraints(max_length=MOST_SURVEY_TEXT)]


@router.post("", response={200: ReadBack, 422: Problem}, operation_id="measure_read")
def read_typed(request: HttpRequest, payload: Typed) -> ReadBack:  # noqa: ARG001 - ninja passes it
    """Read a measurement as typed; a refusal says what is wrong and what to type."""
    return read_back(payload)


class CurveRead(Schema):
    """A motor curve as it was read, and what was mended on the way."""

    points: list[CurvePoint]
    notes: list[str]


@router.post("/motor-curve", response={200: CurveRead, 413: Problem, 422: Problem}, operation_id="motor_curve_read")
def read_curve(request: HttpRequest, file: File[UploadedFile]) -> CurveRead:  # noqa: ARG001
    """Read a motor's torque curve from a CSV file. Nothing is saved."""
    if file.size is None or file.size > GREATEST_BYTES:
        raise FileRefused("The file is larger than 1 MB; a torque curve never is. Nothing was changed.", status=413)
    curve = read_motor_curve(file.read())
    points = [CurvePoint(rpm=rpm, peak_nm=peak, continuous_nm=lasting) for rpm, peak, lasting in curve.points]
    return CurveRead(points=points, notes=list(curve.notes))


class SurveyRead(Schema):
    """What a file adds to a survey, and what was mended on the way."""

    holes: list[FlangeHole]
    readings: list[SurveyReading]
    outline: Outline | None
    notes: list[str]


@router.post("/survey-file", response={200: SurveyRead, 413: Problem, 422: Problem}, operation_id="survey_file_read")
def read_survey_file(
    request: HttpRequest,  # noqa: ARG001
    file: File[UploadedFile],
    survey: Form[SurveyText],
    seen_from: Form[Side] = Side.ENGINE,
    tool: Form[Tool | None] = None,
) -> SurveyRead:
    """Read survey readings from CSV, or a flange's holes and outline from DXF. Nothing is saved."""
    if file.size is None or file.size > MOST_SURVEY_BYTES:
        raise FileRefused("The file is larger than 4 MB; a flange's never is. Nothing was changed.", status=413)
    present = Survey.model_validate_json(survey)
    name = re.sub(r"[^A-Za-z0-9 ._-]", "", file.name or "file").rsplit(".", 1)[0][:40].strip() or "file"
    data = file.read()
    if (file.name or "").lower().endswith(".dxf"):
        found = read_survey_dxf(data, survey=present, frame=name, seen_from=seen_from, tool=tool)
    else:
        found = read_survey_csv(data, survey=present, frame=name, tool=tool)
    return SurveyRead(
        holes=list(found.holes), readings=list(found.readings), outline=found.outline, notes=list(found.notes)
    )


class SectionRead(Schema):
    """A section as it was drawn: its outside, then each hollow."""

    rings: list[DrawnRing]
    notes: list[str]


@router.post("/section-file", response={200: SectionRead, 413: Problem, 422: Problem}, operation_id="section_file_read")
def read_section_file(request: HttpRequest, file: File[UploadedFile]) -> SectionRead:  # noqa: ARG001
    """Read the section of a rail from DXF. Nothing is saved."""
    if file.size is None or file.size > MOST_SURVEY_BYTES:
        raise FileRefused("The file is larger than 4 MB; a section's never is. Nothing was changed.", status=413)
    found = read_section_dxf(file.read())
    rings = [DrawnRing(points=[OutlinePoint(x_mm=x, y_mm=y) for x, y in ring.tolist()]) for ring in found.rings_mm]
    return SectionRead(rings=rings, notes=list(found.notes))
