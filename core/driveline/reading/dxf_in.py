"""A DXF drawing taken apart: its entities, and what its lines enclose.

A drawing is somebody else's: every size in it is looked at before anything is worked out from it.
"""

import io
import math
from collections.abc import Iterator, Sequence
from itertools import islice
from typing import Final

from ezdxf.entities.arc import Arc
from ezdxf.entities.circle import Circle
from ezdxf.entities.dxfgfx import DXFGraphic
from ezdxf.entities.insert import Insert
from ezdxf.entities.line import Line
from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.entities.polyline import Polyline
from ezdxf.filemanagement import read as read_document
from ezdxf.layouts.layout import Modelspace
from ezdxf.lldxf.const import DXFError
from ezdxf.path import make_path
from shapely import LineString, Polygon, STRtree
from shapely.ops import polygonize, unary_union

from driveline.figures import MM_PER_INCH
from driveline.reading.csv_in import UnreadableFile

GREATEST_BYTES: Final = 4_000_000
MOST_LINES: Final = 400_000
MOST_ENTITIES: Final = 5000
MOST_POINTS: Final = 100_000  # of all lines and arcs, taken apart
MOST_CROSSINGS: Final = 20_000  # of lines with one another; an outline's touch only their neighbours
PIECES_AT_ONCE: Final = 500
MOST_DEEP: Final = 4  # blocks within blocks
GREATEST_UNITS: Final = 200_000.0  # no drawing's figure is larger, in whatever unit
# What comes out of the reader for a drawing that is damaged.
DAMAGED: Final = (DXFError, ValueError, LookupError, TypeError, AttributeError, ArithmeticError)
FLAT_MM: Final = 0.02  # how far a chord may leave its arc
UNIT_MM: Final = {0: 1.0, 1: MM_PER_INCH, 2: 12 * MM_PER_INCH, 4: 1.0, 5: 10.0, 6: 1000.0}
LINES: Final = (Line, Arc, LWPolyline, Polyline)


def opened(data: bytes, what: str) -> tuple[Modelspace, float, list[str]]:
    """Return a drawing's entities, how many mm its unit is, and what was taken for granted.

    Args:
        data: A text DXF.
        what: It should show, such as ``flange``.

    Raises:
        UnreadableFile: If it can't be read, or holds too much.
    """
    if len(data) > GREATEST_BYTES:
        raise UnreadableFile(
            "", f"The drawing is larger than 4 MB; that of a {what} never is.", f"Save the {what} alone."
        )
    if b"\0" in data:
        raise UnreadableFile("", "This is not a text DXF.", "Save it as ASCII DXF, R2010 or older.")
    if data.count(b"\n") > MOST_LINES:
        raise UnreadableFile("", f"The drawing holds too much to be one {what}.", f"Save the {what} alone.")
    text = data.decode("utf-8", errors="replace").replace("\r\n", "\n")
    try:
        document = read_document(io.StringIO(text))
        space = document.modelspace()
        unit = int(document.header.get("$INSUNITS", 0))
    except (*DAMAGED, StopIteration) as error:  # the last of a table that is closed twice
        raise UnreadableFile("", "This can't be read as a DXF drawing.", "Save it as ASCII DXF, R2010.") from error
    if unit not in UNIT_MM:
        raise UnreadableFile("", "The drawing is in a unit that no shop draws in.", "Save it in mm or inches.")
    if len(space) > MOST_ENTITIES:
        raise UnreadableFile(
            "", f"The drawing has {len(space)} entities.", f"Save {MOST_ENTITIES} or fewer: the {what}."
        )
    notes = [] if unit else ["The drawing states no unit; millimetres were taken."]
    if unit and UNIT_MM[unit] != 1.0:
        notes.append("The drawing's units were turned into millimetres.")
    return space, UNIT_MM[unit], notes


def sound(space: Modelspace, what: str) -> list[DXFGraphic]:
    """Return every entity, blocks opened; a drawing with figures that nothing has is refused.

    Args:
        space: Of the drawing.
        what: It should show.

    Raises:
        UnreadableFile: If there are too many, or one is out of all measure.
    """
    found: list[DXFGraphic] = []
    waiting: list[tuple[DXFGraphic, int]] = [(entity, 0) for entity in space]
    while waiting:
        entity, depth = waiting.pop()
        if isinstance(entity, Insert):
            if depth < MOST_DEEP and entity.mcount <= MOST_ENTITIES:
                waiting += [(one, depth + 1) for one in _opened_block(entity, MOST_ENTITIES - len(found))]
            continue
        if isinstance(entity, Circle | Line | Arc | LWPolyline | Polyline):
            _require_measure(entity, what)
            found.append(entity)
        if len(found) + len(waiting) > 2 * MOST_ENTITIES or len(found) > MOST_ENTITIES:
            raise UnreadableFile("", "With its blocks opened the drawing holds too much.", f"Save the {what} alone.")
    return found[::-1]


def _opened_block(block: Insert, most: int) -> list[DXFGraphic]:
    """What a block shows where it stands, as many as are still wanted; nothing where it can't be placed."""
    try:
        one_by_one = block.multi_insert() if block.mcount > 1 else [block]
        return list(islice((entity for part in one_by_one for entity in part.virtual_entities()), most + 1))
    except DAMAGED:
        return []


def _require_measure(entity: Circle | Line | Arc | LWPolyline | Polyline, what: str) -> None:
    extrusion = entity.dxf.get("extrusion")
    figures = [] if extrusion is None else [float(extrusion.magnitude) - 1.0]
    try:
        if isinstance(entity, Line):
            figures += [*entity.dxf.start, *entity.dxf.end]
        elif isinstance(entity, LWPolyline):
            figures += [figure for point in entity.get_points("xyb") for figure in point]
        elif isinstance(entity, Polyline):
            figures += [figure for vertex in entity.vertices for figure in vertex.dxf.location]
        else:
            figures += [*entity.dxf.center, entity.dxf.radius]
    except DAMAGED as error:
        raise UnreadableFile("", "An entity of the drawing has no place.", f"Save the {what} alone.") from error
    if not all(math.isfinite(figure) and abs(figure) <= GREATEST_UNITS for figure in figures):
        kind = entity.dxftype().lower()
        raise UnreadableFile(
            "", f"The drawing has an entity ({kind}) out of all measure.", f"Save the {what} alone, in mm."
        )
    if extrusion is not None and not extrusion.magnitude > 1e-6:
        raise UnreadableFile("", "An entity of the drawing lies in no plane.", f"Save the {what} alone, as 2D.")


def closed_loops(
    entities: Sequence[DXFGraphic], kinds: tuple[type, ...] = LINES, flat: float = FLAT_MM
) -> list[Polygon] | None:
    """Return what lines, arcs and polylines enclose, in the drawing's units, the smallest first.

    ``None`` where they cross too often to be an outline's.

    Args:
        entities: Of the drawing.
        kinds: Of entities that enclose something.
        flat: How far a chord may leave its arc, in the drawing's units.
    """
    lines = [LineString(points) for points in _polylines(entities, kinds, flat) if len(set(points)) > 1]
    if not lines or _crossings(lines) > MOST_CROSSINGS:
        return None
    return sorted(polygonize(unary_union(lines)), key=lambda loop: float(Polygon(loop.exterior).area))


def _crossings(lines: Sequence[LineString]) -> int:
    """How many pairs of straight pieces come near to one another; counted in parts, and no further than it matters."""
    pieces = [LineString(pair) for line in lines for pair in zip(line.coords[:-1], line.coords[1:], strict=True)]
    tree, found = STRtree(pieces), 0
    for start in range(0, len(pieces), PIECES_AT_ONCE):
        part = pieces[start : start + PIECES_AT_ONCE]
        found += tree.query(part, predicate="intersects").shape[1] - 3 * len(part)  # itself, and its two neighbours
        if found > MOST_CROSSINGS:
            break
    return found


def _polylines(
    entities: Sequence[DXFGraphic], kinds: tuple[type, ...], flat_units: float
) -> Iterator[list[tuple[float, float]]]:
    taken = 0
    for entity in entities:
        if isinstance(entity, kinds):
            try:
                flat = list(islice(make_path(entity).flattening(flat_units, segments=8), MOST_POINTS + 1 - taken))
            except DAMAGED:
                continue  # an entity without extent has no part in an outline
            taken += len(flat)
            if taken > MOST_POINTS:
                return
            yield [(round(float(point.x), 4), round(float(point.y), 4)) for point in flat]  # ends must meet exactly
