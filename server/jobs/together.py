"""Who has a job open beside one, and on which bench."""

from datetime import timedelta
from typing import Final
from uuid import UUID

from django.db.models import QuerySet
from django.utils import timezone

from accounts.models import User
from jobs.models import Job, Presence

GONE_AFTER: Final = timedelta(seconds=20)
FORGOTTEN_AFTER: Final = timedelta(hours=1)


def seen(*, job: Job, user: User, tab: UUID, bench: str) -> QuerySet[Presence]:
    """Keep that somebody has a job open in a tab; return the other tabs that have it open."""
    now = timezone.now()
    Presence.objects.filter(seen_at__lt=now - FORGOTTEN_AFTER).delete()
    Presence.objects.update_or_create(job=job, tab=tab, defaults={"user": user, "bench": bench, "seen_at": now})
    return job.presences.filter(seen_at__gt=now - GONE_AFTER).exclude(tab=tab).select_related("user").order_by("pk")


def others_inside(*, job: Job, user: User) -> list[str]:
    """Return the names of the others who have a job open now, each once."""
    now = timezone.now()
    open_now = (
        job.presences.filter(seen_at__gt=now - GONE_AFTER).exclude(user=user).select_related("user").order_by("pk")
    )
    return list(dict.fromkeys(str(one.user) for one in open_now))
