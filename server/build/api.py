"""Releases and deliveries of a job's parts."""

import hashlib
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status
from ninja.errors import HttpError
from pydantic import Field

from accounts.queries import person
from build.actions import record_delivery, release_part
from build.models import Release
from build.records import release_record
from driveline.drawing.pdf import write_sheet_pdf
from driveline.figures import System
from driveline.network import Turning
from driveline.parts.records import Letter, Measure, PartKey, Seen
from driveline.parts.released import judged
from driveline.parts.results import FeatureRow
from driveline.sheet import Words
from fernback.inputs import Input
from fernback.problems import Conflict, Problem
from jobs.exports import attachment, file_stem, hole_table_csv
from jobs.models import Job
from jobs.queries import jobs_visible_to, require_editable

router = Router(tags=["build"])
REFUSALS = {422: Problem, 409: Problem, 403: Problem, 404: Problem}


class ReleaseIn(Input):
    """A part to release, from a saved revision, with the side looked at and confirmed."""

    based_on: int = Field(ge=1)
    part: PartKey
    side: Seen
    confirmed_runs: Turning | None = Field(
        default=None, description="Which way the part's numbers run, seen from that side; of one that has three or more"
    )
    despite: Words = Field(default="", description="Why it is released while a check fails")


class ReleaseLine(Schema):
    """A release in the list."""

    part: PartKey
    letter: str
    by: str
    at: str
    revision: int
    side: Seen
    sha256: str
    note: str
    readings: int


class MeasuresIn(Input):
    """Features of a delivered part, measured."""

    measures: list[Measure] = Field(max_length=60)


class DeliveryIn(MeasuresIn):
    """A delivered part, measured, with what was decided."""

    runs_as_drawn: bool
    accepted: bool
    why: Words = ""


def _line(release: Release) -> ReleaseLine:
    record = release_record(release)
    return ReleaseLine(
        part=record.part,
        letter=record.letter,
        by=record.by,
        at=record.at,
        revision=record.revision,
        side=record.side,
        sha256=record.sha256,
        note=record.note,
        readings=len(record.readings),
    )


def _release(request: HttpRequest, job_id: UUID, part: str, letter: str) -> Release:
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return get_object_or_404(job.releases, part=part, letter=letter)


@router.get("/{uuid:job_id}/releases", response=list[ReleaseLine], operation_id="releases_list")
def list_releases(request: HttpRequest, job_id: UUID) -> list[ReleaseLine]:
    """List what was released, the newest first."""
    job: Job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return [_line(release) for release in job.releases.order_by("-pk")]


@router.post(
    "/{uuid:job_id}/releases", response={201: ReleaseLine, **REFUSALS, 409: Conflict | Problem}, operation_id="release"
)
def create_release(request: HttpRequest, job_id: UUID, payload: ReleaseIn) -> Status[ReleaseLine]:
    """Release a part of the newest saved revision: its drawing and bytes are frozen under the next letter."""
    job = require_editable(person(request), job_id)
    release = release_part(
        job=job,
        author=person(request),
        based_on=payload.based_on,
        part=payload.part,
        side=payload.side,
        runs=payload.confirmed_runs,
        despite=payload.despite,
    )
    return Status(201, _line(release))


@router.get("/{uuid:job_id}/releases/{part}/{letter}.dxf", operation_id="release_dxf")
def release_dxf(request: HttpRequest, job_id: UUID, part: PartKey, letter: Letter) -> HttpResponse:
    """Return the very bytes that were released."""
    release = _release(request, job_id, part, letter)
    content = release.record["dxf"]
    if hashlib.sha256(content.encode()).hexdigest() != release.sha256:
        raise HttpError(409, "The kept drawing no longer matches its hash. Do not cut from it; release it anew.")
    seen_from = release_record(release).seen_from
    name = file_stem(release.job.name, part.split(".")[-1].replace("_", "-"), f"rev-{letter}", seen_from) + ".dxf"
    return attachment(content, name=name, content_type="image/vnd.dxf")


@router.get("/{uuid:job_id}/releases/{part}/{letter}-sheet.pdf", operation_id="release_sheet")
def release_sheet(
    request: HttpRequest, job_id: UUID, part: PartKey, letter: Letter, units: System = System.METRIC
) -> HttpResponse:
    """Return the dimensioned sheet as it was released."""
    release = _release(request, job_id, part, letter)
    sheet = release_record(release).sheet
    if sheet is None:
        raise HttpError(409, "That release is older than kept sheets. Release it anew to have one.")
    name = file_stem(release.job.name, part.split(".")[-1].replace("_", "-"), f"rev-{letter}", "sheet") + ".pdf"
    return attachment(write_sheet_pdf(sheet, units), name=name, content_type="application/pdf")


@router.get("/{uuid:job_id}/releases/{part}/{letter}-holes.csv", operation_id="release_holes")
def release_holes(
    request: HttpRequest, job_id: UUID, part: PartKey, letter: Letter, units: System = System.METRIC
) -> HttpResponse:
    """Return the hole table as it was released."""
    release = _release(request, job_id, part, letter)
    holes = release_record(release).holes
    if not holes:
        raise HttpError(409, "That release is older than kept hole tables. Release it anew to have one.")
    name = file_stem(release.job.name, part.split(".")[-1].replace("_", "-"), f"rev-{letter}", "holes") + ".csv"
    return attachment(hole_table_csv(holes, units), name=name, content_type="text/csv")


@router.post(
    "/{uuid:job_id}/releases/{part}/{letter}/judge",
    response={200: list[FeatureRow], **REFUSALS},
    operation_id="delivery_judge",
)
def judge_delivery(
    request: HttpRequest, job_id: UUID, part: PartKey, letter: Letter, payload: MeasuresIn
) -> list[FeatureRow]:
    """Compare measures of a delivered part with its release. Nothing is saved."""
    release = _release(request, job_id, part, letter)
    return list(judged(release_record(release), payload.measures))


@router.post(
    "/{uuid:job_id}/releases/{part}/{letter}/deliveries",
    response={201: list[FeatureRow], **REFUSALS},
    operation_id="delivery_record",
)
def create_delivery(
    request: HttpRequest, job_id: UUID, part: PartKey, letter: Letter, payload: DeliveryIn
) -> Status[list[FeatureRow]]:
    """Sign for a delivered part, or turn it down."""
    require_editable(person(request), job_id)
    release = _release(request, job_id, part, letter)
    record_delivery(
        release=release,
        author=person(request),
        measures=payload.measures,
        runs_as_drawn=payload.runs_as_drawn,
        accepted=payload.accepted,
        why=payload.why,
    )
    return Status(201, list(judged(release_record(release), payload.measures)))
