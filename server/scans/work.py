"""Scans made ready in the background: one worker or several, any of which may be killed at any moment."""

import time
from typing import Final

from django.db import connection

from driveline.reading.csv_in import UnreadableFile
from driveline.scans.safely import prepare_safely
from driveline.scans.store import is_ready
from scans.incoming import waiting_file
from scans.models import Scan, State

MOST_TRIES: Final = 3
LEASE: Final = 0x5CA4
TOLD_EVERY_S: Final = 0.25


def work_off() -> int:
    """Make everything ready that waits and that no other worker has in hand; return how many."""
    count = 0
    for scan in Scan.objects.filter(state__in=(State.WAITING, State.PREPARING)).order_by("saved_at"):
        if _leased(scan):
            try:
                _prepare(scan)
                count += 1
            finally:
                _released(scan)
    return count


def _key(scan: Scan) -> int:
    return scan.pk.int % 2**31  # a lease is two numbers of 32 bits; it ends with its holder's connection


def _leased(scan: Scan) -> bool:
    with connection.cursor() as cursor:
        cursor.execute("SELECT pg_try_advisory_lock(%s, %s)", [LEASE, _key(scan)])
        return bool(cursor.fetchone()[0])


def _released(scan: Scan) -> None:
    with connection.cursor() as cursor:
        cursor.execute("SELECT pg_advisory_unlock(%s, %s)", [LEASE, _key(scan)])


def _prepare(scan: Scan) -> None:
    scan.refresh_from_db()
    if scan.state not in (State.WAITING, State.PREPARING):
        return
    # Counted before the work: what kills its worker each time must not do so for ever.
    _told(scan, state=State.PREPARING, tries=scan.tries + 1, done=0.0)
    source = waiting_file(scan.sha256)
    if is_ready(scan.sha256):
        _told(scan, state=State.READY, done=1.0)
    elif scan.tries >= MOST_TRIES or not source.is_file():
        _told(scan, state=State.REFUSED, says=f"{scan.name} could not be made ready. Bring it again.")
    else:
        _try(scan)
    if not Scan.objects.filter(sha256=scan.sha256, state__in=(State.WAITING, State.PREPARING)).exists():
        source.unlink(missing_ok=True)


def _try(scan: Scan) -> None:
    last = 0.0

    def say(done: float) -> None:
        nonlocal last
        if time.monotonic() - last > TOLD_EVERY_S:
            last = time.monotonic()
            _told(scan, done=done)

    try:
        prepare_safely(waiting_file(scan.sha256), scan.name, scan.sha256, say)
    except UnreadableFile as error:
        _told(scan, state=State.REFUSED, says=str(error)[:500])
    else:
        _told(scan, state=State.READY, done=1.0)


def _told(scan: Scan, **what: object) -> None:
    Scan.objects.filter(pk=scan.pk).update(**what)
