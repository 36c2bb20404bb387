"""An order sheet: a turned part to scale, every size with how it was measured, and what its maker is to confirm."""

from collections.abc import Sequence
from typing import Final

from driveline.checks import Result
from driveline.drawing.model import Drawing, Entity, Layer, Path, Placing, Text, Vertex, placed_entity
from driveline.figures import unit_symbol

WIDTH_MM: Final = 420.0  # A3 lying down
HEIGHT_MM: Final = 297.0
BORDER_MM: Final = 10.0
PICTURE_MM: Final = 92.0  # of the sheet's height
LINE_MM: Final = 5.6
TEXT_MM: Final = 2.4
HALF_MM: Final = 268.0  # where what is to be confirmed begins
VALUE_MM: Final = 66.0
HOW_MM: Final = 158.0
LONGEST: Final = 74  # letters of a question on one line
LONGEST_HOW: Final = 54  # letters that its column holds; longer ones are written smaller
BOX_MM: Final = 3.6


class OrderLine(Result):
    """A line of an order: what, how much, and how it is known."""

    label: str
    value: str
    how: str = ""


def order_sheet(
    title: str,
    drawing: Drawing,
    head: Sequence[tuple[str, str]],
    lines: Sequence[OrderLine],
    asks: Sequence[str],
) -> Drawing:
    """Return an A3 order sheet, in mm of paper.

    Args:
        title: Of the job and the part.
        drawing: The part from its side, its sizes written on it.
        head: Its number, revision, quantity.
        lines: Everything that its maker must know.
        asks: What its maker must confirm, a box to tick at each.
    """
    top = HEIGHT_MM - BORDER_MM
    entities: list[Entity] = [
        _frame(BORDER_MM, BORDER_MM, WIDTH_MM - BORDER_MM, top),
        _text(BORDER_MM + 5, top - 8, title, 4.4),
        _text(WIDTH_MM - BORDER_MM - 52, top - 8, f"all sizes: {unit_symbol('mm')}", 4.0),
        *(_text(BORDER_MM + 5 + 92 * k, top - 16, f"{name}: {value}", TEXT_MM) for k, (name, value) in enumerate(head)),
        *_picture(drawing, top - 22),
    ]
    start = top - 22 - PICTURE_MM
    entities.append(_line((BORDER_MM, start), (WIDTH_MM - BORDER_MM, start)))
    entities.append(_line((HALF_MM - 6, start), (HALF_MM - 6, BORDER_MM)))
    entities += _table(lines, start - 7)
    entities += _asked(asks, start - 7)
    return Drawing(
        title=title,
        seen_from=drawing.seen_from,
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=WIDTH_MM,
        greatest_y_mm=HEIGHT_MM,
    )


def _picture(drawing: Drawing, top: float) -> list[Entity]:
    wide, high = drawing.greatest_x_mm - drawing.least_x_mm, drawing.greatest_y_mm - drawing.least_y_mm
    room_x, room_y = WIDTH_MM - 2 * BORDER_MM - 16, PICTURE_MM - 8
    scale = min(room_x / wide, room_y / high)
    place = Placing(
        x_mm=WIDTH_MM / 2 - scale * (drawing.least_x_mm + wide / 2),
        y_mm=top - PICTURE_MM / 2 - scale * (drawing.least_y_mm + high / 2),
        scale=scale,
        least_text_mm=TEXT_MM,
    )
    return [placed_entity(entity, place) for entity in drawing.entities]


def _table(lines: Sequence[OrderLine], top: float) -> list[Entity]:
    step = min(LINE_MM, (top - BORDER_MM - 6) / max(len(lines), 1))
    height = min(TEXT_MM, 0.45 * step)
    entities: list[Entity] = []
    for k, line in enumerate(lines):
        y = top - step * k
        entities += [
            _text(BORDER_MM + 5, y, line.label, height),
            _text(BORDER_MM + VALUE_MM, y, line.value, height),
            _text(BORDER_MM + HOW_MM, y, line.how, height * min(1.0, LONGEST_HOW / max(len(line.how), 1))),
        ]
        entities.append(_line((BORDER_MM + 4, y - step / 2), (HALF_MM - 10, y - step / 2)))
    return entities


def _asked(asks: Sequence[str], top: float) -> list[Entity]:
    entities: list[Entity] = [_text(HALF_MM, top, "To be confirmed by the maker", 3.0)]
    y = top - 9
    for ask in asks:
        entities.append(_frame(HALF_MM, y - BOX_MM / 2, HALF_MM + BOX_MM, y + BOX_MM / 2))
        for row in _rows(ask):
            entities.append(_text(HALF_MM + 7, y, row, TEXT_MM))
            y -= 4.4
        y -= 2.6
    return entities


def _rows(text: str) -> list[str]:
    rows = [""]
    for word in text.split():
        if len(rows[-1]) + len(word) > LONGEST:
            rows.append("")
        rows[-1] = f"{rows[-1]} {word}".strip()
    return rows


def _line(*points: tuple[float, float], layer: Layer = Layer.NOTES) -> Path:
    return Path(layer=layer, part="sheet", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in points), closed=False)


def _frame(left: float, bottom: float, right: float, top: float) -> Path:
    return _line((left, bottom), (right, bottom), (right, top), (left, top), (left, bottom), layer=Layer.CUT)


def _text(x: float, y: float, text: str, height: float) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=height, text=text, part="sheet")
