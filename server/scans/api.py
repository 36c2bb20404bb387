"""Scans: bring one, see how far it is, look at it, take it away."""

from datetime import datetime
from uuid import UUID

from django.db.models import QuerySet
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Router, Schema, Status
from ninja.errors import HttpError

from accounts.models import User
from accounts.queries import person, shops_editable_by
from driveline.scans.store import facts_of, is_ready, view_of
from fernback.problems import Problem
from jobs.models import JobVersion
from scans.incoming import bring_scan
from scans.models import Scan, State

router = Router(tags=["scans"])
REFUSALS = {422: Problem, 403: Problem, 404: Problem, 413: Problem, 400: Problem}
A_YEAR_S = 31_536_000


class ScanOut(Schema):
    """A scan as it stands."""

    id: UUID
    shop: str
    sha256: str
    name: str
    size_bytes: int
    state: State
    done: float
    says: str
    triangles: int | None
    saved_by: str
    saved_at: datetime


def _out(scan: Scan) -> ScanOut:
    return ScanOut(
        id=scan.pk,
        shop=scan.shop.name,
        sha256=scan.sha256,
        name=scan.name,
        size_bytes=scan.size_bytes,
        state=State(scan.state),
        done=scan.done,
        says=scan.says,
        triangles=facts_of(scan.sha256).triangles if is_ready(scan.sha256) else None,
        saved_by=str(scan.author),
        saved_at=scan.saved_at,
    )


def scans_visible_to(user: User) -> QuerySet[Scan]:
    """Return the scans of every shop that a person belongs to."""
    return Scan.objects.filter(shop__memberships__user=user).select_related("shop", "author")


@router.get("", response=list[ScanOut], operation_id="scans_list")
def list_scans(request: HttpRequest) -> list[ScanOut]:
    """List the scans of a person's shops, the newest first."""
    return [_out(scan) for scan in scans_visible_to(person(request))]


@router.post("", response={201: ScanOut, 411: Problem, **REFUSALS}, operation_id="scans_create")
def create(request: HttpRequest, shop_id: int, name: str) -> Status[ScanOut]:
    """Bring a scan: its bytes are the body. It is made ready in the background."""
    shop = get_object_or_404(shops_editable_by(person(request)), pk=shop_id)
    said = request.headers.get("Content-Length", "")
    length = int(said) if said.isdigit() else None
    scan = bring_scan(shop=shop, author=person(request), name=name[-120:], stream=request, length=length)
    return Status(201, _out(scan))


@router.get("/{uuid:scan_id}", response={200: ScanOut, 404: Problem}, operation_id="scans_read")
def read(request: HttpRequest, scan_id: UUID) -> ScanOut:
    """Say how far a scan is."""
    return _out(get_object_or_404(scans_visible_to(person(request)), pk=scan_id))


@router.get("/view/{sha256}", operation_id="scans_view")
def view(request: HttpRequest, sha256: str) -> HttpResponse:
    """Return a scan's picture as bytes; what lies under a hash never changes."""
    if not scans_visible_to(person(request)).filter(sha256=sha256).exists():
        raise HttpError(404, "No shop of yours holds this scan.")
    found = view_of(sha256)
    if found is None:
        raise HttpError(404, "This scan is not ready yet.")
    headers = {"Cache-Control": f"private, max-age={A_YEAR_S}, immutable"}
    return HttpResponse(found, content_type="application/octet-stream", headers=headers)


@router.delete("/{uuid:scan_id}", response={200: ScanOut, 409: Problem, **REFUSALS}, operation_id="scans_delete")
def delete(request: HttpRequest, scan_id: UUID) -> ScanOut:
    """Take a scan out of a shop's list, unless a saved version of a job names it. Its file stays in the store."""
    scan = get_object_or_404(scans_visible_to(person(request)), pk=scan_id)
    if not shops_editable_by(person(request)).filter(pk=scan.shop_id).exists():
        raise HttpError(403, "You may look at scans but not take one away. Ask the shop's owner.")
    naming = JobVersion.objects.filter(job__shop=scan.shop, sheets__placement__icontains=scan.sha256)
    if (version := naming.select_related("job").first()) is not None:
        raise HttpError(409, f"The job {version.job.name} names it in revision {version.number}: it stays.")
    found = _out(scan)
    scan.delete()
    return found
