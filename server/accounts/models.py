"""People, shops, who may do what in which shop, and what was done at their doors."""

from django.contrib.auth.models import AbstractUser
from django.contrib.sessions.backends.base import SessionBase
from django.contrib.sessions.base_session import AbstractBaseSession
from django.db import models
from django.utils import timezone

from driveline.figures import System


class Opening(models.TextChoices):
    """What a person sees first after signing in."""

    JOBS = "jobs"
    LAST_JOB = "last_job"


class User(AbstractUser):
    """A person who signs in."""

    units = models.CharField(max_length=20, choices=[(one.value, one.value) for one in System], default=System.METRIC)
    opens = models.CharField(max_length=10, choices=Opening.choices, default=Opening.JOBS)
    second_secret = models.CharField(max_length=64, blank=True)  # empty without a second factor
    second_step = models.BigIntegerField(default=0)  # of the last code taken: none is taken twice
    second_spares = models.JSONField(default=list)  # hashes of the spare codes that are left

    class Meta(AbstractUser.Meta):
        constraints = [
            models.CheckConstraint(
                condition=models.Q(units__in=[one.value for one in System]), name="user_units_known"
            ),
            models.CheckConstraint(condition=models.Q(opens__in=Opening.values), name="user_opens_known"),
        ]

    def __str__(self) -> str:
        return self.get_full_name() or self.username


class PersonSession(AbstractBaseSession):
    """A browser that somebody has signed in on: whose, on what, since when and when it was last heard of."""

    user = models.ForeignKey(User, on_delete=models.CASCADE, null=True, related_name="sessions")
    device = models.CharField(max_length=80, blank=True)
    began_at = models.DateTimeField(default=timezone.now)
    seen_at = models.DateTimeField(default=timezone.now)

    class Meta(AbstractBaseSession.Meta):
        pass

    @classmethod
    def get_session_store_class(cls) -> type[SessionBase]:
        from accounts.sessions import SessionStore  # it needs this model

        return SessionStore


class Shop(models.Model):
    """A workshop. Every job belongs to one."""

    name = models.CharField(max_length=80, unique=True)
    is_demo = models.BooleanField(default=False)
    put_away_at = models.DateTimeField(null=True, blank=True)  # only the demo's

    def __str__(self) -> str:
        return self.name


class Role(models.TextChoices):
    """What a member may do: an owner and a fabricator edit, a viewer looks."""

    OWNER = "owner"
    FABRICATOR = "fabricator"
    VIEWER = "viewer"


EDITORS = (Role.OWNER, Role.FABRICATOR)


class Membership(models.Model):
    """A person's place in a shop."""

    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="memberships")
    shop = models.ForeignKey(Shop, on_delete=models.CASCADE, related_name="memberships")
    role = models.CharField(max_length=12, choices=Role.choices)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["user", "shop"], name="membership_once_per_shop"),
            models.CheckConstraint(condition=models.Q(role__in=Role.values), name="membership_role_known"),
        ]

    def __str__(self) -> str:
        return f"{self.user}, {self.role} of {self.shop}"


class Invitation(models.Model):
    """A one-time link into a shop, or to start one. Only its hash is kept: the link is shown once."""

    shop = models.ForeignKey(Shop, on_delete=models.CASCADE, null=True, related_name="invitations")
    role = models.CharField(max_length=12, choices=Role.choices)
    token_sha256 = models.CharField(max_length=64, unique=True)
    made_by = models.ForeignKey(User, on_delete=models.CASCADE, null=True, related_name="+")
    made_at = models.DateTimeField(auto_now_add=True)
    expires_at = models.DateTimeField()

    class Meta:
        constraints = [models.CheckConstraint(condition=models.Q(role__in=Role.values), name="invitation_role_known")]

    def __str__(self) -> str:
        return f"{self.role} of {self.shop or 'a new shop'}"


class EventKind(models.TextChoices):
    """What is worth remembering of people and doors."""

    SIGNED_IN = "signed_in"
    WRONG_PASSWORD = "wrong_password"
    WRONG_CODE = "wrong_code"  # after a right password
    PASSWORD_CHANGED = "password_changed"
    SECOND_FACTOR = "second_factor"
    SIGNED_OUT = "signed_out"
    INVITED = "invited"
    JOINED = "joined"
    ROLE_CHANGED = "role_changed"
    REMOVED = "removed"
    DELETED = "deleted"
    EXPORTED = "exported"


class Event(models.Model):
    """Something that was done at a shop's doors. Never changed or taken away: the server may not."""

    kind = models.CharField(max_length=20, choices=EventKind.choices)
    user = models.ForeignKey(User, on_delete=models.CASCADE, null=True, related_name="events")  # who did it
    shop = models.ForeignKey(Shop, on_delete=models.CASCADE, null=True, related_name="events")
    at = models.DateTimeField(default=timezone.now, db_index=True)
    address = models.CharField(max_length=45, blank=True)
    says = models.CharField(max_length=300)

    class Meta:
        ordering = ["-at", "-pk"]
        indexes = [models.Index(fields=["address", "kind", "at"], name="event_by_address")]

    def __str__(self) -> str:
        return f"{self.at:%Y-%m-%d %H:%M} {self.says}"
