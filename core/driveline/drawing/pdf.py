"""Drawings as PDF, a millimetre a millimetre: pages that hold one drawing each, or a window on a larger one."""

import io
from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cache
from pathlib import Path as FilePath
from typing import Final

from reportlab.lib.colors import Color
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject

from driveline.drawing.arcs import arc_of
from driveline.drawing.model import Circle, Drawing, Entity, Layer, Path, Punch, Text
from driveline.figures import System, decimal, written

FONT: Final = "SplineSans"
FONT_FILE: Final = FilePath(__file__).parent / "fonts" / "SplineSans-Regular.ttf"
STROKES: Final = {
    Layer.CUT: (Color(0, 0, 0), 0.3),
    Layer.MARK: (Color(0.11, 0.3, 0.85), 0.2),
    Layer.NOTES: (Color(0.33, 0.33, 0.33), 0.13),
    Layer.REFERENCE: (Color(0.6, 0.6, 0.6), 0.1),
}
CAP_HEIGHT: Final = 0.70  # of the type's size: a text's height is that of its capitals


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """A part of a drawing on a page: what is at (left, bottom) of the drawing stands at (at_x, at_y) of the page."""

    drawing: Drawing
    left_mm: float
    bottom_mm: float
    width_mm: float
    height_mm: float
    at_x_mm: float
    at_y_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Page:
    """A sheet of paper with its own entities, in mm from its lower left corner, and a window on a drawing."""

    width_mm: float
    height_mm: float
    entities: Sequence[Entity] = field(default=())
    window: Window | None = None


def write_pdf(pages: Sequence[Page], *, title: str, system: System = System.METRIC) -> bytes:
    """Return pages as a PDF, to be printed at 100 %, their figures in a system's units."""
    _register_font()
    stream = io.BytesIO()
    canvas = Canvas(stream, pageCompression=1, invariant=1)
    canvas.setTitle(title)
    canvas.setCreator("Fernback")
    canvas.setViewerPreference("PrintScaling", "None")
    for page in pages:
        canvas.setPageSize((page.width_mm * mm, page.height_mm * mm))
        canvas.scale(mm, mm)
        if page.window:
            _draw_window(canvas, page.window, system)
        for entity in page.entities:
            _draw(canvas, entity, system)
        canvas.showPage()
    canvas.save()
    return stream.getvalue()


def write_sheet_pdf(sheet: Drawing, system: System = System.METRIC) -> bytes:
    """Return a dimensioned sheet as a PDF of its own size; a machinist's inches are decimal."""
    page = Page(width_mm=sheet.greatest_x_mm, height_mm=sheet.greatest_y_mm, entities=sheet.entities)
    return write_pdf([page], title=sheet.title, system=decimal(system))


@cache
def _register_font() -> None:
    pdfmetrics.registerFont(TTFont(FONT, str(FONT_FILE)))


def _draw_window(canvas: Canvas, window: Window, system: System) -> None:
    canvas.saveState()
    frame = canvas.beginPath()
    frame.rect(window.at_x_mm, window.at_y_mm, window.width_mm, window.height_mm)
    canvas.clipPath(frame, stroke=0, fill=0)
    canvas.translate(window.at_x_mm - window.left_mm, window.at_y_mm - window.bottom_mm)
    for entity in window.drawing.entities:
        if entity.layer is not Layer.REFERENCE:
            _draw(canvas, entity, system)
    canvas.restoreState()


def _draw(canvas: Canvas, entity: Entity, system: System) -> None:
    colour, width_mm = STROKES[entity.layer]
    canvas.setStrokeColor(colour)
    canvas.setFillColor(colour)
    canvas.setLineWidth(width_mm)
    if isinstance(entity, Text):
        _draw_text(canvas, entity, system)
        return
    path = canvas.beginPath()
    if isinstance(entity, Circle):
        path.circle(entity.x_mm, entity.y_mm, entity.radius_mm)
    elif isinstance(entity, Path):
        _trace(path, entity)
    elif isinstance(entity, Punch):
        path.moveTo(entity.x_mm - 2, entity.y_mm)
        path.lineTo(entity.x_mm + 2, entity.y_mm)
        path.moveTo(entity.x_mm, entity.y_mm - 2)
        path.lineTo(entity.x_mm, entity.y_mm + 2)
    canvas.drawPath(path, stroke=1, fill=0)


def _draw_text(canvas: Canvas, text: Text, system: System) -> None:
    canvas.saveState()
    canvas.translate(text.x_mm, text.y_mm)
    canvas.rotate(text.turned_deg)
    canvas.setFont(FONT, text.height_mm / CAP_HEIGHT)
    write = canvas.drawCentredString if text.centred else canvas.drawString
    words = written(text.text, system).replace("\u202f", "\u2009")  # a space that this type has
    write(0, -text.height_mm / 2, words)
    canvas.restoreState()


def _trace(path: PDFPathObject, entity: Path) -> None:
    vertices = entity.vertices
    path.moveTo(vertices[0].x_mm, vertices[0].y_mm)
    ends = [*vertices[1:], vertices[0]] if entity.closed else list(vertices[1:])
    for start, end in zip(vertices, ends, strict=False):
        if start.bulge:
            arc = arc_of(start, end)
            x, y, r = arc.x_mm, arc.y_mm, arc.radius_mm
            path.arcTo(x - r, y - r, x + r, y + r, arc.start_deg, arc.sweep_deg)
        else:
            path.lineTo(end.x_mm, end.y_mm)
    if entity.closed:
        path.close()
