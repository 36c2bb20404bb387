"""A job's build records as the core takes them; below the jobs, which carry them in their files."""

from django.db.models import Count, OuterRef, QuerySet, Subquery

from accounts.models import User
from build.models import Delivery, Release
from driveline.job.versions import record_brought_up
from driveline.memory import Memory, Told
from driveline.parts.records import BuildRecords, Incoming
from driveline.parts.records import Release as ReleaseRecord
from jobs.models import Job

_MEMORY = Memory(200)


def release_record(release: Release) -> ReleaseRecord:
    """Return a kept release as the core takes it, whatever version kept it."""
    return ReleaseRecord.model_validate(record_brought_up(release.record))


def with_records_key(jobs: QuerySet[Job]) -> QuerySet[Job]:
    """Return jobs that know, by the same read, how many records each has: records are only ever added to."""
    releases = Release.objects.filter(job=OuterRef("pk")).order_by().values("job").annotate(n=Count("pk")).values("n")
    deliveries = (
        Delivery.objects.filter(release__job=OuterRef("pk"))
        .order_by()
        .values("release__job")
        .annotate(n=Count("pk"))
        .values("n")
    )
    return jobs.annotate(release_count=Subquery(releases), delivery_count=Subquery(deliveries))


def records_key_of(job: Job) -> str:
    """Return what differs when the job's records do; the job is one of ``with_records_key``."""
    return f"{job.pk} {getattr(job, 'release_count', None) or 0} {getattr(job, 'delivery_count', None) or 0}"


def records_of(job: Job) -> BuildRecords:
    """Return every release and delivery of a job, in order; read once where it is known how many there are."""
    if not hasattr(job, "release_count"):
        return _read_records(job)
    return _MEMORY.of(_read_records, Told(job, records_key_of(job)))


def _read_records(job: Job) -> BuildRecords:
    deliveries = Delivery.objects.filter(release__job=job)
    return BuildRecords(
        releases=[release_record(one) for one in Release.objects.filter(job=job)],
        incoming=[Incoming.model_validate(record_brought_up(one.record)) for one in deliveries],
    )


def keep_records(*, job: Job, author: User, records: BuildRecords) -> None:
    """Keep the records that came with a job file, as they were made; deliveries of no known release are left out."""
    releases = {(one.part, one.letter): keep_release(job, author, one) for one in records.releases}
    for one in records.incoming:
        release = releases.get((one.part, one.letter))
        if release is not None:
            Delivery.objects.create(release=release, author=author, record=one.model_dump(mode="json"))


def keep_release(job: Job, author: User, record: ReleaseRecord) -> Release:
    """Return a release, kept."""
    return Release.objects.create(
        job=job,
        part=record.part,
        letter=record.letter,
        sha256=record.sha256,
        author=author,
        record=record.model_dump(mode="json"),
    )
