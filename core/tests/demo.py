"""The demo jobs, for tests that want a whole one."""

import json
from pathlib import Path
from typing import Any

from driveline.job.file import JobFile
from driveline.parts.results import PartResult
from tests.demo_scans import hold_demo_scans

FOLDER = Path(__file__).parents[2] / "server" / "jobs" / "demo"
hold_demo_scans(FOLDER)
DEMOS = ("wren", "bittern", "plover", "dunlin", "avocet", "redstart")
# In the demo, H4–H5 was typed 2 mm long; this is what the caliper says when it is measured again.
WRONG_READING, RIGHT_TEXT = 11, "96.47"


def demo_json(name: str) -> dict[str, Any]:
    """Return a demo job's file, to change before it is read."""
    data: dict[str, Any] = json.loads((FOLDER / f"{name}.fernback.json").read_text())
    return data


def demo_job(name: str) -> JobFile:
    """Return a demo job."""
    return JobFile.model_validate(demo_json(name))


def demo_as_at_first(name: str) -> JobFile:
    """Return a demo job as it was when there were three benches."""
    data = demo_json(name)
    for bench in ("coupler", "placement", "mounts", "axles"):
        data["sheets"].pop(bench, None)
    data["sheets"]["plate"]["plate"].pop("out_of_parallel")  # asked for since
    return JobFile.model_validate(data)


def plate_parts(result: Any) -> tuple[PartResult, ...]:
    """Return the parts of the plate bench."""
    return tuple(part for part in result.parts if part.key.startswith("plate."))


def wren_measured_again() -> JobFile:
    """Return Wren with its wrong reading put right."""
    data = demo_json("wren")
    data["sheets"]["plate"]["survey"]["readings"][WRONG_READING]["reading"]["text"] = RIGHT_TEXT
    return JobFile.model_validate(data)
