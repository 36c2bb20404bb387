"""Odd jobs and files: taken from good ones and bent, each looked at under a clock and a memory limit."""

import copy
import io
import json
import logging
import random
import resource
import signal
import subprocess
import sys
import traceback
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import partial
from pathlib import Path
from types import FrameType
from typing import Any, Final

import ezdxf.filemanagement
from pydantic import ValidationError

from driveline.drawing.dxf import write_dxf
from driveline.errors import DrivelineError
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.reading.curve_csv import read_motor_curve
from driveline.survey.files import read_survey_csv, read_survey_dxf
from driveline.survey.sheet import Side, Survey
from tests.demo import FOLDER, demo_json

EVALUATE_S: Final = 2.0
READ_FILE_S: Final = 10.0
MOST_SHOWN: Final = 5
GREATEST_BYTES: Final = 500_000_000  # beyond what the process had at the start
ODD_TEXTS: Final = (
    "0",
    "0 mm",
    "1e308",
    "9999999",
    "9999999 m",
    "0.000001",
    "1/999999999",
    "-5",
    "±0",
    "10.5 ±0",
    "10 ±9999999",
    "1,560",
    "9" * 55 + "' 1",
    "nan",
    "inf",
    "",
    "\0",
    "1' 2 1/2\"",
    "0.5",
    "3",
    "123456",
)
ODD_FIGURES: Final = (
    b"inf",
    b"nan",
    b"1e308",
    b"-1e12",
    b"1e12",
    b"123456",
    b"-7",
    b"0",
    b"",
    b"1.000",
    b"1,234.5",
    b"\xff\xfe",
    b"99999999",
)
ODD_NUMBERS: Final = (0, -1, 1, 2, 0.5, 1e-308, 1e-12, 1e6, 1e308, 60, 360, 1_000_000, True, None)


class TooLong(BaseException):
    """The clock ran out; not an Exception, so that nothing takes it for one of its own."""


@contextmanager
def clock(seconds: float) -> Iterator[None]:
    """Raise ``TooLong`` after so many seconds of this process's own time."""

    def stop(_number: int, _frame: FrameType | None) -> None:
        raise TooLong

    before = signal.signal(signal.SIGPROF, stop)
    signal.setitimer(signal.ITIMER_PROF, seconds)
    try:
        yield
    finally:
        signal.setitimer(signal.ITIMER_PROF, 0)
        signal.signal(signal.SIGPROF, before)


def bent_job(chance: random.Random, demos: list[dict[str, Any]]) -> dict[str, Any]:
    """Return a demo job with one to six of its places bent; most of what its model refuses is bent anew."""
    job = copy.deepcopy(chance.choice(demos))
    for _ in range(chance.randint(1, 6)):
        bent = copy.deepcopy(job)
        _bend(chance, bent)
        try:
            JobFile.model_validate(bent)
        except ValidationError:
            if chance.random() < 0.97:
                continue
        job = bent
    return job


def _places(node: Any) -> Iterator[tuple[Any, Any]]:
    pairs = node.items() if isinstance(node, dict) else enumerate(node) if isinstance(node, list) else ()
    for key, child in pairs:
        yield node, key
        yield from _places(child)


def _bend(chance: random.Random, job: dict[str, Any]) -> None:
    places = list(_places(job["sheets"]))
    if not places:
        return  # what was bent before took everything away
    place, key = chance.choice(places)
    child = place[key]
    if isinstance(child, str):
        place[key] = chance.choice((*ODD_TEXTS, child[::-1], child * 3))
    elif isinstance(child, int | float) or child is None:
        place[key] = chance.choice((*ODD_NUMBERS, {"text": chance.choice(ODD_TEXTS)}))
    elif isinstance(child, list):
        place[key] = chance.choice((child[: len(child) // 2], child + child[:3], child[::-1], child * 20, []))
    elif "text" in child:
        place[key] = {**child, "text": chance.choice((*ODD_TEXTS, *[_scaled(chance, child["text"])] * 20))}
    elif isinstance(place, dict):
        place.pop(key)


def _scaled(chance: random.Random, text: str) -> str:
    """The same reading, far too large or too small."""
    number, _, unit = text.partition(" ")
    try:
        return f"{float(number) * 10 ** chance.uniform(-7, 5):.7g} {unit}"
    except ValueError:
        return chance.choice(ODD_TEXTS)


def _take_job(data: dict[str, Any]) -> None:
    with clock(EVALUATE_S):
        evaluate(JobFile.model_validate(data)).model_dump_json()


def _good_files() -> list[tuple[str, bytes]]:
    curve = b"rpm;nm_peak;nm_continuous\n0;235;120\n3000;235,5;120\n9000;95;47,7\n"
    readings = (
        b"kind,from,to,reading,unit,tool,u_mm\nhole,H1,,10.5,mm,,\nhole,H2,,10.5,mm,,\ninside,H1,H2,96.47,mm,caliper,\n"
    )
    points = b"id,x_mm,y_mm,diameter_mm\nH1,0,0,10.5\nH2,100,0,10.5\nH3,50,80.5,10.5\n"
    drawing = ezdxf.filemanagement.new("R2010")
    space = drawing.modelspace()
    block = drawing.blocks.new("HOLE")
    block.add_circle((0, 0), 5)
    for k in range(6):
        space.add_circle((100 * (k % 3), 100 * (k // 3)), 5.25)
        space.add_blockref("HOLE", (50 * k, 300))
    space.add_lwpolyline([(-50, -50, 0), (300, -50, 0.4), (300, 400, 0), (-50, 400, 0)], format="xyb", close=True)
    space.add_arc((100, 100), 50, 0, 90)
    written = io.StringIO()
    drawing.write(written)
    plate = evaluate(JobFile.model_validate(demo_json("wren"))).parts[0]
    ours = write_dxf(plate.views[0].drawing)
    return [
        ("curve", curve),
        ("csv", readings),
        ("csv", points),
        ("dxf", written.getvalue().encode()),
        ("dxf", ours.encode()),
    ]


def bent_file(chance: random.Random, files: list[tuple[str, bytes]]) -> tuple[str, bytes]:
    """Return a good file with figures, lines or bytes bent."""
    kind, data = chance.choice(files)
    lines = data.split(b"\n")
    for _ in range(chance.randint(1, 5)):
        k = _line_to_bend(chance, lines)
        how = chance.choice((0, 0, 0, 1, 2, 3, 4))
        if how == 0 and kind == "dxf":
            lines[k | 1 if k + 1 < len(lines) else k] = chance.choice(ODD_FIGURES)  # codes and figures take turns
        elif how == 0:
            lines[k] = b",".join([*lines[k].split(b",")[:-1], chance.choice(ODD_FIGURES)])
        elif how == 1:
            lines[k : k + 1] = lines[k : k + 1] * chance.choice((2, 50))
        elif how == 2:
            del lines[k : k + chance.choice((1, 1, 20))]
            lines = lines or [b""]
        elif how == 3:
            place = chance.randrange(max(len(lines[k]), 1))
            lines[k] = lines[k][:place] + bytes([chance.randrange(256)]) + lines[k][place + 1 :]
        else:
            other = chance.randrange(len(lines))
            lines[k], lines[other] = lines[other], lines[k]
    return kind, b"\n".join(lines)


def _line_to_bend(chance: random.Random, lines: list[bytes]) -> int:
    """Mostly a line of what is drawn: a drawing's header and tables are far longer."""
    try:
        first = lines.index(b"ENTITIES")
        last = lines.index(b"ENDSEC", first)
    except ValueError:
        return chance.randrange(len(lines))
    return chance.randrange(first, last) if chance.random() < 0.8 else chance.randrange(len(lines))


def _take_file(file: tuple[str, bytes]) -> None:
    kind, data = file
    with clock(READ_FILE_S):
        if kind == "curve":
            read_motor_curve(data)
        elif kind == "csv":
            read_survey_csv(data, survey=Survey(), frame="file")
        else:
            read_survey_dxf(data, survey=Survey(), frame="file", seen_from=Side.ENGINE)


def _outcome(take: Callable[[Any], None], given: Any) -> str | None:
    """What went wrong, or nothing where it ended in an answer or in a refusal by name."""
    try:
        take(given)
    except (DrivelineError, ValidationError) as refusal:
        return None if str(refusal) else "a refusal without a word"
    except TooLong:
        return "too long:\n" + traceback.format_exc(limit=-4)
    except MemoryError:
        return "too much memory"
    except Exception:  # noqa: BLE001 - whatever else comes out is what is looked for
        return traceback.format_exc(limit=-3)
    return None


def _bound() -> None:
    pages = int(Path("/proc/self/statm").read_text().split()[0])
    limit = pages * resource.getpagesize() + GREATEST_BYTES
    resource.setrlimit(resource.RLIMIT_AS, (limit, limit))


def tried(what: str, count: int, seed: int) -> list[tuple[int, str, str]]:
    """Return what went wrong with so many bent ``jobs`` or ``files``; the process is bound from here on."""
    chance = random.Random(seed)
    if what == "jobs":
        demos = [demo_json(path.name.split(".")[0]) for path in sorted(FOLDER.glob("*.fernback.json"))]
        evaluate(JobFile.model_validate(demos[0]))  # what is imported or worked out once is not the job's
        make: Callable[[], Any] = partial(bent_job, chance, demos)
        take: Callable[[Any], None] = _take_job
    else:
        make, take = partial(bent_file, chance, _good_files()), _take_file
    _bound()
    wrong: list[tuple[int, str, str]] = []
    for k in range(count):
        given = make()
        if says := _outcome(take, given):
            wrong.append((k, says, repr(given)[:1500] if what == "files" else ""))
        if len(wrong) >= MOST_SHOWN:
            break
    return wrong


def fuzz(what: str, count: int, seed: int = 8) -> list[Any]:
    """Return what went wrong with so many bent ``jobs`` or ``files``, tried in a process of their own."""
    command = [sys.executable, "-m", "tests.laws.fuzz", what, str(count), str(seed)]
    run = subprocess.run(command, cwd=Path(__file__).parents[2], capture_output=True, text=True, check=False)
    if run.returncode:
        return [f"the process ended with {run.returncode}", run.stderr[-2000:]]
    wrong: list[Any] = json.loads(run.stdout)
    return wrong


if __name__ == "__main__":
    logging.disable()
    print(json.dumps(tried(sys.argv[1], int(sys.argv[2]), int(sys.argv[3]))))
