"""One map from what goes wrong to what the client is told: a status, a sentence, and the field to mend."""

import errno
import logging
import sys

from django.core.exceptions import RequestDataTooBig
from django.db import InterfaceError, OperationalError
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError
from pydantic import ValidationError as SheetError

from accounts.invitations import NotTaken
from build.actions import Held
from driveline.errors import (
    ImpossibleInput,
    NoLetterLeft,
    NotDrawnYet,
    RecordsFull,
    UnknownFeature,
    UnreadableMeasurement,
)
from fernback.problems import Conflict, FieldProblem, field_problems, problem
from jobs.actions import FileRefused, VersionConflict
from library.actions import PartClash
from scans.incoming import ScanRefused

log = logging.getLogger("fernback")


def csrf_failure(_request: HttpRequest, reason: str = "") -> HttpResponse:  # noqa: ARG001 - named by Django
    """Say in our own form that a request did not come from our page."""
    return problem(403, "This request did not come from Fernback's own page. Reload the page and try again.")


def broken(request: HttpRequest) -> HttpResponse:
    """Say in our own form that something broke here, and which request it was; nothing of how is told."""
    error = sys.exc_info()[1]
    number = request.META.get("FERNBACK_REQUEST", "")
    if isinstance(error, OperationalError | InterfaceError):
        status, says = 503, "The database does not answer. Try again in a moment."
    elif isinstance(error, OSError) and error.errno == errno.ENOSPC:
        status, says = 507, "This machine's disk is full. Make room on it, then try again."
    else:
        status, says = 500, "Something broke here. Look whether it was done before you try again."
    trace = sys.exc_info() if status == 500 else None
    log.error("%s", type(error).__name__, exc_info=trace, extra={"facts": {"request": number}})
    return problem(status, f"{says} Request {number}.")


def add_error_handlers(api: NinjaAPI) -> None:
    """Register every handler on the API."""
    _add_for_fields(api)
    _add_for_work(api)
    _add_for_requests(api)


def _add_for_fields(api: NinjaAPI) -> None:
    """What names the field to mend."""

    @api.exception_handler(ValidationError)
    def _invalid(_request: HttpRequest, error: ValidationError) -> HttpResponse:
        fields = field_problems(error.errors, skip=("body", "query", "path", "payload"))
        return problem(422, _sentence(fields), fields)

    @api.exception_handler(SheetError)
    def _invalid_sheet(_request: HttpRequest, error: SheetError) -> HttpResponse:
        fields = field_problems(list(error.errors()))
        return problem(422, _sentence(fields), fields)

    @api.exception_handler(UnreadableMeasurement)
    def _unreadable(_request: HttpRequest, error: UnreadableMeasurement) -> HttpResponse:
        return problem(422, str(error), [FieldProblem(field="text", says=str(error))])

    @api.exception_handler(ImpossibleInput)
    def _impossible(_request: HttpRequest, error: ImpossibleInput) -> HttpResponse:
        return problem(422, str(error), [FieldProblem(field=error.field, says=str(error))])

    @api.exception_handler(UnknownFeature)
    def _unknown_feature(_request: HttpRequest, error: UnknownFeature) -> HttpResponse:
        return problem(422, str(error), [FieldProblem(field="measures", says=str(error))])


def _add_for_work(api: NinjaAPI) -> None:
    """What can't be done as things stand."""

    @api.exception_handler(VersionConflict)
    def _conflict(_request: HttpRequest, error: VersionConflict) -> HttpResponse:
        body = Conflict(status=409, says=str(error), newest=error.newest.number, newest_by=str(error.newest.author))
        return JsonResponse(body.model_dump(), status=409, content_type="application/problem+json")

    @api.exception_handler(FileRefused)
    def _refused(_request: HttpRequest, error: FileRefused) -> HttpResponse:
        fields = [FieldProblem(field=field, says=says) for field, says in error.fields]
        return problem(error.status, str(error), fields)

    @api.exception_handler(NotTaken)
    def _not_taken(_request: HttpRequest, error: NotTaken) -> HttpResponse:
        fields = [FieldProblem(field=error.field, says=str(error))] if error.field else []
        return problem(error.status, str(error), fields)

    @api.exception_handler(ScanRefused)
    def _scan_refused(_request: HttpRequest, error: ScanRefused) -> HttpResponse:
        return problem(error.status, str(error))

    def _clash(_request: HttpRequest, error: Exception | type[Exception]) -> HttpResponse:
        return problem(409, str(error))

    for clash in (PartClash, Held, NotDrawnYet, NoLetterLeft, RecordsFull):
        api.add_exception_handler(clash, _clash)


def _add_for_requests(api: NinjaAPI) -> None:
    """What is wrong with the request itself."""

    @api.exception_handler(RequestDataTooBig)
    def _too_big(_request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
        return problem(413, "That is larger than 2 MB. Nothing was changed.")

    @api.exception_handler(Http404)
    def _missing(_request: HttpRequest, _error: Http404) -> HttpResponse:
        return problem(404, "There is nothing here by that name.")

    @api.exception_handler(AuthenticationError)
    def _stranger(_request: HttpRequest, _error: AuthenticationError) -> HttpResponse:
        return problem(401, "Sign in first.")

    @api.exception_handler(HttpError)
    def _other(_request: HttpRequest, error: HttpError) -> HttpResponse:
        return problem(error.status_code, str(error))


def _sentence(fields: list[FieldProblem]) -> str:
    return fields[0].says if len(fields) == 1 else f"{len(fields)} fields need mending."
