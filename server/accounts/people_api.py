"""A shop's people, for its owners: who is in it, who is asked in, and what was done at its doors."""

from datetime import datetime

from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status
from ninja.errors import HttpError

from accounts.events import events_of, note
from accounts.invitations import NotTaken, invite, open_invitations
from accounts.models import Event, EventKind, Membership, Role, Shop, User
from accounts.people import change_role, demo, has_own_shop, keeps_machine, put_demo_away, take_away
from accounts.qr import squares_of
from accounts.queries import person, require_owner
from driveline.sheet import Name
from fernback.inputs import Input
from fernback.problems import Problem

router = Router(tags=["shops"])
REFUSALS = {403: Problem, 404: Problem, 409: Problem, 422: Problem}
MOST_EVENTS = 100


class PersonLine(Schema):
    """Somebody in a shop."""

    id: int
    username: str
    name: str
    role: Role
    last_seen_at: datetime | None  # signed in somewhere, or the last time that they did


class InvitationLine(Schema):
    """A link that nobody used yet. What it is can't be shown again."""

    id: int
    role: Role
    made_by: str
    expires_at: datetime


class People(Schema):
    """Who is in a shop, and who is asked in."""

    shop: str
    people: list[PersonLine]
    invitations: list[InvitationLine]


class InviteIn(Input):
    """As what somebody is asked in."""

    role: Role


class RoleIn(Input):
    """As what somebody goes on."""

    role: Role


class Link(Schema):
    """A one-time link, to copy or to look at with a phone: shown now and never again."""

    link: str
    role: Role
    expires_at: datetime
    squares: list[str]  # of its QR code, a row each, 1 for a dark one


class EventLine(Schema):
    """Something that was done."""

    id: int
    at: datetime
    by: str
    address: str
    says: str


class DemoState(Schema):
    """Whether there is a demo here, whether it is put away, and what this person may do about it."""

    is_here: bool
    is_put_away: bool
    may_put_away: bool
    may_start_shop: bool


class PutDemoAwayIn(Input):
    """Whether the demo is put away or fetched back."""

    is_put_away: bool


class ShopIn(Input):
    """What a shop is called."""

    name: Name


def _line(place: Membership) -> PersonLine:
    seen = max((session.seen_at for session in place.user.sessions.all()), default=place.user.last_login)
    return PersonLine(
        id=place.user.pk, username=place.user.username, name=str(place.user), role=Role(place.role), last_seen_at=seen
    )


def _link(request: HttpRequest, *, role: Role, shop: Shop | None) -> Link:
    made, token = invite(role=role, shop=shop, made_by=person(request))
    # After the hash sign: what stands there is never sent, so no log of a server or proxy holds it.
    link = f"{request.build_absolute_uri('/join')}#{token}"
    return Link(link=link, role=role, expires_at=made.expires_at, squares=squares_of(link))


def _may_start_shop(user: User) -> bool:
    shop = demo()
    return (
        shop is not None
        and not has_own_shop()
        and Membership.objects.filter(user=user, shop=shop, role=Role.OWNER).exists()
    )


@router.get("/demo", response=DemoState, operation_id="demo_read")
def read_demo(request: HttpRequest) -> DemoState:
    """Say how it stands with the demo."""
    shop, user = demo(), person(request)
    return DemoState(
        is_here=shop is not None,
        is_put_away=shop is not None and shop.put_away_at is not None,
        may_put_away=shop is not None and keeps_machine(user),
        may_start_shop=_may_start_shop(user),
    )


@router.patch("/demo", response={200: DemoState, **REFUSALS}, operation_id="demo_put_away")
def put_away(request: HttpRequest, payload: PutDemoAwayIn) -> DemoState:
    """Put the demo away, or fetch it back."""
    shop = demo()
    if shop is None or not keeps_machine(person(request)):
        raise HttpError(403, "Only an owner of the first shop on this machine may put the demo away.")
    put_demo_away(shop, is_put_away=payload.is_put_away)
    return read_demo(request)


@router.post("/first", response={201: Link, **REFUSALS}, operation_id="shop_first")
def start_first(request: HttpRequest) -> Status[Link]:
    """Return a link that starts this machine's first shop, to the demo's owner, while there is none."""
    if not _may_start_shop(person(request)):
        raise HttpError(403, "Only the demo's owner may, and only while this machine has no shop of its own.")
    return Status(201, _link(request, role=Role.OWNER, shop=None))


@router.get("/{int:shop_id}", response={200: People, **REFUSALS}, operation_id="people_list")
def list_people(request: HttpRequest, shop_id: int) -> People:
    """List the people of a shop and the links that are out."""
    shop = require_owner(request, shop_id)
    places = shop.memberships.select_related("user").prefetch_related("user__sessions")
    return People(
        shop=shop.name,
        people=sorted((_line(place) for place in places), key=lambda one: one.name.lower()),
        invitations=[
            InvitationLine(id=one.pk, role=Role(one.role), made_by=str(one.made_by or ""), expires_at=one.expires_at)
            for one in open_invitations().filter(shop=shop).order_by("expires_at")
        ],
    )


@router.patch("/{int:shop_id}", response={204: None, **REFUSALS}, operation_id="shop_rename")
def rename(request: HttpRequest, shop_id: int, payload: ShopIn) -> Status[None]:
    """Call a shop by another name."""
    shop = require_owner(request, shop_id)
    if Shop.objects.filter(name=payload.name).exclude(pk=shop.pk).exists():
        raise NotTaken(f"There is a shop called {payload.name} here already.", "name")
    shop.name = payload.name
    shop.save(update_fields=["name"])
    return Status(204, None)


@router.post("/{int:shop_id}/invitations", response={201: Link, **REFUSALS}, operation_id="invitation_make")
def make_invitation(request: HttpRequest, shop_id: int, payload: InviteIn) -> Status[Link]:
    """Return a one-time link into a shop."""
    shop = require_owner(request, shop_id)
    link = _link(request, role=payload.role, shop=shop)
    note(request, EventKind.INVITED, f"Made a link for one {payload.role.value}.", user=person(request), shop=shop)
    return Status(201, link)


@router.delete(
    "/{int:shop_id}/invitations/{int:invitation_id}",
    response={204: None, **REFUSALS},
    operation_id="invitation_withdraw",
)
def withdraw(request: HttpRequest, shop_id: int, invitation_id: int) -> Status[None]:
    """Withdraw a link that nobody used yet."""
    shop = require_owner(request, shop_id)
    get_object_or_404(shop.invitations, pk=invitation_id).delete()
    note(request, EventKind.INVITED, "Withdrew a link.", user=person(request), shop=shop)
    return Status(204, None)


@router.patch("/{int:shop_id}/people/{int:user_id}", response={204: None, **REFUSALS}, operation_id="person_role")
def give_role(request: HttpRequest, shop_id: int, user_id: int, payload: RoleIn) -> Status[None]:
    """Give a member another role."""
    shop = require_owner(request, shop_id)
    place = change_role(shop=shop, user_id=user_id, role=payload.role)
    note(request, EventKind.ROLE_CHANGED, f"Made {place.user} {place.role}.", user=person(request), shop=shop)
    return Status(204, None)


@router.delete("/{int:shop_id}/people/{int:user_id}", response={204: None, **REFUSALS}, operation_id="person_remove")
def remove(request: HttpRequest, shop_id: int, user_id: int) -> Status[None]:
    """Take somebody's place in a shop away."""
    shop = require_owner(request, shop_id)
    gone = take_away(shop=shop, user_id=user_id)
    note(request, EventKind.REMOVED, f"Took {gone} out of the shop.", user=person(request), shop=shop)
    return Status(204, None)


@router.get("/{int:shop_id}/events", response={200: list[EventLine], **REFUSALS}, operation_id="events_list")
def list_events(request: HttpRequest, shop_id: int, before: int | None = None) -> list[EventLine]:
    """List what was done at a shop's doors, the newest first, a hundred at a time."""
    found = events_of(require_owner(request, shop_id))
    if before is not None:
        found = found.filter(pk__lt=before)
    return [_event(one) for one in found[:MOST_EVENTS]]


def _event(one: Event) -> EventLine:
    return EventLine(id=one.pk, at=one.at, by=str(one.user or ""), address=one.address, says=one.says)
