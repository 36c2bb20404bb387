"""How long a request may take to come in: a sender that trickles is cut off, so that it holds no thread for long."""

import contextlib
import socket
import threading
from typing import Final

WITHIN_S: Final = 20.0
_HERE: Final = threading.local()


def begin_receiving(connection: socket.socket) -> None:
    """Cut a connection off when this thread's request is not in within its time."""
    _HERE.timer = threading.Timer(WITHIN_S, _cut_off, [connection])
    _HERE.timer.daemon = True
    _HERE.timer.start()


def received() -> None:
    """Say that the request of this thread is in, or may take its time: it is not cut off any more."""
    timer = getattr(_HERE, "timer", None)
    if timer is not None:
        timer.cancel()


def _cut_off(connection: socket.socket) -> None:
    with contextlib.suppress(OSError):  # gone by itself
        connection.shutdown(socket.SHUT_RDWR)
