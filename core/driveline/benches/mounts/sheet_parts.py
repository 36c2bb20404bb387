"""Parts of brackets cut from steel sheet."""

from collections.abc import Sequence
from typing import Final

from shapely import Polygon

from driveline.drawing.hole import PlateHole
from driveline.drawing.plate import Bend
from driveline.flat.outline import TracedEdge
from driveline.parts.made import FlatPart, Stock
from driveline.tables.materials import PlateMaterial

SHARED: Final = ("OUTSIDE", "INSIDE")


def sheet_hole(name: str, x_mm: float, y_mm: float, diameter_mm: float, thickness_mm: float) -> PlateHole:
    """Return a hole for a bolt; one smaller than the sheet is thick is marked, and drilled by hand."""
    return PlateHole(
        id=name,
        kind="foot",
        x_mm=x_mm,
        y_mm=y_mm,
        finished_mm=diameter_mm,
        cut_mm=diameter_mm if diameter_mm >= thickness_mm else None,
    )


def sheet_part(
    key: str,
    title: str,
    short: str,
    outline: Polygon,
    thickness_mm: float,
    count: int,
    holes: Sequence[PlateHole],
    made_to: tuple[str, ...],
    bends: tuple[Bend, ...] = (),
) -> FlatPart:
    """Return a part cut from steel sheet, the same seen from either side."""
    edge = TracedEdge(outline)
    return FlatPart(
        key=key,
        title=title,
        short=short,
        holes=tuple(holes),
        edge=edge,
        vertices=edge.vertices,
        thickness_mm=thickness_mm,
        bends=bends,
        faces=SHARED,
        sides=("outside", "inside"),
        look_at="unit",
        stock=Stock(
            number="",
            quantity=count,
            material="",
            made_of=PlateMaterial.STEEL,
            process="",
            kerf_mm=0.0,
            sheet_mm=None,
        ),
        made_to=made_to,
    )
