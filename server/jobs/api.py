"""Jobs: list, open, save, evaluate, and the files that come and go."""

from uuid import UUID

from django.db.models import OuterRef, QuerySet, Subquery
from django.http import FileResponse, HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import File, Router, Status, UploadedFile
from ninja.errors import HttpError

from accounts.events import note
from accounts.models import EventKind, Role
from accounts.queries import memberships_of, person, require_owner, shops_editable_by
from build.records import records_key_of, with_records_key
from driveline.benches.contract import Sought
from driveline.benches.ratios.gearing import pick_key
from driveline.checks import Verdict
from driveline.drawing.calculation import write_calculation_sheet
from driveline.figures import System
from driveline.job.file import REGISTRY, Sheets
from driveline.job.offered import sought
from driveline.written_working import WrittenWorking
from fernback.problems import Conflict, Problem
from jobs.actions import (
    GREATEST_FILE_BYTES,
    FileRefused,
    copy_job,
    create_job,
    delete_job,
    import_job,
    job_file,
    put_away,
    save_version,
    saved_sheets,
)
from jobs.beside import sureness_beside
from jobs.exports import attachment, file_stem
from jobs.models import Job, JobVersion
from jobs.packs import held_scans, import_pack, packed_job
from jobs.queries import (
    field_changes,
    gearing_changes,
    jobs_editable_by,
    jobs_visible_to,
    margin_changes,
    may_edit,
    require_editable,
)
from jobs.reading import read_back
from jobs.schemas import (
    BenchOut,
    CopyIn,
    DeleteIn,
    EvaluateIn,
    EvaluateOut,
    FieldChange,
    FieldIn,
    GearingChoice,
    JobIn,
    JobLine,
    JobOut,
    JobSummary,
    MarginChange,
    PutAwayIn,
    SeekIn,
    SurenessIn,
    SurenessOut,
    VersionIn,
    VersionLine,
    VersionOut,
    WorkingsIn,
)
from jobs.together import others_inside

router = Router(tags=["jobs"])
REFUSALS = {422: Problem, 403: Problem, 404: Problem}


def newest_of(job: Job) -> JobVersion:
    """Return a job's newest version."""
    return job.versions.select_related("author").latest("number")


def version_line(version: JobVersion) -> VersionLine:
    """Return a version as a line of the history."""
    return VersionLine(
        number=version.number,
        author=str(version.author),
        saved_at=version.saved_at,
        note=version.note,
        worst=Verdict(version.worst),
    )


def _version_out(version: JobVersion) -> VersionOut:
    return VersionOut(**version_line(version).model_dump(), sheets=saved_sheets(version))


def _job_out(request: HttpRequest, job: Job) -> JobOut:
    return JobOut(
        id=job.pk,
        name=job.name,
        about=job.about,
        shop=job.shop.name,
        may_edit=may_edit(person(request), job),
        version=_version_out(newest_of(job)),
        benches=[BenchOut(key=one.key, title=one.title, letter=one.letter) for one in REGISTRY.benches],
    )


def _with_newest(jobs: QuerySet[Job]) -> QuerySet[JobVersion]:
    """Return the newest version of each job."""
    numbers = JobVersion.objects.filter(job=OuterRef("job")).order_by("-number").values("number")[:1]
    newest = JobVersion.objects.filter(job__in=jobs, number=Subquery(numbers))
    return newest.select_related("job__shop", "author").order_by("-saved_at")


@router.get("", response=list[JobLine], operation_id="jobs_list")
def list_jobs(request: HttpRequest) -> list[JobLine]:
    """List the jobs of a person's shops, the last touched first; those that are put away as well, marked."""
    mine = set(jobs_editable_by(person(request)).values_list("pk", flat=True))
    owned = {place.shop_id for place in memberships_of(person(request)) if place.role == Role.OWNER}
    return [
        JobLine(
            id=version.job.pk,
            name=version.job.name,
            about=version.job.about,
            shop=version.job.shop.name,
            stage=version.stage,
            worst=Verdict(version.worst),
            worst_title=version.worst_title,
            fails=version.fails,
            not_known=version.not_known,
            summary=JobSummary.model_validate(version.summary),
            version=version.number,
            saved_at=version.saved_at,
            saved_by=str(version.author),
            is_put_away=version.job.put_away_at is not None,
            may_edit=version.job.pk in mine,
            may_delete=version.job.put_away_at is not None and version.job.shop_id in owned,
        )
        for version in _with_newest(jobs_visible_to(person(request)))
    ]


@router.post("", response={201: JobOut, **REFUSALS}, operation_id="jobs_create")
def create(request: HttpRequest, payload: JobIn) -> Status[JobOut]:
    """Start a job."""
    shop = get_object_or_404(shops_editable_by(person(request)), pk=payload.shop_id)
    job = create_job(
        shop=shop, author=person(request), name=payload.name, about=payload.about, sheets=payload.sheets or Sheets()
    )
    return Status(201, _job_out(request, job))


@router.post("/import", response={201: JobOut, 413: Problem, **REFUSALS}, operation_id="jobs_import")
def import_file(request: HttpRequest, shop_id: int, file: File[UploadedFile]) -> Status[JobOut]:
    """Make a new job of a job file. A file that can't be taken changes nothing."""
    shop = get_object_or_404(shops_editable_by(person(request)), pk=shop_id)
    is_packed = file.read(2) == b"PK"
    file.seek(0)
    if is_packed and file.file is not None:
        return Status(201, _job_out(request, import_pack(shop=shop, author=person(request), data=file.file)))
    if file.size is None or file.size > GREATEST_FILE_BYTES:
        raise FileRefused("The file is larger than 8 MB; a job file never is. Nothing was changed.", status=413)
    job = import_job(shop=shop, author=person(request), data=file.read())
    return Status(201, _job_out(request, job))


@router.get("/{uuid:job_id}", response={200: JobOut, 404: Problem}, operation_id="jobs_read")
def read(request: HttpRequest, job_id: UUID) -> JobOut:
    """Open a job with its newest version."""
    return _job_out(request, get_object_or_404(jobs_visible_to(person(request)), pk=job_id))


@router.post("/{uuid:job_id}/copy", response={201: JobOut, **REFUSALS}, operation_id="jobs_copy")
def copy(request: HttpRequest, job_id: UUID, payload: CopyIn) -> Status[JobOut]:
    """Start a job where another stands. Its releases and deliveries stay with the other."""
    job = require_editable(person(request), job_id)
    return Status(201, _job_out(request, copy_job(job=job, author=person(request), name=payload.name)))


@router.patch("/{uuid:job_id}", response={204: None, 409: Problem, **REFUSALS}, operation_id="jobs_put_away")
def put_job_away(request: HttpRequest, job_id: UUID, payload: PutAwayIn) -> Status[None]:
    """Put a job away, or fetch it back; whoever else has it open is named first."""
    job = require_editable(person(request), job_id)
    names = others_inside(job=job, user=person(request))
    if payload.is_put_away and names and not payload.although_open:
        have = "has" if len(names) == 1 else "have"
        raise HttpError(409, f"{' and '.join(names)} {have} {job.name} open. Ask first, or put it away all the same.")
    put_away(job=job, is_put_away=payload.is_put_away)
    return Status(204, None)


@router.delete("/{uuid:job_id}", response={204: None, 409: Problem, **REFUSALS}, operation_id="jobs_delete")
def delete(request: HttpRequest, job_id: UUID, payload: DeleteIn) -> Status[None]:
    """Take a job away for good, with its revisions, releases and deliveries. It was put away before."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    require_owner(request, job.shop_id)
    delete_job(job=job, typed=payload.name)
    note(request, EventKind.DELETED, f"Took the job {job.name} away for good.", user=person(request), shop=job.shop)
    return Status(204, None)


@router.get("/{uuid:job_id}/versions", response=list[VersionLine], operation_id="job_versions_list")
def list_versions(request: HttpRequest, job_id: UUID) -> list[VersionLine]:
    """List the saved versions, the newest first."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return [version_line(version) for version in job.versions.select_related("author").defer("sheets")]


@router.get("/{uuid:job_id}/gearing-choices", response=list[GearingChoice], operation_id="job_gearing_choices")
def list_gearing_choices(request: HttpRequest, job_id: UUID) -> list[GearingChoice]:
    """List every change of the chosen gearing that was saved, the newest first."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return [
        GearingChoice(
            version=version.number,
            author=str(version.author),
            saved_at=version.saved_at,
            choice=choice,
            name="" if choice is None else pick_key(choice),
        )
        for version, choice in gearing_changes(job)
    ]


@router.get("/{uuid:job_id}/margin-changes", response=list[MarginChange], operation_id="job_margin_changes")
def list_margin_changes(request: HttpRequest, job_id: UUID) -> list[MarginChange]:
    """List every change of a wanted margin that was saved, the newest first."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return [
        MarginChange(
            version=version.number,
            author=str(version.author),
            saved_at=version.saved_at,
            kind=kind,
            margin=margin,
            why=why,
        )
        for version, kind, margin, why in margin_changes(job)
    ]


@router.post(
    "/{uuid:job_id}/field-changes", response={200: list[FieldChange], **REFUSALS}, operation_id="job_field_changes"
)
def list_field_changes(request: HttpRequest, job_id: UUID, payload: FieldIn) -> list[FieldChange]:
    """List every change of a field that was saved, the newest first."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return [
        FieldChange(
            version=version.number,
            author=str(version.author),
            saved_at=version.saved_at,
            note=version.note,
            was=was,
            now=now,
        )
        for version, was, now in field_changes(job, payload.path)
    ]


@router.get("/{uuid:job_id}/versions/{int:number}", response=VersionOut, operation_id="job_versions_read")
def read_version(request: HttpRequest, job_id: UUID, number: int) -> VersionOut:
    """Return one saved version."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return _version_out(get_object_or_404(job.versions.select_related("author"), number=number))


@router.post(
    "/{uuid:job_id}/versions",
    response={201: VersionLine, 409: Conflict, **REFUSALS},
    operation_id="job_versions_create",
)
def create_version(request: HttpRequest, job_id: UUID, payload: VersionIn) -> Status[VersionLine]:
    """Save the sheets of a job as its next version."""
    job = require_editable(person(request), job_id)
    version = save_version(
        job=job, author=person(request), based_on=payload.based_on, sheets=payload.sheets, note=payload.note
    )
    return Status(201, version_line(version))


@router.post("/{uuid:job_id}/evaluate", response={200: EvaluateOut, **REFUSALS}, operation_id="jobs_evaluate")
def evaluate_job(request: HttpRequest, job_id: UUID, payload: EvaluateIn) -> HttpResponse:
    """Evaluate sheets as they stand on the screen, or the newest saved ones. Nothing is saved."""
    heard = read_back(payload.typed) if payload.typed else None
    job = get_object_or_404(with_records_key(jobs_visible_to(person(request))), pk=job_id)
    sheets = payload.sheets or saved_sheets(newest_of(job))
    file, records_key = job_file(job, sheets), f"{job.name} {records_key_of(job)}"
    answer = REGISTRY.answer(file, payload.have, records_key=records_key)
    # Written by the core's own models: checking every figure a second time would double the answer's time.
    read = b"null" if heard is None else heard.model_dump_json().encode()
    left_out = set(type(answer).model_fields) - answer.model_fields_set
    body = b'{"read":' + read + b',"answer":' + answer.model_dump_json(exclude=left_out).encode() + b"}"
    return HttpResponse(body, content_type="application/json")


@router.post("/{uuid:job_id}/workings", response={200: list[WrittenWorking], **REFUSALS}, operation_id="job_workings")
def write_workings(request: HttpRequest, job_id: UUID, payload: WorkingsIn) -> list[WrittenWorking]:
    """Write the workings of checks in a reader's units, of sheets as they stand on the screen. Nothing is saved."""
    job = get_object_or_404(with_records_key(jobs_visible_to(person(request))), pk=job_id)
    file = job_file(job, payload.sheets or saved_sheets(newest_of(job)))
    records_key = f"{job.name} {records_key_of(job)}"
    return list(REGISTRY.workings(file, payload.checks, payload.units, records_key=records_key))


@router.post("/{uuid:job_id}/sureness", response={200: SurenessOut, **REFUSALS}, operation_id="job_sureness")
def say_how_sure(request: HttpRequest, job_id: UUID, payload: SurenessIn) -> SurenessOut:
    """Say how sure each margin is, in sheets as they stand on the screen; it takes seconds. Nothing is saved."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    file = job_file(job, payload.sheets or saved_sheets(newest_of(job)))
    REGISTRY.evaluation(file)  # refuses what can't be a real part's, by its field
    ranges = sureness_beside(file, str(job_id))
    return SurenessOut(is_busy=ranges is None, ranges=list(ranges or ()))


@router.post("/{uuid:job_id}/seek/{key}", response={200: Sought, **REFUSALS}, operation_id="job_seek")
def seek(request: HttpRequest, job_id: UUID, key: str, payload: SeekIn) -> Sought:
    """Make a search of a bench in sheets as they stand on the screen. Nothing is saved."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    return sought(REGISTRY, job_file(job, payload.sheets or saved_sheets(newest_of(job))), key)


@router.get("/{uuid:job_id}/calculation-sheet.pdf", operation_id="job_calculation_sheet")
def calculation_sheet(
    request: HttpRequest, job_id: UUID, check: str | None = None, units: System = System.METRIC
) -> HttpResponse:
    """Return the workings of one check or of all as a PDF, from the newest saved version."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    version = newest_of(job)
    keys = None if check is None else (check,)
    workings = REGISTRY.workings(job_file(job, saved_sheets(version)), keys, units)
    if keys and not workings:
        raise HttpError(404, "That check is not of the saved version. Save the job, then print its sheet.")
    revision = f"saved revision {version.number}"
    content = write_calculation_sheet(workings, job_name=job.name, revision=revision, system=units)
    name = file_stem(job.name, *([check] if check else []), "calculation", f"rev{version.number}") + ".pdf"
    return attachment(content, name=name, content_type="application/pdf")


@router.get("/{uuid:job_id}/pack", operation_id="jobs_pack")
def export_pack(request: HttpRequest, job_id: UUID) -> HttpResponse | FileResponse:
    """Return the newest version as a job file; with the scans that it names, packed."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    file, stem = job_file(job, saved_sheets(newest_of(job))), file_stem(job.name)
    scans = held_scans(job.shop, file)
    if not scans:
        return export_file(request, job_id)
    return FileResponse(packed_job(file, scans, stem), as_attachment=True, filename=f"{stem}.fernback.zip")


@router.get("/{uuid:job_id}/file", operation_id="jobs_export")
def export_file(request: HttpRequest, job_id: UUID) -> HttpResponse:
    """Return the newest version as a job file."""
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    content = job_file(job, saved_sheets(newest_of(job))).model_dump_json(indent=1)
    return attachment(content, name=f"{file_stem(job.name)}.fernback.json", content_type="application/json")
