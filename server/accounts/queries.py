"""What a person may see of shops."""

from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja.errors import HttpError

from accounts.models import EDITORS, Membership, Role, Shop, User


def person(request: HttpRequest) -> User:
    """Return who is signed in; for routes that only people reach."""
    if not isinstance(request.user, User):
        raise TypeError("route without sign-in asked who is signed in")
    return request.user


def memberships_of(user: User) -> QuerySet[Membership]:
    """Return a person's places in shops, by the shop's name."""
    return Membership.objects.filter(user=user, shop__put_away_at=None).select_related("shop").order_by("shop__name")


def shops_editable_by(user: User) -> QuerySet[Shop]:
    """Return the shops in which a person may change things."""
    return Shop.objects.filter(memberships__user=user, memberships__role__in=EDITORS, put_away_at=None)


def require_owner(request: HttpRequest, shop_id: int) -> Shop:
    """Return a shop that a person owns: 404 for a stranger's, 403 for one that they only belong to."""
    place = get_object_or_404(memberships_of(person(request)), shop_id=shop_id)
    if place.role != Role.OWNER:
        raise HttpError(403, "Only an owner of the shop may do that.")
    return place.shop
