"""The adapter plate's drawing: cut lines, punch marks and notes, from either side."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.drawing.model import Circle, Drawing, Entity, Layer, Punch, Text, path_of, reflected_entity
from driveline.plate import OutlineVertex

NOTE_HEIGHT_MM: Final = 5.0


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateHole:
    """A hole of the plate, seen from the engine side."""

    id: str
    kind: str  # "flange", "motor" or "bore"
    x_mm: float
    y_mm: float
    finished_mm: float
    cut_mm: float | None  # None: too small to cut, marked and drilled by hand
    counterbore_mm: float | None = None


def plate_drawing(
    *, title: str, outline: Sequence[OutlineVertex], holes: Sequence[PlateHole], notes: Sequence[str]
) -> Drawing:
    """Return the plate seen from the engine side.

    Args:
        title: Part and revision.
        outline: Anticlockwise.
        holes: With what is cut and what is marked.
        notes: Lines under the plate; the side it is seen from is always the first.
    """
    entities: list[Entity] = [path_of(tuple(outline), layer=Layer.CUT, part="outline")]
    for hole in holes:
        entities += _hole_entities(hole)
    xs, ys = np.array([[v.x_mm, v.y_mm] for v in outline]).T
    lines = [title, "Seen from the engine side", *notes]
    for k, line in enumerate(lines):
        y_mm = float(ys.min()) - NOTE_HEIGHT_MM * 2 * (k + 1.5)
        entities.append(Text(x_mm=float(xs.min()), y_mm=y_mm, height_mm=NOTE_HEIGHT_MM, text=line, part="note"))
    return Drawing(
        title=title,
        seen_from="engine side",
        entities=tuple(entities),
        least_x_mm=float(xs.min()),
        least_y_mm=float(ys.min()),
        greatest_x_mm=float(xs.max()),
        greatest_y_mm=float(ys.max()),
    )


def _hole_entities(hole: PlateHole) -> list[Entity]:
    part = f"{hole.kind}:{hole.id}"
    place = {"x_mm": hole.x_mm, "y_mm": hole.y_mm}
    entities: list[Entity] = []
    if hole.cut_mm is None:
        entities.append(Punch(part=part, **place))
        entities.append(Circle(layer=Layer.MARK, part=part, radius_mm=hole.finished_mm / 2, **place))
    else:
        entities.append(Circle(layer=Layer.CUT, part=part, radius_mm=hole.cut_mm / 2, **place))
        if hole.cut_mm != hole.finished_mm:
            entities.append(Circle(layer=Layer.NOTES, part=part, radius_mm=hole.finished_mm / 2, **place))
    if hole.counterbore_mm:
        entities.append(Circle(layer=Layer.NOTES, part=part, radius_mm=hole.counterbore_mm / 2, **place))
    if hole.kind != "bore":
        lift = hole.finished_mm / 2 + 4
        entities.append(
            Text(part=part, x_mm=hole.x_mm, y_mm=hole.y_mm + lift, height_mm=3.5, text=hole.id, centred=True)
        )
    return entities


def from_gearbox_side(drawing: Drawing) -> Drawing:
    """Return the drawing turned over, its notes saying so."""
    entities: list[Entity] = []
    for entity in drawing.entities:
        if isinstance(entity, Text) and entity.part == "note":
            text = entity.text.replace("from the engine side", "from the gearbox side")
            entities.append(entity.model_copy(update={"text": text, "x_mm": -drawing.greatest_x_mm}))
        else:
            entities.append(reflected_entity(entity))
    return drawing.model_copy(
        update={
            "seen_from": "gearbox side",
            "entities": tuple(entities),
            "least_x_mm": -drawing.greatest_x_mm,
            "greatest_x_mm": -drawing.least_x_mm,
        }
    )
