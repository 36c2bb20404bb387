"""Everything that writes a job. Routes and commands call these; nothing else writes."""

import hashlib

from django.db import IntegrityError, connection, transaction
from django.utils import timezone
from pydantic import ValidationError

from accounts.models import Shop, User
from build.records import keep_records, records_of
from driveline.benches.contract import Progress
from driveline.checks import Verdict
from driveline.errors import DrivelineError, field_path
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile, Sheets
from driveline.job.versions import VERSION, sheets_brought_up
from driveline.parts.records import Brought, BuildRecords
from jobs.models import Job, JobVersion

GREATEST_FILE_BYTES = 8_000_000


class VersionConflict(Exception):
    """Somebody saved in between: the save was against a version that is no longer the newest."""

    def __init__(self, newest: JobVersion) -> None:
        super().__init__(newest)
        self.newest = newest

    def __str__(self) -> str:
        return f"{self.newest.author} saved revision {self.newest.number} in the meantime. Yours is kept here, unsaved."


class FileRefused(Exception):
    """A file that can't be taken; nothing was changed."""

    def __init__(self, says: str, *, status: int = 422, fields: tuple[tuple[str, str], ...] = ()) -> None:
        super().__init__(says)
        self.status, self.fields = status, fields


def job_file(job: Job, sheets: Sheets) -> JobFile:
    """Return a job with some sheets and its build records, as the core takes it."""
    return JobFile(name=job.name, about=job.about, sheets=sheets, build=records_of(job))


def saved_sheets(version: JobVersion) -> Sheets:
    """Return the sheets of a version."""
    return Sheets.model_validate(sheets_brought_up(version.sheets, version.format_version))


@transaction.atomic
def create_job(
    *, shop: Shop, author: User, name: str, about: str, sheets: Sheets, records: BuildRecords | None = None
) -> Job:
    """Return a new job with its first version, and the build records that came with it."""
    job = Job.objects.create(shop=shop, name=name, about=about)
    keep_records(job=job, author=author, records=records or BuildRecords())
    _add_version(job=job, number=1, author=author, sheets=sheets, note="")
    return job


def copy_job(*, job: Job, author: User, name: str) -> Job:
    """Return a new job that starts where another stands, without its releases: they are of the other vehicle."""
    newest = job.versions.latest("number")
    return create_job(shop=job.shop, author=author, name=name, about=job.about, sheets=saved_sheets(newest))


def put_away(*, job: Job, is_put_away: bool) -> None:
    """Put a job away, or fetch it back; nothing of it is lost."""
    job.put_away_at = timezone.now() if is_put_away else None
    job.save(update_fields=["put_away_at"])


def delete_job(*, job: Job, typed: str) -> None:
    """Take a job away with all that hangs on it: only one that was put away, and by its name.

    Raises:
        FileRefused: If it was not put away, or another name was typed; nothing is taken away then.
    """
    if job.put_away_at is None:
        raise FileRefused("Put the job away first.", status=409)
    if typed.strip() != job.name:
        raise FileRefused(f"Type the job's name, {job.name}, to take it away.", fields=(("name", "another name"),))
    with connection.cursor() as cursor:  # the server itself may not take records away; this function may
        cursor.execute("SELECT fernback_delete_job(%s)", [job.pk])


@transaction.atomic
def save_version(*, job: Job, author: User, based_on: int, sheets: Sheets, note: str = "") -> JobVersion:
    """Return the sheets saved as the job's next version.

    Raises:
        VersionConflict: If ``based_on`` is not the newest version; nothing is saved then.
        ImpossibleInput: If the sheets can't be evaluated; nothing is saved then.
    """
    newest = locked_newest(job, based_on)
    return _add_version(job=job, number=newest.number + 1, author=author, sheets=sheets, note=note)


def locked_newest(job: Job, based_on: int) -> JobVersion:
    """Return the newest version, with the job locked until the transaction ends.

    Raises:
        VersionConflict: If it is not the one that the work is based on.
    """
    Job.objects.select_for_update().get(pk=job.pk)
    newest = job.versions.select_related("author").latest("number")
    if newest.number != based_on:
        raise VersionConflict(newest)
    return newest


def _add_version(*, job: Job, number: int, author: User, sheets: Sheets, note: str) -> JobVersion:
    result = evaluate(job_file(job, sheets))
    verdicts = [check.verdict for check in result.checks]
    return JobVersion.objects.create(
        job=job,
        number=number,
        author=author,
        note=note,
        sheets=sheets.model_dump(mode="json"),
        format_version=VERSION,
        worst=result.worst.value,
        stage=_stage(result),
        summary=_summary(result),
        worst_title=result.checks[0].title if result.checks else "",
        fails=verdicts.count(Verdict.FAILS),
        not_known=verdicts.count(Verdict.NOT_KNOWN),
    )


def _summary(result: JobResult) -> dict[str, object]:
    """The kinds along the Line, down one branch where it has several, and how each bench stands."""
    stations = result.line.stations if result.line else ()
    branch = next((station.key.split(".")[0] for station in stations if "." in station.key), "")
    return {
        "line": [one.kind for one in stations if "." not in one.key or one.key.startswith(f"{branch}.")],
        "benches": [
            {"title": state.title, "progress": state.progress.value, "worst": state.worst and state.worst.value}
            for state in result.benches
            if state.is_in_layout
        ],
    }


def _stage(result: JobResult) -> str:
    """The furthest bench that has been begun, in words."""
    begun = [state for state in result.benches if state.progress is not Progress.NOTHING_YET]
    return f"{begun[-1].word} {begun[-1].progress.value}" if begun else "nothing yet"


def import_job(*, shop: Shop, author: User, data: bytes, is_ours: bool = False) -> Job:
    """Return a new job from a job file's bytes. Its records are marked as brought, unless they are our own demo's.

    Raises:
        FileRefused: If the file is too large, not a job file, or can't be evaluated.
    """
    if len(data) > GREATEST_FILE_BYTES:
        raise FileRefused("The file is larger than 8 MB; a job file never is. Nothing was changed.", status=413)
    try:
        read = JobFile.model_validate_json(data)
    except ValidationError as error:
        fields = tuple(
            (field_path(one["loc"]), str(one["msg"]).removeprefix("Value error, ")) for one in error.errors()[:20]
        )
        raise FileRefused("This is not a job file that can be read. Nothing was changed.", fields=fields) from error
    for one in read.build.releases:
        if not one.is_whole:
            named = f"{one.part}, release {one.letter}"
            raise FileRefused(
                f"The cut file of {named} is not the one that its hash was taken of. Nothing was changed."
            )
    came = Brought(
        by=str(author),
        at=timezone.now().isoformat(timespec="seconds"),
        file_sha256=hashlib.sha256(data).hexdigest(),
    )
    records = read.build if is_ours else read.build.brought(came)
    try:
        return create_job(
            shop=shop, author=author, name=read.name, about=read.about, sheets=read.sheets, records=records
        )
    except (DrivelineError, IntegrityError) as error:
        raise FileRefused(f"The job can't be evaluated: {error}. Nothing was changed.") from error
