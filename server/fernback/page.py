"""The one page of the web application, for every address that is not the API's."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe


@require_safe
@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:  # noqa: ARG001 - the page is the same for everyone
    """Return the page; it is read anew, so that a rebuilt web is served without a restart."""
    index = settings.WEB_DIST / "index.html"
    if not index.is_file():
        return HttpResponse("The web application is not built. Run ./start.", status=503, content_type="text/plain")
    return HttpResponse(index.read_bytes(), headers={"Cache-Control": "no-cache"})
