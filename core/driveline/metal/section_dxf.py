"""A section from a DXF drawing: its outside and its hollows."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from ezdxf.entities.circle import Circle
from shapely import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from driveline.arrays import Floats
from driveline.figures import fig
from driveline.reading.csv_in import UnreadableFile
from driveline.reading.dxf_in import FLAT_MM, LINES, closed_loops, opened, sound

WHAT: Final = "section"
LEAST_MM: Final = 5.0
GREATEST_MM: Final = 1000.0
MOST_CORNERS: Final = 600
MOST_HOLLOWS: Final = 19
DECIMALS: Final = 3


@dataclass(frozen=True, slots=True, kw_only=True)
class SectionFound:
    """A section as it was drawn, and what was taken for granted."""

    rings_mm: tuple[Floats, ...]  # the outside, then each hollow, (n, 2), from its lowest left corner
    notes: tuple[str, ...]


def read_section_dxf(data: bytes) -> SectionFound:
    """Return the section that a DXF drawing shows: what is enclosed along its outside; what lies within is hollow.

    Args:
        data: A text DXF.

    Raises:
        UnreadableFile: If it can't be read, shows no closed line or several sections, or is out of all measure.
    """
    space, scale, notes = opened(data, WHAT)
    loops = closed_loops(sound(space, WHAT), (*LINES, Circle), FLAT_MM / scale)
    if not loops:
        raise UnreadableFile("", "The drawing has no closed line.", "Draw the outside and each hollow closed.")
    metal = _metal(loops)
    rings = [ring.simplify(FLAT_MM / scale) for ring in (metal.exterior, *metal.interiors)]
    corners = [scale * np.array(ring.coords)[:-1] for ring in rings]
    _require_measure(corners)
    if not metal.interiors:
        notes.append("No hollow was found: it is taken as solid.")
    low = corners[0].min(axis=0)
    return SectionFound(rings_mm=tuple(np.round(ring - low, DECIMALS) for ring in corners), notes=tuple(notes))


def _metal(loops: list[Polygon]) -> Polygon:
    """What lies along the outside: a hollow touches nothing but metal."""
    whole = unary_union(loops)
    outside = _one(whole).exterior
    return _one(unary_union([loop for loop in loops if loop.intersection(outside).length > 0]))


def _one(shape: BaseGeometry) -> Polygon:
    if not isinstance(shape, Polygon):
        raise UnreadableFile("", "The drawing shows more than one section.", "Save one of them alone.")
    return shape


def _require_measure(rings_mm: list[Floats]) -> None:
    size = float(np.ptp(rings_mm[0], axis=0).max())
    if not LEAST_MM <= size <= GREATEST_MM:
        text = f"The section is {size:.4g} mm across."
        bounds = f"{fig(LEAST_MM, 'mm', 0)} to {fig(GREATEST_MM, 'mm', 0)}"
        raise UnreadableFile("", text, f"Is its unit right? A rail's is {bounds}.")
    if len(rings_mm) > 1 + MOST_HOLLOWS or max(len(ring) for ring in rings_mm) > MOST_CORNERS:
        raise UnreadableFile("", "The section has too many corners or hollows.", "Leave small radii and grooves out.")
