"""A drawing as DXF: R2010, millimetres, one layer per kind of work. Its figures are metric whoever reads it."""

import io
from typing import Final

from ezdxf import units
from ezdxf.enums import TextEntityAlignment
from ezdxf.filemanagement import new as new_document
from ezdxf.layouts.layout import Modelspace

from driveline.drawing.model import Circle, Drawing, Layer, Path, Punch
from driveline.figures import written

LAYER_COLOURS: Final = {Layer.CUT: 7, Layer.MARK: 5, Layer.NOTES: 8}
PUNCH_ARM_MM: Final = 2.0


def write_dxf(drawing: Drawing) -> str:
    """Return the drawing as the text of a DXF file; reference entities are left out."""
    document = new_document("R2010", units=units.MM)
    document.header["$LASTSAVEDBY"] = "Fernback"
    for layer, colour in LAYER_COLOURS.items():
        document.layers.add(layer.value, color=colour)
    _add(document.modelspace(), drawing)
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue()


def _add(space: Modelspace, drawing: Drawing) -> None:
    for entity in drawing.entities:
        if entity.layer is Layer.REFERENCE:
            continue
        attributes = {"layer": entity.layer.value}
        if isinstance(entity, Circle):
            space.add_circle((entity.x_mm, entity.y_mm), entity.radius_mm, dxfattribs=attributes)
        elif isinstance(entity, Path):
            points = [(vertex.x_mm, vertex.y_mm, vertex.bulge) for vertex in entity.vertices]
            space.add_lwpolyline(points, format="xyb", close=entity.closed, dxfattribs=attributes)
        elif isinstance(entity, Punch):
            _add_punch(space, entity, attributes)
        else:
            align = TextEntityAlignment.MIDDLE_CENTER if entity.centred else TextEntityAlignment.MIDDLE_LEFT
            text = space.add_text(
                written(entity.text), height=entity.height_mm, rotation=entity.turned_deg, dxfattribs=attributes
            )
            text.set_placement((entity.x_mm, entity.y_mm), align=align)


def _add_punch(space: Modelspace, punch: Punch, attributes: dict[str, str]) -> None:
    x, y, arm = punch.x_mm, punch.y_mm, PUNCH_ARM_MM
    space.add_point((x, y), dxfattribs=attributes)
    space.add_line((x - arm, y), (x + arm, y), dxfattribs=attributes)
    space.add_line((x, y - arm), (x, y + arm), dxfattribs=attributes)
