"""A shop's library of parts, revision by revision."""

import uuid

from django.conf import settings
from django.db import models

from accounts.models import Shop
from driveline.job.library import PartKind


class Part(models.Model):
    """A part that a shop uses in several jobs."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    shop = models.ForeignKey(Shop, on_delete=models.PROTECT, related_name="parts")
    kind = models.CharField(max_length=12)
    name = models.CharField(max_length=80)
    is_retired = models.BooleanField(default=False)

    class Meta:
        ordering = ["kind", "name"]
        constraints = [
            models.UniqueConstraint(
                fields=["shop", "kind", "name"], condition=models.Q(is_retired=False), name="part_named_once_per_kind"
            ),
            models.CheckConstraint(
                condition=models.Q(kind__in=[kind.value for kind in PartKind]), name="part_kind_known"
            ),
        ]

    def __str__(self) -> str:
        return self.name


class PartRevision(models.Model):
    """A part as one person wrote it down, and where the figures are from. Jobs keep their own copies of it."""

    part = models.ForeignKey(Part, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    source = models.CharField(max_length=300)
    content = models.JSONField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    saved_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-number"]
        constraints = [
            models.UniqueConstraint(fields=["part", "number"], name="part_revision_numbered_once"),
            models.CheckConstraint(condition=~models.Q(source=""), name="part_revision_says_its_source"),
        ]

    def __str__(self) -> str:
        return f"{self.part.name} {self.number}"
