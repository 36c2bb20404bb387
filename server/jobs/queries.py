"""What a person may see and change of jobs."""

from collections.abc import Sequence
from uuid import UUID

from django.db.models import QuerySet
from django.shortcuts import get_object_or_404
from ninja.errors import HttpError

from accounts.models import EDITORS, User
from driveline.benches.ratios.sheet import Choice
from driveline.job.versions import sheets_brought_up
from driveline.margins import MARGIN_TITLES
from jobs.models import Job, JobVersion


def jobs_visible_to(user: User) -> QuerySet[Job]:
    """Return the jobs of every shop that a person belongs to."""
    return Job.objects.filter(shop__memberships__user=user, shop__put_away_at=None).select_related("shop")


def jobs_editable_by(user: User) -> QuerySet[Job]:
    """Return the jobs that a person may change."""
    places = {"shop__memberships__user": user, "shop__memberships__role__in": EDITORS}
    return Job.objects.filter(**places, shop__put_away_at=None).select_related("shop")


def require_editable(user: User, job_id: UUID) -> Job:
    """Return a job to change: 404 for a stranger's, 403 for one that this person may only look at."""
    job = get_object_or_404(jobs_visible_to(user), pk=job_id)
    if not may_edit(user, job):
        raise HttpError(403, "You may look at this job but not change it. Ask the shop's owner.")
    return job


def may_edit(user: User, job: Job) -> bool:
    """Say whether a person may change a job."""
    return jobs_editable_by(user).filter(pk=job.pk).exists()


def margin_changes(job: Job) -> list[tuple[JobVersion, str, float | None, str]]:
    """Return every saved change of a wanted margin or of its reason, the newest first: kind, margin, why."""
    changes: list[tuple[JobVersion, str, float | None, str]] = []
    before: dict[str, tuple[float | None, str]] = {}
    for version in job.versions.select_related("author").order_by("number"):
        stated = version.sheets.get("margins") or {}
        reasons = stated.get("reasons") or {}
        now: dict[str, tuple[float | None, str]] = {
            kind: (stated.get(kind), reasons.get(kind, "")) for kind in MARGIN_TITLES
        }
        changes += [(version, kind, *now[kind]) for kind in now if now[kind] != before.get(kind, (None, ""))]
        before = now
    return changes[::-1]


def gearing_changes(job: Job) -> list[tuple[JobVersion, Choice | None]]:
    """Return the versions in which the chosen gearing or its reason is not that of the version before, newest first."""
    changes: list[tuple[JobVersion, Choice | None]] = []
    before = None
    for version in job.versions.select_related("author").order_by("number"):
        choice = version.sheets["ratios"]["choice"]
        if choice != before:
            changes.append((version, choice and Choice.model_validate(choice)))
        before = choice
    return changes[::-1]


def field_changes(job: Job, path: Sequence[str | int]) -> list[tuple[JobVersion, object, object]]:
    """Return every saved change of a field, the newest first: the version that made it, what was and what is.

    A row of a list goes by its name where ``path`` has one there, else by its place.
    """
    changes: list[tuple[JobVersion, object, object]] = []
    before: object = None
    for version in job.versions.select_related("author").order_by("number").iterator(chunk_size=20):
        now = _value_at(sheets_brought_up(version.sheets, version.format_version), path)
        if now != before:
            changes.append((version, before, now))
        before = now
    return changes[::-1]


def _value_at(value: object, path: Sequence[str | int]) -> object:
    for step in path:
        if isinstance(value, dict):
            value = value.get(step)
        elif isinstance(value, list) and isinstance(step, int):
            value = value[step] if 0 <= step < len(value) else None
        elif isinstance(value, list):
            value = next((row for row in value if isinstance(row, dict) and row.get("name") == step), None)
        else:
            return None
    return value
