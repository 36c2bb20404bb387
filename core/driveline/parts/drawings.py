"""A part's drawings from both sides, its hole table, its dimensioned sheet and its line of the cut list."""

import math
from typing import Final

from driveline.drawing.model import Drawing
from driveline.drawing.plate import Engraved, plate_drawing
from driveline.drawing.sheet import SheetHole, TitleBlock, dimensioned_sheet
from driveline.figures import fig, num
from driveline.flat.nesting import Nest, nest
from driveline.flat.outline import outline_area_mm2, outline_bounds_mm, outline_length_mm
from driveline.parts.made import FlatPart
from driveline.parts.records import Seen
from driveline.parts.results import CutLine, HoleRow
from driveline.tables.materials import material

NO_KERF: Final = "kerf is the cutter's"


def part_drawings(part: FlatPart, job_name: str, *, kerf_mm: float = 0.0) -> tuple[Drawing, Drawing]:
    """Return a part seen from its first side and turned over.

    Args:
        part: To draw.
        job_name: For its title.
        kerf_mm: What the cut takes away, put into the lines; 0 draws the part as it is to be.
    """
    kerf = f"kerf of {fig(kerf_mm, 'mm')} is in the lines" if kerf_mm else NO_KERF
    notes = (
        f"{part.stock.words} {_thickness_words(part)} {part.stock.process}",
        f"CUT: cut to line, {kerf}. MARK: punch, engrave, drill by hand. NOTES: finish by machining.",
    )
    number = f"{part.stock.number or job_name} {part.short}".strip()
    return plate_drawing(
        title=f"{job_name}: {part.title.lower()}",
        sides=part.sides,
        outline=part.edge.grown(kerf_mm / 2).vertices if kerf_mm else part.vertices,
        holes=part.holes,
        engraved=Engraved(number=number.upper(), faces=part.faces),
        notes=notes,
        labels=part.labels,
        bends=part.bends,
        seats=part.seats,
        cutouts=part.cutouts,
        kerf_mm=kerf_mm,
    )


def drawing_from(part: FlatPart, job_name: str, side: Seen, *, kerf_mm: float = 0.0) -> Drawing:
    """Return a part as seen from one side."""
    first, second = part_drawings(part, job_name, kerf_mm=kerf_mm)
    return first if side == "first" else second


def cut_drawing(part: FlatPart, job_name: str, side: Seen) -> Drawing:
    """Return what the cutter gets, from the side asked for, with the kerf that the job states."""
    return drawing_from(part, job_name, side, kerf_mm=part.stock.kerf_mm)


def hole_rows(part: FlatPart) -> tuple[HoleRow, ...]:
    """Return the hole table, seen from the first side."""
    least_x, least_y, _, _ = outline_bounds_mm(part.vertices)
    return tuple(
        HoleRow(
            id=hole.id,
            kind=hole.kind,
            x_mm=hole.x_mm,
            y_mm=hole.y_mm,
            radius_mm=math.hypot(hole.x_mm, hole.y_mm),
            angle_deg=math.degrees(math.atan2(hole.y_mm, hole.x_mm)) % 360,
            left_mm=hole.x_mm - least_x,
            bottom_mm=hole.y_mm - least_y,
            finished_mm=hole.finished_mm,
            cut_mm=hole.cut_mm,
            made=hole.made,
            sure_mm=part.sure_mm.get(hole.id),
        )
        for hole in part.holes
    )


def sheet_drawing(part: FlatPart, job_name: str, *, side: Seen, revision: str) -> Drawing:
    """Return the dimensioned sheet from one side.

    Args:
        part: To draw.
        job_name: For its title.
        side: Which of its two sides.
        revision: What the title block says of it, such as ``B, released`` or ``saved revision 7``.
    """
    drawing, sign = drawing_from(part, job_name, side), 1.0 if side == "first" else -1.0
    holes = [
        SheetHole(
            id=hole.id,
            finished_mm=hole.finished_mm,
            x_mm=sign * hole.x_mm + 0.0,  # no minus before a zero
            y_mm=hole.y_mm,
            left_mm=sign * hole.x_mm - drawing.least_x_mm,
            bottom_mm=hole.y_mm - drawing.least_y_mm,
            made=hole.made,
        )
        for hole in part.holes
    ]
    line = cut_line(part)
    mass = "material not chosen" if line.mass_kg is None else fig(line.mass_kg, "kg", 2)
    block = TitleBlock(
        title=drawing.title,
        rows=(
            ("part number", part.stock.number or "not given"),
            ("revision", revision),
            ("quantity", str(line.quantity)),
            ("cut by", part.stock.process),
            ("material", line.material[:34] or "not stated"),
            ("thickness", _thickness_words(part)),
            ("mass", mass),
            ("size", f"{num(line.width_mm, 'mm', 1)} × {fig(line.height_mm, 'mm', 1)}"),
            ("tolerance", "ISO 2768-m where none is given"),
        ),
        made_to=part.made_to,
    )
    return dimensioned_sheet(drawing, holes, block)


def cut_line(part: FlatPart) -> CutLine:
    """Return a part's line of the cut list: one part's figures, and how many a stock sheet gives."""
    cut = [(hole.cut_mm, hole.slot_mm) for hole in part.holes if hole.cut_mm is not None]
    area_mm2 = outline_area_mm2(part.vertices) - sum(math.pi / 4 * mm**2 + slot_mm * mm for mm, slot_mm in cut)
    through = [one.shape for one in part.cutouts if one.depth_mm is None]
    area_mm2 -= sum(shape.area for shape in through)
    width_mm, height_mm = _size_mm(part)
    mass_kg = None
    if part.stock.made_of is not None and part.thickness_mm is not None:
        mass_kg = area_mm2 * part.thickness_mm * 1e-9 * material(part.stock.made_of).density_kgm3
    nested = nest_of(part)
    return CutLine(
        part=part.key,
        title=part.title,
        material=part.stock.words,
        thickness_mm=part.stock_mm,
        quantity=part.stock.quantity,
        width_mm=width_mm,
        height_mm=height_mm,
        area_cm2=area_mm2 / 100,
        cut_length_mm=outline_length_mm(part.vertices)
        + sum(math.pi * mm + 2 * slot_mm for mm, slot_mm in cut)
        + sum(shape.length for shape in through),
        pierces=1 + len(cut) + len(through),
        mass_kg=mass_kg,
        per_sheet=nested.count if nested else None,
    )


def nest_of(part: FlatPart) -> Nest | None:
    """Return how a part lies on the stock sheet; ``None`` while the sheet's size is not given."""
    if part.stock.sheet_mm is None:
        return None
    long_mm, wide_mm = part.stock.sheet_mm
    width_mm, height_mm = _size_mm(part)
    return nest(part_x_mm=width_mm, part_y_mm=height_mm, sheet_x_mm=long_mm, sheet_y_mm=wide_mm)


def _size_mm(part: FlatPart) -> tuple[float, float]:
    least_x, least_y, greatest_x, greatest_y = outline_bounds_mm(part.vertices)
    return greatest_x - least_x, greatest_y - least_y


def _thickness_words(part: FlatPart) -> str:
    if not part.thickness_mm or part.stock_mm is None:
        return "thickness not known"
    faced = "" if part.stock_mm == part.thickness_mm else f", faced to {fig(part.thickness_mm, 'mm')} round its spigot"
    return f"{fig(part.stock_mm, 'mm')}{faced}"
