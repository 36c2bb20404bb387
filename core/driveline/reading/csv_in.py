"""What every table that comes in as CSV needs: text, rows, and figures with decimal points or commas."""

import csv
import math
import re
from collections.abc import Sequence
from typing import Final

from driveline.errors import UnreadableMeasurement

SAMPLED_LINES: Final = 20
# Plain, in groups of three, or with nothing before its mark; an exponent may follow.
_FIGURE = re.compile(
    r"^[+-]?(?:\d+(?:[.,]\d*)?|\d{1,3}(?:([.,])\d{3})(?:\1\d{3})*(?:[.,]\d+)?|[.,]\d+)(?:[eE][+-]?\d{1,3})?$"
)


class UnreadableFile(UnreadableMeasurement):
    """A file that can't be taken: what is wrong, where, and what would do."""


def text_of(data: bytes, *, greatest_bytes: int, what: str, example: str) -> str:
    """Return a file's text.

    Args:
        data: The file.
        greatest_bytes: More is refused unread.
        what: What the file should be, such as ``a torque curve``.
        example: Its first line.

    Raises:
        UnreadableFile: If it is too large, or not text.
    """
    if len(data) > greatest_bytes:
        size = f"{greatest_bytes / 1e6:g} MB"
        raise UnreadableFile("", f"The file is larger than {size}; {what} never is.", "Save less of it.")
    if b"\0" in data:
        raise UnreadableFile("", "This is not a text file.", f"Save it as CSV: {example}.")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return data.decode("cp1252", errors="replace")


def rows_of(text: str, *, most_rows: int, example: str) -> tuple[list[tuple[int, list[str]]], str]:
    """Return the rows that hold anything, with their numbers in the file, and the mark that is decimal in it.

    Raises:
        UnreadableFile: If there are too many, none, they are no table, or their decimal mark can't be told.
    """
    lines = text.splitlines()
    if len(lines) > most_rows:
        raise UnreadableFile("", f"The file has {len(lines)} rows.", f"Thin it to {most_rows} or fewer.")
    sample = "\n".join(lines[:SAMPLED_LINES])
    delimiter = next((mark for mark in (";", "\t") if mark in sample), ",")
    try:
        rows = [(k, [cell.strip() for cell in row]) for k, row in enumerate(csv.reader(lines, delimiter=delimiter), 1)]
    except csv.Error as error:
        raise UnreadableFile("", "This is not a table of figures.", f"Save it as CSV: {example}.") from error
    rows = [(k, row) for k, row in rows if any(row) and not row[0].startswith("#")]
    if not rows:
        raise UnreadableFile("", "The file is empty.", f"It wants rows such as: {example}.")
    cells = [_plain(cell) for _, row in rows for cell in row]
    figures = [cell for cell in cells if _FIGURE.match(cell)]
    # Where commas part the cells, a comma within one stands in quotes, and a point is no thousands mark.
    has_points = delimiter == "," and not any("," in figure for figure in figures)
    return rows, "." if has_points else decimal_mark(figures)


def decimal_mark(figures: Sequence[str]) -> str:
    """Return the mark that is decimal where a figure by itself could be read both ways: told from all the others.

    Args:
        figures: Every figure of the file, as written.

    Raises:
        UnreadableFile: If a figure could be read both ways, and the others don't tell or contradict one another.
    """
    said = {mark for figure in figures if (mark := _decimal_of(figure)) is not None}
    unsure = next((one for one in figures if _decimal_of(one) is None and ("," in one or "." in one)), None)
    if unsure is not None and len(said) != 1:
        fix = "Leave thousands marks out, or write the decimals: 1000.0."
        raise UnreadableFile(unsure, f"“{unsure}” can be a thousand times more or less: which is its mark?", fix)
    return said.pop() if said else "."


def _decimal_of(figure: str) -> str | None:
    """Which mark must be decimal, judged by one figure; ``None`` where it says nothing."""
    marks = [mark for mark in figure if mark in ".,"]
    if not marks:
        return None
    last, other = marks[-1], "," if marks[-1] == "." else "."
    if len(set(marks)) == 2:
        return last
    if len(marks) > 1:  # two of one kind part thousands
        return other
    before, _, after = figure.lstrip("+-").partition(last)
    is_thousands = len(after) == 3 and 1 <= len(before) <= 3 and not before.startswith("0")
    return None if is_thousands else last


def _plain(cell: str) -> str:
    return cell.replace(" ", "").replace("\u00a0", "").replace("\u202f", "")


def figure_of(cell: str, decimal: str) -> float:
    """Return a cell's figure.

    Args:
        cell: As written.
        decimal: The file's decimal mark, for a figure that could be read both ways.

    Raises:
        ValueError: If it is not a finite number.
    """
    plain = _plain(cell)
    if not _FIGURE.match(plain):
        raise ValueError(cell)
    own = _decimal_of(plain) or decimal
    thousands = "," if own == "." else "."
    value = float(plain.replace(thousands, "").replace(own, "."))
    if not math.isfinite(value):
        raise ValueError(cell)
    return value


def is_figure(cell: str) -> bool:
    """Say whether a cell holds a number."""
    return bool(_FIGURE.match(_plain(cell)))
