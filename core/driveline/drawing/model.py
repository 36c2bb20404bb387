"""A drawing as data, in mm, y up. ``part`` ties an entity to what it shows, such as ``hole:H3``."""

from dataclasses import dataclass
from enum import StrEnum
from typing import Annotated, Final, Literal

from pydantic import Field

from driveline.checks import Result
from driveline.flat.outline import OutlineVertex

GREATEST_MM: Final = 100_000.0  # a part is never larger; what comes in with a job file is held to it
GREATEST_BULGE: Final = 1000.0  # all but a whole circle
MOST_ENTITIES: Final = 4000
MOST_VERTICES: Final = 4000
Mm = Annotated[float, Field(ge=-GREATEST_MM, le=GREATEST_MM)]


class Layer(StrEnum):
    """What the shop does with an entity."""

    CUT = "CUT"
    MARK = "MARK"
    NOTES = "NOTES"
    REFERENCE = "REFERENCE"  # on the screen only: never written to a cut file


class Vertex(Result):
    """A vertex of a path; ``bulge`` is the tangent of a quarter of the arc to the next, above 0 anticlockwise."""

    x_mm: Mm
    y_mm: Mm
    bulge: Annotated[float, Field(ge=-GREATEST_BULGE, le=GREATEST_BULGE)] = 0.0


class Circle(Result):
    """A full circle."""

    shape: Literal["circle"] = "circle"
    layer: Layer
    part: str
    x_mm: Mm
    y_mm: Mm
    radius_mm: Annotated[float, Field(gt=0, le=GREATEST_MM)]


class Path(Result):
    """Straight sides and arcs."""

    shape: Literal["path"] = "path"
    layer: Layer
    part: str
    vertices: Annotated[tuple[Vertex, ...], Field(min_length=2, max_length=MOST_VERTICES)]
    closed: bool = True


class Punch(Result):
    """A centre to mark and drill by hand."""

    shape: Literal["punch"] = "punch"
    layer: Layer = Layer.MARK
    part: str
    x_mm: Mm
    y_mm: Mm


class Text(Result):
    """A line of text; its place is the middle of its left edge, or its centre."""

    shape: Literal["text"] = "text"
    layer: Layer = Layer.NOTES
    part: str = ""
    x_mm: Mm
    y_mm: Mm
    height_mm: float
    text: str
    centred: bool = False
    turned_deg: float = 0.0  # anticlockwise about its place


Entity = Annotated[Circle | Path | Punch | Text, Field(discriminator="shape")]


class Drawing(Result):
    """Entities with the side they are seen from, and their bounds."""

    title: str
    seen_from: str
    entities: Annotated[tuple[Entity, ...], Field(max_length=MOST_ENTITIES)]
    least_x_mm: float
    least_y_mm: float
    greatest_x_mm: float
    greatest_y_mm: float


def reflected_entity(entity: Circle | Path | Punch | Text) -> Circle | Path | Punch | Text:
    """Return an entity as seen from the other side; text moves but stays readable."""
    if isinstance(entity, Path):
        # Reversed as well, so that the path still runs anticlockwise; each bulge then belongs to its new start.
        reversed_vertices = entity.vertices[::-1]
        bulges = [*(vertex.bulge for vertex in reversed_vertices[1:]), reversed_vertices[0].bulge]
        vertices = tuple(
            Vertex(x_mm=-vertex.x_mm, y_mm=vertex.y_mm, bulge=bulge)
            for vertex, bulge in zip(reversed_vertices, bulges, strict=True)
        )
        return entity.model_copy(update={"vertices": vertices})
    return entity.model_copy(update={"x_mm": -entity.x_mm})


def placed_entity(entity: Circle | Path | Punch | Text, place: "Placing") -> Circle | Path | Punch | Text:
    """Return an entity moved, turned and scaled to a place."""
    if isinstance(entity, Path):
        moved = [place.point(vertex.x_mm, vertex.y_mm) for vertex in entity.vertices]
        vertices = tuple(
            Vertex(x_mm=x, y_mm=y, bulge=vertex.bulge) for (x, y), vertex in zip(moved, entity.vertices, strict=True)
        )
        return entity.model_copy(update={"vertices": vertices})
    x, y = place.point(entity.x_mm, entity.y_mm)
    update: dict[str, float] = {"x_mm": x, "y_mm": y}
    if isinstance(entity, Circle):
        update["radius_mm"] = entity.radius_mm * place.scale
    if isinstance(entity, Text):
        update["height_mm"] = max(entity.height_mm * place.scale, place.least_text_mm)
        update["turned_deg"] = entity.turned_deg + (90.0 if place.is_turned else 0.0)
    return entity.model_copy(update=update)


@dataclass(frozen=True, slots=True, kw_only=True)
class Placing:
    """Scaled about 0, 0, perhaps turned a quarter anticlockwise, then moved."""

    x_mm: Mm
    y_mm: Mm
    scale: float = 1.0
    is_turned: bool = False
    least_text_mm: float = 0.0

    def point(self, x_mm: float, y_mm: float) -> tuple[float, float]:
        """Return where a point comes to lie."""
        x, y = (-y_mm, x_mm) if self.is_turned else (x_mm, y_mm)
        return self.x_mm + self.scale * x, self.y_mm + self.scale * y


def path_of(outline: tuple[OutlineVertex, ...], *, layer: Layer, part: str) -> Path:
    """Return an outline as a closed path."""
    return Path(
        layer=layer, part=part, vertices=tuple(Vertex(x_mm=v.x_mm, y_mm=v.y_mm, bulge=v.bulge) for v in outline)
    )
