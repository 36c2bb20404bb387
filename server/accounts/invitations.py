"""One-time links: into a shop, or to start one. Whoever holds the link may use it, once, while it lasts."""

import hashlib
import secrets
from datetime import timedelta
from typing import Final

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.db.models import QuerySet
from django.utils import timezone

from accounts.models import Invitation, Membership, Role, Shop, User

LASTS: Final = timedelta(days=7)


class NotTaken(Exception):
    """Something of a person or a shop that can't be taken as it is; ``field`` is the one to mend, if any."""

    def __init__(self, says: str, field: str = "", *, status: int = 422) -> None:
        super().__init__(says)
        self.field, self.status = field, status


def invite(*, role: Role, shop: Shop | None, made_by: User | None) -> tuple[Invitation, str]:
    """Return a new invitation and its token, which nobody can find out again."""
    token = secrets.token_urlsafe(24)
    made = Invitation.objects.create(
        shop=shop, role=role, token_sha256=_hash(token), made_by=made_by, expires_at=timezone.now() + LASTS
    )
    return made, token


def open_invitations() -> QuerySet[Invitation]:
    """Return the invitations that can still be used."""
    return Invitation.objects.filter(expires_at__gt=timezone.now()).select_related("shop", "made_by")


def invitation_of(token: str) -> Invitation:
    """Return the invitation of a link.

    Raises:
        NotTaken: If it was used, withdrawn or ran out.
    """
    found = open_invitations().filter(token_sha256=_hash(token)).first()
    if found is None:
        raise NotTaken("This link was used already, was withdrawn, or ran out. Ask for a new one.", status=404)
    return found


@transaction.atomic
def join(*, token: str, user: User, shop_name: str = "") -> Membership:
    """Return a person's new place in the shop of a link, or in the one that they start with it.

    Raises:
        NotTaken: If the link is of no use, the person is there already, or the shop's name is taken.
    """
    invitation = invitation_of(token)
    used, _ = Invitation.objects.filter(pk=invitation.pk).delete()
    if not used:  # somebody was faster with the same link
        raise NotTaken("This link was used already.", status=404)
    shop = invitation.shop or start_shop(shop_name)
    made, is_new = Membership.objects.get_or_create(user=user, shop=shop, defaults={"role": invitation.role})
    if not is_new:
        raise NotTaken(f"{user} belongs to {shop} already.", status=409)
    return made


def start_shop(name: str) -> Shop:
    """Return a new shop.

    Raises:
        NotTaken: If it has no name, or one that is taken.
    """
    if not name.strip():
        raise NotTaken("What is the shop called?", "shop")
    try:
        with transaction.atomic():
            return Shop.objects.create(name=name.strip())
    except IntegrityError as error:
        raise NotTaken(f"There is a shop called {name.strip()} here already.", "shop") from error


def new_person(*, username: str, name: str, password: str) -> User:
    """Return a new person who can sign in.

    Raises:
        NotTaken: If the name is taken, or the password one that is guessed first.
    """
    user = User(username=username, first_name=name[:150])
    try:
        User.username_validator(username)
    except ValidationError as error:
        raise NotTaken("Letters, digits and @ . + - _ only, please.", "username") from error
    try:
        validate_password(password, user)
    except ValidationError as error:
        raise NotTaken(" ".join(error.messages), "password") from error
    user.set_password(password)
    try:
        with transaction.atomic():
            user.save()
    except IntegrityError as error:
        raise NotTaken("Somebody signs in by that name already. Choose another.", "username") from error
    return user


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
