"""Signing in and out."""

import hashlib
from datetime import datetime

from django.contrib.auth import authenticate, logout, update_session_auth_hash
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from django.views.decorators.csrf import ensure_csrf_cookie
from ninja import Router, Schema
from ninja.decorators import decorate_view
from ninja.errors import HttpError
from ninja.utils import check_csrf
from pydantic import Field

from accounts.events import is_spraying, note, note_wrong_password
from accounts.models import EventKind, Opening, PersonSession, Role, User
from accounts.queries import memberships_of, person
from accounts.second_factor import takes
from accounts.sessions import DEVICE, begin_session
from driveline.figures import System
from fernback.inputs import Input
from fernback.problems import FieldProblem, Problem, problem

router = Router(tags=["session"])


class SignIn(Input):
    """Name and password."""

    username: str = Field(min_length=1, max_length=150)
    password: str = Field(min_length=1, max_length=200)
    code: str = Field("", max_length=20)  # of the second factor, where there is one
    is_trusted: bool = False  # a device of their own: they stay signed in longer


class Place(Schema):
    """A person's place in a shop."""

    shop_id: int
    shop: str
    role: Role


class Me(Schema):
    """Who is signed in."""

    username: str
    name: str
    units: System  # that every figure is shown in
    opens: Opening  # what is seen first after signing in
    has_second: bool  # asks for a code at signing in
    shops: list[Place]


class Preferences(Input):
    """What a person likes; what is left out stays."""

    units: System | None = None
    opens: Opening | None = None
    name: str | None = Field(None, max_length=150)


class Device(Schema):
    """A device that a person is signed in on."""

    id: str
    device: str
    began_at: datetime
    seen_at: datetime
    ends_at: datetime
    is_this: bool


class NewPassword(Input):
    """The password of now, and the one to come."""

    current: str = Field(min_length=1, max_length=200)
    new: str = Field(min_length=1, max_length=200)


class Ended(Schema):
    """How many other devices were signed out."""

    count: int


class Session(Schema):
    """The page's session; nobody is signed in while ``me`` is empty."""

    me: Me | None


def locked_out(_request: HttpRequest, _credentials: object, *_args: object, **_kwargs: object) -> HttpResponse:
    """Answer too many wrong passwords, in the form of every other refusal."""
    return problem(429, "Too many wrong passwords. Wait a quarter of an hour, then try again.")


def me_of(user: User) -> Me:
    """Return who somebody is, as the page needs it."""
    places = [Place(shop_id=m.shop.pk, shop=m.shop.name, role=Role(m.role)) for m in memberships_of(user)]
    return Me(
        username=user.username,
        name=str(user),
        units=System(user.units),
        opens=Opening(user.opens),
        has_second=bool(user.second_secret),
        shops=places,
    )


@router.post("", auth=None, response=Me, operation_id="session_create")
def sign_in(request: HttpRequest, payload: SignIn) -> Me | HttpResponse:
    """Sign in; five wrong passwords lock the name out for a quarter of an hour."""
    if check_csrf(request, sign_in):
        raise HttpError(403, "Reload the page and sign in again.")
    if is_spraying(request, payload.username):
        return locked_out(request, None)
    user = authenticate(request, username=payload.username, password=payload.password)
    if not isinstance(user, User):
        note_wrong_password(request, payload.username)
    if getattr(request, "axes_locked_out", False):
        return locked_out(request, None)
    if not isinstance(user, User):
        raise HttpError(401, "Name or password is wrong.")
    if user.second_secret and not payload.code:
        return problem(401, "Your authenticator's six digits, please.", [FieldProblem(field="code", says="")])
    if user.second_secret and not takes(user.pk, payload.code):
        note(request, EventKind.WRONG_CODE, "A wrong code was given after the password.", user=user)
        says = "That is not the code of now, or it was used already."
        return problem(401, says, [FieldProblem(field="code", says=says)])
    begin_session(request, user, is_trusted=payload.is_trusted)
    note(request, EventKind.SIGNED_IN, f"Signed in on {request.session[DEVICE]}.", user=user)
    return me_of(user)


@router.get("", auth=None, response=Session, operation_id="session_read")
@decorate_view(ensure_csrf_cookie)
def who(request: HttpRequest) -> Session:
    """Say who is signed in, if anybody is."""
    return Session(me=me_of(request.user) if isinstance(request.user, User) else None)


@router.patch("", response=Me, operation_id="session_prefer")
def prefer(request: HttpRequest, payload: Preferences) -> Me:
    """Keep what a person likes and is called."""
    user = person(request)
    if payload.units is not None:
        user.units = payload.units.value
    if payload.opens is not None:
        user.opens = payload.opens.value
    if payload.name is not None:
        user.first_name = payload.name.strip()
    user.save(update_fields=["units", "opens", "first_name"])
    return me_of(user)


@router.post(
    "/password", response={200: Ended, 401: Problem, 422: Problem, 429: Problem}, operation_id="password_change"
)
def change_password(request: HttpRequest, payload: NewPassword) -> Ended | HttpResponse:
    """Change one's own password; every other device is signed out. Wrong ones count as they do at signing in."""
    user = person(request)
    if authenticate(request, username=user.username, password=payload.current) is None:
        note_wrong_password(request, user.username)
        if getattr(request, "axes_locked_out", False):
            return locked_out(request, None)
        says = "That is not your password now."
        return problem(422, says, [FieldProblem(field="current", says=says)])
    try:
        validate_password(payload.new, user)
    except ValidationError as error:
        says = " ".join(error.messages)
        return problem(422, says, [FieldProblem(field="new", says=says)])
    user.set_password(payload.new)
    user.save(update_fields=["password"])
    update_session_auth_hash(request, user)
    note(request, EventKind.PASSWORD_CHANGED, "Changed their password.", user=user)
    return _ended_elsewhere(request, user)


@router.get("/devices", response=list[Device], operation_id="devices_list")
def list_devices(request: HttpRequest) -> list[Device]:
    """List where a person is signed in, this device first."""
    here = request.session.session_key
    found = person(request).sessions.filter(expire_date__gt=timezone.now())
    lines = [
        Device(
            id=_device_id(one),
            device=one.device or "A browser",
            began_at=one.began_at,
            seen_at=one.seen_at,
            ends_at=one.expire_date,
            is_this=one.session_key == here,
        )
        for one in found.order_by("-seen_at")
    ]
    return sorted(lines, key=lambda one: not one.is_this)


@router.delete("/devices/{device_id}", response={204: None, 404: Problem}, operation_id="device_end")
def end_device(request: HttpRequest, device_id: str) -> tuple[int, None]:
    """Sign out on one device."""
    for session in person(request).sessions.all():
        if _device_id(session) == device_id:
            session.delete()
            note(request, EventKind.SIGNED_OUT, f"Signed out {session.device or 'a device'}.", user=person(request))
            return 204, None
    raise HttpError(404, "That device is signed out already.")


def _device_id(session: PersonSession) -> str:
    """A session's key opens it, so it is named by its hash."""
    return hashlib.sha256(session.session_key.encode()).hexdigest()[:16]


@router.delete("/others", response=Ended, operation_id="sessions_end")
def end_others(request: HttpRequest) -> Ended:
    """Sign out on every other device."""
    return _ended_elsewhere(request, person(request))


def _ended_elsewhere(request: HttpRequest, user: User) -> Ended:
    count, _ = user.sessions.exclude(session_key=request.session.session_key).delete()
    return Ended(count=count)


@router.delete("", response={204: None}, operation_id="session_delete")
def sign_out(request: HttpRequest) -> tuple[int, None]:
    """Sign out."""
    logout(request)
    return 204, None
