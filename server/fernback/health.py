"""Whether this server lives, and whether it can do its work."""

import os

from django.conf import settings
from django.db import Error, connection
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.http import require_safe


@require_safe
def alive(request: HttpRequest) -> HttpResponse:  # noqa: ARG001
    """Say that this process answers."""
    return HttpResponse("alive", content_type="text/plain")


@require_safe
def ready(request: HttpRequest) -> HttpResponse:  # noqa: ARG001
    """Say whether its database answers and its store can be written to; 503 where one of them is not."""
    found = {"database": _database_answers(), "store": _is_writable()}
    return JsonResponse(found, status=200 if all(found.values()) else 503)


def _database_answers() -> bool:
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
    except Error:
        return False
    return True


def _is_writable() -> bool:
    home = settings.MEDIA
    while not home.exists():  # made with the first scan
        home = home.parent
    return os.access(home, os.W_OK)
