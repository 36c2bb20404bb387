"""The scans of a shop: big files that jobs name by what they hold."""

import uuid

from django.conf import settings
from django.db import models

from accounts.models import Shop


class State(models.TextChoices):
    """How far a scan has come."""

    WAITING = "waiting"
    PREPARING = "preparing"
    READY = "ready"
    REFUSED = "refused"


class Scan(models.Model):
    """A scan as a shop brought it."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    shop = models.ForeignKey(Shop, on_delete=models.PROTECT, related_name="scans")
    sha256 = models.CharField(max_length=64)
    name = models.CharField(max_length=120)
    size_bytes = models.BigIntegerField()
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    done = models.FloatField(default=0.0)  # share
    says = models.CharField(max_length=500, default="")  # why it was refused
    tries = models.PositiveSmallIntegerField(default=0)
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    saved_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-saved_at"]
        constraints = [
            models.UniqueConstraint(fields=["shop", "sha256"], name="scan_once_a_shop"),
            models.CheckConstraint(condition=models.Q(state__in=State.values), name="scan_state_known"),
        ]

    def __str__(self) -> str:
        return self.name
