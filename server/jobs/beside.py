"""Long sums, in one process beside each web worker that gives way to all others: nobody's keystroke waits for one."""

import ctypes
import os
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from functools import cache
from multiprocessing import get_context
from pathlib import Path
from threading import Lock
from typing import Final

from django.conf import settings

from driveline.errors import NotWantedAnyMore
from driveline.job.file import REGISTRY, JobFile
from driveline.job.registry import JobFileBase
from driveline.job.sureness import solve_sureness
from driveline.job.sureness_results import Sureness
from driveline.memory import Memory, key_of
from driveline.scans.store import keep_scans_in

GIVES_WAY: Final = 10
GREATEST_S: Final = 240.0
SOON_S: Final = 10.0  # in which a sum that nobody wants any more has noticed
_FROM: Final = get_context("forkserver")  # not forked from here: a web worker has threads
_ANSWERED: Final = Memory(16)
_ONE_AT_A_TIME: Final = Lock()
_WANTED: Final = _FROM.RawValue(ctypes.c_ulong, 0)  # number of the sum that is still wanted
_COUNTS: Final = Lock()
_OF: Final = {"job": ""}  # whose sum is under way


def sureness_beside(file: JobFileBase, job: str) -> tuple[Sureness, ...] | None:
    """Return how sure each margin of a job is; ``None`` while another job's are being worked out here.

    A sum of the same job as it stood before is given up: nobody waits for it any more.

    Raises:
        TimeoutError: If it takes longer than anybody waits.
    """
    if _OF["job"] == job:
        _give_up()
    if not _ONE_AT_A_TIME.acquire(timeout=SOON_S if _OF["job"] == job else 0.001):
        return None
    _OF["job"] = job
    try:
        return _ANSWERED.remembered(key_of(file, REGISTRY.leans_on(file)), lambda: _asked(file))
    except NotWantedAnyMore:
        return None
    finally:
        _OF["job"] = ""
        _ONE_AT_A_TIME.release()


def _give_up() -> int:
    with _COUNTS:
        _WANTED.value += 1
        return _WANTED.value


def give_up_and_wait() -> None:
    """Return once no such sum is under way, the one that is given up: for tests that take the database away."""
    while not _ONE_AT_A_TIME.acquire(timeout=0.2):
        _give_up()  # again and again: another may have begun meanwhile
    _ONE_AT_A_TIME.release()


@cache
def _beside() -> ProcessPoolExecutor:
    """The process, kept, since it takes seconds to start."""
    return ProcessPoolExecutor(1, _FROM, initializer=_begin, initargs=(settings.MEDIA / "scans", _WANTED))


_SEEN: dict[str, ctypes.c_ulong] = {}  # in the process: the number that the worker's own thread counts up


def _begin(scans: Path, wanted: ctypes.c_ulong) -> None:
    os.nice(GIVES_WAY)
    keep_scans_in(scans)
    _SEEN["wanted"] = wanted


def _asked(file: JobFileBase) -> tuple[Sureness, ...]:
    number = _give_up()
    try:
        return _beside().submit(_worked, file.model_dump_json(), number).result(GREATEST_S)
    except BrokenProcessPool:  # killed from outside: the next to ask gets a new one
        _beside.cache_clear()
        raise


def _worked(file: str, number: int) -> tuple[Sureness, ...]:
    wanted = _SEEN["wanted"]
    return solve_sureness(REGISTRY, JobFile.model_validate_json(file), is_wanted=lambda: wanted.value == number)
