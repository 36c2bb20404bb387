"""A scan's file on its way in: written as it comes, whole or not at all."""

import hashlib
import time
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Final, Protocol

from django.conf import settings

from accounts.models import Shop, User
from driveline.reading.csv_in import UnreadableFile
from driveline.scans.formats import MOST_BYTES, kind_of_name, looked_at
from driveline.scans.store import is_ready
from scans.models import Scan, State

PIECE_BYTES: Final = 1_000_000
STALE_S: Final = 3600.0


class ScanRefused(Exception):
    """A scan that can't be taken: what is wrong and what would do; nothing of it is kept."""

    def __init__(self, says: str, status: int = 422) -> None:
        super().__init__(says)
        self.status = status


class Readable(Protocol):
    """What bytes come out of."""

    def read(self, size: int, /) -> bytes:
        """Return up to so many."""


def waiting_file(sha256: str) -> Path:
    """Return where a file lies until it is made ready."""
    return settings.MEDIA / "waiting" / sha256


@contextmanager
def _written(stream: Readable, length: int) -> Iterator[tuple[Path, str]]:
    """A file of exactly so many bytes, with its SHA-256; gone afterwards unless it was moved away."""
    folder = settings.MEDIA / "incoming"
    folder.mkdir(parents=True, exist_ok=True)
    path, made, left = folder / uuid.uuid4().hex, hashlib.sha256(), length
    try:
        with path.open("wb") as file:
            while left > 0 and (piece := stream.read(min(PIECE_BYTES, left))):
                file.write(piece)
                made.update(piece)
                left -= len(piece)
        if left:
            raise ScanRefused("The file broke off on its way. Nothing of it was kept; bring it again.", 400)
        yield path, made.hexdigest()
    finally:
        path.unlink(missing_ok=True)


def bring_scan(*, shop: Shop, author: User, name: str, stream: Readable, length: int | None) -> Scan:
    """Return a shop's scan, waiting to be made ready, or as it is where the shop has it already.

    Raises:
        ScanRefused: If it is too large, breaks off, or can't be what it says.
    """
    if length is None:
        raise ScanRefused("How long the file is was not said. Bring it with a browser.", 411)
    if length > MOST_BYTES:
        raise ScanRefused(f"{name} has {length / 1e6:.0f} MB; up to 300 can be taken. Thin the scan first.", 413)
    try:
        kind_of_name(name)
        with _written(stream, length) as (path, sha256):
            looked_at(path, name)
            had = Scan.objects.filter(shop=shop, sha256=sha256).first()
            if had is not None and had.state != State.REFUSED:
                return had
            ready = is_ready(sha256)  # another shop brought it
            if not ready:
                keep = waiting_file(sha256)
                keep.parent.mkdir(parents=True, exist_ok=True)
                Path(path).replace(keep)
            fresh = {
                "name": name,
                "size_bytes": length,
                "state": State.READY if ready else State.WAITING,
                "done": float(ready),
                "says": "",
                "tries": 0,
                "author": author,
            }
            return Scan.objects.update_or_create(shop=shop, sha256=sha256, defaults=fresh)[0]
    except UnreadableFile as error:
        raise ScanRefused(str(error)) from error


def tidy(now_s: float | None = None) -> None:
    """Throw away what a killed server left half written."""
    folder = settings.MEDIA / "incoming"
    for path in folder.glob("*") if folder.is_dir() else ():
        if path.stat().st_mtime < (now_s or time.time()) - STALE_S:
            path.unlink(missing_ok=True)
