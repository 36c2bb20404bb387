"""Signing in and out."""

from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from ninja import Router, Schema
from ninja.decorators import decorate_view
from ninja.errors import HttpError
from ninja.utils import check_csrf
from pydantic import Field

from accounts.models import Role, User
from accounts.queries import memberships_of, person
from driveline.figures import System
from fernback.inputs import Input
from fernback.problems import FieldProblem, Problem, problem

router = Router(tags=["session"])


class SignIn(Input):
    """Name and password."""

    username: str = Field(min_length=1, max_length=150)
    password: str = Field(min_length=1, max_length=200)


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
    shops: list[Place]


class Preferences(Input):
    """What a person likes."""

    units: System


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


def _me(user: User) -> Me:
    places = [Place(shop_id=m.shop.pk, shop=m.shop.name, role=Role(m.role)) for m in memberships_of(user)]
    return Me(username=user.username, name=str(user), units=System(user.units), shops=places)


@router.post("", auth=None, response=Me, operation_id="session_create")
def sign_in(request: HttpRequest, payload: SignIn) -> Me | HttpResponse:
    """Sign in; five wrong passwords lock the name out for a quarter of an hour."""
    if check_csrf(request, sign_in):
        raise HttpError(403, "Reload the page and sign in again.")
    user = authenticate(request, username=payload.username, password=payload.password)
    if getattr(request, "axes_locked_out", False):
        return locked_out(request, None)
    if not isinstance(user, User):
        raise HttpError(401, "Name or password is wrong.")
    login(request, user)
    return _me(user)


@router.get("", auth=None, response=Session, operation_id="session_read")
@decorate_view(ensure_csrf_cookie)
def who(request: HttpRequest) -> Session:
    """Say who is signed in, if anybody is."""
    return Session(me=_me(request.user) if isinstance(request.user, User) else None)


@router.patch("", response=Me, operation_id="session_prefer")
def prefer(request: HttpRequest, payload: Preferences) -> Me:
    """Keep the units that a person reads in."""
    user = person(request)
    user.units = payload.units.value
    user.save(update_fields=["units"])
    return _me(user)


@router.post(
    "/password", response={200: Ended, 401: Problem, 422: Problem, 429: Problem}, operation_id="password_change"
)
def change_password(request: HttpRequest, payload: NewPassword) -> Ended | HttpResponse:
    """Change one's own password; every other device is signed out. Wrong ones count as they do at signing in."""
    user = person(request)
    if authenticate(request, username=user.username, password=payload.current) is None:
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
    return _ended_elsewhere(request, user)


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
