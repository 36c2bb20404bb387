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

GREATEST_S: Final = 120.0
_ANSWERED: Final = Memory(16)
_ONE_AT_A_TIME: Final = Lock()
_LIST: Final = TypeAdapter(tuple[Sureness, ...])


class Busy(Exception):
    """Another such sum is under way; this one can be asked for again."""


def sureness_beside(file: JobFileBase) -> tuple[Sureness, ...]:
    """Return how sure each margin of a job is, by the core's own command.

    Raises:
        Busy: If one for another job is under way here, or this one takes too long.
    """
    return _ANSWERED.remembered(key_of(file), lambda: _asked(file))


def _asked(file: JobFileBase) -> tuple[Sureness, ...]:
    if not _ONE_AT_A_TIME.acquire(blocking=False):
        raise Busy("The ranges of another job are being worked out. Ask again in a moment.")
    try:
        done = subprocess.run(
            ["nice", "-n", "10", sys.executable, "-m", "driveline", "sureness", "/dev/stdin"],
            cwd=settings.ROOT / "core",
            input=file.model_dump_json().encode(),
            capture_output=True,
            check=True,
            timeout=GREATEST_S,
        )
    except subprocess.TimeoutExpired as error:
        raise Busy("The ranges of this job take too long on this machine now. Ask again later.") from error
    finally:
        _ONE_AT_A_TIME.release()
    return _LIST.validate_json(done.stdout)
