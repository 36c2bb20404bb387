"""Databases of before, kept as dumps: brought up by the migrations with all that is in them, and evaluated.

A dump is made of each released state: ``pg_dump --inserts`` of a small shop, without psql's own lines, through ``xz``.
"""

import lzma
import os
import subprocess
import sys
from pathlib import Path
from typing import Any

import psycopg
from django.conf import settings
from django.test import SimpleTestCase

DUMPS = sorted((Path(__file__).parent / "dumps").glob("*.sql.xz"))
NAME = "test_upgrade"
LOOK = """
from jobs.models import Job
from jobs.actions import job_file, saved_sheets
from driveline.job.evaluate import evaluate
for job in Job.objects.order_by("name"):
    newest = job.versions.latest("number")
    checks = evaluate(job_file(job, saved_sheets(newest))).checks
    print(job.name, newest.number, newest.note, job.releases.count(), len(checks) > 5)
"""


class UpgradeTest(SimpleTestCase):
    def connected(self, database: str) -> psycopg.Connection[Any]:
        kept: dict[str, Any] = settings.DATABASES["default"]
        return psycopg.connect(dbname=database, user="postgres", host=kept["HOST"], port=kept["PORT"], autocommit=True)

    def emptied(self) -> None:
        with self.connected("postgres") as connection:
            connection.execute(f"DROP DATABASE IF EXISTS {NAME} WITH (FORCE)")

    def manage(self, *arguments: str) -> str:
        environment = {**os.environ, "DJANGO_SETTINGS_MODULE": "fernback.settings", "FERNBACK_DB_NAME": NAME}
        command = [sys.executable, str(settings.ROOT / "server" / "manage.py"), *arguments]
        done = subprocess.run(command, env=environment, capture_output=True, text=True)
        self.assertEqual(done.returncode, 0, done.stderr)
        said: str = done.stdout
        return said

    def test_every_kept_dump_is_brought_up_whole(self) -> None:
        self.assertTrue(DUMPS)
        self.addCleanup(self.emptied)
        for dump in DUMPS:
            with self.subTest(dump.name):
                self.emptied()
                with self.connected("postgres") as connection:
                    connection.execute(f"CREATE DATABASE {NAME}")
                with self.connected(NAME) as connection:
                    connection.execute(lzma.decompress(dump.read_bytes()).decode())
                self.manage("migrate", "--skip-checks", "-v0")
                jobs = self.manage("shell", "--no-imports", "-c", LOOK).splitlines()
                self.assertEqual(jobs, ["Avocet 1  0 True", "Wren 2 as cut 1 True"])
                with self.connected(NAME) as connection:
                    people = connection.execute("SELECT count(*) FROM accounts_membership").fetchone()
                    demo = connection.execute("SELECT name FROM accounts_shop WHERE is_demo").fetchone()
                self.assertEqual((people, demo), ((3,), ("Saltmarsh Motor Works",)))
