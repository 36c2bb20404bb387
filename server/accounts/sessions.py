"""Sessions that know their person, so that one read of the database finds both, and that end by themselves."""

from contextvars import ContextVar
from datetime import datetime, timedelta
from typing import Any, Final

from django.contrib.auth import SESSION_KEY, login
from django.contrib.auth.backends import ModelBackend
from django.contrib.sessions.backends.db import SessionStore as DatabaseStore
from django.contrib.sessions.base_session import AbstractBaseSession
from django.http import HttpRequest
from django.utils import timezone

from accounts.models import PersonSession, User

LASTS: Final = timedelta(hours=12)  # on a device that may be anybody's
LASTS_TRUSTED: Final = timedelta(days=30)
IDLE: Final = timedelta(days=7)  # not heard of for so long, a trusted device is signed out as well
SEEN_EVERY: Final = timedelta(minutes=10)  # so seldom is it written that a session is in use
DEVICE, BEGAN = "device", "began_at"

# The person of the session that this request has just read; taken once, so that no later request meets it.
_READ: ContextVar[User | None] = ContextVar("person_of_the_session_read", default=None)


def begin_session(request: HttpRequest, user: User, *, is_trusted: bool) -> None:
    """Sign somebody in on this device until a time that no use of it moves."""
    login(request, user, backend=f"{SessionBackend.__module__}.{SessionBackend.__qualname__}")
    request.session[DEVICE] = device_of(request.headers.get("User-Agent", ""))
    request.session[BEGAN] = timezone.now().isoformat()
    request.session.set_expiry(timezone.now() + (LASTS_TRUSTED if is_trusted else LASTS))


def device_of(user_agent: str) -> str:
    """Return a browser and its system in words, as far as it says."""
    browsers = (("Edg/", "Edge"), ("Firefox/", "Firefox"), ("Chrome/", "Chrome"), ("Safari/", "Safari"))
    systems = (("iPhone", "iPhone"), ("iPad", "iPad"), ("Android", "Android"), ("Windows", "Windows"))
    more = (("Mac OS X", "Mac"), ("Linux", "Linux"))
    browser = next((word for mark, word in browsers if mark in user_agent), "A browser")
    system = next((word for mark, word in (*systems, *more) if mark in user_agent), "")
    return f"{browser}, {system}" if system else browser


class SessionStore(DatabaseStore):
    """Django's own sessions in the database, each with whose it is."""

    @classmethod
    def get_model_class(cls) -> type[PersonSession]:
        return PersonSession

    def _get_session_from_db(self) -> PersonSession | None:
        now = timezone.now()
        found = (
            PersonSession.objects.select_related("user")
            .filter(session_key=self.session_key, expire_date__gt=now, seen_at__gt=now - IDLE)
            .first()
        )
        if found is None:
            self._session_key = None
            return None
        if found.seen_at < now - SEEN_EVERY:
            PersonSession.objects.filter(session_key=self.session_key).update(seen_at=now)
        _READ.set(found.user)
        return found

    def create_model_instance(self, data: dict[str, Any]) -> AbstractBaseSession:
        made = super().create_model_instance(data)
        if isinstance(made, PersonSession):  # it is: this store's own model
            made.user_id = data.get(SESSION_KEY)
            made.device = data.get(DEVICE, "")
            made.began_at = datetime.fromisoformat(data[BEGAN]) if BEGAN in data else timezone.now()
        return made


class SessionBackend(ModelBackend):
    """Django's own way in; it does not read again the person who came with the session."""

    def get_user(self, user_id: int) -> User | None:
        person = _READ.get()
        _READ.set(None)
        if person is not None and str(person.pk) == str(user_id):
            return person if self.user_can_authenticate(person) else None
        return super().get_user(user_id)
