"""Survey readings, or points of a traced card, from a CSV table."""

import re
from collections.abc import Sequence
from typing import Final, Literal

from pydantic import ValidationError

from driveline.errors import UnreadableMeasurement
from driveline.figures import MM_PER_INCH
from driveline.reading.csv_in import UnreadableFile, figure_of, is_figure, rows_of, text_of
from driveline.reading.measure import LEAST_U, Quantity, Tool, measured
from driveline.sheet import Coordinate, Length
from driveline.survey.files.found import FoundPoint, SurveyFile, framed_readings, new_holes, require_place, require_size
from driveline.survey.sheet import (
    AxisReading,
    FlangeHole,
    Outline,
    OutlinePoint,
    PairReading,
    Survey,
    SurveyReading,
    ends_of,
)

GREATEST_BYTES: Final = 1_000_000
MOST_ROWS: Final = 5000
MOST_READINGS: Final = 1000
EXAMPLE: Final = "kind,from,to,reading,unit,tool,u_mm"
OUTLINE_ID: Final = "outline"
MOST_CORNERS: Final = 600
POINTS_EXAMPLE: Final = "id,x_mm,y_mm,diameter_mm"
COLUMNS: Final = {
    "kind": "kind",
    "from": "from",
    "a": "from",
    "hole": "from",
    "id": "from",
    "to": "to",
    "b": "to",
    "reading": "reading",
    "value": "reading",
    "unit": "unit",
    "tool": "tool",
    "u": "u",
    "u_mm": "u",
    "frame": "frame",
    "edge": "edge",
}
PAIRS: Final[tuple[Literal["inside", "outside", "distance", "radius"], ...]] = (
    "inside",
    "outside",
    "distance",
    "radius",
)
AXES: Final[tuple[Literal["x", "y"], ...]] = ("x", "y")
EDGES: Final[tuple[Literal["low", "centre", "high"], ...]] = ("low", "centre", "high")
_HOLE_ID = re.compile(r"^[A-Za-z][A-Za-z0-9]{0,5}$")
_POINT_COLUMN = re.compile(r"^(x|y|d|dia|diameter)[\s_(]*(mm|in|inch)?\)?$", re.I)


def read_survey_csv(data: bytes, *, survey: Survey, frame: str, tool: Tool | None = None) -> SurveyFile:
    """Return what a CSV file adds to a survey: readings between holes, or the points of a trace.

    Args:
        data: Rows of ``kind,from,to,reading,unit,tool,u_mm`` (kind ``hole`` names a hole with its diameter), or of
            ``id,x_mm,y_mm,diameter_mm``, in mm or in, with a header; points named ``outline`` go round the flange.
        survey: What is there already; nothing of it is changed.
        frame: Name of the frame that points are given in.
        tool: What points were taken with.

    Raises:
        UnreadableFile: With the row and the fix; one bad row refuses the file.
    """
    text = text_of(data, greatest_bytes=GREATEST_BYTES, what="a survey", example=EXAMPLE)
    rows, decimal = rows_of(text, most_rows=MOST_ROWS, example=EXAMPLE)
    header = [cell.lower() for cell in rows[0][1]]
    if any(is_figure(cell) for cell in header):
        raise UnreadableFile("", "The first row names no columns.", f"Begin with {EXAMPLE}, or {POINTS_EXAMPLE}.")
    if "kind" not in header and sum(bool(_POINT_COLUMN.match(cell)) for cell in header) >= 2:
        return _points(rows, decimal, survey, frame, tool)
    return _readings(rows, decimal, survey)


def _readings(rows: list[tuple[int, list[str]]], decimal: str, survey: Survey) -> SurveyFile:
    header = [COLUMNS.get(cell.lower(), "") for cell in rows[0][1]]
    if not {"kind", "from", "reading"} <= set(header):
        raise UnreadableFile("", f"The header “{', '.join(rows[0][1])}” is not known.", f"Begin with {EXAMPLE}.")
    if len(rows) - 1 > MOST_READINGS:
        raise UnreadableFile("", f"The file has {len(rows) - 1} readings.", f"{MOST_READINGS} at most are taken.")
    holes: dict[str, FlangeHole] = {}
    readings: list[tuple[int, SurveyReading]] = []
    for number, cells in rows[1:]:
        row = {name: cell for name, cell in zip(header, cells, strict=False) if name}
        if row.get("kind", "").lower() == "hole":
            _add_hole(holes, row, number, decimal, survey)
        else:
            readings.append((number, _reading(row, number, decimal)))
    names = {hole.id for hole in survey.holes} | set(holes) | {"C"}
    for number, reading in readings:
        _require_known(reading, names, number)
    return SurveyFile(holes=tuple(holes.values()), readings=tuple(reading for _, reading in readings))


def _add_hole(holes: dict[str, FlangeHole], row: dict[str, str], number: int, decimal: str, survey: Survey) -> None:
    name = _hole_id(row.get("from", ""), number)
    if name in holes or name in {hole.id for hole in survey.holes}:
        raise UnreadableFile(name, f"Row {number}: {name} is named twice.", "Name each hole once.")
    diameter = _length(row, number, decimal)
    require_size(diameter.mm, f"Row {number}")
    holes[name] = FlangeHole(id=name, diameter=diameter)


def _length(row: dict[str, str], number: int, decimal: str) -> Length:
    text, tool, u_mm = _typed(row, number, decimal)
    try:
        return Length(text=text, tool=tool, u=u_mm)
    except (ValidationError, UnreadableMeasurement) as error:
        raise UnreadableFile(text, f"Row {number}: “{text}” is not a length above zero.", "Mend that row.") from error


def _typed(row: dict[str, str], number: int, decimal: str) -> tuple[str, Tool | None, float | None]:
    """The reading as text with its unit, its tool, and its u; each refused with the row."""
    text = row.get("reading", "")
    if is_figure(text):  # as the file's decimal mark says, so that a thousands mark is no decimal one
        text = f"{figure_of(text, decimal):.10g}"
    unit = row.get("unit", "")
    typed = text if not unit or not text or not text[-1].isdigit() else f"{text} {unit}"
    try:
        measured(typed, Quantity.LENGTH)
    except UnreadableMeasurement as error:
        raise UnreadableFile(text, f"Row {number}: {error.problem}", error.fix) from error
    tool_name, u_text = row.get("tool", ""), row.get("u", "")
    tools_named = {name: tool for tool in Tool for name in (tool.value, tool.words)}
    if tool_name and tool_name not in tools_named:
        tools = ", ".join(tool.words for tool in Tool)
        raise UnreadableFile(
            tool_name, f"Row {number}: “{tool_name}” is not a tool known here.", f"Use one of {tools}."
        )
    if u_text and not (is_figure(u_text) and figure_of(u_text, decimal) >= LEAST_U):
        raise UnreadableFile(
            u_text, f"Row {number}: a u of “{u_text}” is not above zero.", "Give it in mm, or leave it."
        )
    return typed, tools_named[tool_name] if tool_name else None, figure_of(u_text, decimal) if u_text else None


def _reading(row: dict[str, str], number: int, decimal: str) -> SurveyReading:
    kind = row.get("kind", "").lower()
    a = _hole_id(row.get("from", ""), number)
    for pair in PAIRS:
        if kind == pair:
            b = "C" if pair == "radius" else _hole_id(row.get("to", ""), number)
            if a == b:
                raise UnreadableFile(a, f"Row {number}: it goes from {a} to itself.", "Name two different holes.")
            length = _length(row, number, decimal)
            require_place(length.mm, 0.0, f"Row {number}")
            if not length.mm:
                raise UnreadableFile("0", f"Row {number}: a reading of 0 is none.", "Mend that row, or leave it out.")
            return PairReading(kind=pair, a=a, b=b, reading=length)
    for axis in AXES:
        if kind == axis:
            text, tool, u_mm = _typed(row, number, decimal)
            edge = next((one for one in EDGES if one == (row.get("edge") or "centre").lower()), None)
            if edge is None:
                raise UnreadableFile("", f"Row {number}: the edge is low, centre or high.", "Mend that row.")
            coordinate = Coordinate(text=text, tool=tool, u=u_mm)
            require_place(coordinate.mm, 0.0, f"Row {number}")
            return AxisReading(kind=axis, a=a, frame=row.get("frame") or "square", edge=edge, reading=coordinate)
    kinds = ", ".join((*PAIRS, *AXES, "hole"))
    raise UnreadableFile(kind, f"Row {number}: “{kind}” is not a kind of reading.", f"Use one of {kinds}.")


def _hole_id(text: str, number: int) -> str:
    if not _HOLE_ID.match(text):
        raise UnreadableFile(
            text, f"Row {number}: “{text}” is not a hole's name.", "A letter, then up to five letters or digits: H1."
        )
    return text


def _require_known(reading: SurveyReading, names: set[str], number: int) -> None:
    for end in set(ends_of(reading)) - names:
        raise UnreadableFile(
            end,
            f"Row {number}: {end} is not among the holes.",
            f"Name it on the bench, or add a row: hole,{end},,10.5.",
        )


def _points(
    rows: list[tuple[int, list[str]]], decimal: str, survey: Survey, frame: str, tool: Tool | None
) -> SurveyFile:
    header = [cell.lower() for cell in rows[0][1]]
    columns = {found[1][0]: k for k, cell in enumerate(header) if (found := _POINT_COLUMN.match(cell))}
    scales = {found[1][0]: _scale(found[2]) for cell in header if (found := _POINT_COLUMN.match(cell))}
    name_at = next((k for k, cell in enumerate(header) if cell in ("id", "hole", "name")), None)
    if name_at is None or not {"x", "y"} <= set(columns):
        raise UnreadableFile("", "The columns of points are not all there.", f"Begin with {POINTS_EXAMPLE}.")
    points: list[FoundPoint] = []
    corners: list[OutlinePoint] = []
    for number, cells in rows[1:]:
        values = {key: _cell(cells, k, number, decimal) * scales[key] for key, k in columns.items() if key != "d"}
        has_size = "d" in columns and columns["d"] < len(cells) and cells[columns["d"]]
        diameter = _cell(cells, columns["d"], number, decimal) * scales["d"] if has_size else None
        require_place(values["x"], values["y"], f"Row {number}")
        if name_at < len(cells) and cells[name_at].lower() == OUTLINE_ID:
            corners.append(OutlinePoint(x_mm=values["x"], y_mm=values["y"]))
            continue
        name = _hole_id(cells[name_at] if name_at < len(cells) else "", number)
        if diameter is not None:
            require_size(diameter, f"Row {number}")
        points.append(FoundPoint(name, values["x"], values["y"], diameter, f"Row {number}"))
    _require_once(points)
    notes = ("Inches of the header were turned into millimetres.",) if any(s != 1 for s in scales.values()) else ()
    return SurveyFile(
        holes=new_holes(points, survey),
        readings=framed_readings(points, frame, tool),
        outline=_outline(corners, frame),
        notes=notes,
    )


def _outline(corners: list[OutlinePoint], frame: str) -> Outline | None:
    """The corners of rows named ``outline``, in their order round the flange."""
    if not corners:
        return None
    if not 3 <= len(corners) <= MOST_CORNERS:
        raise UnreadableFile(
            "", f"The outline has {len(corners)} points.", f"It wants 3 to {MOST_CORNERS}, in order round."
        )
    return Outline(frame=frame, points=corners)


def _scale(unit: str | None) -> float:
    return MM_PER_INCH if unit and unit.lower().startswith("in") else 1.0


def _cell(cells: Sequence[str], k: int, number: int, decimal: str) -> float:
    text = cells[k] if k < len(cells) else ""
    try:
        return figure_of(text, decimal)
    except ValueError as error:
        raise UnreadableFile(
            text, f"Row {number}: “{text}” is not a figure.", "Mend that row, or leave it out."
        ) from error


def _require_once(points: Sequence[FoundPoint]) -> None:
    if len(points) < 2:
        raise UnreadableFile("", "The file has fewer than two points.", f"It wants rows such as: {POINTS_EXAMPLE}.")
    seen: set[str] = set()
    for point in points:
        if point.id in seen:
            raise UnreadableFile(point.id, f"{point.where}: {point.id} comes twice.", "Keep the row that is right.")
        seen.add(point.id)
