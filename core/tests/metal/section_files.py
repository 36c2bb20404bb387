"""Sections as DXF files."""

import io
from collections.abc import Sequence

import ezdxf

Ring = Sequence[tuple[float, float]]


def rectangle(width_mm: float, height_mm: float, in_mm: float = 0.0) -> Ring:
    """Corners of a rectangle, all sides moved in."""
    right, top = width_mm - in_mm, height_mm - in_mm
    return [(in_mm, in_mm), (right, in_mm), (right, top), (in_mm, top)]


def section_dxf(*rings: Ring, circles: Sequence[tuple[float, float, float]] = (), unit: int = 4) -> bytes:
    """Closed polylines, and circles by their middle and radius."""
    document = ezdxf.new("R2010")  # type: ignore[attr-defined]
    document.header["$INSUNITS"] = unit
    space = document.modelspace()
    for ring in rings:
        space.add_lwpolyline(ring, close=True)
    for x, y, radius in circles:
        space.add_circle((x, y), radius)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


BOX_DXF = section_dxf(rectangle(70, 110), rectangle(70, 110, 4))
