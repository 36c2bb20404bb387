"""Scans: which store this process reads."""

from django.apps import AppConfig
from django.conf import settings

from driveline.scans.store import keep_scans_in


class ScansConfig(AppConfig):
    """The application."""

    name = "scans"

    def ready(self) -> None:
        """Say where scans lie."""
        keep_scans_in(settings.MEDIA / "scans")
