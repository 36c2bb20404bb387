"""What a person may see of shops."""

from django.db.models import QuerySet
from django.http import HttpRequest

from accounts.models import EDITORS, Membership, Shop, User


def person(request: HttpRequest) -> User:
    """Return who is signed in; for routes that only people reach."""
    if not isinstance(request.user, User):
        raise TypeError("route without sign-in asked who is signed in")
    return request.user


def memberships_of(user: User) -> QuerySet[Membership]:
    """Return a person's places in shops, by the shop's name."""
    return Membership.objects.filter(user=user).select_related("shop").order_by("shop__name")


def shops_editable_by(user: User) -> QuerySet[Shop]:
    """Return the shops in which a person may change things."""
    return Shop.objects.filter(memberships__user=user, memberships__role__in=EDITORS)
