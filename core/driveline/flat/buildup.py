"""What stands between two faces: how far standoffs of unequal length tilt one, and where a base plate's holes go."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True, kw_only=True)
class FaceTilt:
    """The plane through the ends of standoffs, by least squares."""

    mean_mm: float
    tilt_deg: float
    high_at_deg: float  # where the face stands farthest out, anticlockwise from +x
    rock_mm: float  # the most that one end stands off the plane: with three it is always 0
    take_off_mm: tuple[float, ...]  # from each, down to the shortest


def face_tilt(xy_mm: Floats, lengths_mm: Sequence[float]) -> FaceTilt:
    """Return how a face on standoffs leans.

    Args:
        xy_mm: Where they stand, (n, 2), mm; three or more that are not on one line.
        lengths_mm: As measured, in the same order.

    Raises:
        ImpossibleInput: If there are too few, they stand on one line, or the lists differ.

    Source:
        z = c + a x + b y; tilt = atan √(a² + b²).
    """
    if len(xy_mm) != len(lengths_mm):
        raise ImpossibleInput("measured", len(lengths_mm), f"as many lengths as standoffs, {len(xy_mm)}")
    design = np.column_stack([np.ones(len(xy_mm)), np.asarray(xy_mm).reshape(-1, 2)])
    if len(xy_mm) < 3 or np.linalg.matrix_rank(design) < 3:
        raise ImpossibleInput("standoffs", len(xy_mm), "three or more that are not on one line")
    lengths = np.asarray(lengths_mm, dtype=float)
    fitted, *_ = np.linalg.lstsq(design, lengths, rcond=None)
    _, a, b = fitted
    return FaceTilt(
        mean_mm=float(lengths.mean()),
        tilt_deg=float(np.degrees(np.arctan(np.hypot(a, b)))),
        high_at_deg=float(np.degrees(np.arctan2(b, a)) % 360),
        rock_mm=float(np.abs(lengths - design @ fitted).max()),
        take_off_mm=tuple(float(mm) for mm in lengths - lengths.min()),
    )


@dataclass(frozen=True, slots=True)
class FootHole:
    """A hole of a base plate, seen from above: x along the shaft away from the gearbox, y to the left."""

    id: str
    row: str
    x_mm: float
    y_mm: float


def foot_holes(
    *, along_mm: float, across_mm: float, from_face_mm: float, rows: Sequence[tuple[str, float]]
) -> tuple[FootHole, ...]:
    """Return a base plate's holes: four for each row, a row being one choice of where the motor stands.

    Args:
        along_mm: Between the feet's holes along the shaft; above 0.
        across_mm: Between them across the shaft; above 0.
        from_face_mm: From the gearbox face to the first pair.
        rows: What each choice is called, and how far it lies from the first.

    Raises:
        ImpossibleInput: If the feet span no area.

    Source:
        A rectangle along the shaft for each row, by definition.
    """
    if not (along_mm > 0 and across_mm > 0):
        raise ImpossibleInput("along", (along_mm, across_mm), "above 0 both along and across")
    corners = ((0.0, -1), (0.0, 1), (along_mm, 1), (along_mm, -1))
    return tuple(
        FootHole(f"{chr(65 + k)}{n + 1}", name, from_face_mm + shift_mm + x, side * across_mm / 2)
        for k, (name, shift_mm) in enumerate(rows)
        for n, (x, side) in enumerate(corners)
    )
