"""A job's build records as the core takes them; below the jobs, which carry them in their files."""

from accounts.models import User
from build.models import Delivery, Release
from driveline.parts.records import BuildRecords, Incoming
from driveline.parts.records import Release as ReleaseRecord
from jobs.models import Job


def records_of(job: Job) -> BuildRecords:
    """Return every release and delivery of a job, in order."""
    deliveries = Delivery.objects.filter(release__job=job)
    return BuildRecords(
        releases=[ReleaseRecord.model_validate(one.record) for one in Release.objects.filter(job=job)],
        incoming=[Incoming.model_validate(one.record) for one in deliveries],
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
