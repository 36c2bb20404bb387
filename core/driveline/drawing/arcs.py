"""An arc between two vertices of a path, from its bulge."""

import math
from dataclasses import dataclass

from driveline.drawing.model import Vertex


@dataclass(frozen=True, slots=True, kw_only=True)
class Arc:
    """A circular arc; ``sweep_deg`` above 0 runs anticlockwise."""

    x_mm: float
    y_mm: float
    radius_mm: float
    start_deg: float
    sweep_deg: float


def arc_of(start: Vertex, end: Vertex) -> Arc:
    """Return the arc from a vertex with a bulge other than 0 to the next."""
    bulge = start.bulge
    along_x, along_y = end.x_mm - start.x_mm, end.y_mm - start.y_mm
    chord_mm = math.hypot(along_x, along_y)
    lift = (1 - bulge**2) / (4 * bulge)
    x_mm = (start.x_mm + end.x_mm) / 2 - along_y * lift
    y_mm = (start.y_mm + end.y_mm) / 2 + along_x * lift
    return Arc(
        x_mm=x_mm,
        y_mm=y_mm,
        radius_mm=chord_mm * (1 + bulge**2) / (4 * abs(bulge)),
        start_deg=math.degrees(math.atan2(start.y_mm - y_mm, start.x_mm - x_mm)),
        sweep_deg=math.degrees(4 * math.atan(bulge)),
    )
