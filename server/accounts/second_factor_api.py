"""A person's own second factor: begun with a code of it, ended with the password."""

from django.contrib.auth import authenticate
from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema, Status
from pydantic import Field

from accounts.api import locked_out
from accounts.events import note, note_wrong_password
from accounts.invitations import NotTaken
from accounts.models import EventKind, User
from accounts.qr import squares_of
from accounts.queries import person
from accounts.second_factor import begin, end, new_secret, uri_of
from fernback.inputs import Input
from fernback.problems import Problem

router = Router(tags=["session"])
SECRET = "second_secret"  # in the session, until a code of it is given
REFUSALS = {401: Problem, 422: Problem, 429: Problem}


class PasswordIn(Input):
    """The password, so that a browser left open is not enough."""

    password: str = Field(min_length=1, max_length=200)


class CodeIn(Input):
    """Six digits."""

    code: str = Field(min_length=6, max_length=20)


class Secret(Schema):
    """What an authenticator wants: as squares to look at, or typed."""

    secret: str
    squares: list[str]


class Spares(Schema):
    """Codes for the day that the phone is lost; each works once, and they are not shown again."""

    spares: list[str]


def _refused(request: HttpRequest, user: User, password: str) -> HttpResponse | None:
    if authenticate(request, username=user.username, password=password) is not None:
        return None
    note_wrong_password(request, user.username)
    if getattr(request, "axes_locked_out", False):
        return locked_out(request, None)
    raise NotTaken("That is not your password.", "password")


@router.post("/secret", response={200: Secret, **REFUSALS}, operation_id="second_secret")
def make_secret(request: HttpRequest, payload: PasswordIn) -> Secret | HttpResponse:
    """Return a secret for an authenticator; nothing is asked for before a code of it was given."""
    user = person(request)
    if refused := _refused(request, user, payload.password):
        return refused
    secret = request.session[SECRET] = new_secret()
    return Secret(secret=secret, squares=squares_of(uri_of(user, secret)))


@router.post("", response={200: Spares, **REFUSALS}, operation_id="second_begin")
def begin_second(request: HttpRequest, payload: CodeIn) -> Spares:
    """Ask for codes from now on, having been given one."""
    user, secret = person(request), request.session.get(SECRET, "")
    spares = begin(user, secret, payload.code.replace(" ", "")) if secret else None
    if spares is None:
        raise NotTaken("That is not the code of now. Look whether the phone's clock is right.", "code")
    del request.session[SECRET]
    note(request, EventKind.SECOND_FACTOR, "Asks for a code at signing in.", user=user)
    return Spares(spares=spares)


@router.post("/end", response={204: None, **REFUSALS}, operation_id="second_end")
def end_second(request: HttpRequest, payload: PasswordIn) -> Status[None] | HttpResponse:
    """Ask for no codes any more."""
    user = person(request)
    if refused := _refused(request, user, payload.password):
        return refused
    end(user)
    note(request, EventKind.SECOND_FACTOR, "Asks for no code at signing in any more.", user=user)
    return Status(204, None)
