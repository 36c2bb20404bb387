"""Everything backed up, the cluster destroyed, all restored: every row and every file equal, and how long it took.

.venv/bin/python bench/restore.py [--jobs 200]
"""

import argparse
import os
import shutil
import subprocess
import sys
import tempfile
from pathlib import Path
from time import perf_counter

ROOT = Path(__file__).resolve().parents[1]
CLUSTER = "restore-bench"
# Jobs are copied from the demo's by SQL: what is tried is keeping them, not working them out two hundred times.
COPIES = """
INSERT INTO jobs_job (id, shop_id, name, about, created_at)
  SELECT gen_random_uuid(), shop_id, name || ' ' || n, about, now() FROM jobs_job, generate_series(1, {times}) n;
INSERT INTO jobs_jobversion (job_id, number, author_id, saved_at, note, sheets, format_version, worst, worst_title,
    stage, fails, not_known, summary)
  SELECT job.id, k, author_id, now(), note, sheets, format_version, worst, worst_title, stage, fails, not_known, summary
  FROM jobs_job job, generate_series(1, 3) k, jobs_jobversion version JOIN jobs_job was ON was.id = version.job_id
  WHERE job.name LIKE was.name || ' %%' AND NOT EXISTS (SELECT 1 FROM jobs_jobversion WHERE job_id = job.id);
INSERT INTO build_release (job_id, part, letter, sha256, record, author_id, kept_at)
  SELECT job.id, part, letter, sha256, record, author_id, now()
  FROM jobs_job job, build_release release JOIN jobs_job was ON was.id = release.job_id
  WHERE job.name LIKE was.name || ' %%';
"""


def shell(script: str, **more: str) -> str:
    """Run a few lines beside the project's own shell functions, with a cluster of our own."""
    lead = "set -euo pipefail; . scripts/install.sh; . scripts/postgres.sh; "
    ours = {"ROOT": str(ROOT), "FERNBACK_CLUSTER": CLUSTER, "FERNBACK_SECRET_KEY": "bench"}
    environment = {**os.environ, **ours, "DJANGO_SETTINGS_MODULE": "fernback.settings", **more}
    done = subprocess.run(["bash", "-c", lead + script], cwd=ROOT, env=environment, capture_output=True, text=True)
    if done.returncode:
        raise SystemExit(f"{script[:80]}\n{done.stdout}{done.stderr}")
    return done.stdout


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--jobs", type=int, default=200)
    wanted = parser.parse_args().jobs
    with tempfile.TemporaryDirectory(prefix="fernback-restore-") as made:
        folder = Path(made)
        more = {"FERNBACK_MEDIA": str(folder / "media"), "FERNBACK_DEMO_PASSWORD": "only for a bench"}
        (folder / "passphrase").write_text("only for a bench\n")
        start, manage = f"pg_start {CLUSTER}", ".venv/bin/python server/manage.py"
        gone = f'rm -rf "$(pg_home {CLUSTER})"'
        sealed = f"--passphrase-file {folder / 'passphrase'}"
        try:
            shell(f"{gone}; {start}; pg_database fernback; {manage} migrate --skip-checks -v0", **more)
            copies = COPIES.format(times=-(-(wanted - 5) // 5)).replace("%%", "%")
            shell(f'{start}; {manage} load_demo --skip-checks; pg_ask fernback "{copies}"; pg_stop', **more)
            begun = perf_counter()
            name = shell(f"scripts/backup {folder} {sealed}", **more).split()[-1]
            backed_up = perf_counter()
            shell(f"{gone}; rm -rf {folder / 'media'}", **more)
            said = shell(f"scripts/restore {name} {sealed} --yes", **more)
            restored = perf_counter()
            counted = shell(f"{start}; pg_ask fernback 'SELECT count(*) FROM jobs_job'; pg_stop", **more)
        finally:
            shell(f"{start} || true; pg_stop; {gone}", **more)
        size_mb = Path(name).stat().st_size / 1e6
        print(f"{counted.strip()} jobs; {said.strip()}")
        print(f"backup {backed_up - begun:.1f} s ({size_mb:.1f} MB, encrypted), restore {restored - backed_up:.1f} s")
        shutil.rmtree(folder / "media", ignore_errors=True)


if __name__ == "__main__":
    sys.exit(main())
