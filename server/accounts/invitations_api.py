"""Coming in by a link: what it is for, and taking it. The link is its own right, so nobody need be signed in."""

from datetime import datetime

from django.db import transaction
from django.http import HttpRequest
from ninja import Router, Schema
from ninja.errors import HttpError
from ninja.utils import check_csrf
from pydantic import Field

from accounts.api import Me, me_of
from accounts.events import note
from accounts.invitations import invitation_of, join, new_person
from accounts.models import EventKind, Role, User
from accounts.sessions import begin_session
from fernback.inputs import Input
from fernback.problems import Problem

router = Router(tags=["invitations"])


class LookIn(Input):
    """The token of a link."""

    token: str = Field(min_length=1, max_length=100)


class Asked(Schema):
    """What a link is for; without a shop it starts one."""

    shop: str | None
    role: Role
    by: str
    expires_at: datetime


class TakeIn(LookIn):
    """Who comes in; whoever is signed in already comes as they are, and says only what the shop is called."""

    shop: str = Field("", max_length=80)
    username: str = Field("", max_length=150)
    name: str = Field("", max_length=150)
    password: str = Field("", max_length=200)


@router.post("/look", auth=None, response={200: Asked, 404: Problem, 422: Problem}, operation_id="invitation_look")
def look(request: HttpRequest, payload: LookIn) -> Asked:  # noqa: ARG001 - a route
    """Say what a link is for."""
    found = invitation_of(payload.token)
    return Asked(
        shop=None if found.shop is None else found.shop.name,
        role=Role(found.role),
        by=str(found.made_by or ""),
        expires_at=found.expires_at,
    )


@router.post(
    "/take",
    auth=None,
    response={200: Me, 403: Problem, 404: Problem, 409: Problem, 422: Problem},
    operation_id="invitation_take",
)
@transaction.atomic
def take(request: HttpRequest, payload: TakeIn) -> Me:
    """Come in by a link: as who is signed in, or as somebody new."""
    if check_csrf(request, take):
        raise HttpError(403, "Reload the page and try again.")
    invitation_of(payload.token)  # of no use: said before anything else is complained about
    is_new = not isinstance(request.user, User)
    user = (
        new_person(username=payload.username, name=payload.name, password=payload.password)
        if not isinstance(request.user, User)
        else request.user
    )
    place = join(token=payload.token, user=user, shop_name=payload.shop)
    if is_new:
        begin_session(request, user, is_trusted=False)
    note(request, EventKind.JOINED, f"Came in as {place.role}.", user=user, shop=place.shop)
    return me_of(user)
