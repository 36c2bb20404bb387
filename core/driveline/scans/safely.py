"""A scan made ready in a process of its own, held to so much memory and so much time."""

import os
import resource
import signal
from collections.abc import Callable
from multiprocessing import get_context
from multiprocessing.connection import Connection
from pathlib import Path
from typing import Final

from driveline.reading.csv_in import UnreadableFile
from driveline.scans.formats import SAVE_AGAIN, Kind, looked_at
from driveline.scans.prepare import prepare
from driveline.scans.store import scan_folder

MORE_BYTES: Final = {Kind.STEP: 350_000_000}  # of addresses, beside those that each byte of a file may take
MORE_BYTES_ELSE: Final = 250_000_000
BYTES_EACH: Final = 24
BASE_S: Final = 1.4
BYTES_A_SECOND: Final = {Kind.STEP: 100_000}
BYTES_A_SECOND_ELSE: Final = 1_500_000
GRACE_S: Final = 20.0  # by the clock, where the machine is busy

# Copied with everything already read in, so that a small file is not two seconds of imports.
_COPIED: Final = get_context("fork")


def prepare_safely(source: Path, name: str, sha256: str, say: Callable[[float], None]) -> None:
    """Make a scan ready in the store. For a process without threads of its own.

    Args:
        source: Its file, on the store's own disk.
        name: As it was called where it came from.
        sha256: Of the file.
        say: Told how much of it is done, a share.

    Raises:
        UnreadableFile: If it is no scan that can be taken, or takes more than a file of its size may.
    """
    kind, size = looked_at(source, name), source.stat().st_size
    more_bytes = MORE_BYTES.get(kind, MORE_BYTES_ELSE) + BYTES_EACH * size
    most_s = BASE_S + size / BYTES_A_SECOND.get(kind, BYTES_A_SECOND_ELSE)
    made = scan_folder(sha256)
    made.parent.mkdir(parents=True, exist_ok=True)
    ours, theirs = _COPIED.Pipe(duplex=False)
    child = _COPIED.Process(target=_held, args=(theirs, source, name, made, more_bytes, most_s), daemon=True)
    child.start()
    theirs.close()
    refused = (f"{name} takes more memory or time than a file of its size should.", SAVE_AGAIN)
    try:
        while ours.poll(most_s * 2 + GRACE_S):
            told = ours.recv()
            if isinstance(told, tuple):
                refused = told
            else:
                say(told)
    except EOFError:  # it has ended
        child.join()
    finally:
        child.kill()
        child.join()
        ours.close()
    if child.exitcode != 0:
        raise UnreadableFile(name, *refused)


def _held(tell: Connection, source: Path, name: str, made: Path, more_bytes: int, most_s: float) -> None:
    """In the child: what a parser prints goes nowhere, and it ends where its memory or time does."""
    nowhere = os.open(os.devnull, os.O_WRONLY)
    os.dup2(nowhere, 1)
    os.dup2(nowhere, 2)
    now_bytes = int(Path("/proc/self/statm").read_text().split()[0]) * resource.getpagesize()
    resource.setrlimit(resource.RLIMIT_AS, (now_bytes + more_bytes,) * 2)
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    signal.signal(signal.SIGPROF, signal.SIG_DFL)
    signal.setitimer(signal.ITIMER_PROF, most_s)  # of work, not by the clock; it ends the process
    try:
        prepare(source, name, made, tell.send)
    except UnreadableFile as error:
        tell.send((error.problem, error.fix))
        os._exit(1)
    except MemoryError:
        os._exit(1)
    os._exit(0)
