"""What was released to be made, and what came back: records that are only ever added to."""

from django.conf import settings
from django.db import models

from jobs.models import Job


class Release(models.Model):
    """A part as it was released. Never changed afterwards: a trigger refuses it."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="releases")
    part = models.CharField(max_length=80)
    letter = models.CharField(max_length=2)
    sha256 = models.CharField(max_length=64)
    record = models.JSONField()  # the core's own Release, whole
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    kept_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["pk"]
        constraints = [models.UniqueConstraint(fields=["job", "part", "letter"], name="release_lettered_once")]

    def __str__(self) -> str:
        return f"{self.job.name} {self.part} {self.letter}"


class Delivery(models.Model):
    """A delivered part, measured and signed for. Never changed afterwards: a trigger refuses it."""

    release = models.ForeignKey(Release, on_delete=models.CASCADE, related_name="deliveries")
    record = models.JSONField()  # the core's own Incoming, whole
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    kept_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["pk"]
        verbose_name_plural = "deliveries"

    def __str__(self) -> str:
        return f"{self.release}, delivered"
