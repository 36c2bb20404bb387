"""The plate in section through the shaft: from the axis outward, the motor above, with every register and ring."""

from collections.abc import Sequence
from typing import Final

import numpy as np

from driveline.drawing.model import Drawing, Entity, Layer, Path, Placing, Text, Vertex, placed_entity
from driveline.drawing.plate import seat_words
from driveline.figures import fig
from driveline.flat.outline import edge_distances_mm
from driveline.flat.seats import Mate, Seat, SeatKind
from driveline.parts.made import FlatPart

THICKEST_MM: Final = 1000.0  # nobody cuts a thicker one, and it would be no picture
PAST_MM: Final = 30.0  # of the plate that is drawn past its largest register
APART_MM: Final = 26.0  # between two parts
LETTERS_MM: Final = 4.0
SHEET_MM: Final = (297.0, 210.0)
BORDER_MM: Final = 12.0
SCALES: Final = (2.0, 1.0, 0.5, 0.2)

Corners = list[tuple[float, float]]


def section_of(parts: Sequence[FlatPart]) -> Drawing | None:
    """Return the parts that have a bore, cut through the shaft; ``None`` where none has a thickness that can be."""
    cut = [part for part in parts if part.thickness_mm and (part.bore_mm or part.seats)]
    cut = [part for part in cut if (part.thickness_mm or 0.0) <= THICKEST_MM]
    if not cut:
        return None
    entities: list[Entity] = []
    reach_mm = max(_reach_mm(part) for part in cut)
    at_mm = 0.0
    for part in cut:
        low, high = _stands_out_mm(part, 1), _stands_out_mm(part, 0)
        base_mm = at_mm + low + 2.5 * LETTERS_MM
        entities += _part(part, base_mm, reach_mm)
        at_mm = base_mm + (part.thickness_mm or 0.0) + high + 2.5 * LETTERS_MM + APART_MM
    top_mm = at_mm - APART_MM
    entities.append(_line((0.0, -LETTERS_MM), (0.0, top_mm + LETTERS_MM), part="axis"))
    return Drawing(
        title="Section through the shaft",
        seen_from="the side",
        entities=tuple(entities),
        least_x_mm=-2 * LETTERS_MM,
        least_y_mm=-2 * LETTERS_MM,
        greatest_x_mm=reach_mm + 2 * LETTERS_MM,
        greatest_y_mm=top_mm + 2 * LETTERS_MM,
    )


def plate_section(parts: Sequence[FlatPart], *, title: str) -> Drawing:
    """Return the section on A4, in mm of paper, with what each register is made to.

    Args:
        parts: Some of them with registers.
        title: Job and revision.
    """
    drawn, entities = section_of(parts), list[Entity]()
    scale = 1.0
    if drawn is not None:
        wide, high = drawn.greatest_x_mm - drawn.least_x_mm, drawn.greatest_y_mm - drawn.least_y_mm
        room = SHEET_MM[0] - 2 * BORDER_MM, 0.6 * SHEET_MM[1]
        scale = next((one for one in SCALES if wide * one <= room[0] and high * one <= room[1]), SCALES[-1])
        top = SHEET_MM[1] - BORDER_MM - 10 - high * scale
        place = Placing(
            x_mm=BORDER_MM - drawn.least_x_mm * scale,
            y_mm=top - drawn.least_y_mm * scale,
            scale=scale,
            least_text_mm=2.2,
        )
        entities += [placed_entity(one, place) for one in drawn.entities]
    scale_words = f"{scale:g}:1" if scale >= 1 else f"1:{1 / scale:g}"
    lines = [f"{title}: the plate in section, {scale_words}, from the shaft's axis outward"]
    lines += [
        f"{part.title}: {seat.id} {seat_words(seat)}, {part.sides[seat.side]}" for part in parts for seat in part.seats
    ]
    for k, line in enumerate(reversed(lines)):
        entities.append(Text(x_mm=BORDER_MM, y_mm=BORDER_MM + 5.0 * k, height_mm=3.0, text=line, part="sheet"))
    return Drawing(
        title="The plate in section",
        seen_from="the side",
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=SHEET_MM[0],
        greatest_y_mm=SHEET_MM[1],
    )


def _reach_mm(part: FlatPart) -> float:
    largest = max([part.bore_mm, *(seat.keeps_mm for seat in part.seats)]) / 2
    edge = float(edge_distances_mm(np.zeros((1, 2)), part.vertices)[0])
    return max(min(largest + PAST_MM, edge), largest + 1.0)


def _stands_out_mm(part: FlatPart, side: int) -> float:
    return max((seat.out_mm for seat in part.seats if seat.side == side), default=0.0)


def _part(part: FlatPart, base_mm: float, reach_mm: float) -> list[Entity]:
    thickness_mm = part.thickness_mm or 0.0
    under, over = ([seat for seat in part.seats if seat.side == side] for side in (1, 0))
    bore = part.bore_mm / 2
    lower = [(r, base_mm - out) for r, out in _profile(under, bore, reach_mm)]
    upper = [(r, base_mm + thickness_mm + out) for r, out in _profile(over, bore, reach_mm)]
    found: list[Entity] = [_closed([*lower, *reversed(upper)], part=f"metal:{part.key}")]
    for seat in part.seats:
        face_mm, away = (base_mm + thickness_mm, 1.0) if seat.side == 0 else (base_mm, -1.0)
        if seat.ring is not None:
            found.append(_ring(seat, face_mm, away))
        found.append(_named(seat, face_mm, away))
    found += [
        _text(reach_mm - 2 * LETTERS_MM, base_mm + thickness_mm + LETTERS_MM, part.faces[0]),
        _text(reach_mm - 2 * LETTERS_MM, base_mm - 2 * LETTERS_MM, part.faces[1]),
    ]
    if bore:
        found.append(_text(bore / 2, base_mm + thickness_mm / 2, f"bore Ø{fig(part.bore_mm, 'mm')}"))
    return found


def _profile(seats: Sequence[Seat], bore: float, reach_mm: float) -> Corners:
    """A face from the bore outward: radius, and how far it stands out there; below 0 it is sunk."""
    corners: Corners = []
    inside, out = bore, 0.0
    for seat in sorted(seats, key=lambda one: one.keeps_mm):
        radius = (seat.size_mm if seat.kind is SeatKind.SPIGOT else seat.hole_mm) / 2
        out = seat.out_mm if seat.kind is SeatKind.SPIGOT else -seat.into_mm
        if radius > inside:
            corners += [(inside, out), (radius, out)]
            inside = radius
    return [*corners, (inside, 0.0), (max(reach_mm, inside), 0.0)]


def _ring(seat: Seat, face_mm: float, away: float) -> Path:
    """A ring in its seat: up to the face about a spigot, else standing out of it by its nose."""
    ring = seat.ring
    outside, depth, inside = (ring.outside_mm / 2, ring.depth_mm, ring.inside_mm or 0.0) if ring else (0.0, 0.0, 0.0)
    sunk = face_mm - away * depth
    corners: Corners = [(inside / 2, sunk), (outside, sunk), (outside, face_mm)]
    if seat.mate is Mate.BORE:
        nose = face_mm + away * seat.out_mm
        corners += [(seat.size_mm / 2, face_mm), (seat.size_mm / 2, nose), (inside / 2, nose)]
    else:
        corners.append((inside / 2, face_mm))
    return _closed(corners, part=f"ring:{seat.id}", layer=Layer.MARK)


def _named(seat: Seat, face_mm: float, away: float) -> Text:
    y_mm = face_mm + away * (seat.out_mm + LETTERS_MM * (1.0 if away > 0 else 2.0))
    return _text(seat.size_mm / 2, y_mm, f"{seat.id} Ø{fig(seat.size_mm, 'mm')}", part=f"section:{seat.id}")


def _closed(corners: Corners, *, part: str, layer: Layer = Layer.CUT) -> Path:
    return Path(layer=layer, part=part, vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in corners))


def _line(*points: tuple[float, float], part: str) -> Path:
    vertices = tuple(Vertex(x_mm=x, y_mm=y) for x, y in points)
    return Path(layer=Layer.NOTES, part=part, vertices=vertices, closed=False)


def _text(x_mm: float, y_mm: float, text: str, *, part: str = "section") -> Text:
    return Text(x_mm=x_mm, y_mm=y_mm, height_mm=LETTERS_MM, text=text, centred=True, part=part)
