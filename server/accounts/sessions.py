"""Sessions that know their person, so that one read of the database finds both."""

from contextvars import ContextVar
from typing import Any

from django.contrib.auth import SESSION_KEY
from django.contrib.auth.backends import ModelBackend
from django.contrib.sessions.backends.db import SessionStore as DatabaseStore
from django.contrib.sessions.base_session import AbstractBaseSession
from django.utils import timezone

from accounts.models import PersonSession, User

# The person of the session that this request has just read; taken once, so that no later request meets it.
_READ: ContextVar[User | None] = ContextVar("person_of_the_session_read", default=None)


class SessionStore(DatabaseStore):
    """Django's own sessions in the database, each with whose it is."""

    @classmethod
    def get_model_class(cls) -> type[PersonSession]:
        return PersonSession

    def _get_session_from_db(self) -> PersonSession | None:
        found = (
            PersonSession.objects.select_related("user")
            .filter(session_key=self.session_key, expire_date__gt=timezone.now())
            .first()
        )
        if found is None:
            self._session_key = None
            return None
        _READ.set(found.user)
        return found

    def create_model_instance(self, data: dict[str, Any]) -> AbstractBaseSession:
        made = super().create_model_instance(data)
        if isinstance(made, PersonSession):  # it is: this store's own model
            made.user_id = data.get(SESSION_KEY)
        return made


class SessionBackend(ModelBackend):
    """Django's own way in; it does not read again the person who came with the session."""

    def get_user(self, user_id: int) -> User | None:
        person = _READ.get()
        _READ.set(None)
        if person is not None and str(person.pk) == str(user_id):
            return person if self.user_can_authenticate(person) else None
        return super().get_user(user_id)
