"""The processes beside a web worker end with it, however it ends."""

import os
import signal
import subprocess
import sys
from contextlib import suppress
from pathlib import Path
from time import monotonic, sleep
from unittest import TestCase

SERVER = Path(__file__).parents[2]
BEGINS = """
import os, django
django.setup()
from jobs.beside import _beside
if __name__ == "__main__":
    print(_beside().submit(os.getpid).result(), flush=True)
    input()
"""


class BesideTest(TestCase):
    def test_none_outlives_a_worker_that_is_killed(self) -> None:
        paths = os.pathsep.join((str(SERVER), str(SERVER.parent / "core")))
        worker = subprocess.Popen(
            [sys.executable, "-c", BEGINS],
            env=os.environ | {"PYTHONPATH": paths},
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            text=True,
        )
        assert worker.stdin and worker.stdout
        with worker.stdin, worker.stdout:
            beside = int(worker.stdout.readline())
            worker.send_signal(signal.SIGKILL)
            worker.wait()
        until = monotonic() + 60.0
        while _is_there(beside) and monotonic() < until:
            sleep(0.05)
        self.assertFalse(_is_there(beside))


def _is_there(pid: int) -> bool:
    with suppress(ProcessLookupError):
        os.kill(pid, 0)
        return True
    return False
