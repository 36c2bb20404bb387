"""The coupler's section on paper: A4, its bodies to scale, its gaps, and what they come to at the extremes."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.coupler.results import Block, CouplerResult, GapResult
from driveline.drawing.model import Drawing, Entity, Layer, Path, Text, Vertex
from driveline.figures import fig, num

WIDTH_MM: Final = 297.0
HEIGHT_MM: Final = 210.0
BORDER_MM: Final = 10.0
ROOM_MM: Final = (185.0, 130.0)  # that the section may take up
SCALES: Final = (2.0, 1.0, 0.5, 0.2)
MIDDLE_Y_MM: Final = 118.0
ROW_MM: Final = 19.0
TEXT_MM: Final = 3.0
SMALL_MM: Final = 2.6
LETTERS: Final = "ABCDEFGHIJKLMNOP"
BARS_Y_MM: Final = 49.0
BAR_MM: Final = 4.5
TABLE_X_MM: Final = 212.0
TABLE_Y_MM: Final = 176.0
LINE_MM: Final = 4.6


@dataclass(frozen=True, slots=True, kw_only=True)
class _Placing:
    """Where along the paper a place along the axis comes to lie."""

    left_mm: float
    scale: float

    def x(self, along_mm: float) -> float:
        return BORDER_MM + 12 + (along_mm - self.left_mm) * self.scale


def section_sheet(result: CouplerResult, *, job_name: str, revision: str) -> Drawing:
    """Return the sheet, in mm of paper.

    Args:
        result: Of the bench, with bodies to draw.
        job_name: For its title.
        revision: Which saved one it shows.
    """
    left = min(block.from_mm for block in result.blocks)
    right = max(block.to_mm for block in result.blocks)
    outer = max(block.outer_mm for block in result.blocks)
    scale = next((s for s in SCALES if (right - left) * s <= ROOM_MM[0] and 2 * outer * s <= ROOM_MM[1]), SCALES[-1])

    place = _Placing(left_mm=left, scale=scale)
    entities: list[Entity] = [_box(BORDER_MM, BORDER_MM, WIDTH_MM - BORDER_MM, HEIGHT_MM - BORDER_MM)]
    entities.append(_line((place.x(left) - 4, MIDDLE_Y_MM), (place.x(right) + 4, MIDDLE_Y_MM), layer=Layer.MARK))
    for block in result.blocks:
        entities += _body(block, place)
    for k, gap in enumerate(result.gaps):
        entities += _bar(gap, k, place)
        entities += _row(gap, k)
    apart = "not known" if result.apart_mm is None else fig(result.apart_mm, "mm", 2)
    how = "as chosen" if result.apart_is_chosen else "as the plate stands"
    ratio = f"{scale:g}:1" if scale >= 1 else f"1:{1 / scale:g}"
    entities += [
        _text(BORDER_MM + 5, HEIGHT_MM - BORDER_MM - 6, f"{job_name}: coupler in section, {revision}", 4.5),
        _text(BORDER_MM + 5, HEIGHT_MM - BORDER_MM - 12.5, f"scale {ratio}; faces {apart} apart, {how}"),
    ]
    return Drawing(
        title=f"{job_name}: coupler in section",
        seen_from="side",
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=WIDTH_MM,
        greatest_y_mm=HEIGHT_MM,
    )


def _text(x: float, y: float, text: str, height: float = TEXT_MM) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=height, text=text, part="sheet")


def _line(*points: tuple[float, float], layer: Layer = Layer.NOTES) -> Path:
    return Path(layer=layer, part="sheet", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in points), closed=False)


def _box(left: float, bottom: float, right: float, top: float) -> Path:
    corners = ((left, bottom), (right, bottom), (right, top), (left, top))
    return Path(layer=Layer.CUT, part="sheet", vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in corners))


def _body(block: Block, place: _Placing) -> list[Entity]:
    start, end = place.x(block.from_mm), place.x(block.to_mm)
    inner, outer = block.inner_mm * place.scale, block.outer_mm * place.scale
    if end <= start or outer <= inner:
        return []
    found: list[Entity] = [
        _box(start, MIDDLE_Y_MM + inner, end, MIDDLE_Y_MM + outer),
        _box(start, MIDDLE_Y_MM - outer, end, MIDDLE_Y_MM - inner),
    ]
    if block.title and len(block.title) * 0.62 * TEXT_MM < end - start:
        y = MIDDLE_Y_MM + (4.0 if block.role == "shaft" else (inner + outer) / 2)
        middle = (start + end) / 2
        text = Text(x_mm=middle, y_mm=y, height_mm=TEXT_MM, text=block.title, part="sheet", centred=True)
        found.append(text)
    return found


def _bar(gap: GapResult, k: int, place: _Placing) -> list[Entity]:
    """The gap's bar under the section, on leaders from where it is, with its letter."""
    if gap.from_mm is None or gap.to_mm is None:
        return []
    y, start, end = BARS_Y_MM - BAR_MM * k, place.x(min(gap.from_mm, gap.to_mm)), place.x(max(gap.from_mm, gap.to_mm))
    top = MIDDLE_Y_MM - gap.at_mm * place.scale
    return [
        _line((start, top), (start, y - 1)),
        _line((end, top), (end, y - 1)),
        _line((start, y), (end, y), layer=Layer.CUT),
        _text(end + 1.5, y, LETTERS[k]),
    ]


def _row(gap: GapResult, k: int) -> list[Entity]:
    """The gap in words and figures."""
    y = TABLE_Y_MM - ROW_MM * k
    found = "not known"
    if gap.least_mm is not None and gap.greatest_mm is not None:
        found = f"{num(gap.least_mm, 'mm', 2)} to {fig(gap.greatest_mm, 'mm', 2)}"
    wanted = f"at least {fig(gap.least_wanted_mm, 'mm', 2)}"
    if gap.greatest_wanted_mm is not None:
        wanted = f"{num(gap.least_wanted_mm, 'mm', 2)} to {fig(gap.greatest_wanted_mm, 'mm', 2)}"
    lines = (gap.title, f"{found} at the extremes", f"{wanted} wanted")
    letter = _text(TABLE_X_MM, y, LETTERS[k], TEXT_MM)
    return [letter, *(_text(TABLE_X_MM + 5, y - LINE_MM * n, line, SMALL_MM) for n, line in enumerate(lines))]
