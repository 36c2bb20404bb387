"""How many of a part a stock sheet gives: its bounding rectangle set out in rows, either way round."""

from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput

GAP_MM: Final = 8.0  # between parts
RIM_MM: Final = 10.0  # kept free along the sheet's edge


@dataclass(frozen=True, slots=True, kw_only=True)
class Nest:
    """Rows and columns of a part on a sheet."""

    columns: int
    rows: int
    is_turned: bool  # by a quarter turn
    pitch_x_mm: float
    pitch_y_mm: float

    @property
    def count(self) -> int:
        """How many one sheet gives."""
        return self.columns * self.rows


def nest(*, part_x_mm: float, part_y_mm: float, sheet_x_mm: float, sheet_y_mm: float) -> Nest:
    """Return the better of two ways to set a part out on a sheet.

    Bounding rectangles only: parts that interlock give more, and the cutter's own program will find that.

    Args:
        part_x_mm: Width of the part; above 0.
        part_y_mm: Height of the part; above 0.
        sheet_x_mm: Width of the sheet.
        sheet_y_mm: Height of the sheet.

    Raises:
        ImpossibleInput: If the part has no size.

    Source:
        ⌊(L − 2 rim + gap)/(l + gap)⌋ each way.
    """
    if not (part_x_mm > 0 and part_y_mm > 0):
        raise ImpossibleInput("part", (part_x_mm, part_y_mm), "above 0 both ways")
    ways = []
    for is_turned, x, y in ((False, part_x_mm, part_y_mm), (True, part_y_mm, part_x_mm)):
        pitch_x, pitch_y = x + GAP_MM, y + GAP_MM
        columns = max(int((sheet_x_mm - 2 * RIM_MM + GAP_MM) // pitch_x), 0)
        rows = max(int((sheet_y_mm - 2 * RIM_MM + GAP_MM) // pitch_y), 0)
        ways.append(Nest(columns=columns, rows=rows, is_turned=is_turned, pitch_x_mm=pitch_x, pitch_y_mm=pitch_y))
    return max(ways, key=lambda way: way.count)
