"""What every refusal looks like: a status, a sentence, and the fields to mend."""

from collections.abc import Sequence
from typing import Any

from django.http import JsonResponse
from ninja import Schema

from driveline.errors import field_path

MOST_PROBLEMS = 20


class FieldProblem(Schema):
    """A field and what to do about it."""

    field: str
    says: str


class Problem(Schema):
    """What every refusal looks like."""

    status: int
    says: str
    fields: list[FieldProblem] = []


class Conflict(Problem):
    """A save against a version that is no longer the newest, with the newest's number and author."""

    newest: int
    newest_by: str


def problem(status: int, says: str, fields: list[FieldProblem] | None = None) -> JsonResponse:
    """Return a refusal."""
    body = Problem(status=status, says=says, fields=fields or [])
    return JsonResponse(body.model_dump(), status=status, content_type="application/problem+json")


def field_problems(errors: Sequence[Any], skip: tuple[str, ...] = ()) -> list[FieldProblem]:
    """Return pydantic's complaints with the path of each field, and its own words without their prefix."""
    found = []
    for error in errors[:MOST_PROBLEMS]:
        path = field_path([part for part in error["loc"] if part not in skip])
        says = str(error["msg"]).removeprefix("Value error, ")
        found.append(FieldProblem(field=path, says=says))
    return found
