"""The application server's worker: gunicorn's own, with an end to waiting for a request."""

from typing import Any

from gunicorn.workers.gthread import ThreadWorker

from fernback.receiving import begin_receiving, received


class DeadlineWorker(ThreadWorker):  # type: ignore[misc]  # gunicorn has no types
    """A worker of threads, none of which a slow sender holds for long."""

    def handle(self, conn: Any) -> Any:
        """Handle a request, which has to be in before its time is over."""
        begin_receiving(conn.sock)
        try:
            return super().handle(conn)
        finally:
            received()
