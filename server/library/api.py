"""The library: list, add, revise and retire parts."""

from datetime import datetime
from uuid import UUID

from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status
from pydantic import Field

from accounts.queries import person, shops_editable_by
from driveline.job.library import PartContent
from driveline.sheet import Name
from fernback.inputs import Input
from fernback.problems import Problem
from library.actions import add_part, retire_part, revise_part
from library.models import PartRevision
from library.queries import newest_revisions, parts_editable_by, parts_visible_to

router = Router(tags=["library"])
REFUSALS = {404: Problem, 409: Problem, 422: Problem}


class PartOut(Schema):
    """A part with its newest revision."""

    id: UUID
    shop_id: int
    name: str
    revision: int
    source: str
    saved_by: str
    saved_at: datetime
    content: PartContent


class PartIn(Input):
    """A new part."""

    shop_id: int
    name: Name
    source: str = Field(min_length=1, max_length=300)
    content: PartContent


class RevisionIn(Input):
    """A part as it should be from now on, and the revision that it was changed from."""

    based_on: int = Field(ge=1)
    source: str = Field(min_length=1, max_length=300)
    content: PartContent


def _out(revision: PartRevision) -> PartOut:
    return PartOut(
        id=revision.part.pk,
        shop_id=revision.part.shop.pk,
        name=revision.part.name,
        revision=revision.number,
        source=revision.source,
        saved_by=str(revision.author),
        saved_at=revision.saved_at,
        content=PartContent.model_validate(revision.content),
    )


@router.get("", response=list[PartOut], operation_id="library_list")
def list_parts(request: HttpRequest) -> list[PartOut]:
    """List the parts of a person's shops, by kind and name."""
    return [_out(revision) for revision in newest_revisions(parts_visible_to(person(request)))]


@router.post("", response={201: PartOut, **REFUSALS}, operation_id="library_create")
def create_part(request: HttpRequest, payload: PartIn) -> Status[PartOut]:
    """Keep a part in a shop's library."""
    shop = get_object_or_404(shops_editable_by(person(request)), pk=payload.shop_id)
    revision = add_part(
        shop=shop, author=person(request), name=payload.name, source=payload.source, content=payload.content
    )
    return Status(201, _out(revision))


@router.post("/{uuid:part_id}/revisions", response={201: PartOut, **REFUSALS}, operation_id="library_revise")
def create_revision(request: HttpRequest, part_id: UUID, payload: RevisionIn) -> Status[PartOut]:
    """Write a part's next revision."""
    part = get_object_or_404(parts_editable_by(person(request)), pk=part_id)
    revision = revise_part(
        part=part, author=person(request), based_on=payload.based_on, source=payload.source, content=payload.content
    )
    return Status(201, _out(revision))


@router.delete("/{uuid:part_id}", response={200: PartOut, 404: Problem}, operation_id="library_retire")
def retire(request: HttpRequest, part_id: UUID) -> PartOut:
    """Take a part out of use, and return it as it was; jobs keep their copies."""
    part = get_object_or_404(parts_editable_by(person(request)), pk=part_id)
    newest = part.revisions.select_related("part__shop", "author").latest("number")
    retire_part(part)
    return _out(newest)
