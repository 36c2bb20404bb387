"""Where requests go: the API, and the one page that draws everything else."""

from django.urls import path, re_path

from fernback.api import api
from fernback.health import alive, ready
from fernback.page import page

urlpatterns = [
    path("api/", api.urls),
    path("healthz", alive),
    path("readyz", ready),
    re_path(r"^(?!api/|assets/|static/).*$", page),
]
handler500 = "fernback.errors.broken"
