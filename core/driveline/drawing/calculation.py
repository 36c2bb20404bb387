"""Workings on paper: a calculation sheet of one check or of many, to be done again by hand and kept with the job."""

import io
import re
from collections.abc import Sequence
from functools import cache
from pathlib import Path
from typing import Final
from xml.sax.saxutils import escape

from reportlab.lib.colors import Color
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import CondPageBreak, Flowable, Paragraph, SimpleDocTemplate, Spacer
from reportlab.platypus.doctemplate import BaseDocTemplate

from driveline.figures import System
from driveline.working import Origin
from driveline.written_working import Put, WrittenStep, WrittenWorking

FONT: Final = "DejaVuSansCondensed"  # it has the Greek that sums are written in
FONT_FILE: Final = Path(__file__).parent / "fonts" / f"{FONT}.ttf"
MARGIN: Final = 18 * mm
DIM: Final = Color(0.35, 0.35, 0.35)
SYSTEM_WORDS: Final = {
    System.METRIC: "metric units",
    System.US: "US units",
    System.US_FRACTIONS: "US units, lengths to the nearest 1/64 in",
    System.BRITISH: "British units",
}
CAUTION: Final = (
    "Worked out from figures as entered. Local codes and licensed practice come first: have what could hurt somebody "
    "checked by somebody who may sign for it."
)


def write_calculation_sheet(
    workings: Sequence[WrittenWorking], *, job_name: str, revision: str, system: System
) -> bytes:
    """Return workings as a PDF.

    Args:
        workings: Written in that system's units.
        job_name: For the head of each page.
        revision: What the workings are of, such as ``saved revision 7``.
        system: Of the units, which the head names.
    """
    _register_font()
    stream = io.BytesIO()
    title = f"{job_name}: calculation sheet"
    head = f"{title} · {revision} · {SYSTEM_WORDS[system]}"
    page = A4 if system in (System.METRIC, System.BRITISH) else LETTER
    document = SimpleDocTemplate(
        stream,
        pagesize=page,
        title=title,
        creator="Fernback",
        leftMargin=MARGIN,
        rightMargin=MARGIN,
        topMargin=MARGIN + 6 * mm,
        bottomMargin=MARGIN,
        invariant=1,
    )

    def framed(canvas: Canvas, made: BaseDocTemplate) -> None:
        canvas.setFont(FONT, 8)
        canvas.setFillColor(DIM)
        canvas.drawString(MARGIN, page[1] - MARGIN, head)
        canvas.drawRightString(page[0] - MARGIN, page[1] - MARGIN, f"page {made.page}")
        canvas.drawString(MARGIN, MARGIN - 6 * mm, CAUTION)

    story: list[Flowable] = []
    for working in workings:
        story += _of(working)
    document.build(story or [_line("Nothing is judged yet.")], onFirstPage=framed, onLaterPages=framed)
    return stream.getvalue()


@cache
def _register_font() -> None:
    pdfmetrics.registerFont(TTFont(FONT, str(FONT_FILE)))


def _line(text: str, size: float = 9, *, indent_mm: float = 0, is_dim: bool = False, before_mm: float = 0) -> Paragraph:
    style = ParagraphStyle(
        "line",
        fontName=FONT,
        fontSize=size,
        leading=1.4 * size,
        leftIndent=(indent_mm + 4) * mm,
        firstLineIndent=-4 * mm,
        textColor=DIM if is_dim else Color(0, 0, 0),
        spaceBefore=before_mm * mm,
    )
    return Paragraph(text, style)


def _of(working: WrittenWorking) -> list[Flowable]:
    found: list[Flowable] = [CondPageBreak(40 * mm), _line(escape(working.title), 12, before_mm=5)]
    found.append(_line(escape(working.says)))
    for step in working.steps:
        found += _step(step)
    for text in (working.method, working.note, working.source):
        if text:
            found.append(_line(escape(text), 8, is_dim=True, before_mm=1))
    return [*found, Spacer(0, 2 * mm)]


def _step(step: WrittenStep) -> list[Flowable]:
    if not step.symbol:
        return [_line(f"{escape(step.words)}: {escape(step.result)}", indent_mm=4, before_mm=1)]
    words = f"   <font color='#595959'>{escape(step.words)}</font>" if step.words else ""
    put = "".join(_put(one) for one in step.put)
    return [
        _line(f"{_symbols(step.symbol)} = {_symbols(step.formula)}{words}", indent_mm=4, before_mm=1.5),
        _line(f"= {put}", indent_mm=10),
        _line(f"= <b>{escape(step.result)}</b>", indent_mm=10),
        *_sources(step),
    ]


def _put(one: Put) -> str:
    text = re.sub(r"10\^(−?\d+)", r"10<super>\1</super>", escape(one.text))
    return f"{text} (usual)" if one.origin is Origin.USUAL else text


def _sources(step: WrittenStep) -> list[Flowable]:
    said = dict.fromkeys(f"{one.text}: {one.where}" for one in step.put if one.origin and one.origin is not Origin.STEP)
    return [_line(escape("; ".join(said)), 7, indent_mm=10, is_dim=True)] if said else []


def _symbols(text: str) -> str:
    """Names with what follows their first underscore set low."""
    return re.sub(r"([^\W\d_]+)_(\w+)", r"\1<sub rise=2 size=6.5>\2</sub>", escape(text))
