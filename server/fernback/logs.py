"""What the server says of itself: a line of JSON each, with the number of the request that a person was told."""

import json
import logging
import re
from contextvars import ContextVar
from datetime import UTC, datetime
from time import perf_counter
from typing import Any, Final

from django.http import HttpRequest, HttpResponse

log = logging.getLogger("fernback.requests")
SLOW_S: Final = 1.0
JOB: Final = re.compile(r"/jobs/(?P<job>[0-9a-f-]{36})(?:/(?:as-saved/\d+/)?(?P<bench>[a-z_]+))?$")

number_now: ContextVar[str] = ContextVar("number_of_the_request", default="")


class JsonFormatter(logging.Formatter):
    """A record as one line of JSON; what is under ``extra={"facts": …}`` stands beside the words."""

    def format(self, record: logging.LogRecord) -> str:
        said: dict[str, Any] = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname.lower(),
            "from": record.name,
            "says": record.getMessage(),
        }
        if number := number_now.get():
            said["request"] = number
        said |= getattr(record, "facts", {})
        if record.exc_info:
            said["trace"] = self.formatException(record.exc_info)
        return json.dumps(said, ensure_ascii=False, default=str)


class Timed:
    """How long a request takes, written down when it is slow, and always where that is asked for."""

    def __init__(self, request: HttpRequest) -> None:
        self.request, self.began = request, perf_counter()

    def ended(self, response: HttpResponse) -> None:
        """Write it down: where it went, how it ended, and of which job and bench it was."""
        took_s = perf_counter() - self.began
        level = logging.WARNING if took_s >= SLOW_S else logging.INFO
        if not log.isEnabledFor(level):
            return
        facts = {
            "method": self.request.method,
            "path": self.request.path,
            "status": response.status_code,
            "ms": round(1000 * took_s),
            **_job_and_bench(self.request.headers.get("Referer", "")),
        }
        log.log(level, "slow" if level == logging.WARNING else "answered", extra={"facts": facts})


def _job_and_bench(page: str) -> dict[str, str]:
    """What the page showed that the request came from."""
    found = JOB.search(page.split("?")[0].split("#")[0])
    return {key: value for key, value in found.groupdict().items() if value} if found else {}
