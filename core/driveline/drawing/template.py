"""A 1:1 paper template, tiled over sheets that a printer takes, with a check scale on every one of them."""

import math
from typing import Final

from driveline.drawing.model import Circle, Drawing, Entity, Layer, Path, Punch, Text, Vertex
from driveline.drawing.pdf import Page, Window, write_pdf
from driveline.figures import MM_PER_INCH, System, fig

PAPERS: Final = {"a4": (210.0, 297.0), "letter": (215.9, 279.4)}
MARGIN_MM: Final = 12.0
FOOT_MM: Final = 22.0  # for the check scale and the sheet's name
OVERLAP_MM: Final = 10.0
_HUNDRED_MM: Final = (100.0, 10, 5)  # length, marks, and every how many a long one
_FOUR_IN: Final = (4 * MM_PER_INCH, 16, 4)
SCALES: Final = {
    System.METRIC: _HUNDRED_MM,
    System.BRITISH: _HUNDRED_MM,
    System.US: _FOUR_IN,
    System.US_FRACTIONS: _FOUR_IN,
}
ROOM_MM: Final = 5.0


def write_template(drawing: Drawing, *, paper: str, system: System = System.METRIC) -> bytes:
    """Return a drawing at 1:1 as a PDF of as many sheets as it takes.

    Neighbouring sheets overlap by 10 mm; cut one along its frame and lay it on the next one's. Every sheet carries a
    100 mm or 4 in scale both ways: measure it before anything is marked from the print.

    Args:
        drawing: Of the part.
        paper: ``a4`` or ``letter``.
        system: In whose units its scales and words are.
    """
    width_mm, height_mm = PAPERS[paper]
    inner_x, inner_y = width_mm - 2 * MARGIN_MM, height_mm - 2 * MARGIN_MM - FOOT_MM
    drawing = _with_centres(drawing)
    left, bottom = drawing.least_x_mm - ROOM_MM, drawing.least_y_mm - ROOM_MM
    columns = _sheets(drawing.greatest_x_mm + ROOM_MM - left, inner_x)
    rows = _sheets(drawing.greatest_y_mm + ROOM_MM - bottom, inner_y)
    pages = []
    for row in range(rows):
        for column in range(columns):
            window = Window(
                drawing=drawing,
                left_mm=left + column * (inner_x - OVERLAP_MM),
                bottom_mm=bottom + (rows - 1 - row) * (inner_y - OVERLAP_MM),
                width_mm=inner_x,
                height_mm=inner_y,
                at_x_mm=MARGIN_MM,
                at_y_mm=MARGIN_MM + FOOT_MM,
            )
            name = f"{chr(65 + row)}{column + 1} of {chr(64 + rows)}{columns}"
            pages.append(
                Page(
                    width_mm=width_mm,
                    height_mm=height_mm,
                    window=window,
                    entities=_surround(drawing, name, inner_x, inner_y, SCALES[system]),
                )
            )
    return write_pdf(pages, title=f"{drawing.title}, 1:1 template", system=system)


def _with_centres(drawing: Drawing) -> Drawing:
    """The drawing with a cross in every hole: a template is for the centre punch."""
    centres = tuple(
        Punch(layer=Layer.NOTES, part=entity.part, x_mm=entity.x_mm, y_mm=entity.y_mm)
        for entity in drawing.entities
        if isinstance(entity, Circle) and entity.layer is Layer.CUT
    )
    return drawing.model_copy(update={"entities": (*drawing.entities, *centres)})


def _sheets(length_mm: float, inner_mm: float) -> int:
    return max(math.ceil((length_mm - OVERLAP_MM) / (inner_mm - OVERLAP_MM)), 1)


def _line(*points: tuple[float, float], layer: Layer = Layer.NOTES, closed: bool = False) -> Path:
    return Path(layer=layer, part="frame", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in points), closed=closed)


def _surround(
    drawing: Drawing, name: str, inner_x: float, inner_y: float, scale: tuple[float, int, int]
) -> list[Entity]:
    """The frame, the check scale both ways, and what this sheet is."""
    left, bottom = MARGIN_MM, MARGIN_MM + FOOT_MM
    right, top = left + inner_x, bottom + inner_y
    foot = MARGIN_MM + 4
    long_mm, marks, every = scale
    measure = fig(long_mm, "mm", 0)
    entities: list[Entity] = [
        _line((left, bottom), (right, bottom), (right, top), (left, top), closed=True),
        _line((left, foot), (left + long_mm, foot), layer=Layer.CUT),
        _line((left - 6, bottom), (left - 6, bottom + long_mm), layer=Layer.CUT),
    ]
    for mark in range(marks + 1):
        tick, along = 3.0 if mark % every == 0 else 1.5, long_mm / marks * mark
        entities.append(_line((left + along, foot), (left + along, foot + tick), layer=Layer.CUT))
        entities.append(_line((left - 6, bottom + along), (left - 6 + tick, bottom + along), layer=Layer.CUT))
    side = drawing.seen_from if drawing.seen_from in ("above", "below") else f"the {drawing.seen_from}"
    texts = [
        (left, foot + 13, 3.0, f"{drawing.title}, seen from {side}"),
        (left, foot + 8, 2.5, f"Printed at 100 %: both scales must measure {measure}, or this sheet is scrap."),
        (left + long_mm + 6, foot + 2, 3.5, f"sheet {name}"),
    ]
    entities += [Text(x_mm=x, y_mm=y, height_mm=height, text=text, part="note") for x, y, height, text in texts]
    return entities
