"""Where scans that are ready lie: a folder for each, named by the SHA-256 of its file."""

import json
import re
from dataclasses import dataclass
from pathlib import Path
from typing import Final

import numpy as np

from driveline.memory import kept
from driveline.space.surface import Surface

_SHA: Final = re.compile(r"[0-9a-f]{64}")
_folder: Path | None = None


@dataclass(frozen=True, slots=True)
class Facts:
    """What is known of a scan."""

    triangles: int
    size: tuple[float, float, float]  # in its own unit
    notes: tuple[str, ...]
    bits: int  # small, that touch nothing else


def keep_scans_in(folder: Path | None) -> Path | None:
    """Say where scans lie, once, when a process starts; returns where they lay before."""
    global _folder  # noqa: PLW0603 - one store for the process
    _folder, before = folder, _folder
    return before


def scan_folder(sha256: str) -> Path:
    """Return where a scan lies, or will.

    Raises:
        LookupError: If scans are kept nowhere, or that is no SHA-256.
    """
    if _folder is None or not _SHA.fullmatch(sha256):
        raise LookupError(sha256)
    return _folder / sha256[:2] / sha256


def is_ready(sha256: str) -> bool:
    """Say whether a scan lies in the store, made ready."""
    try:
        return (scan_folder(sha256) / "facts.json").is_file()
    except LookupError:
        return False


def facts_of(sha256: str) -> Facts:
    """Return what is known of a scan that is ready."""
    found = json.loads((scan_folder(sha256) / "facts.json").read_text())
    x, y, z = found["size"]
    return Facts(triangles=found["triangles"], size=(x, y, z), notes=tuple(found["notes"]), bits=found["bits"])


def surface_of(sha256: str) -> Surface | None:
    """Return a scan's surface, or ``None`` where the store has none. Its triangles stay on disk until looked at."""
    if not is_ready(sha256):
        return None
    return _opened(scan_folder(sha256))


def view_of(sha256: str) -> bytes | None:
    """Return a scan's picture, see ``prepare.view_bytes``."""
    return (scan_folder(sha256) / "view.bin").read_bytes() if is_ready(sha256) else None


@kept(6)
def _opened(folder: Path) -> Surface:
    vertices, faces, spans, middle = (
        np.load(folder / f"{name}.npy", mmap_mode="r", allow_pickle=False)
        for name in ("vertices", "faces", "spans", "middle")
    )
    return Surface(vertices, faces, np.asarray(spans), np.asarray(middle))
