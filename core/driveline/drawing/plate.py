"""A flat part's drawing: cut lines, punch marks, what is engraved, and notes, from either side."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Final

import numpy as np

from driveline.drawing.hole import PlateHole
from driveline.drawing.model import Circle, Drawing, Entity, Layer, Path, Punch, Text, Vertex, path_of, reflected_entity
from driveline.figures import fig
from driveline.flat.outline import OutlineVertex, edge_depths_mm, outline_bounds_mm
from driveline.flat.relief import Cutout
from driveline.flat.seats import Seat, SeatKind

NOTE_HEIGHT_MM: Final = 5.0
ENGRAVED_MM: Final = 4.0
ENGRAVED_SIZES_MM: Final = (ENGRAVED_MM, 3.2, 2.5)
SEAT_NOTE_MM: Final = 3.5
LETTER_WIDTH: Final = 0.62  # of its height, on average
PLACES_AT_ONCE: Final = 16  # parts in which places for the engraving are looked at, the roomiest first
NO_REVISION: Final = "REV -"


@dataclass(frozen=True, slots=True, kw_only=True)
class Bend:
    """A line along which a part is folded, and how."""

    id: str
    from_mm: tuple[float, float]
    to_mm: tuple[float, float]
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Engraved:
    """What is engraved on a part: its number, and what either side lies against."""

    number: str
    faces: tuple[str, str]  # seen side, far side


def _row_label(text: str, x_mm: float, y_mm: float) -> Text:
    return Text(
        layer=Layer.MARK,
        part="row",
        x_mm=x_mm,
        y_mm=y_mm,
        height_mm=ENGRAVED_MM,
        text=text,
        centred=True,
        turned_deg=90,
    )


def plate_drawing(
    *,
    title: str,
    sides: tuple[str, str],
    outline: Sequence[OutlineVertex],
    holes: Sequence[PlateHole],
    engraved: Engraved,
    notes: Sequence[str],
    labels: Sequence[tuple[str, float, float]] = (),
    bends: Sequence[Bend] = (),
    seats: Sequence[Seat] = (),
    cutouts: Sequence[Cutout] = (),
    kerf_mm: float = 0.0,
) -> tuple[Drawing, Drawing]:
    """Return the part seen from its first side, and turned over.

    Args:
        title: Part and job.
        sides: What the two sides are called.
        outline: Anticlockwise; let out by half the kerf already, where there is one.
        holes: With what is cut and what is marked.
        engraved: Its number and what its sides lie against; each side says its own.
        notes: Lines under the part; the side it is seen from is always the second.
        labels: What is marked beside rows of holes, upright, each with its place.
        bends: Where it is folded afterward: marked, never cut.
        seats: Registers, to be machined; each side says which are its own.
        cutouts: Reliefs; one that is not right through is milled.
        kerf_mm: Put into the holes that are cut: they are drawn this much smaller.

    Source:
        ISO 128-3, views; the second side is the first turned over its upright axis.
    """
    shapes: list[Entity] = [path_of(tuple(outline), layer=Layer.CUT, part="outline")]
    shapes += _made(holes, seats, cutouts, labels, bends, kerf_mm)
    least_x, least_y, greatest_x, greatest_y = outline_bounds_mm(outline)
    drawn = []
    place = _engraving_place(tuple(outline), (*holes, *_machined(seats, cutouts)), engraved)
    for side, face in zip(sides, engraved.faces, strict=True):
        lines = [title, f"Seen from {'' if side in ('above', 'below') else 'the '}{side}", *notes]
        is_first = side == sides[0]
        entities = shapes if is_first else [reflected_entity(entity) for entity in shapes]
        sign = 1.0 if is_first else -1.0
        entities = entities + _engraving(engraved.number, face, place, sign)
        entities += [_seat_words(seat, is_here=is_first is (seat.side == 0)) for seat in seats]
        left = least_x if is_first else -greatest_x
        entities += _notes(lines, left, least_y)
        drawn.append(
            Drawing(
                title=title,
                seen_from=side,
                entities=tuple(entities),
                least_x_mm=left,
                least_y_mm=least_y,
                greatest_x_mm=greatest_x if is_first else -least_x,
                greatest_y_mm=greatest_y,
            )
        )
    return drawn[0], drawn[1]


def _machined(seats: Sequence[Seat], cutouts: Sequence[Cutout]) -> list[PlateHole]:
    """Registers and reliefs as holes that nothing is engraved over."""
    found = [PlateHole(id=s.id, kind="bore", x_mm=0.0, y_mm=0.0, finished_mm=s.keeps_mm, cut_mm=None) for s in seats]
    for one in cutouts:
        x, y = one.shape.centroid.x, one.shape.centroid.y
        size_mm = 2 * float(np.hypot(*(one.corners_mm - [x, y]).T).max())
        found.append(PlateHole(id=one.id, kind="relief", x_mm=x, y_mm=y, finished_mm=size_mm, cut_mm=None))
    return found


def _notes(lines: Sequence[str], left_mm: float, foot_mm: float) -> list[Entity]:
    lower = 2 * NOTE_HEIGHT_MM * (np.arange(len(lines)) + 1.5)
    return [
        Text(x_mm=left_mm, y_mm=foot_mm - lower_mm, height_mm=NOTE_HEIGHT_MM, text=line, part="note")
        for line, lower_mm in zip(lines, lower.tolist(), strict=True)
    ]


def _made(
    holes: Sequence[PlateHole],
    seats: Sequence[Seat],
    cutouts: Sequence[Cutout],
    labels: Sequence[tuple[str, float, float]],
    bends: Sequence[Bend],
    kerf_mm: float,
) -> list[Entity]:
    """What is the same from either side."""
    return [
        *(entity for hole in holes for entity in _hole_entities(hole, kerf_mm)),
        *(circle for seat in seats for circle in _seat_circles(seat)),
        *(entity for one in cutouts for entity in _cutout_entities(one, kerf_mm)),
        *(_row_label(*label) for label in labels),
        *(entity for bend in bends for entity in _bend_entities(bend)),
    ]


def with_revision(drawing: Drawing, letter: str) -> Drawing:
    """Return a drawing with its revision engraved."""
    entities = tuple(
        entity.model_copy(update={"text": f"REV {letter}"})
        if isinstance(entity, Text) and entity.part == "engraved:revision"
        else entity
        for entity in drawing.entities
    )
    return drawing.model_copy(update={"entities": entities})


def _bend_entities(bend: Bend) -> list[Entity]:
    part, ends = f"bend:{bend.id}", (bend.from_mm, bend.to_mm)
    middle = [(a + b) / 2 for a, b in zip(*ends, strict=True)]
    line = Path(layer=Layer.MARK, part=part, vertices=tuple(Vertex(x_mm=x, y_mm=y) for x, y in ends), closed=False)
    words = Text(part=part, x_mm=middle[0], y_mm=middle[1] + 3.0, height_mm=3.5, text=bend.words, centred=True)
    return [line, words]


def _hole_entities(hole: PlateHole, kerf_mm: float) -> list[Entity]:
    part = f"{hole.kind}:{hole.id}"
    place = {"x_mm": hole.x_mm, "y_mm": hole.y_mm}
    entities: list[Entity] = []
    if hole.slot_deg:  # one too narrow for the process is marked, and milled
        wide_mm = hole.finished_mm if hole.cut_mm is None else hole.cut_mm - kerf_mm
        entities.append(_slot(hole, wide_mm / 2, Layer.MARK if hole.cut_mm is None else Layer.CUT))
        entities.append(Circle(layer=Layer.NOTES, part=part, radius_mm=hole.finished_mm / 2, **place))
    elif hole.cut_mm is None:
        entities.append(Punch(part=part, **place))
        entities.append(Circle(layer=Layer.MARK, part=part, radius_mm=hole.finished_mm / 2, **place))
    else:
        entities.append(Circle(layer=Layer.CUT, part=part, radius_mm=(hole.cut_mm - kerf_mm) / 2, **place))
        if hole.cut_mm != hole.finished_mm:
            entities.append(Circle(layer=Layer.NOTES, part=part, radius_mm=hole.finished_mm / 2, **place))
    if hole.counterbore_mm:
        entities.append(Circle(layer=Layer.NOTES, part=part, radius_mm=hole.counterbore_mm / 2, **place))
    if hole.kind != "bore":
        lift = hole.finished_mm / 2 + 4
        entities.append(
            Text(part=part, x_mm=hole.x_mm, y_mm=hole.y_mm + lift, height_mm=3.5, text=_hole_words(hole), centred=True)
        )
    return entities


def _hole_words(hole: PlateHole) -> str:
    return " ".join(word for word in (hole.id, hole.thread, hole.sunk) if word)


def _slot(hole: PlateHole, half_mm: float, layer: Layer) -> Path:
    """A slot along the circle about the part's middle, anticlockwise."""
    radius, at = math.hypot(hole.x_mm, hole.y_mm), math.atan2(hole.y_mm, hole.x_mm)
    turn = math.radians(hole.slot_deg)
    side = math.tan(turn / 2)  # a quarter of the sides' arc, which is twice the slot's angle
    outside, inside = radius + half_mm, radius - half_mm
    corners = ((outside, -turn, side), (outside, turn, 1.0), (inside, turn, -side), (inside, -turn, 1.0))
    vertices = tuple(
        Vertex(x_mm=r * math.cos(at + angle), y_mm=r * math.sin(at + angle), bulge=bulge) for r, angle, bulge in corners
    )
    return Path(layer=layer, part=f"{hole.kind}:{hole.id}", vertices=vertices)


def _seat_circles(seat: Seat) -> list[Entity]:
    """A register is machined: its circles are no lines to cut."""
    sizes = sorted({seat.size_mm, seat.hole_mm} - {0.0})
    part = f"register:{seat.id}"
    return [Circle(layer=Layer.NOTES, part=part, x_mm=0.0, y_mm=0.0, radius_mm=size / 2) for size in sizes]


def _cutout_entities(one: Cutout, kerf_mm: float) -> list[Entity]:
    """Cut right through on the line, less the kerf; a pocket is for the mill, and says how deep."""
    part, is_through = f"relief:{one.id}", one.depth_mm is None
    corners = (
        np.array(one.shape.buffer(-kerf_mm / 2).exterior.coords)[:-1] if kerf_mm and is_through else one.corners_mm
    )
    vertices = tuple(Vertex(x_mm=x, y_mm=y) for x, y in corners.tolist())
    middle = one.shape.representative_point()
    words = one.id if is_through else f"{one.id}, {fig(one.depth_mm, 'mm')} deep"
    return [
        Path(layer=Layer.CUT if is_through else Layer.NOTES, part=part, vertices=vertices),
        Text(part=part, x_mm=middle.x, y_mm=middle.y, height_mm=SEAT_NOTE_MM, text=words, centred=True),
    ]


def seat_words(seat: Seat) -> str:
    """Return what a register is made to, in the words of a drawing.

    Args:
        seat: The register.

    Source:
        Diameters by Ø, then the fit, then the depth (ISO 129-1).
    """
    size, deep = f"Ø{fig(seat.size_mm, 'mm')} {seat.fit}", fig(seat.depth_mm, "mm")
    if seat.ring is not None:
        sits = f"ring in Ø{fig(seat.ring.outside_mm, 'mm')}, {fig(seat.ring.depth_mm, 'mm')} deep"
        return f"{size}, {sits}" + (f", stands out {deep}" if seat.out_mm else "")
    return f"{size}, stands out {deep}" if seat.kind is SeatKind.SPIGOT else f"{size}, {deep} deep"


def _seat_words(seat: Seat, *, is_here: bool) -> Text:
    text = f"{seat.id}: {seat_words(seat)}, {'this' if is_here else 'far'} side"
    y_mm = seat.size_mm / 2 + SEAT_NOTE_MM * (1.5 if seat.side else -1.5)
    return Text(part=f"register:{seat.id}", x_mm=0.0, y_mm=y_mm, height_mm=SEAT_NOTE_MM, text=text, centred=True)


def _engraved_lines(number: str, face: str) -> tuple[tuple[str, str], ...]:
    lines = (("engraved:number", number), ("engraved:revision", NO_REVISION), ("engraved:face", f"THIS SIDE TO {face}"))
    return tuple(line for line in lines if line[1])


@dataclass(frozen=True, slots=True)
class _Place:
    """Where the engraved lines stand, and how high their letters are."""

    x_mm: float
    y_mm: float
    height_mm: float


def _engraving(number: str, face: str, place: _Place, sign: float) -> list[Entity]:
    return [
        Text(
            layer=Layer.MARK,
            part=part,
            x_mm=sign * place.x_mm,
            y_mm=place.y_mm + place.height_mm * 1.6 * (1 - k),
            height_mm=place.height_mm,
            text=text,
            centred=True,
        )
        for k, (part, text) in enumerate(_engraved_lines(number, face))
    ]


@lru_cache(maxsize=64)
def _engraving_place(outline: tuple[OutlineVertex, ...], holes: tuple[PlateHole, ...], engraved: Engraved) -> _Place:
    """Where the lines stand clear of holes and edge, in the largest letters that do; else least in the way."""
    for height_mm in ENGRAVED_SIZES_MM:
        place, is_clear = _roomiest(outline, holes, engraved, height_mm)
        if is_clear:
            return place
    return _roomiest(outline, holes, engraved, ENGRAVED_MM)[0]


def _roomiest(
    outline: tuple[OutlineVertex, ...], holes: tuple[PlateHole, ...], engraved: Engraved, height_mm: float
) -> tuple[_Place, bool]:
    """Of points on circles about the middle, the one with most room, and whether the lines are clear there."""
    texts = [text for face in engraved.faces for _, text in _engraved_lines(engraved.number, face)]
    half = np.array([max(map(len, texts)) * LETTER_WIDTH * height_mm / 2, height_mm * 2.2])
    least_x, least_y, greatest_x, greatest_y = outline_bounds_mm(outline)
    middle = np.array([(least_x + greatest_x) / 2, (least_y + greatest_y) / 2])
    reach = max(greatest_x - least_x, greatest_y - least_y) / 2
    radius, angle = np.meshgrid(np.linspace(0, 0.95 * reach, 20), np.radians(np.arange(0, 360, 15) - 90))
    points = middle + np.column_stack([(radius * np.cos(angle)).ravel(), (radius * np.sin(angle)).ravel()])
    centres = np.array([[hole.x_mm, hole.y_mm] for hole in holes]).reshape(-1, 2)
    sizes = np.array([hole.takes_mm / 2 for hole in holes])
    apart = np.maximum(np.abs(points[:, None] - centres) - half, 0.0)  # from the lines' box to each hole's centre
    room = (np.hypot(apart[..., 0], apart[..., 1]) - sizes).min(axis=1, initial=np.inf)
    corners = np.array([[i, j] for i in (-1, 1) for j in (-1, 1)]) * half
    roomiest = np.argsort(-room, kind="stable")
    for some in np.array_split(roomiest, PLACES_AT_ONCE):
        boxes = (points[some][:, None] + corners).reshape(-1, 2)
        inside = (edge_depths_mm(boxes, outline) > 0).reshape(-1, len(corners)).all(axis=1)
        if inside.any():
            best = some[int(inside.argmax())]
            place = _Place(float(points[best, 0]), float(points[best, 1]), height_mm)
            return place, bool(room[best] > 0)
    return _Place(float(points[roomiest[0], 0]), float(points[roomiest[0], 1]), height_mm), False
