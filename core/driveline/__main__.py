"""The core on its own: ``python -m driveline check job.json``; no web, no database."""

import argparse
import json
import sys
from pathlib import Path
from typing import Any, Final

from pydantic import BaseModel, TypeAdapter, ValidationError

from driveline.checks import Verdict
from driveline.drawing.dxf import write_dxf
from driveline.drawing.pdf import write_sheet_pdf
from driveline.drawing.svg import write_svg
from driveline.drawing.template import PAPERS, write_template
from driveline.errors import DrivelineError, field_path
from driveline.figures import System, units_for_screens, written
from driveline.gearing.layouts import layouts_for_screens
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.job.sureness import solve_sureness
from driveline.job.sureness_results import Sureness
from driveline.margins import margins_for_screens
from driveline.parts.drawings import cut_drawing, drawing_from, sheet_drawing
from driveline.parts.ordered import Order
from driveline.reading.measure import quantities_for_screens

FAILS, REFUSED = 1, 2
SCHEMAS: Final[dict[str, type[BaseModel]]] = {"job": JobFile, "order": Order}


def main(arguments: list[str]) -> int:
    """Run a command; return 0, 1 when a check fails, 2 when the job is refused."""
    options = _parser().parse_args(arguments)
    if options.command == "schema":
        print(json.dumps(SCHEMAS[options.of].model_json_schema(), indent=2))
        return 0
    if options.command == "tables":
        tables = {
            "units": units_for_screens(),
            "quantities": quantities_for_screens(),
            "margins": margins_for_screens(),
            "layouts": layouts_for_screens(),
        }
        print(json.dumps(tables, indent=1, ensure_ascii=False))
        return 0
    try:
        job = JobFile.model_validate_json(options.job.read_bytes())
        return COMMANDS[options.command](options, job)
    except ValidationError as error:
        for problem in error.errors():
            print(f"{field_path(problem['loc'])}: {problem['msg']}", file=sys.stderr)
        return REFUSED
    except (DrivelineError, OSError) as error:
        print(written(str(error)), file=sys.stderr)
        return REFUSED


def _check(options: argparse.Namespace, job: JobFile) -> int:
    result, system = evaluate(job), System(options.units)
    workings = [one.model_dump(mode="json") for one in REGISTRY.workings(job, None, system)]
    print(
        json.dumps(
            _plain(result.model_dump(mode="json"), system) | {"workings": workings}, indent=2, ensure_ascii=False
        )
    )
    return FAILS if result.worst is Verdict.FAILS else 0


def _plain(data: Any, system: System) -> Any:
    """Data with the figures of its sentences written in a system's units; numbers of their own stay metric."""
    if isinstance(data, str):
        return written(data, system)
    if isinstance(data, dict):
        return {name: _plain(one, system) for name, one in data.items()}
    return [_plain(one, system) for one in data] if isinstance(data, list) else data


def _sureness(_options: argparse.Namespace, job: JobFile) -> int:
    print(TypeAdapter(tuple[Sureness, ...]).dump_json(solve_sureness(REGISTRY, job), indent=2).decode())
    return 0


def _draw(options: argparse.Namespace, job: JobFile) -> int:
    part, side = REGISTRY.part(job, options.part), options.side
    if options.dxf:
        options.dxf.write_text(write_dxf(cut_drawing(part, job.name, side)), encoding="utf-8")
    if options.svg:
        options.svg.write_text(write_svg(drawing_from(part, job.name, side)), encoding="utf-8")
    if options.template:
        options.template.write_bytes(write_template(drawing_from(part, job.name, side), paper=options.paper))
    if options.sheet:
        sheet = sheet_drawing(part, job.name, side=side, revision="not released")
        options.sheet.write_bytes(write_sheet_pdf(sheet))
    return 0


COMMANDS: Final = {"check": _check, "sureness": _sureness, "draw": _draw}


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="python -m driveline", description="Fernback's core, on a job file.")
    commands = parser.add_subparsers(dest="command", required=True)
    check = commands.add_parser("check", help="print results, checks and their workings as JSON; exit 1 when one fails")
    check.add_argument("job", type=Path)
    check.add_argument(
        "--units", choices=[one.value for one in System], default="metric", help="of sentences and workings"
    )
    sureness = commands.add_parser("sureness", help="print how sure each margin is, by the ± of the readings, as JSON")
    sureness.add_argument("job", type=Path)
    schema = commands.add_parser("schema", help="print the JSON Schema of the job file, or of an order")
    schema.add_argument("of", nargs="?", choices=tuple(SCHEMAS), default="job")
    commands.add_parser("tables", help="print the tables that the screen goes by: units, margins, what a layout has")
    draw = commands.add_parser("draw", help="write a part's drawing")
    draw.add_argument("job", type=Path)
    draw.add_argument("part", help="its key, such as plate.motor_plate")
    draw.add_argument("--side", choices=["first", "second"], default="first")
    draw.add_argument("--dxf", type=Path)
    draw.add_argument("--svg", type=Path)
    draw.add_argument("--sheet", type=Path, help="dimensioned sheet, PDF")
    draw.add_argument("--template", type=Path, help="1:1 paper template, PDF")
    draw.add_argument("--paper", choices=sorted(PAPERS), default="a4")
    return parser


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
