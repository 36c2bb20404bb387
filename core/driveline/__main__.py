"""The core on its own: ``python -m driveline check job.json``; no web, no database."""

import argparse
import json
import sys
from pathlib import Path

from pydantic import ValidationError

from driveline.checks import Verdict
from driveline.drawing.dxf import write_dxf
from driveline.drawing.model import Drawing
from driveline.drawing.svg import write_svg
from driveline.errors import DrivelineError
from driveline.job import JobResult, evaluate
from driveline.sheets.job import JobFile

FAILS, REFUSED = 1, 2


def main(arguments: list[str]) -> int:
    """Run a command; return 0, 1 when a check fails, 2 when the job is refused."""
    options = _parser().parse_args(arguments)
    if options.command == "schema":
        print(json.dumps(JobFile.model_json_schema(), indent=2))
        return 0
    try:
        job = JobFile.model_validate_json(options.job.read_bytes())
        result = evaluate(job)
    except ValidationError as error:
        for problem in error.errors():
            print(f"{'.'.join(str(part) for part in problem['loc'])}: {problem['msg']}", file=sys.stderr)
        return REFUSED
    except (DrivelineError, OSError) as error:
        print(error, file=sys.stderr)
        return REFUSED
    if options.command == "check":
        print(result.model_dump_json(indent=2))
        return FAILS if result.worst is Verdict.FAILS else 0
    return _draw(options, result)


def _draw(options: argparse.Namespace, result: JobResult) -> int:
    drawing: Drawing | None = result.plate.engine_side if options.side == "engine" else result.plate.gearbox_side
    if drawing is None:
        print("The plate can't be drawn yet: " + " ".join(todo.text for todo in result.plate.to_do), file=sys.stderr)
        return REFUSED
    for path, write in ((options.dxf, write_dxf), (options.svg, write_svg)):
        if path:
            path.write_text(write(drawing), encoding="utf-8")
    return 0


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="python -m driveline", description="Fernback's core, on a job file.")
    commands = parser.add_subparsers(dest="command", required=True)
    check = commands.add_parser("check", help="print results and checks as JSON; exit 1 when one fails")
    check.add_argument("job", type=Path)
    commands.add_parser("schema", help="print the job file's JSON Schema")
    draw = commands.add_parser("draw", help="write a part's drawing")
    draw.add_argument("job", type=Path)
    draw.add_argument("part", choices=["plate"])
    draw.add_argument("--side", choices=["engine", "gearbox"], default="engine")
    draw.add_argument("--dxf", type=Path)
    draw.add_argument("--svg", type=Path)
    return parser


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
