"""People, shops, and who may do what in which shop."""

from django.contrib.auth.models import AbstractUser
from django.contrib.sessions.backends.base import SessionBase
from django.contrib.sessions.base_session import AbstractBaseSession
from django.db import models

from driveline.figures import System


class User(AbstractUser):
    """A person who signs in."""

    units = models.CharField(max_length=20, choices=[(one.value, one.value) for one in System], default=System.METRIC)

    class Meta(AbstractUser.Meta):
        constraints = [
            models.CheckConstraint(condition=models.Q(units__in=[one.value for one in System]), name="user_units_known")
        ]

    def __str__(self) -> str:
        return self.get_full_name() or self.username


class PersonSession(AbstractBaseSession):
    """A browser that somebody has signed in on, and who it is."""

    user = models.ForeignKey(User, on_delete=models.CASCADE, null=True, related_name="sessions")

    class Meta(AbstractBaseSession.Meta):
        pass

    @classmethod
    def get_session_store_class(cls) -> type[SessionBase]:
        from accounts.sessions import SessionStore  # it needs this model

        return SessionStore


class Shop(models.Model):
    """A workshop. Every job belongs to one."""

    name = models.CharField(max_length=80, unique=True)

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
