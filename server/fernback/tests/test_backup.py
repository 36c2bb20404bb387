"""Backups: whole and equal when restored, refused by name when they are not as they were made."""

import importlib.util
import io
import subprocess
import sys
import tarfile
import tempfile
from pathlib import Path
from typing import Any

from django.conf import settings
from django.test import SimpleTestCase

ROOT = settings.ROOT
_spec = importlib.util.spec_from_file_location("keeping", ROOT / "scripts" / "keeping.py")
assert _spec is not None and _spec.loader is not None
keeping: Any = importlib.util.module_from_spec(_spec)
_spec.loader.exec_module(keeping)

FILES = {"database.dump": b"rows", "media/ab/original": b"triangles"}


def archive(files: dict[str, bytes], manifest: dict[str, Any] | None = None) -> bytes:
    listed = {name: keeping.hashlib.sha256(data).hexdigest() for name, data in FILES.items()}
    whole = manifest or {"format": 1, "files": listed, "migrations": [], "tables": {}}
    out = io.BytesIO()
    with tarfile.open(fileobj=out, mode="w|") as pack:
        for name, data in {"manifest.json": keeping.json.dumps(whole).encode(), **files}.items():
            entry = tarfile.TarInfo(name)
            entry.size = len(data)
            pack.addfile(entry, io.BytesIO(data))
    return out.getvalue()


class ArchiveTest(SimpleTestCase):
    def unpack(self, data: bytes) -> Any:
        with tempfile.TemporaryDirectory() as folder:
            return keeping.unpacked(io.BytesIO(data), Path(folder))

    def test_what_was_made_is_taken(self) -> None:
        self.assertEqual(set(self.unpack(archive(FILES))["files"]), set(FILES))

    def test_what_is_not_as_it_was_is_refused_and_named(self) -> None:
        good = archive(FILES)
        bent = {
            "media/ab/original": archive({**FILES, "media/ab/original": b"trianglez"}),
            "database.dump": archive({"media/ab/original": b"triangles"}),
            "more": archive({**FILES, "more": b"x"}),
            "format 9": archive(FILES, {"format": 9, "files": {}}),
            "can be read": good[:900],
            "backup": b"not a tar at all" * 100,
            "can be read:": archive({**FILES, "../outside": b"x"}),
        }
        for says, data in bent.items():
            with self.subTest(says), self.assertRaisesRegex(keeping.Unusable, says):
                self.unpack(data)

    def test_a_backup_of_a_newer_fernback_is_told_by_its_migrations(self) -> None:
        known = [f"jobs.{path.stem}" for path in (ROOT / "server/jobs/migrations").glob("0*.py")]
        self.assertEqual(keeping.unknown_migrations([*known, "auth.0012_of_a_package"], ROOT), [])
        self.assertEqual(keeping.unknown_migrations(["jobs.0999_later"], ROOT), ["jobs.0999_later"])


class RestoreTest(SimpleTestCase):
    def test_a_destroyed_cluster_comes_back_row_by_row(self) -> None:
        done = subprocess.run(
            [sys.executable, ROOT / "bench" / "restore.py", "--jobs", "10"], capture_output=True, text=True
        )
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        self.assertRegex(done.stdout, r"^12 jobs; \d{3} rows in \d\d tables equal, [1-9] media files equal")
