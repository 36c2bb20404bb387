"""Reading a motor's torque curve from a CSV file, however the data sheet or the dynamometer wrote it."""

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.reading.csv_in import UnreadableFile, figure_of, is_figure, rows_of, text_of

GREATEST_BYTES: Final = 1_000_000
MOST_ROWS: Final = 20_000
MOST_POINTS: Final = 200
GREATEST_RPM: Final = 60_000.0
GREATEST_NM: Final = 20_000.0
NM_PER_LB_FT: Final = 1.3558179483
RPM_PER_RAD_S: Final = 30 / math.pi
EXAMPLE: Final = "rpm,nm_peak,nm_continuous"

_SPEED = re.compile(r"rpm|1/min|min-1|min\^-1|rad/s|speed|^n$", re.I)
_CONTINUOUS = re.compile(r"cont|nominal|rated|s1", re.I)
_TORQUE = re.compile(r"nm|n·m|n m|lb|torque|peak|max", re.I)


@dataclass(frozen=True, slots=True)
class MotorCurve:
    """Points in order of rising speed, (rpm, peak N·m, continuous N·m or ``None``), and what was mended on the way."""

    points: tuple[tuple[float, float, float | None], ...]
    notes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Columns:
    """Where each figure stands in a row, and what turns it into rpm or N·m."""

    speed: int
    peak: int
    continuous: int | None
    to_rpm: float
    to_nm: float


def read_motor_curve(data: bytes) -> MotorCurve:
    """Return a motor's curve from a CSV file.

    Commas, semicolons or tabs between figures; decimal points or commas, told from the whole file; a header with
    units (rpm or rad/s, N·m or lb-ft) or none, when the columns are speed, peak and perhaps continuous torque. Rows may
    be in any order; a row that says the same again is dropped.

    Args:
        data: The file.

    Raises:
        UnreadableFile: If it is empty, too large, not text, or a row can't be read or contradicts another.
    """
    text = text_of(data, greatest_bytes=GREATEST_BYTES, what="a torque curve", example=EXAMPLE)
    rows, decimal = rows_of(text, most_rows=MOST_ROWS, example=EXAMPLE)
    notes: list[str] = []
    first = rows[0][1]
    has_header = not is_figure(first[0])
    columns = _headed(first) if has_header else _plain(first)
    if has_header and (columns.to_nm != 1 or columns.to_rpm != 1):
        notes.append("Units of the header were turned into rpm and N·m.")
    points = [_point(number, row, columns, decimal) for number, row in rows[has_header:]]
    if len(points) < 2:
        raise UnreadableFile("", "The file has fewer than two points.", f"A curve needs two or more: {EXAMPLE}.")
    return _in_order(points, notes)


def _plain(first: Sequence[str]) -> _Columns:
    if len(first) < 2:
        raise UnreadableFile("", "The rows hold one figure only.", f"They want speed and torque: {EXAMPLE}.")
    return _Columns(0, 1, 2 if len(first) > 2 else None, 1.0, 1.0)


def _headed(header: Sequence[str]) -> _Columns:
    speed = next((k for k, cell in enumerate(header) if _SPEED.search(cell)), None)
    torques = [k for k, cell in enumerate(header) if k != speed and _TORQUE.search(cell)]
    lasting = [k for k in torques if _CONTINUOUS.search(header[k])]
    peaks = [k for k in torques if k not in lasting]
    if speed is None or not peaks:
        raise UnreadableFile(
            "", f"The header “{', '.join(header)}” names no speed or no torque.", f"Name the columns like {EXAMPLE}."
        )
    continuous = lasting[0] if lasting else peaks[1] if len(peaks) > 1 else None
    return _Columns(
        speed,
        peaks[0],
        continuous,
        RPM_PER_RAD_S if "rad" in header[speed].lower() else 1.0,
        NM_PER_LB_FT if "lb" in header[peaks[0]].lower() else 1.0,
    )


def _point(number: int, row: list[str], columns: _Columns, decimal: str) -> tuple[float, float, float | None]:
    def cell(k: int, what: str, factor: float, greatest: float) -> float:
        text = row[k] if k < len(row) else ""
        try:
            value = figure_of(text, decimal) * factor
        except ValueError as error:
            raise UnreadableFile(
                text, f"Row {number}: “{text}” is not a {what}.", "Mend that row, or leave it out."
            ) from error
        if not 0 <= value <= greatest:
            fix = "Give the driving side only, both figures above zero." if value < 0 else "Is it another unit?"
            raise UnreadableFile(text, f"Row {number}: a {what} of {value:g} is not a motor's.", fix)
        return value

    rpm = cell(columns.speed, "speed", columns.to_rpm, GREATEST_RPM)
    peak_nm = cell(columns.peak, "torque", columns.to_nm, GREATEST_NM)
    has_continuous = columns.continuous is not None and columns.continuous < len(row) and row[columns.continuous]
    if not has_continuous or columns.continuous is None:
        return rpm, peak_nm, None
    return rpm, peak_nm, cell(columns.continuous, "continuous torque", columns.to_nm, GREATEST_NM)


def _in_order(points: list[tuple[float, float, float | None]], notes: list[str]) -> MotorCurve:
    ordered = sorted(points, key=lambda point: point[0])
    if ordered != points:
        notes.append("Rows were put in order of speed.")
    kept = [ordered[0]]
    for point in ordered[1:]:
        if point[0] != kept[-1][0]:
            kept.append(point)
        elif point != kept[-1]:
            raise UnreadableFile(
                "", f"{point[0]:g} rpm comes twice, with different torques.", "Keep the row that is right."
            )
    if len(kept) < len(points):
        notes.append("A speed that came twice with the same torque was taken once.")
    if len(kept) < 2:
        raise UnreadableFile("", "All rows are of one speed.", "A curve needs two speeds or more.")
    if any(point[2] is not None for point in kept) and any(point[2] is None for point in kept):
        notes.append("Continuous torque is missing in some rows and was left out.")
        kept = [(rpm, peak_nm, None) for rpm, peak_nm, _ in kept]
    if len(kept) > MOST_POINTS:
        notes.append(f"{len(kept)} points were thinned to {MOST_POINTS}, evenly.")
        kept = [kept[round(k * (len(kept) - 1) / (MOST_POINTS - 1))] for k in range(MOST_POINTS)]
    return MotorCurve(tuple(kept), tuple(notes))
