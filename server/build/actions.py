"""Everything that writes a build record."""

from collections.abc import Sequence

from django.db import transaction
from django.utils import timezone

from accounts.models import User
from build.models import Delivery, Release
from build.records import keep_release, records_of, release_record
from driveline.checks import Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY
from driveline.network import Turning
from driveline.parts.ordered import OrderedPart
from driveline.parts.records import Incoming, Measure, PartKey, Seen
from driveline.parts.release import release_of, runs_seen_from
from driveline.parts.released import judged
from jobs.actions import job_file, locked_newest, saved_sheets
from jobs.models import Job


class Held(Exception):
    """Work is held here until a named person says why it goes on all the same."""


@transaction.atomic
def release_part(
    *, job: Job, author: User, based_on: int, part: PartKey, side: Seen, runs: Turning | None, despite: str
) -> Release:
    """Return a part of the newest saved version, released.

    Raises:
        VersionConflict: If ``based_on`` is not the newest version.
        Held: If it is one that may not be released, the holes run the other way than they were seen to run, or a
            check of its bench fails and no reason is given.
        NotDrawnYet: If the part can't be drawn.
        RecordsFull: If the job holds as many releases as are taken.
        NoLetterLeft: If the part's letters are used up.
    """
    newest = locked_newest(job, based_on)
    file = job_file(job, saved_sheets(newest))
    drawn_part = REGISTRY.made_part(file, part)
    if isinstance(drawn_part, OrderedPart) and drawn_part.held_back:
        raise Held(drawn_part.held_back)
    drawn = runs_seen_from(drawn_part, side)
    if drawn is not None and runs is None:
        raise Held("Say which way the part's numbers run, seen from that side.")
    if drawn is not None and runs is not None and drawn is not runs:
        raise Held(
            f"Seen from that side the drawing's holes run {drawn.value}; you saw them run {runs.value}. "
            "One of them is mirrored: look at the part again before anything is cut."
        )
    file.build.require_room_for_release()
    guards = drawn_part.guards if isinstance(drawn_part, OrderedPart) else ""
    failing = [
        one.title
        for one in evaluate(file).checks
        if one.holds_release and one.bench == drawn_part.bench and one.key.startswith(guards)
    ]
    if failing and not despite:
        raise Held(f"{', '.join(failing)}: failing. Mend it, or say why the part is released all the same.")
    before = file.build.newest(part)
    record = release_of(
        drawn_part,
        job_name=file.name,
        after=before.letter if before else None,
        side=side,
        by=str(author),
        at=_now(),
        revision=newest.number,
        note=despite,
    )
    return keep_release(job, author, record)


@transaction.atomic
def record_delivery(
    *,
    release: Release,
    author: User,
    measures: Sequence[Measure],
    runs_as_drawn: bool,
    accepted: bool,
    why: str,
) -> Delivery:
    """Return a delivered part's record, signed by its author.

    Raises:
        Held: If it is turned down, mirrored, unmeasured or out of tolerance, and no reason is given.
        UnknownFeature: If a measure names a hole that the release does not have.
        RecordsFull: If the job holds as many deliveries as are taken.
    """
    Job.objects.select_for_update().get(pk=release.job_id)  # so that two at once are counted one after the other
    records_of(release.job).require_room_for_delivery()
    rows = judged(release_record(release), measures)
    if accepted and not runs_as_drawn:
        raise Held("Its holes run the other way round than the drawing's: a mirrored part can't be accepted.")
    if accepted and not rows:
        raise Held("Measure at least one feature before it is accepted.")
    off = [row.feature for row in rows if row.verdict is Verdict.FAILS]
    if accepted and off and not why:
        raise Held(f"{', '.join(off)}: out of tolerance. Turn it down, or say why it is taken all the same.")
    if not accepted and not why:
        raise Held("Say why it is turned down, for whoever makes the next one.")
    record = Incoming(
        part=release.part,
        letter=release.letter,
        by=str(author),
        at=_now(),
        runs_as_drawn=runs_as_drawn,
        measures=list(measures),
        accepted=accepted,
        why=why,
    )
    return Delivery.objects.create(release=release, author=author, record=record.model_dump(mode="json"))


def _now() -> str:
    return timezone.now().isoformat(timespec="seconds")
