"""Print the end of a one-time link that starts a shop, or makes somebody owner of one."""

from argparse import ArgumentParser

from django.core.management.base import BaseCommand, CommandError
from django.db import transaction

from accounts.invitations import NotTaken, invite, start_shop
from accounts.models import Invitation, Membership, Role, Shop
from accounts.people import has_own_shop


class Command(BaseCommand):
    """Print a link's path and token; nothing when the machine has a shop and none is named."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--shop", help="start this shop, or ask an owner into it while it has none")

    @transaction.atomic
    def handle(self, *_args: object, shop: str | None, **_options: object) -> None:
        if shop is None:
            if has_own_shop():
                return
            Invitation.objects.filter(shop=None, made_by=None).delete()  # the last start's
            _, token = invite(role=Role.OWNER, shop=None, made_by=None)
        else:
            _, token = invite(role=Role.OWNER, shop=self._shop(shop), made_by=None)
        self.stdout.write(f"join#{token}")

    def _shop(self, name: str) -> Shop:
        found = Shop.objects.filter(name=name).first()
        if found is None:
            try:
                return start_shop(name)
            except NotTaken as error:
                raise CommandError(str(error)) from error
        if Membership.objects.filter(shop=found, role=Role.OWNER).exists():
            raise CommandError(f"{name} has an owner, who asks people in on the page of its people.")
        found.invitations.all().delete()
        return found
