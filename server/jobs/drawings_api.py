"""Drawings of a job's parts, from its newest saved version: what is cut, what is marked from, what is filed."""

from dataclasses import dataclass
from typing import Literal
from uuid import UUID

from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Router
from ninja.errors import HttpError

from accounts.queries import person
from driveline.drawing.dxf import write_dxf
from driveline.drawing.model import Drawing
from driveline.drawing.nested import nested_drawing
from driveline.drawing.pdf import write_sheet_pdf
from driveline.drawing.svg import write_sheet_svg, write_svg
from driveline.drawing.template import write_template
from driveline.figures import System
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.drawings import cut_drawing, cut_line, drawing_from, hole_rows, nest_of, sheet_drawing
from driveline.parts.made import FlatPart
from driveline.parts.ordered import Order, OrderedPart
from driveline.parts.records import PartKey, Seen
from jobs.actions import job_file, saved_sheets
from jobs.exports import attachment, cut_list_csv, file_stem, hole_table_csv
from jobs.queries import jobs_visible_to

router = Router(tags=["drawings"])


@dataclass(frozen=True)
class _Drawn:
    """A part of the newest version, with what its files are called."""

    job: JobFile
    part: FlatPart
    number: int

    def stem(self, *more: str) -> str:
        return file_stem(self.job.name, self.part.title, f"rev{self.number}", *more)

    def side_stem(self, side: Seen) -> str:
        return self.stem(self.part.sides[0 if side == "first" else 1])


def _newest_file(request: HttpRequest, job_id: UUID) -> tuple[JobFile, int]:
    job = get_object_or_404(jobs_visible_to(person(request)), pk=job_id)
    version = job.versions.latest("number")
    return job_file(job, saved_sheets(version)), version.number


def _drawn(request: HttpRequest, job_id: UUID, key: PartKey) -> _Drawn:
    job, number = _newest_file(request, job_id)
    return _Drawn(job, REGISTRY.part(job, key), number)


def _ordered(request: HttpRequest, job_id: UUID, key: PartKey) -> tuple[JobFile, OrderedPart | None, int]:
    """A part of the newest version where it is one that is ordered by its sizes."""
    job, number = _newest_file(request, job_id)
    part = REGISTRY.made_part(job, key)
    return job, part if isinstance(part, OrderedPart) else None, number


def _one_side(drawn: _Drawn, side: Seen) -> Drawing:
    return drawing_from(drawn.part, drawn.job.name, side)


def _revision_words(job: JobFile, key: str, number: int) -> str:
    """The letter where the part stands as it was released; else the saved revision that it is drawn from."""
    part = next(one for one in evaluate(job).parts if one.key == key)
    if part.released and not part.released.differs:
        return f"{part.released.letter}, as released"
    return f"saved revision {number}, not released"


@router.get("/{uuid:job_id}/drawings/cut-list.csv", operation_id="job_cut_list")
def cut_list(request: HttpRequest, job_id: UUID, units: System = System.METRIC) -> HttpResponse:
    """Return the cut list of the saved parts."""
    job, number = _newest_file(request, job_id)
    lines = [cut_line(part) for part in REGISTRY.parts(job)]
    name = file_stem(job.name, "cut-list", f"rev{number}") + ".csv"
    return attachment(cut_list_csv(lines, units), name=name, content_type="text/csv")


@router.get("/{uuid:job_id}/papers/{key}.pdf", operation_id="job_paper")
def paper_pdf(
    request: HttpRequest,
    job_id: UUID,
    key: PartKey,
    paper: Literal["a4", "letter"] = "a4",
    units: System = System.METRIC,
) -> HttpResponse:
    """Return a sheet of paper that is no part's, such as the coupler in section, from the newest saved version.

    A template is tiled at 1:1 over sheets of a printer's size; others are made for A4.
    """
    job, number = _newest_file(request, job_id)
    asked = REGISTRY.paper(job, key)
    drawing = asked.draw(job.name, f"saved revision {number}")
    content = (
        write_template(drawing, paper=paper, system=units) if asked.is_full_size else write_sheet_pdf(drawing, units)
    )
    name = f"{file_stem(job.name, asked.title, f'rev{number}')}.pdf"
    return attachment(content, name=name, content_type="application/pdf")


@router.get("/{uuid:job_id}/drawings/{part}-holes.csv", operation_id="job_part_holes")
def part_holes(request: HttpRequest, job_id: UUID, part: PartKey, units: System = System.METRIC) -> HttpResponse:
    """Return a saved part's hole table."""
    drawn = _drawn(request, job_id, part)
    content = hole_table_csv(hole_rows(drawn.part), units)
    return attachment(content, name=f"{drawn.stem('holes')}.csv", content_type="text/csv")


@router.get("/{uuid:job_id}/drawings/{part}-template.pdf", operation_id="job_part_template")
def part_template(
    request: HttpRequest,
    job_id: UUID,
    part: PartKey,
    side: Seen = "first",
    paper: Literal["a4", "letter"] = "a4",
    units: System = System.METRIC,
) -> HttpResponse:
    """Return a saved part's paper template at 1:1, tiled over sheets of a printer's size."""
    drawn = _drawn(request, job_id, part)
    content = write_template(_one_side(drawn, side), paper=paper, system=units)
    return attachment(content, name=f"{drawn.side_stem(side)}-template.pdf", content_type="application/pdf")


@router.get("/{uuid:job_id}/drawings/{part}-nested.dxf", operation_id="job_part_nested")
def part_nested(request: HttpRequest, job_id: UUID, part: PartKey, side: Seen = "first") -> HttpResponse:
    """Return as many of a saved part as are wanted, set out on its stock sheet."""
    drawn = _drawn(request, job_id, part)
    nest = nest_of(drawn.part)
    if nest is None or not nest.count:
        raise HttpError(409, "Give the stock sheet's size, one that takes the part, before parts are nested on it.")
    drawing = nested_drawing(cut_drawing(drawn.part, drawn.job.name, side), nest, drawn.part.stock.quantity)
    return attachment(write_dxf(drawing), name=f"{drawn.side_stem(side)}-nested.dxf", content_type="image/vnd.dxf")


@router.get("/{uuid:job_id}/drawings/{part}-sheet.{form}", operation_id="job_part_sheet")
def part_sheet(
    request: HttpRequest,
    job_id: UUID,
    part: PartKey,
    form: Literal["pdf", "svg"],
    side: Seen = "first",
    units: System = System.METRIC,
) -> HttpResponse:
    """Return a saved part's dimensioned sheet, or its order sheet where it is ordered by its sizes."""
    job, ordered, number = _ordered(request, job_id, part)
    revision = _revision_words(job, part, number)
    if ordered is not None:
        sheet = ordered.sheet(job.name, revision)
        name = f"{file_stem(job.name, ordered.title, f'rev{number}', 'order')}.{form}"
    else:
        drawn = _Drawn(job, REGISTRY.part(job, part), number)
        sheet = sheet_drawing(drawn.part, job.name, side=side, revision=revision)
        name = f"{drawn.side_stem(side)}-sheet.{form}"
    if form == "pdf":
        return attachment(write_sheet_pdf(sheet, units), name=name, content_type="application/pdf")
    return attachment(write_sheet_svg(sheet, units), name=name, content_type="image/svg+xml")


@router.get("/{uuid:job_id}/drawings/{part}.order.json", operation_id="job_part_order", response=Order)
def part_order(request: HttpRequest, job_id: UUID, part: PartKey) -> HttpResponse:
    """Return a saved part's order as data."""
    job, ordered, number = _ordered(request, job_id, part)
    if ordered is None:
        raise HttpError(409, "That part is cut from a drawing. Fetch its cut file and its sheet instead.")
    order = ordered.order(job.name, _revision_words(job, part, number))
    name = f"{file_stem(job.name, ordered.title, f'rev{number}')}.order.json"
    return attachment(order.model_dump_json(indent=1), name=name, content_type="application/json")


@router.get("/{uuid:job_id}/drawings/{part}.{form}", operation_id="job_part_drawing")
def part_drawing(
    request: HttpRequest, job_id: UUID, part: PartKey, form: Literal["dxf", "svg"], side: Seen = "first"
) -> HttpResponse:
    """Return a saved part's cut file, with its kerf where the job states one, or its picture at 1:1."""
    drawn = _drawn(request, job_id, part)
    name = f"{drawn.side_stem(side)}.{form}"
    if form == "dxf":
        content = write_dxf(cut_drawing(drawn.part, drawn.job.name, side))
        return attachment(content, name=name, content_type="image/vnd.dxf")
    return attachment(write_svg(_one_side(drawn, side)), name=name, content_type="image/svg+xml")
