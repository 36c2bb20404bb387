"""What every table that comes in as CSV needs: text, rows, and figures with decimal points or commas."""

import csv
import math
from typing import Final

from driveline.errors import UnreadableMeasurement

SAMPLED_LINES: Final = 20


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
    """Return the rows that hold anything, with their numbers in the file, and what parts their cells.

    Raises:
        UnreadableFile: If there are too many, none, or they are no table.
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
    return rows, delimiter


def figure_of(cell: str, delimiter: str) -> float:
    """Return a cell's figure; a comma is decimal where cells are not parted by commas.

    Raises:
        ValueError: If it is not a finite number.
    """
    plain = cell.replace(" ", "").replace("\u00a0", "")
    if delimiter != "," and "," in plain:
        plain = plain.replace(".", "").replace(",", ".") if plain.count(",") == 1 else plain.replace(",", "")
    value = float(plain)
    if not math.isfinite(value):
        raise ValueError(cell)
    return value


def is_figure(cell: str, delimiter: str) -> bool:
    """Say whether a cell holds a finite number."""
    try:
        figure_of(cell, delimiter)
    except ValueError:
        return False
    return True
