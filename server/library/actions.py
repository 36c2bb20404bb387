"""Everything that writes the library."""

from django.db import IntegrityError, transaction

from accounts.models import Shop, User
from driveline.job.library import PartContent
from library.models import Part, PartRevision


class PartClash(Exception):
    """The part can't be written as asked: its name is taken, or somebody changed it in between."""


def add_part(*, shop: Shop, author: User, name: str, source: str, content: PartContent) -> PartRevision:
    """Return a new part's first revision.

    Raises:
        PartClash: If the shop has a part of that kind and name.
    """
    try:
        with transaction.atomic():
            part = Part.objects.create(shop=shop, kind=content.kind.value, name=name)
            return _add_revision(part, 1, author, source, content)
    except IntegrityError as error:
        raise PartClash(f"The library has a {_words(content)} “{name}” already. Give this one another name.") from error


@transaction.atomic
def revise_part(*, part: Part, author: User, based_on: int, source: str, content: PartContent) -> PartRevision:
    """Return the part's next revision; jobs that hold an older one keep it, and say so.

    Raises:
        PartClash: If ``based_on`` is not the newest revision, or the kind would change.
    """
    Part.objects.select_for_update().get(pk=part.pk)
    newest = part.revisions.select_related("author").latest("number")
    if newest.number != based_on:
        raise PartClash(f"{newest.author} wrote revision {newest.number} in the meantime. Look at it first.")
    if content.kind.value != part.kind:
        raise PartClash("A part can't become another kind. Add it as a new one.")
    return _add_revision(part, newest.number + 1, author, source, content)


def retire_part(part: Part) -> None:
    """Take a part out of use. Its revisions stay, since jobs name them."""
    Part.objects.filter(pk=part.pk).update(is_retired=True)


def _add_revision(part: Part, number: int, author: User, source: str, content: PartContent) -> PartRevision:
    return PartRevision.objects.create(
        part=part, number=number, author=author, source=source, content=content.model_dump(mode="json")
    )


def _words(content: PartContent) -> str:
    return content.kind.value.replace("_", " ")
