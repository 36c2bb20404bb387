"""Files that leave the application."""

import csv
import io
import re
import unicodedata
from collections.abc import Sequence

from django.http import HttpResponse

from driveline.figures import System, shown_decimals, shown_in
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


def hole_table_csv(rows: Sequence[HoleRow | FrozenHole], system: System = System.METRIC) -> str:
    """Return the hole table from the shaft's centre, seen from the engine side."""
    length = _unit_name("mm", system)
    before, after = ("x", "y", "diameter", "cut", "radius"), ("left", "bottom", "sure_95")
    names = [*(f"{name}_{length}" for name in before), "angle_deg", *(f"{name}_{length}" for name in after)]
    found = [["id", "kind", *names, "made"]]
    for row in rows:
        first = (row.x_mm, row.y_mm, row.finished_mm, row.cut_mm, row.radius_mm)
        last = (row.left_mm, row.bottom_mm, row.sure_mm)
        cells = [_cell(figure, "mm", 3, system) for figure in first]
        cells += [f"{row.angle_deg:z.3f}", *(_cell(figure, "mm", 3, system) for figure in last)]
        found.append([safe_cell(row.id), row.kind, *cells, row.made])
    return _csv(found)


def cut_list_csv(lines: Sequence[CutLine], system: System = System.METRIC) -> str:
    """Return the cut list, one line a part; figures are of one piece."""
    length, area, mass = (_unit_name(unit, system) for unit in ("mm", "cm²", "kg"))
    found = [
        ["part", "material", f"thickness_{length}", "quantity", f"width_{length}", f"height_{length}"]
        + [f"area_{area}", f"cut_length_{length}", "pierces", f"mass_{mass}", "per_sheet"]
    ]
    for line in lines:
        figures = [(line.width_mm, "mm"), (line.height_mm, "mm"), (line.area_cm2, "cm²"), (line.cut_length_mm, "mm")]
        found.append(
            [safe_cell(line.title), safe_cell(line.material), _cell(line.thickness_mm, "mm", None, system)]
            + [str(line.quantity), *(_cell(figure, unit, 1, system) for figure, unit in figures)]
            + [str(line.pierces), _cell(line.mass_kg, "kg", 3, system)]
            + ["" if line.per_sheet is None else str(line.per_sheet)]
        )
    return _csv(found)


def _csv(rows: Sequence[Sequence[str]]) -> str:
    stream = io.StringIO()
    csv.writer(stream).writerows(rows)
    return stream.getvalue()


def _unit_name(unit: str, system: System) -> str:
    return shown_in(unit, system).symbol.replace("²", "2")


def _cell(value: float | None, unit: str, decimals: int | None, system: System) -> str:
    """A figure as a spreadsheet reads it: a point, no thousands, a plain minus."""
    if value is None:
        return ""
    places = max(shown_decimals(value, unit, decimals, system), 0)
    return f"{value * shown_in(unit, system).factor:z.{places}f}"
