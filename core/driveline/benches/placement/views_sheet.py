"""Side, top and rear views on paper: A4, to scale, with the places of the unit's bodies from the datum."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from shapely import MultiPoint

from driveline.arrays import Floats
from driveline.benches.placement.gaps import Gap
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.sheet import Fate
from driveline.drawing.model import Drawing, Entity, Layer, Path, Text, Vertex
from driveline.figures import fig, num
from driveline.space.bodies import Body
from driveline.space.pose import Placed

WIDTH_MM: Final = 297.0
HEIGHT_MM: Final = 210.0
BORDER_MM: Final = 8.0
SCALES: Final = (0.5, 0.2, 0.1, 1 / 15, 0.05, 0.04, 0.02, 0.01)
ROOM_MM: Final = 150.0  # of the vehicle round the unit
VIEWS_MM: Final = (178.0, 172.0)  # that the views may take up together
APART_MM: Final = 10.0
TEXT_MM: Final = 2.6
LINE_MM: Final = 4.2
TABLE_X_MM: Final = 196.0
TABLE_Y_MM: Final = 186.0
MOST_ROWS: Final = 18
MOST_GAPS: Final = 8
# Across and up of each picture, as the eye has it.
SIDE: Final = np.array([[1.0, 0, 0], [0, 0, 1]])
TOP: Final = np.array([[1.0, 0, 0], [0, 1, 0]])
REAR: Final = np.array([[0, -1.0, 0], [0, 0, 1]])


@dataclass(frozen=True, slots=True, kw_only=True)
class _View:
    """A picture's axes, the corner of what it shows, and where that corner lies on the paper."""

    title: str
    axes: Floats
    least: Floats
    size: Floats
    at: tuple[float, float]
    scale: float

    def on_paper(self, points_mm: Floats) -> Floats:
        found: Floats = np.array(self.at) + (points_mm @ self.axes.T - self.least) * self.scale
        return found


def views_sheet(laid: LaidPlacement, placed: Placed, gaps: Sequence[Gap], *, job_name: str, revision: str) -> Drawing:
    """Return the sheet, in mm of paper.

    Args:
        laid: The placement.
        placed: Of the unit.
        gaps: Of the stand, the tightest first.
        job_name: For its title.
        revision: Which saved one it shows.
    """
    unit = [one.built.body.moved(placed) for one in laid.unit_on if one.built.body is not None]
    low, high = (np.array(side) for side in _bounds(unit))
    views, scale = _views(low - ROOM_MM, high + ROOM_MM)
    entities: list[Entity] = [_frame(BORDER_MM, BORDER_MM, WIDTH_MM - BORDER_MM, HEIGHT_MM - BORDER_MM)]
    for view in views:
        x, y = view.at
        width, height = (view.size * scale).tolist()
        entities.append(_frame(x, y, x + width, y + height))
        entities.append(_text(x, y + height + 2.6, view.title))
        for thing in laid.vehicle:
            if thing.built.body is not None and thing.sheet.fate is not Fate.OFF:
                entities += _outlines(thing.built.body, view, Layer.MARK)
        for body in unit:
            entities += _outlines(body, view, Layer.CUT)
    ratio = f"1:{round(1 / scale)}"
    title = f"{job_name}: the unit in its place, {revision}"
    stands = f"stands {laid.chosen.sheet.name}; scale {ratio}; places from the datum" if laid.chosen else ""
    entities += [_text(BORDER_MM + 4, HEIGHT_MM - BORDER_MM - 5, title, 4.2), *_table(unit, gaps, stands)]
    return Drawing(
        title=title,
        seen_from="side",
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=WIDTH_MM,
        greatest_y_mm=HEIGHT_MM,
    )


def _bounds(bodies: Sequence[Body]) -> tuple[Floats, Floats]:
    least, greatest = zip(*(body.bounds_mm for body in bodies), strict=True)
    return np.min(least, axis=0), np.max(greatest, axis=0)


def _views(low: Floats, high: Floats) -> tuple[list[_View], float]:
    """Side over top, rear beside the side, all to the largest scale that the sheet bears."""
    x, y, z = (high - low).tolist()
    fits = (s for s in SCALES if s * (x + y) + APART_MM <= VIEWS_MM[0] and s * (z + y) + APART_MM <= VIEWS_MM[1])
    scale = next(fits, SCALES[-1])
    left, bottom = BORDER_MM + 4, BORDER_MM + 6
    over = bottom + y * scale + APART_MM
    beside = left + x * scale + APART_MM / 2
    sides = ((SIDE, "Side, from the right", (left, over)), (TOP, "Top", (left, bottom)), (REAR, "Rear", (beside, over)))
    found = []
    for axes, title, at in sides:
        corners = np.array([low, high]) @ axes.T
        least, greatest = corners.min(axis=0), corners.max(axis=0)
        found.append(_View(title=title, axes=axes, least=least, size=greatest - least, at=at, scale=scale))
    return found, scale


def _outlines(body: Body, view: _View, layer: Layer) -> Iterator[Path]:
    """The hull of each piece, clipped to the picture."""
    width, height = (view.size * view.scale).tolist()
    x, y = view.at
    for piece in body.pieces:
        seen = MultiPoint(view.on_paper(piece.corners_mm)).convex_hull
        if seen.geom_type != "Polygon" or seen.disjoint(_rectangle(x, y, width, height)):
            continue
        clipped = seen.intersection(_rectangle(x, y, width, height))
        if clipped.geom_type == "Polygon":
            corners = list(clipped.exterior.coords)[:-1]
            yield Path(
                layer=layer, part="sheet", vertices=tuple(Vertex(x_mm=float(a), y_mm=float(b)) for a, b in corners)
            )


def _rectangle(x: float, y: float, width: float, height: float) -> "MultiPoint":
    return MultiPoint([(x, y), (x + width, y), (x + width, y + height), (x, y + height)]).convex_hull


def _table(unit: Sequence[Body], gaps: Sequence[Gap], stands: str) -> Iterator[Text]:
    """Where each body of the unit begins and ends, and what it comes nearest to."""
    lines = [stands, "", "body: forward; left; up, from … to"]
    for body in unit[:MOST_ROWS]:
        low, high = body.bounds_mm
        ranges = "; ".join(
            f"{num(float(a), 'mm', 0)} … {fig(float(b), 'mm', 0)}" for a, b in zip(low, high, strict=True)
        )
        lines += [body.name, f"    {ranges}"]
    lines += ["", "nearest; wanted"]
    for gap in gaps[:MOST_GAPS]:
        other = gap.other.sheet.name if gap.other else "the ground"
        figures = f"{num(gap.gap_mm, 'mm', 1)}; {fig(gap.wanted_mm, 'mm', 0)}"
        lines += [f"{gap.unit.sheet.name} to {other}", f"    {figures}"]
    for k, line in enumerate(lines):
        if line:
            yield _text(TABLE_X_MM, TABLE_Y_MM - LINE_MM * k, line)


def _text(x: float, y: float, text: str, height: float = TEXT_MM) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=height, text=text, part="sheet")


def _frame(left: float, bottom: float, right: float, top: float) -> Path:
    corners = ((left, bottom), (right, bottom), (right, top), (left, top))
    return Path(layer=Layer.NOTES, part="sheet", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in corners))
