"""Demo jobs with fields of their shafts changed, and what comes of them."""

from typing import Any, Final

from driveline.checks import Check, Verdict
from driveline.figures import written
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.ordered import OrderedPart
from tests.demo import demo_json

UNKNOWN: Final = Verdict.NOT_KNOWN
AT: Final = "2026-11-26T09:00:00+00:00"


def job(name: str, **changes: Any) -> dict[str, Any]:
    """A demo job with fields of its shafts changed; ``None`` takes one away."""
    data = demo_json(name)
    for path, value in changes.items():
        *parents, last = path.split("__")
        place = data["sheets"]["axles"]
        for parent in parents:
            place = place[int(parent)] if parent.isdigit() else place[parent]
        place[int(last) if last.isdigit() else last] = {"text": value} if isinstance(value, str) else value
    return data


def plain(text: str) -> str:
    """A sentence as it is read, its hard spaces as plain ones."""
    return written(text).replace("\u00a0", " ")


def check_of(data: dict[str, Any], key: str) -> Check:
    return next(one for one in evaluate(JobFile.model_validate(data)).checks if one.key == f"axles.{key}")


def part_of(data: dict[str, Any], key: str) -> OrderedPart:
    part = REGISTRY.made_part(JobFile.model_validate(data), key)
    assert isinstance(part, OrderedPart)
    return part
