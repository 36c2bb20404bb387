"""What is turned away before a byte of its body is read, and what every answer says of the request that it is to."""

import contextlib
from collections.abc import Callable
from typing import Final
from uuid import uuid4

from django.core.exceptions import RequestDataTooBig
from django.http import HttpRequest, HttpResponse

from fernback.logs import Timed, number_now
from fernback.problems import problem
from fernback.receiving import received
from jobs.packs import MOST_PACK_BYTES

Answering = Callable[[HttpRequest], HttpResponse]
SAFE: Final = ("GET", "HEAD", "OPTIONS")
ANYBODY: Final = ("/api/session", "/api/invitations/look", "/api/invitations/take")  # may send these, if little
SIGN_IN_BYTES: Final = 10_000
MB: Final = 1_000_000
FORM_BYTES: Final = 2 * MB
MEASURED_BYTES: Final = 5 * MB
LARGER: Final = (("/api/jobs/import", MOST_PACK_BYTES), ("/api/measure/", MEASURED_BYTES))
STREAMED: Final = "/api/scans"  # counted as it comes in


def gate(get_response: Answering) -> Answering:
    """Let in only what somebody signed in for, of a size that is taken; number every request."""

    def answer(request: HttpRequest) -> HttpResponse:
        number = uuid4().hex[:12]
        request.META["FERNBACK_REQUEST"] = number
        token, timed = number_now.set(number), Timed(request)
        refused = _refused(request) if request.path.startswith("/api/") and request.method not in SAFE else None
        if refused is None:
            _take_in(request)
        response = get_response(request) if refused is None else refused
        response.headers.setdefault("X-Request-Id", number)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
            timed.ended(response)
        number_now.reset(token)
        return response

    return answer


def _take_in(request: HttpRequest) -> None:
    """Read what is short before anything is done with it; a file of somebody who signed in may take its time."""
    if request.content_type == "application/json" and not request.path.startswith(STREAMED):
        with contextlib.suppress(RequestDataTooBig):  # said where it is read
            _ = request.body
    received()


def _refused(request: HttpRequest) -> HttpResponse | None:
    said = request.headers.get("Content-Length") or "0"
    if not said.isdigit():
        return problem(400, "The request does not say how long it is.")
    if request.path in ANYBODY and request.method == "POST":
        if request.content_type != "application/json":
            return problem(415, "Send JSON.")
        return _too_large(int(said), SIGN_IN_BYTES)
    if not request.user.is_authenticated:
        return problem(401, "Sign in first.")
    if request.path.startswith(STREAMED):
        return None
    return _too_large(int(said), next((most for path, most in LARGER if request.path.startswith(path)), FORM_BYTES))


def _too_large(length: int, most: int) -> HttpResponse | None:
    if length <= most:
        return None
    return problem(413, f"That is larger than {most / MB:g} MB. Nothing was changed.")
