"""Six digits of an authenticator beside the password (RFC 6238), for whoever wants them, and spare codes."""

import hashlib
import secrets
from typing import Final

import pyotp
from django.db import transaction
from django.utils import timezone

from accounts.models import User

STEP_S: Final = 30
AROUND: Final = 1  # steps before and after that a clock may be off
SPARES: Final = 8
ISSUER: Final = "Fernback"


def new_secret() -> str:
    """Return a secret for an authenticator."""
    return pyotp.random_base32()


def uri_of(user: User, secret: str) -> str:
    """Return what an authenticator takes a secret from."""
    return pyotp.TOTP(secret).provisioning_uri(name=user.username, issuer_name=ISSUER)


def _step_of(secret: str, code: str) -> int | None:
    """The time step that a code is of, around now."""
    clock, now = pyotp.TOTP(secret), int(timezone.now().timestamp()) // STEP_S
    return next((step for step in range(now - AROUND, now + AROUND + 1) if clock.at(step * STEP_S) == code), None)


@transaction.atomic
def begin(user: User, secret: str, code: str) -> list[str] | None:
    """Ask for codes from now on; return the spare ones, or ``None`` when the code is not the secret's."""
    step = _step_of(secret, code)
    if step is None:
        return None
    spares = [secrets.token_hex(5) for _ in range(SPARES)]
    user.second_secret, user.second_step, user.second_spares = secret, step, [_hash(one) for one in spares]
    user.save(update_fields=["second_secret", "second_step", "second_spares"])
    return spares


def end(user: User) -> None:
    """Ask for no codes any more."""
    user.second_secret, user.second_step, user.second_spares = "", 0, []
    user.save(update_fields=["second_secret", "second_step", "second_spares"])


@transaction.atomic
def takes(user_id: int, code: str) -> bool:
    """Say whether a code is right and was not taken before; it, or a spare one, is used up by that."""
    user = User.objects.select_for_update().get(pk=user_id)
    typed = code.replace(" ", "").lower()
    step = _step_of(user.second_secret, typed)
    if step is not None and step > user.second_step:
        user.second_step = step
    elif step is None and _hash(typed) in user.second_spares:
        user.second_spares = [one for one in user.second_spares if one != _hash(typed)]
    else:
        return False
    user.save(update_fields=["second_step", "second_spares"])
    return True


def _hash(spare: str) -> str:
    return hashlib.sha256(spare.encode()).hexdigest()
