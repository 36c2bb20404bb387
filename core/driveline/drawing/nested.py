"""Several copies of a part on a stock sheet, as one drawing."""

from driveline.drawing.model import Drawing, Entity, Placing, placed_entity
from driveline.flat.nesting import RIM_MM, Nest


def nested_drawing(drawing: Drawing, nest: Nest, count: int) -> Drawing:
    """Return so many copies as they lie on a sheet whose lower left corner is at 0, 0.

    Notes go with none of them: they would lie across the neighbour.

    Args:
        drawing: Of one part.
        nest: Rows and columns of the sheet.
        count: How many; no more than the nest holds are drawn.
    """
    kept = [entity for entity in drawing.entities if entity.part != "note"]
    entities: list[Entity] = []
    for k in range(min(count, nest.count)):
        corner_x = RIM_MM + (k % nest.columns) * nest.pitch_x_mm
        corner_y = RIM_MM + (k // nest.columns) * nest.pitch_y_mm
        # Turned a quarter, what was the upper edge lies on the left.
        place = (
            Placing(x_mm=corner_x + drawing.greatest_y_mm, y_mm=corner_y - drawing.least_x_mm, is_turned=True)
            if nest.is_turned
            else Placing(x_mm=corner_x - drawing.least_x_mm, y_mm=corner_y - drawing.least_y_mm)
        )
        entities += [placed_entity(entity, place) for entity in kept]
    return drawing.model_copy(
        update={
            "title": f"{drawing.title}, {min(count, nest.count)} nested",
            "entities": tuple(entities),
            "least_x_mm": 0.0,
            "least_y_mm": 0.0,
            "greatest_x_mm": 2 * RIM_MM + nest.columns * nest.pitch_x_mm,
            "greatest_y_mm": 2 * RIM_MM + nest.rows * nest.pitch_y_mm,
        }
    )
