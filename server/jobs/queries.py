"""What a person may see and change of jobs."""

from django.db.models import QuerySet

from accounts.models import EDITORS, User
from jobs.models import Job, JobVersion


def jobs_visible_to(user: User) -> QuerySet[Job]:
    """Return the jobs of every shop that a person belongs to."""
    return Job.objects.filter(shop__memberships__user=user).select_related("shop")


def jobs_editable_by(user: User) -> QuerySet[Job]:
    """Return the jobs that a person may change."""
    return Job.objects.filter(shop__memberships__user=user, shop__memberships__role__in=EDITORS).select_related("shop")


def may_edit(user: User, job: Job) -> bool:
    """Say whether a person may change a job."""
    return jobs_editable_by(user).filter(pk=job.pk).exists()


def gearing_changes(job: Job) -> list[JobVersion]:
    """Return the versions in which the chosen gearing or its reason is not that of the version before, newest first."""
    changes = []
    before = None
    for version in job.versions.select_related("author").order_by("number"):
        choice = version.sheets["ratios"]["choice"]
        if choice != before:
            changes.append(version)
        before = choice
    return changes[::-1]
