"""Holes and an outline from a DXF drawing of a flange.

A drawing is somebody else's: every size in it is looked at before anything is worked out from it.
"""

import io
import math
from collections.abc import Iterator, Sequence
from itertools import islice
from typing import Final

import numpy as np
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

from driveline.arrays import Floats
from driveline.figures import MM_PER_INCH
from driveline.network import Turning
from driveline.network.align import laid_over
from driveline.reading.csv_in import UnreadableFile
from driveline.reading.measure import Tool
from driveline.survey.files.found import (
    BORE_MM,
    FoundPoint,
    SurveyFile,
    framed_readings,
    new_holes,
    require_place,
    require_size,
)
from driveline.survey.sheet import Outline, OutlinePoint, Side, Survey
from driveline.survey.solve import solve_survey

GREATEST_BYTES: Final = 4_000_000
MOST_LINES: Final = 400_000
MOST_ENTITIES: Final = 5000
MOST_CORNERS: Final = 600
MOST_CIRCLES: Final = 600
MOST_POINTS: Final = 100_000  # of all lines and arcs, taken apart
MOST_CROSSINGS: Final = 20_000  # of lines with one another; an outline's touch only their neighbours
PIECES_AT_ONCE: Final = 500
MOST_DEEP: Final = 4  # blocks within blocks
GREATEST_UNITS: Final = 200_000.0  # no flange's figure is larger, in whatever unit
# What comes out of the reader for a drawing that is damaged.
DAMAGED: Final = (DXFError, ValueError, LookupError, TypeError, AttributeError, ArithmeticError)
SAME_PLACE_MM: Final = 0.05
FLAT_MM: Final = 0.02  # how far a chord may leave its arc
MATCHED_MM: Final = 5.0
UNIT_MM: Final = {0: 1.0, 1: MM_PER_INCH, 2: 12 * MM_PER_INCH, 4: 1.0, 5: 10.0, 6: 1000.0}


def read_survey_dxf(
    data: bytes, *, survey: Survey, frame: str, seen_from: Side, tool: Tool | None = None
) -> SurveyFile:
    """Return what a DXF drawing adds to a survey: its circles as holes in a frame of their own, and its outline.

    Circles over 60 mm are taken as bores. Holes are numbered as the survey numbers them, or matched to its holes
    where it has some. Blocks are not opened.

    Args:
        data: A text DXF.
        survey: What is there already; nothing of it is changed.
        frame: Name of the frame that the holes are given in.
        seen_from: Which side the drawing shows.
        tool: What it was made with, where it is a scan or a trace.

    Raises:
        UnreadableFile: If it can't be read, holds too much or too little, or can't be matched.
    """
    space, scale, notes = _opened(data)
    entities = _sound(space)
    mirror = -1.0 if seen_from is not survey.seen_from else 1.0
    circles = _circles(entities, scale, mirror, notes)
    if len(circles) < 2:
        raise UnreadableFile("", "The drawing has fewer than two circles.", "Draw each hole as a circle.")
    points = _named(circles, survey)
    outline = _outline(entities, scale, mirror, frame)
    if outline is None:
        notes.append("No closed outline was found; the holes were taken.")
    if mirror < 0:
        notes.append(f"The drawing was turned over to the {survey.seen_from.words}.")
    return SurveyFile(
        holes=new_holes(points, survey),
        readings=framed_readings(points, frame, tool),
        outline=outline,
        notes=tuple(notes),
    )


def _opened(data: bytes) -> tuple[Modelspace, float, list[str]]:
    if len(data) > GREATEST_BYTES:
        raise UnreadableFile("", "The drawing is larger than 4 MB; a flange's never is.", "Save the flange alone.")
    if b"\0" in data:
        raise UnreadableFile("", "This is not a text DXF.", "Save it as ASCII DXF, R2010 or older.")
    if data.count(b"\n") > MOST_LINES:
        raise UnreadableFile("", "The drawing holds too much to be one flange.", "Save the flange alone.")
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
            "", f"The drawing has {len(space)} entities.", f"Save {MOST_ENTITIES} or fewer: the flange."
        )
    notes = [] if unit else ["The drawing states no unit; millimetres were taken."]
    if unit and UNIT_MM[unit] != 1.0:
        notes.append("The drawing's units were turned into millimetres.")
    return space, UNIT_MM[unit], notes


def _sound(space: Modelspace) -> list[DXFGraphic]:
    """Every entity, blocks opened; a drawing with figures that no flange has is refused.

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
            _require_measure(entity)
            found.append(entity)
        if len(found) + len(waiting) > 2 * MOST_ENTITIES or len(found) > MOST_ENTITIES:
            raise UnreadableFile("", "With its blocks opened the drawing holds too much.", "Save the flange alone.")
    return found[::-1]


def _opened_block(block: Insert, most: int) -> list[DXFGraphic]:
    """What a block shows where it stands, as many as are still wanted; nothing where it can't be placed."""
    try:
        one_by_one = block.multi_insert() if block.mcount > 1 else [block]
        return list(islice((entity for part in one_by_one for entity in part.virtual_entities()), most + 1))
    except DAMAGED:
        return []


def _require_measure(entity: Circle | Line | Arc | LWPolyline | Polyline) -> None:
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
        raise UnreadableFile("", "An entity of the drawing has no place.", "Save the flange alone.") from error
    if not all(math.isfinite(figure) and abs(figure) <= GREATEST_UNITS for figure in figures):
        what = entity.dxftype().lower()
        raise UnreadableFile(
            "", f"The drawing has an entity ({what}) out of all measure.", "Save the flange alone, in mm."
        )
    if extrusion is not None and not extrusion.magnitude > 1e-6:
        raise UnreadableFile("", "An entity of the drawing lies in no plane.", "Save the flange alone, as 2D.")


def _circles(
    entities: Sequence[DXFGraphic], scale: float, mirror: float, notes: list[str]
) -> list[tuple[float, float, float]]:
    """Centre and diameter of each circle, mm; of several about one centre the smallest."""
    found: list[tuple[float, float, float]] = []
    drawn = [entity for entity in entities if isinstance(entity, Circle) and not isinstance(entity, Arc)]
    if len(drawn) > MOST_CIRCLES:
        raise UnreadableFile("", f"The drawing has {len(drawn)} circles.", "Save the flange alone.")
    for entity in drawn:
        centre = entity.ocs().to_wcs(entity.dxf.center)  # a drawing turned over keeps its circles in mirrored axes
        x_mm, y_mm, diameter_mm = scale * centre.x * mirror, scale * centre.y, 2 * scale * entity.dxf.radius
        where = f"Circle at {centre.x:g}, {centre.y:g}"
        require_size(diameter_mm, where)
        require_place(x_mm, y_mm, where)
        found.append((x_mm, y_mm, diameter_mm))
    found.sort(key=lambda circle: circle[2])
    kept: list[tuple[float, float, float]] = []
    for circle in found:
        if all(np.hypot(circle[0] - one[0], circle[1] - one[1]) > SAME_PLACE_MM for one in kept):
            kept.append(circle)
    if len(kept) < len(found):
        notes.append("Of circles about one centre the smallest was taken.")
    return kept


def _named(circles: Sequence[tuple[float, float, float]], survey: Survey) -> list[FoundPoint]:
    """Bolt holes numbered about their middle, or matched; bores after them."""
    bolts = np.array([circle for circle in circles if circle[2] <= BORE_MM]).reshape(-1, 3)
    bores = [circle for circle in circles if circle[2] > BORE_MM]
    if len(bolts) < 2:
        raise UnreadableFile("", "The drawing has fewer than two bolt holes.", "Draw each hole as a circle.")
    about = bolts[:, :2] - bolts[:, :2].mean(axis=0)
    sense = 1.0 if survey.numbered is Turning.ANTICLOCKWISE else -1.0
    # A hair below +x still begins the round: it is the first hole as drawn, not the last.
    angle = np.round((sense * np.degrees(np.arctan2(about[:, 1], about[:, 0])) + 0.5) % 360, 6)
    bolts = bolts[np.argsort(angle, kind="stable")]
    names = _matched(bolts[:, :2], survey) if survey.holes else [f"H{k + 1}" for k in range(len(bolts))]
    rows = [*zip(names, bolts.tolist(), strict=True), *((f"B{k + 1}", bore) for k, bore in enumerate(bores))]
    return [FoundPoint(name, x, y, diameter, name) for name, (x, y, diameter) in rows]


def _matched(xy: Floats, survey: Survey) -> list[str]:
    """The survey's names for holes in numbering order: the start of the round that lays them best on what is known."""
    numbered = {hole.id for hole in survey.holes if not hole.is_bore}
    known = [hole for hole in solve_survey(survey).result.holes if hole.id in numbered and not hole.is_loose]
    if len(known) < 3 or len(known) != len(xy):
        raise UnreadableFile(
            "",
            f"The drawing has {len(xy)} bolt holes; the survey has {len(known)} that are settled.",
            "Take it into a survey without holes, or measure as many holes first.",
        )
    side = -1.0 if survey.seen_from is Side.GEARBOX else 1.0
    target = np.array([[side * hole.x_mm, hole.y_mm] for hole in known])
    misfit = [_misfit_mm(np.roll(xy, -start, axis=0), target) for start in range(len(xy))]
    best, second = np.argsort(misfit)[:2].tolist()
    if misfit[best] > MATCHED_MM:
        raise UnreadableFile(
            "",
            f"The drawing's holes miss the measured ones by {misfit[best]:.1f} mm.",
            "Was it drawn from the other side, or is it another flange?",
        )
    if misfit[second] < 3 * misfit[best] + 0.5:
        raise UnreadableFile(
            "", "The holes are spaced so evenly that it can't be told which is the first.", "Take it into a new survey."
        )
    return [known[(k - best) % len(known)].id for k in range(len(xy))]


def _misfit_mm(points: Floats, target: Floats) -> float:
    """Greatest distance left when points are laid on a target, turned and shifted but never mirrored."""
    return float(np.hypot(*(laid_over(points, target).placed(points) - target).T).max())


def _outline(entities: Sequence[DXFGraphic], scale: float, mirror: float, frame: str) -> Outline | None:
    """The largest closed loop of lines, arcs and polylines; none where they cross too often to be an outline's."""
    lines = [LineString(points) for points in _polylines(entities) if len(set(points)) > 1]
    if not lines or _crossings(lines) > MOST_CROSSINGS:
        return None
    loops = sorted(polygonize(unary_union(lines)), key=lambda loop: float(Polygon(loop.exterior).area))
    if not loops:
        return None
    ring = loops[-1].exterior.simplify(FLAT_MM)
    corners = np.array(ring.coords)[:-1] * [scale * mirror, scale]
    if not 3 <= len(corners) <= MOST_CORNERS or np.abs(corners).max() > 5000:
        return None
    return Outline(frame=frame, points=[OutlinePoint(x_mm=float(x), y_mm=float(y)) for x, y in corners])


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


def _polylines(entities: Sequence[DXFGraphic]) -> Iterator[list[tuple[float, float]]]:
    taken = 0
    for entity in entities:
        if isinstance(entity, Line | Arc | LWPolyline | Polyline):
            try:
                flat = list(islice(make_path(entity).flattening(FLAT_MM, segments=8), MOST_POINTS + 1 - taken))
            except DAMAGED:
                continue  # an entity without extent has no part in an outline
            taken += len(flat)
            if taken > MOST_POINTS:
                return
            yield [(round(float(point.x), 4), round(float(point.y), 4)) for point in flat]  # ends must meet exactly
