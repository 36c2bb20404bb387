"""What a person may see and change of a shop's library."""

from django.db.models import OuterRef, QuerySet, Subquery

from accounts.models import EDITORS, User
from library.models import Part, PartRevision


def parts_visible_to(user: User) -> QuerySet[Part]:
    """Return the parts in use, of every shop that a person belongs to."""
    return Part.objects.filter(shop__memberships__user=user, is_retired=False)


def parts_editable_by(user: User) -> QuerySet[Part]:
    """Return the parts that a person may change."""
    return parts_visible_to(user).filter(shop__memberships__user=user, shop__memberships__role__in=EDITORS)


def newest_revisions(parts: QuerySet[Part]) -> QuerySet[PartRevision]:
    """Return the newest revision of each part, by kind and name."""
    newest = PartRevision.objects.filter(part=OuterRef("part")).order_by("-number").values("number")[:1]
    revisions = PartRevision.objects.filter(part__in=parts, number=Subquery(newest))
    return revisions.select_related("part__shop", "author").order_by("part__kind", "part__name")
