"""Load the demo shop when the database is empty."""

import json
import os
from argparse import ArgumentParser
from pathlib import Path

from django.core.management.base import BaseCommand, CommandError
from django.db import transaction

from accounts.models import Membership, Role, Shop, User
from driveline.job.library import PartContent
from jobs.actions import import_job
from library.actions import add_part
from scans.incoming import bring_scan
from scans.work import work_off

DEMO = Path(__file__).resolve().parents[2] / "demo"
PARTS = Path(__file__).resolve().parents[4] / "server" / "library" / "demo" / "parts.json"
SHOP = "Saltmarsh Motor Works"
PEOPLE = (("owner", Role.OWNER), ("fabricator", Role.FABRICATOR), ("viewer", Role.VIEWER))
ORDER = ("redstart", "avocet", "dunlin", "plover", "bittern", "wren")  # the last is on top of the list


class Command(BaseCommand):
    """Load the demo data, once."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--password", help="of the three demo people; else FERNBACK_DEMO_PASSWORD")

    @transaction.atomic
    def handle(self, *_args: object, password: str | None, **_options: object) -> None:
        password = password or os.environ.get("FERNBACK_DEMO_PASSWORD")
        if not password:
            raise CommandError("Say --password, or set FERNBACK_DEMO_PASSWORD.")
        if User.objects.exists():
            self._give_password(password)
            return
        shop = Shop.objects.create(name=SHOP, is_demo=True)
        people = [User.objects.create_user(username=name, password=password) for name, _ in PEOPLE]
        for user, (_, role) in zip(people, PEOPLE, strict=True):
            Membership.objects.create(user=user, shop=shop, role=role)
        for path in sorted(DEMO.glob("*.ply")):
            with path.open("rb") as file:
                bring_scan(shop=shop, author=people[1], name=path.name, stream=file, length=path.stat().st_size)
        work_off()
        for name in ORDER:
            data = (DEMO / f"{name}.fernback.json").read_bytes()
            import_job(shop=shop, author=people[1], data=data, is_ours=True)
        for part in json.loads(PARTS.read_text()):
            content = PartContent.model_validate(part["content"])
            add_part(shop=shop, author=people[0], name=part["name"], source=part["source"], content=content)
        self.stdout.write(f"Loaded {SHOP} with {len(ORDER)} jobs.")

    def _give_password(self, password: str) -> None:
        """The demo is here, from a backup perhaps: its people get the password that this machine prints."""
        for user in User.objects.filter(memberships__shop__is_demo=True, username__in=[name for name, _ in PEOPLE]):
            user.set_password(password)
            user.save(update_fields=["password"])
        self.stdout.write("The database holds people already; the demo's are given this password.")
