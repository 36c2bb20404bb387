"""What was done at the doors, written down, and from where."""

from datetime import timedelta
from typing import Final

from django.conf import settings
from django.db.models import Q, QuerySet
from django.http import HttpRequest
from django.utils import timezone

from accounts.models import Event, EventKind, Shop, User

SPRAYED: Final = 40  # wrong passwords from one address, whatever the names, before it has to wait
GUESSED: Final = 10  # wrong codes after a right password, from wherever
SPRAYED_WITHIN: Final = timedelta(minutes=15)


def address_of(request: HttpRequest) -> str:
    """Return where a request comes from: past as many proxies as the settings say stand before this server."""
    heard = [part.strip() for part in request.headers.get("X-Forwarded-For", "").split(",") if part.strip()]
    if settings.PROXIES and len(heard) >= settings.PROXIES:
        return heard[-settings.PROXIES][:45]
    return str(request.META.get("REMOTE_ADDR", ""))


def note(
    request: HttpRequest, kind: EventKind, says: str, *, user: User | None = None, shop: Shop | None = None
) -> None:
    """Write down what was done; ``user`` did it, or it was tried in their name."""
    Event.objects.create(kind=kind, user=user, shop=shop, says=says[:300], address=address_of(request))


def note_wrong_password(request: HttpRequest, username: str) -> None:
    """Write down a wrong password; the name only where it is a person's, since else it may be a password itself."""
    user = User.objects.filter(username=username).first()
    note(request, EventKind.WRONG_PASSWORD, "A wrong password was given.", user=user)


def is_spraying(request: HttpRequest, username: str) -> bool:
    """Say whether an address has to wait, whatever name it tries next, or a name whose codes are being guessed."""
    lately = Event.objects.filter(at__gt=timezone.now() - SPRAYED_WITHIN)
    if lately.filter(kind=EventKind.WRONG_PASSWORD, address=address_of(request)).count() >= SPRAYED:
        return True
    return lately.filter(kind=EventKind.WRONG_CODE, user__username=username).count() >= GUESSED


def events_of(shop: Shop) -> QuerySet[Event]:
    """Return what was done in a shop, and at the doors by its people, the newest first."""
    at_doors = Q(shop=None, user__memberships__shop=shop)
    return Event.objects.filter(Q(shop=shop) | at_doors).select_related("user").distinct()
