"""A turned part seen from the side: its steps along the axis, its lengths and diameters written on it."""

from collections.abc import Sequence
from dataclasses import dataclass

from driveline.drawing.model import Circle, Drawing, Entity, Layer, Path, Text, Vertex
from driveline.figures import fig


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnedStep:
    """A cylinder of a turned part, from its left end on."""

    length_mm: float
    diameter_mm: float
    name: str
    is_splined: bool = False


def turned_drawing(
    title: str, steps: Sequence[TurnedStep], *, over_all: str, bore_mm: float = 0.0, has_joints: bool = False
) -> Drawing:
    """Return a turned part from the side, its axis along x from 0.

    Args:
        title: Of the drawing.
        steps: From the left, each longer than 0.
        over_all: What the length over all is called.
        bore_mm: Through it, 0 for none.
        has_joints: Both its ends are joint centres, and are marked.
    """
    length = sum(step.length_mm for step in steps)
    greatest = max(step.diameter_mm for step in steps)
    letter = max(length / 90, 1.0)
    above: list[Vertex] = []
    entities: list[Entity] = []
    at = 0.0
    for k, step in enumerate(steps):
        half, end = step.diameter_mm / 2, at + step.length_mm
        above += [Vertex(x_mm=at, y_mm=half), Vertex(x_mm=end, y_mm=half)]
        if step.is_splined:
            teeth = (share * half for share in (-0.6, -0.2, 0.2, 0.6))
            entities += [_line((at, y), (end, y), part=f"teeth:{k}") for y in teeth]
        words = f"{step.name} Ø{fig(step.diameter_mm, 'mm')}"
        place = min(max((at + end) / 2, 9 * letter), length - 9 * letter)
        entities.append(_text(place, greatest / 2 + 2.2 * letter, words, letter, part=f"step:{k}"))
        at = end
    below = [Vertex(x_mm=one.x_mm, y_mm=-one.y_mm) for one in reversed(above)]
    outline = Path(layer=Layer.CUT, part="outline", vertices=tuple(above + below))
    walls = (-bore_mm / 2, bore_mm / 2) if bore_mm else ()
    bored = [_line((0.0, y), (length, y), part="bore") for y in walls]
    ends = (0.0, length) if has_joints else ()
    marks = [Circle(layer=Layer.NOTES, part="joint", x_mm=x, y_mm=0.0, radius_mm=0.3 * greatest) for x in ends]
    foot = -greatest / 2 - 3 * letter
    entities += [
        outline,
        *bored,
        *marks,
        _line((-2 * letter, 0.0), (length + 2 * letter, 0.0), part="axis"),
        _line((0.0, -greatest / 2 - letter), (0.0, foot - letter), part="length"),
        _line((length, -greatest / 2 - letter), (length, foot - letter), part="length"),
        _line((0.0, foot), (length, foot), part="length"),
        _text(length / 2, foot - 1.6 * letter, f"{over_all} {fig(length, 'mm', 1)}", letter, part="length"),
    ]
    return Drawing(
        title=title,
        seen_from="the side",
        entities=tuple(entities),
        least_x_mm=-3 * letter,
        least_y_mm=foot - 3.5 * letter,
        greatest_x_mm=length + 3 * letter,
        greatest_y_mm=greatest / 2 + 4 * letter,
    )


def _line(*points: tuple[float, float], part: str) -> Path:
    vertices = tuple(Vertex(x_mm=x, y_mm=y) for x, y in points)
    return Path(layer=Layer.NOTES, part=part, vertices=vertices, closed=False)


def _text(x: float, y: float, text: str, height: float, *, part: str) -> Text:
    return Text(x_mm=x, y_mm=y, height_mm=height, text=text, centred=True, part=part)
