"""Holes and an outline from a DXF drawing of a flange."""

from collections.abc import Sequence
from typing import Final

import numpy as np
from ezdxf.entities.arc import Arc
from ezdxf.entities.circle import Circle
from ezdxf.entities.dxfgfx import DXFGraphic

from driveline.arrays import Floats
from driveline.network import Turning
from driveline.network.align import laid_over
from driveline.reading.csv_in import UnreadableFile
from driveline.reading.dxf_in import FLAT_MM, closed_loops, opened, sound
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

MOST_CORNERS: Final = 600
MOST_CIRCLES: Final = 600
SAME_PLACE_MM: Final = 0.05
MATCHED_MM: Final = 5.0


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
    space, scale, notes = opened(data, "flange")
    entities = sound(space, "flange")
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
    loops = closed_loops(entities)
    if not loops:
        return None
    ring = loops[-1].exterior.simplify(FLAT_MM)
    corners = np.array(ring.coords)[:-1] * [scale * mirror, scale]
    if not 3 <= len(corners) <= MOST_CORNERS or np.abs(corners).max() > 5000:
        return None
    return Outline(frame=frame, points=[OutlinePoint(x_mm=float(x), y_mm=float(y)) for x, y in corners])
