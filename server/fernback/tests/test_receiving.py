"""A sender that trickles is cut off; one whose request is in is left alone, however long the answer takes."""

import socket
import time
from types import SimpleNamespace
from typing import Any
from unittest import mock

from django.test import SimpleTestCase
from gunicorn.workers.gthread import ThreadWorker

from fernback.receiving import received
from fernback.worker import DeadlineWorker


class ReceivingTest(SimpleTestCase):
    def handled(self, handle: Any) -> tuple[Any, float]:
        """What comes of a request that nothing more comes in of, and how long it took."""
        ours, theirs = socket.socketpair()
        worker = DeadlineWorker.__new__(DeadlineWorker)
        began = time.monotonic()
        with (
            ours,
            theirs,
            mock.patch("fernback.receiving.WITHIN_S", 0.2),
            mock.patch.object(ThreadWorker, "handle", lambda _self, conn: handle(conn.sock)),
        ):
            ours.settimeout(5.0)
            return worker.handle(SimpleNamespace(sock=ours)), time.monotonic() - began

    def test_a_request_that_does_not_come_in_is_cut_off(self) -> None:
        found, took_s = self.handled(lambda sock: sock.recv(10))
        self.assertEqual(found, b"")
        self.assertLess(took_s, 4.0)

    def test_one_that_is_in_is_left_alone(self) -> None:
        def slow(sock: socket.socket) -> bool:
            received()
            time.sleep(0.5)
            sock.sendall(b"answer")
            return True

        found, _ = self.handled(slow)
        self.assertTrue(found)
