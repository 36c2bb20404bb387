"""Long sums, in one process beside each web worker that gives way to all others: nobody's keystroke waits for one."""

import os
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from functools import cache
from multiprocessing import get_context
from pathlib import Path
from threading import Lock
from typing import Final

from django.conf import settings

from driveline.job.file import REGISTRY, JobFile
from driveline.job.registry import JobFileBase
from driveline.job.sureness import solve_sureness
from driveline.job.sureness_results import Sureness
from driveline.memory import Memory, key_of
from driveline.scans.store import keep_scans_in

GIVES_WAY: Final = 10
GREATEST_S: Final = 120.0
_ANSWERED: Final = Memory(16)
_ONE_AT_A_TIME: Final = Lock()


def sureness_beside(file: JobFileBase) -> tuple[Sureness, ...] | None:
    """Return how sure each margin of a job is; ``None`` while another job's are being worked out here.

    Raises:
        TimeoutError: If it takes longer than anybody waits.
    """
    if not _ONE_AT_A_TIME.acquire(blocking=False):
        return None
    try:
        return _ANSWERED.remembered(key_of(file, REGISTRY.leans_on(file)), lambda: _asked(file))
    finally:
        _ONE_AT_A_TIME.release()


def wait_until_idle() -> None:
    """Return once no such sum is under way: for tests that take the database away."""
    with _ONE_AT_A_TIME:
        pass


@cache
def _beside() -> ProcessPoolExecutor:
    """The process, kept, since it takes seconds to start. Not forked from here: a web worker has threads."""
    return ProcessPoolExecutor(1, get_context("forkserver"), initializer=_begin, initargs=(settings.MEDIA / "scans",))


def _begin(scans: Path) -> None:
    os.nice(GIVES_WAY)
    keep_scans_in(scans)


def _asked(file: JobFileBase) -> tuple[Sureness, ...]:
    try:
        return _beside().submit(_worked, file.model_dump_json()).result(GREATEST_S)
    except BrokenProcessPool:  # killed from outside: the next to ask gets a new one
        _beside.cache_clear()
        raise


def _worked(file: str) -> tuple[Sureness, ...]:
    return solve_sureness(REGISTRY, JobFile.model_validate_json(file))
