"""A job with its scans as one file, NAME.fernback.zip: out, and in again."""

import shutil
import tempfile
import zipfile
from pathlib import Path, PurePosixPath
from typing import IO, Final

from accounts.models import Shop, User
from driveline.job.file import JobFile
from driveline.scans.formats import MOST_BYTES
from driveline.scans.store import is_ready, scan_folder
from jobs.actions import GREATEST_FILE_BYTES, FileRefused, import_job, job_file, saved_sheets
from jobs.exports import file_stem
from jobs.models import Job
from scans.incoming import ScanRefused, bring_scan
from scans.models import Scan, State

JOB_ENDING: Final = ".fernback.json"
SCANS: Final = "scans"
MOST_SCANS: Final = 40
MOST_PACK_BYTES: Final = 2_000_000_000
BROKEN: Final = "This is not a packed job that can be read. Nothing was changed."


def scans_named(file: JobFile) -> set[str]:
    """Return the scans that a job names, by their hash."""
    return set(file.sheets.placement.scan_files)


def held_scans(shop: Shop, file: JobFile) -> list[Scan]:
    """Return those of them that the shop holds."""
    named = Scan.objects.filter(shop=shop, sha256__in=scans_named(file), state=State.READY).order_by("sha256")
    return [scan for scan in named if is_ready(scan.sha256)]


def packed_job(file: JobFile, scans: list[Scan], stem: str) -> IO[bytes]:
    """Return the packed job, from its beginning; it is gone once it is closed."""
    made = tempfile.TemporaryFile()  # noqa: SIM115 - whoever sends it closes it
    with zipfile.ZipFile(made, "w", zipfile.ZIP_STORED) as pack:
        pack.writestr(f"{stem}{JOB_ENDING}", file.model_dump_json(indent=1))
        for scan in scans:
            name = PurePosixPath(scan.name.replace("\\", "/")).name
            pack.write(scan_folder(scan.sha256) / "original", f"{SCANS}/{scan.sha256}/{name}")
    made.seek(0)
    return made


def packed_shop(shop: Shop) -> IO[bytes]:
    """Return every job of a shop as a file of job files, packed where they have scans; it is gone once it is closed."""
    made = tempfile.TemporaryFile()  # noqa: SIM115 - whoever sends it closes it
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as pack:
        for number, job in enumerate(shop.jobs.order_by("created_at"), start=1):
            file, stem = (
                job_file(job, saved_sheets(job.versions.latest("number"))),
                f"{number:03} {file_stem(job.name)}",
            )
            scans = held_scans(shop, file)
            if not scans:
                pack.writestr(f"{stem}{JOB_ENDING}", file.model_dump_json(indent=1))
                continue
            with packed_job(file, scans, stem) as inner, pack.open(f"{stem}.fernback.zip", "w") as entry:
                shutil.copyfileobj(inner, entry)
    made.seek(0)
    return made


def import_pack(*, shop: Shop, author: User, data: IO[bytes]) -> Job:
    """Return a new job from a packed one; its scans are made ready in the background.

    Raises:
        FileRefused: If it is no packed job, holds anything else, or the job in it can't be read. Of its scans, those
            before one that is refused stay in the shop's list.
    """
    try:
        with zipfile.ZipFile(data) as pack:
            job_entry, scans = _entries(pack)
            read = pack.read(job_entry)
            named = scans_named(_read(read))
            for entry in scans:
                sha256, name = Path(entry.filename).parts[1:]
                if sha256 in named:
                    _bring(shop, author, pack, entry, sha256, name)
            return import_job(shop=shop, author=author, data=read)
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, OSError) as error:
        raise FileRefused(BROKEN) from error


def _read(data: bytes) -> JobFile:
    try:
        return JobFile.model_validate_json(data)
    except ValueError as error:
        raise FileRefused(BROKEN) from error


def _entries(pack: zipfile.ZipFile) -> tuple[zipfile.ZipInfo, list[zipfile.ZipInfo]]:
    """The job's and the scans'; by what they claim, before anything is unpacked."""
    jobs, scans = [], []
    for entry in pack.infolist():
        parts = Path(entry.filename).parts
        if len(parts) == 1 and entry.filename.endswith(JOB_ENDING) and entry.file_size <= GREATEST_FILE_BYTES:
            jobs.append(entry)
        elif len(parts) == 3 and parts[0] == SCANS and entry.file_size <= MOST_BYTES:
            scans.append(entry)
        elif not entry.is_dir():
            raise FileRefused(f"It holds {entry.filename[:80]}, which no packed job does. Nothing was changed.")
    if len(jobs) != 1 or len(scans) > MOST_SCANS or sum(one.file_size for one in scans) > MOST_PACK_BYTES:
        raise FileRefused(BROKEN)
    return jobs[0], scans


def _bring(shop: Shop, author: User, pack: zipfile.ZipFile, entry: zipfile.ZipInfo, sha256: str, name: str) -> None:
    try:
        with pack.open(entry) as stream:
            scan = bring_scan(shop=shop, author=author, name=name[-120:], stream=stream, length=entry.file_size)
    except ScanRefused as error:
        raise FileRefused(f"A scan in it can't be taken. {error}", status=error.status) from error
    if scan.sha256 != sha256:
        raise FileRefused(f"{name} is not the scan that the job names. Pack the job again where it was made.")
