"""A dimensioned sheet: the part to scale with its holes' places from two square edges, and the hole table."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.drawing.model import Drawing, Entity, Layer, Path, Placing, Text, Vertex, placed_entity
from driveline.drawing.names import Box, Name, placed_names
from driveline.figures import num, unit_symbol

WIDTH_MM: Final = 420.0  # A3 lying down
HEIGHT_MM: Final = 297.0
BORDER_MM: Final = 10.0
TABLE_MM: Final = 152.0
BLOCK_MM: Final = 46.0
DIMENSIONS_MM: Final = 34.0  # kept free left of the part and under it
LINE_MM: Final = 4.6
SMALL_MM: Final = 2.2
LABEL_MM: Final = 18.0
LABEL_HEIGHT_MM: Final = 1.9
APART_MM: Final = 3.2
MADE_TO_MM: Final = 4.0
SCALES: Final = (2.0, 1.0, 0.5, 0.4, 0.25, 0.2, 0.1, 0.05)
COLUMNS: Final = (0.0, 13.0, 29.0, 49.0, 69.0, 90.0, 111.0)
HEADINGS: Final = ("hole", "Ø", "x", "y", "from left", "from foot", "made")


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetHole:
    """A line of the hole table, as seen from the side that the sheet shows."""

    id: str
    finished_mm: float
    x_mm: float
    y_mm: float
    left_mm: float
    bottom_mm: float
    made: str


@dataclass(frozen=True, slots=True, kw_only=True)
class TitleBlock:
    """What is said of the part: two columns of a name and what it is."""

    title: str
    rows: tuple[tuple[str, str], ...]
    made_to: tuple[str, ...] = ()  # fits, depths and what else the checks count on, a line each


def dimensioned_sheet(drawing: Drawing, holes: Sequence[SheetHole], block: TitleBlock) -> Drawing:
    """Return an A3 sheet of a part, in mm of paper.

    Args:
        drawing: The part from one side.
        holes: Seen from that side.
        block: What is said of the part.
    """
    room_x = WIDTH_MM - 2 * BORDER_MM - TABLE_MM - DIMENSIONS_MM - 10
    room_y = HEIGHT_MM - 2 * BORDER_MM - DIMENSIONS_MM - 18 - MADE_TO_MM * len(block.made_to)
    size_x, size_y = drawing.greatest_x_mm - drawing.least_x_mm, drawing.greatest_y_mm - drawing.least_y_mm
    scale = next((one for one in SCALES if size_x * one <= room_x and size_y * one <= room_y), SCALES[-1])
    view = View(drawing, scale, BORDER_MM + DIMENSIONS_MM + 4, BORDER_MM + DIMENSIONS_MM + 2)
    entities: list[Entity] = [
        _rectangle(BORDER_MM, BORDER_MM, WIDTH_MM - BORDER_MM, HEIGHT_MM - BORDER_MM),
        *view.entities(),
        *_ordinates(view, holes),
        *names_of(view, holes),
        *_made_to(block.made_to),
        *_table(holes),
        *_block(block, drawing, scale),
    ]
    return Drawing(
        title=drawing.title,
        seen_from=drawing.seen_from,
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=WIDTH_MM,
        greatest_y_mm=HEIGHT_MM,
    )


@dataclass(frozen=True, slots=True)
class View:
    """The part on the paper: drawing coordinates to paper millimetres."""

    drawing: Drawing
    scale: float
    left_mm: float
    bottom_mm: float

    def x(self, x_mm: float) -> float:
        """Return where it is on the paper, across."""
        return self.left_mm + (x_mm - self.drawing.least_x_mm) * self.scale

    def y(self, y_mm: float) -> float:
        """Return where it is on the paper, up."""
        return self.bottom_mm + (y_mm - self.drawing.least_y_mm) * self.scale

    def entities(self) -> list[Entity]:
        """The part's own entities without any words, and the shaft's centre lines."""
        place = Placing(
            x_mm=self.left_mm - self.scale * self.drawing.least_x_mm,
            y_mm=self.bottom_mm - self.scale * self.drawing.least_y_mm,
            scale=self.scale,
            least_text_mm=SMALL_MM,
        )
        found = [
            placed_entity(entity, place)
            for entity in self.drawing.entities
            if not isinstance(entity, Text)  # names are put where no leader crosses them
        ]
        half_x, half_y = 0.06 * self.drawing.greatest_x_mm, 0.06 * self.drawing.greatest_y_mm
        found.append(_line((self.x(-half_x), self.y(0)), (self.x(half_x), self.y(0))))
        found.append(_line((self.x(0), self.y(-half_y)), (self.x(0), self.y(half_y))))
        return found


def _line(*points: tuple[float, float], layer: Layer = Layer.NOTES) -> Path:
    return Path(layer=layer, part="sheet", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in points), closed=False)


def _rectangle(left: float, bottom: float, right: float, top: float) -> Path:
    return _line((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom), layer=Layer.CUT)


def _text(x: float, y: float, text: str, height: float, *, turned_deg: float = 0.0) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=height, text=text, part="sheet", turned_deg=turned_deg)


def _spread(places: Sequence[float], apart: float) -> list[float]:
    """Places moved just so far that neighbours are apart: labels of an ordinate must not print over each other."""
    order = sorted(range(len(places)), key=lambda k: places[k])
    spread = [places[k] for k in order]
    for k in range(1, len(spread)):
        spread[k] = max(spread[k], spread[k - 1] + apart)
    over = spread[-1] - places[order[-1]] if spread else 0.0
    moved = [place - over / 2 for place in spread]
    found = [0.0] * len(places)
    for k, place in zip(order, moved, strict=True):
        found[k] = place
    return found


def _ordinates(view: View, holes: Sequence[SheetHole]) -> list[Entity]:
    """Each hole's distance from the left and the lower edge, on leaders that fan out to readable labels."""
    left, bottom = view.x(view.drawing.least_x_mm), view.y(view.drawing.least_y_mm)
    right, top = view.x(view.drawing.greatest_x_mm), view.y(view.drawing.greatest_y_mm)
    entities: list[Entity] = [_line((left, top + 4), (left, bottom), (right + 4, bottom), layer=Layer.MARK)]
    end_x, end_y = left - DIMENSIONS_MM + LABEL_MM, bottom - DIMENSIONS_MM + LABEL_MM
    across, up = [view.x(hole.x_mm) for hole in holes], [view.y(hole.y_mm) for hole in holes]
    for hole, at, label in zip(holes, across, _spread(across, APART_MM), strict=True):
        entities.append(_line((at, view.y(hole.y_mm)), (at, bottom - 3), (label, end_y + 3), (label, end_y)))
        text = f"{hole.id}  {num(hole.left_mm, 'mm', 2)}"
        entities.append(_text(label, end_y - LABEL_MM + 2, text, LABEL_HEIGHT_MM, turned_deg=90.0))
    for hole, at, label in zip(holes, up, _spread(up, APART_MM), strict=True):
        entities.append(_line((view.x(hole.x_mm), at), (left - 3, at), (end_x + 3, label), (end_x, label)))
        text = f"{hole.id}  {num(hole.bottom_mm, 'mm', 2)}"
        entities.append(_text(end_x - LABEL_MM + 2, label, text, LABEL_HEIGHT_MM))
    return entities


def names_of(view: View, holes: Sequence[SheetHole]) -> list[Entity]:
    """Return the holes' names, each beside its own where no leader, hole or other name is.

    Args:
        view: Of the part on the paper.
        holes: Seen from that side.
    """
    left, bottom = view.x(view.drawing.least_x_mm), view.y(view.drawing.least_y_mm)
    names, taken = [], []
    for hole in holes:
        x, y, radius = view.x(hole.x_mm), view.y(hole.y_mm), hole.finished_mm / 2 * view.scale
        names.append(Name(hole.id, x, y, radius))
        taken += [Box(x, bottom - 3, x, y), Box(left - 3, y, x, y), Box(x - radius, y - radius, x + radius, y + radius)]
    return [
        Text(x_mm=at.x_mm, y_mm=at.y_mm, height_mm=SMALL_MM, text=name.text, part="name", centred=True)
        for name, at in zip(names, placed_names(names, taken, height_mm=SMALL_MM), strict=True)
    ]


def _made_to(lines: Sequence[str]) -> list[Entity]:
    """What the part is made to, over the view: all that its checks count on."""
    top = HEIGHT_MM - BORDER_MM - 6
    return [_text(BORDER_MM + 4, top - MADE_TO_MM * k, line, SMALL_MM) for k, line in enumerate(lines)]


def _table(holes: Sequence[SheetHole]) -> list[Entity]:
    left, top = WIDTH_MM - BORDER_MM - TABLE_MM, HEIGHT_MM - BORDER_MM
    about = f"Holes, {unit_symbol('mm')}: x and y from the shaft's centre, and from two square edges"
    entities: list[Entity] = [
        _line((left, BORDER_MM), (left, top), layer=Layer.CUT),
        _text(left + 4, top - 5, about, SMALL_MM),
    ]
    for heading, column in zip(HEADINGS, COLUMNS, strict=True):
        entities.append(_text(left + 4 + column, top - 11, heading, SMALL_MM))
    step = min(LINE_MM, (top - 16 - BORDER_MM - BLOCK_MM - 6) / max(len(holes), 1))
    for k, hole in enumerate(holes):
        y = top - 16 - step * k
        figures = (hole.finished_mm, hole.x_mm, hole.y_mm, hole.left_mm, hole.bottom_mm)
        cells = (hole.id, *(num(figure, "mm", 2) for figure in figures), hole.made)
        height = min(SMALL_MM, 0.5 * step)
        entities += [_text(left + 4 + at, y, cell, height) for cell, at in zip(cells, COLUMNS, strict=True)]
        entities.append(_line((left + 3, y - step / 2), (WIDTH_MM - BORDER_MM - 3, y - step / 2)))
    return entities


def _block(block: TitleBlock, drawing: Drawing, scale: float) -> list[Entity]:
    left, top = WIDTH_MM - BORDER_MM - TABLE_MM, BORDER_MM + BLOCK_MM
    side = drawing.seen_from if drawing.seen_from in ("above", "below") else f"the {drawing.seen_from}"
    scale_text = f"{scale:g}:1" if scale >= 1 else f"1:{1 / scale:g}"
    rows = (("seen from", side), ("scale", scale_text), *block.rows)
    entities: list[Entity] = [
        _line((left, top), (WIDTH_MM - BORDER_MM, top), layer=Layer.CUT),
        _text(left + 4, top - 6, block.title, 4.0),
        _text(WIDTH_MM - BORDER_MM - 46, top - 6, f"all sizes: {unit_symbol('mm')}", 4.0),
    ]
    half = (len(rows) + 1) // 2
    for k, (name, value) in enumerate(rows):
        x, y = left + 4 + (76 if k >= half else 0), top - 14 - 5.2 * (k % half)
        entities += [_text(x, y, name, 1.8), _text(x + 21, y, value, SMALL_MM)]
    return entities
