"""The demo's scans, made ready for the tests of this process."""

import atexit
import hashlib
import shutil
import tempfile
from pathlib import Path

from driveline.scans.prepare import prepare
from driveline.scans.store import is_ready, keep_scans_in, scan_folder


def hold_demo_scans(folder: Path) -> None:
    """Keep the scans that lie beside the demo jobs in a store of this process's own."""
    kept = Path(tempfile.mkdtemp(prefix="fernback-scans-"))
    atexit.register(shutil.rmtree, kept, ignore_errors=True)
    keep_scans_in(kept)
    for source in folder.glob("*.ply"):
        sha256 = hashlib.sha256(source.read_bytes()).hexdigest()
        if not is_ready(sha256):
            prepare(source, source.name, scan_folder(sha256), lambda _share: None)
