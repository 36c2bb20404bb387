"""Long sums, each in a process of its own that gives way to all others: nobody's keystroke waits for one."""

import subprocess
import sys
from threading import Lock
from typing import Final

from django.conf import settings
from pydantic import TypeAdapter

from driveline.job.registry import JobFileBase
from driveline.job.sureness_results import Sureness
from driveline.memory import Memory, key_of

GREATEST_S: Final = 120.0  # a sum that takes longer is given up, and says so in the log
_ANSWERED: Final = Memory(16)
_ONE_AT_A_TIME: Final = Lock()
_LIST: Final = TypeAdapter(tuple[Sureness, ...])


def sureness_beside(file: JobFileBase) -> tuple[Sureness, ...] | None:
    """Return how sure each margin of a job is, by the core's command; ``None`` while another's is under way."""
    if not _ONE_AT_A_TIME.acquire(blocking=False):
        return None
    try:
        return _ANSWERED.remembered(key_of(file), lambda: _asked(file))
    finally:
        _ONE_AT_A_TIME.release()


def wait_until_idle() -> None:
    """Return once no such sum is under way: for tests that take the database away."""
    with _ONE_AT_A_TIME:
        pass


def _asked(file: JobFileBase) -> tuple[Sureness, ...]:
    done = subprocess.run(
        ["nice", "-n", "10", sys.executable, "-m", "driveline", "sureness", "/dev/stdin"],
        cwd=settings.ROOT / "core",
        input=file.model_dump_json().encode(),
        capture_output=True,
        check=True,
        timeout=GREATEST_S,
    )
    return _LIST.validate_json(done.stdout)
