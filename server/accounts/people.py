"""Who is in a shop, and as what; there is an owner at all times. And the demo, which can be put away."""

from django.db import transaction
from django.utils import timezone

from accounts.invitations import NotTaken
from accounts.models import Membership, PersonSession, Role, Shop, User


@transaction.atomic
def change_role(*, shop: Shop, user_id: int, role: Role) -> Membership:
    """Return a member with another role.

    Raises:
        NotTaken: If they are no member, or the last owner.
    """
    place = _place(shop, user_id)
    if role is not Role.OWNER:
        _keep_an_owner(place)
    place.role = role
    place.save(update_fields=["role"])
    return place


@transaction.atomic
def take_away(*, shop: Shop, user_id: int) -> User:
    """Return a person whose place in a shop was taken away; what they saved and released stays, with their name.

    Raises:
        NotTaken: If they are no member, or the last owner.
    """
    place = _place(shop, user_id)
    _keep_an_owner(place)
    place.delete()
    return place.user


def _place(shop: Shop, user_id: int) -> Membership:
    Shop.objects.select_for_update().get(pk=shop.pk)  # two owners may not take each other away at once
    found = Membership.objects.select_related("user").filter(shop=shop, user_id=user_id).first()
    if found is None:
        raise NotTaken("Nobody by that name belongs to this shop.", status=404)
    return found


def _keep_an_owner(place: Membership) -> None:
    owners = Membership.objects.filter(shop_id=place.shop_id, role=Role.OWNER).exclude(pk=place.pk)
    if place.role == Role.OWNER and not owners.exists():
        raise NotTaken(f"{place.user} is the only owner. Make somebody else one first.", status=409)


def demo() -> Shop | None:
    """Return the demo shop, where this machine has one."""
    return Shop.objects.filter(is_demo=True).first()


def keeps_machine(user: User) -> bool:
    """Say whether a person owns the first shop of this machine's own: they say what becomes of the demo."""
    first = Shop.objects.filter(is_demo=False).order_by("pk").first()
    return first is not None and Membership.objects.filter(user=user, shop=first, role=Role.OWNER).exists()


def has_own_shop() -> bool:
    """Say whether anybody started a shop here yet."""
    return Shop.objects.filter(is_demo=False).exists()


@transaction.atomic
def put_demo_away(shop: Shop, *, is_put_away: bool) -> None:
    """Let nobody sign in to the demo any more, or let them again; its jobs are kept."""
    shop.put_away_at = timezone.now() if is_put_away else None
    shop.save(update_fields=["put_away_at"])
    only_here = User.objects.filter(memberships__shop=shop).exclude(memberships__shop__is_demo=False)
    people = list(only_here.values_list("pk", flat=True))
    User.objects.filter(pk__in=people).update(is_active=not is_put_away)
    if is_put_away:
        PersonSession.objects.filter(user_id__in=people).delete()
