"""A shop's jobs as a whole, for its owners: all of them as one file."""

from django.http import FileResponse, HttpRequest
from ninja import Router

from accounts.events import note
from accounts.models import EventKind
from accounts.queries import person, require_owner
from fernback.problems import Problem
from jobs.packs import packed_shop

router = Router(tags=["jobs"])


@router.get("/all", response={403: Problem, 404: Problem}, operation_id="jobs_all")
def export_all(request: HttpRequest, shop_id: int) -> FileResponse:
    """Return every job of a shop, those put away as well, each with its scans, as one file."""
    shop = require_owner(request, shop_id)
    note(request, EventKind.EXPORTED, "Took a copy of all jobs.", user=person(request), shop=shop)
    return FileResponse(packed_shop(shop), as_attachment=True, filename="shop.fernback.zip")
