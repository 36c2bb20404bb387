"""A whole shop as one archive, and back: the database as of one moment, the media, and a manifest they are held to.

Called by scripts/backup and scripts/restore, which see to the cluster and to encryption.
"""

import argparse
import hashlib
import json
import os
import shutil
import subprocess
import sys
import tarfile
import tempfile
from datetime import UTC, datetime
from pathlib import Path
from typing import IO, Any, Final

import psycopg
from psycopg import sql

FORMAT: Final = 1
MANIFEST, DUMP, MEDIA = "manifest.json", "database.dump", "media"
ROWS: Final = sql.SQL(
    "SELECT count(*), md5(coalesce(string_agg(md5(t::text), '' ORDER BY md5(t::text)), '')) FROM {} t"
)


class Unusable(Exception):
    """An archive, or a machine, that this can't be done with."""


def _connected(database: str) -> psycopg.Connection[Any]:
    where = {"host": os.environ["FERNBACK_DB_SOCKET"], "port": os.environ["FERNBACK_DB_PORT"]}
    return psycopg.connect(dbname=database, user="postgres", **where)  # type: ignore[arg-type]


def _client(tool: str, *arguments: str) -> None:
    where = ("-h", os.environ["FERNBACK_DB_SOCKET"], "-p", os.environ["FERNBACK_DB_PORT"], "-U", "postgres")
    done = subprocess.run([f"{os.environ['PG_BIN']}/{tool}", *where, *arguments], capture_output=True, text=True)
    if done.returncode:
        raise Unusable(f"{tool} failed: {done.stderr.strip()[-400:]}")


def tables_of(connection: psycopg.Connection[Any]) -> dict[str, dict[str, Any]]:
    """Return each table's number of rows and a hash over all of them, whatever order they lie in."""
    names = connection.execute("SELECT tablename FROM pg_tables WHERE schemaname = 'public' ORDER BY 1").fetchall()
    found = {}
    for (name,) in names:
        row = connection.execute(ROWS.format(sql.Identifier(name))).fetchone()
        if row is not None:
            found[name] = {"rows": row[0], "md5": row[1]}
    return found


def migrations_of(connection: psycopg.Connection[Any]) -> list[str]:
    """Return the migrations that a database has been through."""
    return [
        f"{app}.{name}" for app, name in connection.execute("SELECT app, name FROM django_migrations ORDER BY 1, 2")
    ]


def sha256_of(path: Path) -> str:
    """Return a file's hash."""
    with path.open("rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()


def _linked(media: Path, into: Path) -> None:
    """Hold on to what is there now: a file that is deleted meanwhile stays until this is done."""
    for path in media.rglob("*"):
        to = into / path.relative_to(media)
        if path.is_file() and ".part" not in path.suffixes and not to.exists():
            to.parent.mkdir(parents=True, exist_ok=True)
            try:
                to.hardlink_to(path)
            except FileNotFoundError:
                continue  # gone since it was listed
            except OSError:  # another file system
                shutil.copy2(path, to)


def backup(database: str, media: Path, out: IO[bytes]) -> dict[str, Any]:
    """Write the archive. The rows are counted and hashed in the very snapshot that is dumped."""
    with tempfile.TemporaryDirectory(dir=media.parent, prefix=".backup-") as made:
        folder = Path(made)
        (folder / MEDIA).mkdir()
        if media.is_dir():
            _linked(media, folder / MEDIA)
        with _connected(database) as connection:
            connection.isolation_level = psycopg.IsolationLevel.REPEATABLE_READ
            row = connection.execute("SELECT pg_export_snapshot()").fetchone()
            _client("pg_dump", "-Fc", f"--snapshot={row[0] if row else ''}", "-f", str(folder / DUMP), database)
            manifest: dict[str, Any] = {
                "format": FORMAT,
                "made_at": datetime.now(UTC).isoformat(timespec="seconds"),
                "migrations": migrations_of(connection),
                "tables": tables_of(connection),
            }
        if media.is_dir():
            _linked(media, folder / MEDIA)  # what came in while the database was dumped may be named in it
        files = sorted(path for path in folder.rglob("*") if path.is_file())
        manifest["files"] = {str(path.relative_to(folder)): sha256_of(path) for path in files}
        (folder / MANIFEST).write_text(json.dumps(manifest, indent=1))
        with tarfile.open(fileobj=out, mode="w|") as pack:
            for path in (folder / MANIFEST, *files):
                pack.add(path, arcname=str(path.relative_to(folder)))
    return manifest


def unpacked(archive: IO[bytes], folder: Path) -> dict[str, Any]:
    """Unpack an archive and hold every file to its hash.

    Raises:
        Unusable: If it is none, was cut short or was changed.
    """
    try:
        with tarfile.open(fileobj=archive, mode="r|") as pack:
            pack.extractall(folder, filter="data")
        manifest: dict[str, Any] = json.loads((folder / MANIFEST).read_text())
        files: dict[str, str] = manifest["files"]
    except (tarfile.TarError, OSError, ValueError, KeyError) as error:
        raise Unusable(f"This is no backup that can be read: {error}.") from error
    if manifest["format"] != FORMAT:
        raise Unusable(f"This backup is of format {manifest['format']}; this Fernback reads format {FORMAT}.")
    found = {str(path.relative_to(folder)) for path in folder.rglob("*") if path.is_file()} - {MANIFEST}
    if found != set(files):
        raise Unusable(f"Files are missing from it, or too many: {', '.join(sorted(found ^ set(files))[:3])}.")
    for name, wanted in files.items():
        if sha256_of(folder / name) != wanted:
            raise Unusable(f"{name} is not as it was when the backup was made.")
    return manifest


def unknown_migrations(migrations: list[str], root: Path) -> list[str]:
    """Return those of our own migrations that this code does not have: the backup is of a newer Fernback."""
    ours = {path.parent.name for path in (root / "server").glob("*/migrations")}
    have = {f"{path.parent.parent.name}.{path.stem}" for path in (root / "server").glob("*/migrations/0*.py")}
    return [name for name in migrations if name.split(".")[0] in ours and name not in have]


def restore(archive: IO[bytes], database: str, media: Path, root: Path) -> list[str]:
    """Put an archive in place of what is there, which is kept under another name; return what was found equal.

    Raises:
        Unusable: If it can't be used, or what came out is not what went in; what was there is in its place then.
    """
    with tempfile.TemporaryDirectory(dir=media.parent, prefix=".restore-") as made:
        folder = Path(made)
        manifest = unpacked(archive, folder)
        if newer := unknown_migrations(manifest["migrations"], root):
            raise Unusable(f"It was made by a newer Fernback ({newer[-1]}). Upgrade this one first.")
        fresh = f"{database}_restoring"
        with _connected("postgres") as connection:
            connection.autocommit = True
            if not connection.execute("SELECT 1 FROM pg_roles WHERE rolname = 'fernback_server'").fetchone():
                connection.execute("CREATE ROLE fernback_server LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE")
            connection.execute(sql.SQL("DROP DATABASE IF EXISTS {}").format(sql.Identifier(fresh)))
            connection.execute(sql.SQL("CREATE DATABASE {}").format(sql.Identifier(fresh)))
        _client("pg_restore", "--exit-on-error", "-d", fresh, str(folder / DUMP))
        with _connected(fresh) as connection:
            tables = tables_of(connection)
        if differ := [name for name, held in manifest["tables"].items() if tables.get(name) != held]:
            raise Unusable(f"What came out differs from what went in: {', '.join(differ)}.")
        before = f"{datetime.now(UTC):%Y%m%dt%H%M%S}"
        _swap(database, fresh, before)
        if media.exists():
            media.rename(media.with_name(f"{media.name}.{before}"))
        (folder / MEDIA).mkdir(exist_ok=True)
        shutil.move(folder / MEDIA, media)
    rows = sum(held["rows"] for held in tables.values())
    return [
        f"{rows} rows in {len(tables)} tables equal, {len(manifest['files']) - 1} media files equal",
        f"of {manifest['made_at']}",
    ]


def _swap(database: str, fresh: str, before: str) -> None:
    with _connected("postgres") as connection:
        connection.autocommit = True
        if connection.execute("SELECT 1 FROM pg_database WHERE datname = %s", [database]).fetchone():
            rename = sql.SQL("ALTER DATABASE {} RENAME TO {}")
            connection.execute(rename.format(sql.Identifier(database), sql.Identifier(f"{database}_{before}")))
        connection.execute(
            sql.SQL("ALTER DATABASE {} RENAME TO {}").format(sql.Identifier(fresh), sql.Identifier(database))
        )


def refuse_newer(database: str, root: Path) -> None:
    """Refuse a database that a newer Fernback has migrated.

    Raises:
        Unusable: If it was.
    """
    with _connected(database) as connection:
        if connection.execute("SELECT to_regclass('django_migrations')").fetchone() == (None,):
            return  # nothing is kept here yet
        newer = unknown_migrations(migrations_of(connection), root)
    if newer:
        raise Unusable(f"The jobs here were last kept by a newer Fernback ({newer[-1]}). Nothing was changed.")


def main() -> int:
    """Do one of them, between a stream and a database."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("what", choices=["backup", "restore", "refuse-newer"])
    parser.add_argument("--database", default="fernback")
    parser.add_argument("--media", type=Path, default=Path(".media"))
    options = parser.parse_args()
    media, root = options.media.resolve(), Path(__file__).resolve().parents[1]
    try:
        if options.what == "backup":
            made = backup(options.database, media, sys.stdout.buffer)
            rows = sum(held["rows"] for held in made["tables"].values())
            print(f"{rows} rows in {len(made['tables'])} tables, {len(made['files']) - 1} media files", file=sys.stderr)
        elif options.what == "refuse-newer":
            refuse_newer(options.database, root)
        else:
            print(", ".join(restore(sys.stdin.buffer, options.database, media, root)))
    except Unusable as error:
        print(error, file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
