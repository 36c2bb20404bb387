"""Files that leave the application."""

import csv
import io
import re
import unicodedata
from collections.abc import Sequence

from django.http import HttpResponse

from driveline.parts.records import FrozenHole
from driveline.parts.results import CutLine, HoleRow

FORMULA_STARTS = ("=", "+", "-", "@", "\t", "\r")


def attachment(content: str | bytes, *, name: str, content_type: str) -> HttpResponse:
    """Return text or bytes as a file to keep; only plain letters reach the header."""
    return HttpResponse(
        content,
        content_type=content_type if isinstance(content, bytes) else f"{content_type}; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="{name}"', "X-Content-Type-Options": "nosniff"},
    )


def file_stem(*parts: str) -> str:
    """Return parts of a file's name, safe on any machine."""
    plain = unicodedata.normalize("NFKD", "-".join(parts)).encode("ascii", "ignore").decode().lower()
    return re.sub(r"[^a-z0-9.]+", "-", plain).strip("-.") or "job"


def safe_cell(text: str) -> str:
    """Return a text cell that no spreadsheet takes for a formula."""
    return f"'{text}" if text.startswith(FORMULA_STARTS) else text


def hole_table_csv(rows: Sequence[HoleRow | FrozenHole]) -> str:
    """Return the hole table from the shaft's centre, seen from the engine side."""
    stream = io.StringIO()
    writer = csv.writer(stream)
    writer.writerow(
        ["id", "kind", "x_mm", "y_mm", "diameter_mm", "cut_mm", "radius_mm", "angle_deg"]
        + ["left_mm", "bottom_mm", "sure_95_mm", "made"]
    )
    for row in rows:
        figures = [row.x_mm, row.y_mm, row.finished_mm, row.cut_mm, row.radius_mm, row.angle_deg]
        figures += [row.left_mm, row.bottom_mm, row.sure_mm]
        texts = ["" if figure is None else f"{figure:z.3f}" for figure in figures]
        writer.writerow([safe_cell(row.id), row.kind, *texts, row.made])
    return stream.getvalue()


def cut_list_csv(lines: Sequence[CutLine]) -> str:
    """Return the cut list, one line a part; figures are of one piece."""
    stream = io.StringIO()
    writer = csv.writer(stream)
    writer.writerow(
        ["part", "material", "thickness_mm", "quantity", "width_mm", "height_mm", "area_cm2", "cut_length_mm"]
        + ["pierces", "mass_kg", "per_sheet"]
    )
    for line in lines:
        figures = [line.width_mm, line.height_mm, line.area_cm2, line.cut_length_mm]
        writer.writerow(
            [safe_cell(line.title), safe_cell(line.material), line.thickness_mm, line.quantity]
            + [f"{figure:.1f}" for figure in figures]
            + [line.pierces, "" if line.mass_kg is None else f"{line.mass_kg:.3f}", line.per_sheet]
        )
    return stream.getvalue()
