"""Names beside what they name, where nothing else is drawn."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

LETTER_WIDTH: Final = 0.68  # of its height
CLEAR_MM: Final = 0.4
FARTHER: Final = (1.2, 3.0, 5.0, 8.0)  # from its hole, mm
TURNS_DEG: Final = (45, 30, 60, 15, 75, 120, 135, 150, 105, 165, -45, -135, -30, -150, 90)


@dataclass(frozen=True, slots=True)
class Box:
    """What is taken already; a line is a box without width."""

    left_mm: float
    bottom_mm: float
    right_mm: float
    top_mm: float

    def meets(self, other: "Box") -> bool:
        """Say whether they overlap."""
        return (
            self.left_mm < other.right_mm
            and other.left_mm < self.right_mm
            and self.bottom_mm < other.top_mm
            and other.bottom_mm < self.top_mm
        )


@dataclass(frozen=True, slots=True)
class Name:
    """A name, and the round thing that it is of."""

    text: str
    x_mm: float
    y_mm: float
    radius_mm: float


@dataclass(frozen=True, slots=True)
class Placed:
    """Where the middle of a name stands."""

    x_mm: float
    y_mm: float


def placed_names(names: Sequence[Name], taken: Sequence[Box], *, height_mm: float) -> list[Placed]:
    """Return where each name stands, up and to the right of its own first, where it meets nothing.

    Where there is no such place it takes the one that meets least.

    Args:
        names: In turn.
        taken: What is drawn already.
        height_mm: Of their letters.
    """
    boxes, found = list(taken), []
    for name in names:
        half_x, half_y = LETTER_WIDTH * height_mm * len(name.text) / 2 + CLEAR_MM, height_mm / 2 + CLEAR_MM
        ways = [_place(name, half_x, half_y, far, turn) for far in FARTHER for turn in TURNS_DEG]
        best = min(ways, key=lambda at: sum(_box(at, half_x, half_y).meets(one) for one in boxes))
        boxes.append(_box(best, half_x, half_y))
        found.append(best)
    return found


def _place(name: Name, half_x: float, half_y: float, far: float, turn_deg: float) -> Placed:
    """Its box just touches a circle so far outside its own."""
    cos, sin = math.cos(math.radians(turn_deg)), math.sin(math.radians(turn_deg))
    reach = name.radius_mm + far
    return Placed(
        name.x_mm + reach * cos + half_x * (abs(cos) > 1e-9) * math.copysign(1, cos),
        name.y_mm + reach * sin + half_y * math.copysign(1, sin),
    )


def _box(at: Placed, half_x: float, half_y: float) -> Box:
    return Box(at.x_mm - half_x, at.y_mm - half_y, at.x_mm + half_x, at.y_mm + half_y)
