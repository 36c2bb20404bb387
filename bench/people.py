"""Many people editing at once: ``python bench/people.py URL PASSWORD [PEOPLE] [SECONDS]``, against a running ./start.

Each has a session of their own, opens a demo job, and types a figure about every two seconds, in one bench after the
other. Printed: answers, errors, median and 95th percentile, and the server's memory before and after.
"""

import copy
import gzip
import http.client
import json
import random
import statistics
import sys
import threading
import time
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit

THINK_S = 2.0
PID = Path(__file__).parents[1] / ".run" / "server.pid"
TYPED = (  # where in the sheets, and what is typed there
    (("plate", "plate", "turned"), "{:.1f} deg", (0.0, 9.0)),
    (("ratios", "axle_rating"), "{:.0f} Nm", (1500.0, 2500.0)),
    (("brief", "vehicle", "laden_mass"), "{:.0f} kg", (1600.0, 1700.0)),
)


class Person(threading.Thread):
    """Somebody at a screen: asks for what follows with only the pieces that the screen lacks, as the page does."""

    def __init__(self, url: str, password: str, number: int, seconds: float) -> None:
        super().__init__(daemon=True)
        self._host = urlsplit(url).netloc
        self._password, self._seconds = password, seconds
        self._dice = random.Random(number)
        self._cookies: dict[str, str] = {}
        self._http = http.client.HTTPConnection(self._host, timeout=30)
        self.took_ms: list[float] = []
        self.errors: list[str] = []
        self.sent_bytes: list[int] = []

    def call(self, method: str, path: str, body: object = None) -> tuple[int, Any, int]:
        headers = {"Cookie": "; ".join(f"{k}={v}" for k, v in self._cookies.items()), "Accept-Encoding": "gzip"}
        headers |= {"X-CSRFToken": self._cookies.get("csrftoken", ""), "Content-Type": "application/json"}
        self._http.close()  # a connection each: the server drops those that are idle as long as somebody thinks
        self._http.request(method, path, None if body is None else json.dumps(body), headers)
        answer = self._http.getresponse()
        for name, value in answer.getheaders():
            if name.lower() == "set-cookie":
                key, _, rest = value.partition("=")
                self._cookies[key] = rest.split(";")[0]
        raw = answer.read()
        text = gzip_or_plain(raw, answer.getheader("Content-Encoding"))
        return answer.status, json.loads(text) if text else None, len(raw)

    def open(self) -> None:
        self.call("GET", "/api/session")
        status, _, _ = self.call("POST", "/api/session", {"username": "fabricator", "password": self._password})
        if status != 200:
            raise SystemExit(f"sign-in answered {status}")
        jobs = [job["id"] for job in self.call("GET", "/api/jobs")[1]]
        self._job = self._dice.choice(jobs)
        self._sheets = self.call("GET", f"/api/jobs/{self._job}")[1]["version"]["sheets"]

    def run(self) -> None:
        have: dict[str, str] = {}
        ends = time.monotonic() + self._seconds
        time.sleep(self._dice.uniform(0, THINK_S))
        while time.monotonic() < ends:
            path, text, (least, greatest) = self._dice.choice(TYPED)
            sheets = copy.deepcopy(self._sheets)
            place = sheets
            for name in path[:-1]:
                place = place[name]
            place[path[-1]] = {"text": text.format(self._dice.uniform(least, greatest))}
            begin = time.perf_counter()
            try:
                status, answer, size = self.call(
                    "POST", f"/api/jobs/{self._job}/evaluate", {"sheets": sheets, "have": have}
                )
            except (OSError, http.client.HTTPException) as error:
                self.errors.append(str(error))
                self._http.close()
                continue
            self.took_ms.append(1e3 * (time.perf_counter() - begin))
            self.sent_bytes.append(size)
            if status == 200:
                have = answer["answer"]["keys"]
            else:
                self.errors.append(f"{status}: {answer}")
            time.sleep(self._dice.uniform(0.5, 1.5) * THINK_S)


def gzip_or_plain(raw: bytes, encoding: str | None) -> bytes:
    return gzip.decompress(raw) if encoding == "gzip" else raw


def memory_mb() -> float:
    """The server's processes together, MB; 0 where they are not of this folder."""
    try:
        pid = PID.read_text().strip()
        pids = [pid, *Path(f"/proc/{pid}/task/{pid}/children").read_text().split()]
        lines = [line for one in pids for line in Path(f"/proc/{one}/status").read_text().splitlines()]
    except OSError:
        return 0.0
    return sum(int(line.split()[1]) for line in lines if line.startswith("VmRSS")) / 1000


def main(url: str, password: str, people: int = 50, seconds: float = 60.0) -> None:
    everybody = [Person(url, password, number, seconds) for number in range(people)]
    for person in everybody:
        person.open()
    before_mb = memory_mb()
    for person in everybody:
        person.start()
    time.sleep(seconds / 2)
    halfway_mb = memory_mb()
    for person in everybody:
        person.join()
    took_ms = sorted(ms for person in everybody for ms in person.took_ms)
    errors = [error for person in everybody for error in person.errors]
    sizes = sorted(size for person in everybody for size in person.sent_bytes)
    print(f"{people} people, {seconds:.0f} s: {len(took_ms)} answers, {len(errors)} errors {errors[:2]}")
    at_95 = int(0.95 * len(took_ms))
    print(f"median {statistics.median(took_ms):.0f} ms, p95 {took_ms[at_95]:.0f} ms, worst {took_ms[-1]:.0f} ms")
    print(f"on the wire: median {statistics.median(sizes) / 1000:.1f} kB, p95 {sizes[at_95] / 1000:.1f} kB")
    print(f"memory {before_mb:.0f} MB, halfway {halfway_mb:.0f}, after {memory_mb():.0f}")


if __name__ == "__main__":
    main(*sys.argv[1:3], *[int(number) for number in sys.argv[3:]])
