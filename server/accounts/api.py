"""Signing in and out."""

from django.contrib.auth import authenticate, login, logout
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
from fernback.problems import problem

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


@router.delete("", response={204: None}, operation_id="session_delete")
def sign_out(request: HttpRequest) -> tuple[int, None]:
    """Sign out."""
    logout(request)
    return 204, None
