"""Long sums, in processes beside each web worker that give way to all others: nobody's keystroke waits for one."""

import ctypes
import os
from collections.abc import Collection, Sequence
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from dataclasses import dataclass
from functools import cache
from multiprocessing import get_context, parent_process
from pathlib import Path
from threading import Lock, Thread
from time import monotonic
from typing import Final

from django.conf import settings

from driveline.errors import NotWantedAnyMore
from driveline.job.file import REGISTRY, JobFile
from driveline.job.moved import Margins, Mover, Steps, Work
from driveline.job.registry import JobFileBase
from driveline.job.sureness import solve_sureness
from driveline.job.sureness_results import Sureness
from driveline.memory import Memory, told
from driveline.scans.store import keep_scans_in

GIVES_WAY: Final = 10
GREATEST_S: Final = 240.0
SOON_S: Final = 10.0  # in which a sum that nobody wants any more has noticed
PROCESSES: Final = min(len(os.sched_getaffinity(0)), 4)
AT_A_TIME: Final = 8  # moves given to a process: what it remembers of one serves its neighbours
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
        return _ANSWERED.of(_asked, told(file), told(REGISTRY.leans_on(file)))
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
    """The processes, kept, since they take seconds to start."""
    return ProcessPoolExecutor(PROCESSES, _FROM, initializer=_begin, initargs=(settings.MEDIA / "scans", _WANTED))


def _asked(file: JobFileBase, _leans_on: object) -> tuple[Sureness, ...]:
    try:
        return solve_sureness(REGISTRY, file, work=_spread(file.model_dump_json(), _give_up()))
    except BrokenProcessPool:  # killed from outside: the next to ask gets new ones
        _beside.cache_clear()
        raise


def _spread(file: str, number: int) -> Work:
    """Spread moves of a job over the processes, as long as its sum is the one that is wanted."""
    until = monotonic() + GREATEST_S

    def work(moves: Sequence[Steps], benches: Collection[str] | None) -> list[Margins]:
        portions = [moves[k : k + AT_A_TIME] for k in range(0, len(moves), AT_A_TIME)]
        asked = [_beside().submit(_worked, file, number, portion, benches) for portion in portions]
        try:
            return [found for one in asked for found in one.result(until - monotonic())]
        finally:
            for one in asked:
                one.cancel()

    return work


@dataclass
class _Process:
    """What one of the processes holds: the number that the worker's own thread counts up, and the job at hand."""

    wanted: ctypes.c_ulong
    number: int = 0
    mover: Mover | None = None

    def mover_of(self, file: str, number: int) -> Mover:
        if self.mover is None or self.number != number:
            self.mover = Mover.apart(REGISTRY, JobFile.model_validate_json(file), lambda: self.wanted.value == number)
            self.number = number
        return self.mover


_PROCESS: Final[list[_Process]] = []


def _begin(scans: Path, wanted: ctypes.c_ulong) -> None:
    os.nice(GIVES_WAY)
    Thread(target=_end_with_the_worker, daemon=True).start()
    keep_scans_in(scans)
    _PROCESS.append(_Process(wanted))


def _end_with_the_worker() -> None:
    """End when the web worker has ended, however it did: nobody else would tell these processes to."""
    if worker := parent_process():
        worker.join()
        os._exit(0)


def _worked(file: str, number: int, moves: Sequence[Steps], benches: Collection[str] | None) -> list[Margins]:
    return _PROCESS[0].mover_of(file, number).many(moves, benches)
