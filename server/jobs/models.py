"""Jobs, and their sheets as they were saved, version by version."""

import uuid

from django.conf import settings
from django.db import models

from accounts.models import Shop


class Job(models.Model):
    """A vehicle being converted."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    shop = models.ForeignKey(Shop, on_delete=models.PROTECT, related_name="jobs")
    name = models.CharField(max_length=80)
    about = models.TextField(blank=True, max_length=2000)
    created_at = models.DateTimeField(auto_now_add=True)
    put_away_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["name", "created_at"]
        constraints = [models.CheckConstraint(condition=~models.Q(name=""), name="job_has_a_name")]

    def __str__(self) -> str:
        return self.name


class JobVersion(models.Model):
    """The sheets of a job as one person saved them. Never changed afterwards: a trigger refuses it."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.PROTECT, related_name="+")
    saved_at = models.DateTimeField(auto_now_add=True)
    note = models.CharField(max_length=200, blank=True)
    sheets = models.JSONField()
    format_version = models.PositiveSmallIntegerField(default=1)  # of the job file that the sheets are as in
    # What the checks came to when it was saved, so that a list of jobs need not evaluate them all.
    worst = models.CharField(max_length=10)
    worst_title = models.CharField(max_length=200, blank=True)
    stage = models.CharField(max_length=60)  # the furthest bench and how far it has come
    fails = models.PositiveIntegerField()
    not_known = models.PositiveIntegerField()
    summary = models.JSONField(default=dict)  # its Line and its steps, small; empty in revisions of before

    class Meta:
        ordering = ["-number"]
        constraints = [models.UniqueConstraint(fields=["job", "number"], name="job_version_numbered_once")]

    def __str__(self) -> str:
        return f"{self.job.name} {self.number}"


class Presence(models.Model):
    """A job open in somebody's tab, when it was last heard of, and on which bench."""

    job = models.ForeignKey(Job, on_delete=models.CASCADE, related_name="presences")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    tab = models.UUIDField()
    bench = models.CharField(max_length=40)
    seen_at = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["job", "tab"], name="presence_once_a_tab")]

    def __str__(self) -> str:
        return f"{self.user} on {self.job.name}"
