"""A part's drawings from both sides, its hole table, its dimensioned sheet and its line of the cut list."""

import math
from typing import Final

from driveline.benches.plate.layout import Part
from driveline.benches.plate.results import CutLine, HoleRow
from driveline.benches.plate.sheet import PlateSheet
from driveline.drawing.model import Drawing
from driveline.drawing.plate import Engraved, PlateHole, plate_drawing
from driveline.drawing.sheet import SheetHole, TitleBlock, dimensioned_sheet
from driveline.flat.nesting import Nest, nest
from driveline.flat.outline import outline_area_mm2, outline_bounds_mm, outline_length_mm
from driveline.parts.records import Seen
from driveline.sheet import positive_of
from driveline.tables.materials import material

NO_KERF: Final = "kerf is the cutter's"


def part_drawings(sheet: PlateSheet, part: Part, job_name: str, *, kerf_mm: float = 0.0) -> tuple[Drawing, Drawing]:
    """Return a part seen from its first side and turned over.

    Args:
        sheet: Of the bench.
        part: To draw.
        job_name: For its title.
        kerf_mm: What the cut takes away, put into the lines; 0 draws the part as it is to be.
    """
    kerf = f"kerf of {kerf_mm:g} mm is in the lines" if kerf_mm else NO_KERF
    notes = (
        f"{_material_words(sheet)} {_thickness_words(part)} {sheet.plate.process.value}",
        f"CUT: cut to line, {kerf}. MARK: punch, engrave, drill by hand. NOTES: finish by machining.",
    )
    number = f"{sheet.plate.part_number or job_name} {SHORT.get(part.key, '')}".strip()
    return plate_drawing(
        title=f"{job_name}: {part.title.lower()}",
        sides=part.sides,
        outline=part.edge.grown(kerf_mm / 2).vertices if kerf_mm else part.vertices,
        holes=part.holes,
        engraved=Engraved(number=number.upper(), faces=part.faces),
        notes=notes,
        labels=part.labels,
        kerf_mm=kerf_mm,
    )


SHORT: Final = {"motor_plate": "MOTOR", "ring": "RING", "base_plate": "BASE"}


def drawing_from(sheet: PlateSheet, part: Part, job_name: str, side: Seen, *, kerf_mm: float = 0.0) -> Drawing:
    """Return a part as seen from one side; ``engine`` is the first of a base plate, from above."""
    first, second = part_drawings(sheet, part, job_name, kerf_mm=kerf_mm)
    return first if side == "engine" else second


def cut_drawing(sheet: PlateSheet, part: Part, job_name: str, side: Seen) -> Drawing:
    """Return what the cutter gets, from the side asked for, with the kerf that the job states."""
    return drawing_from(sheet, part, job_name, side, kerf_mm=positive_of(sheet.plate.kerf) or 0.0)


def hole_rows(part: Part, sure_mm: dict[str, float | None]) -> tuple[HoleRow, ...]:
    """Return the hole table, seen from the engine side."""
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
            made=_made(hole),
            sure_mm=sure_mm.get(hole.id) if hole.kind == "flange" else None,
        )
        for hole in part.holes
    )


def _made(hole: PlateHole) -> str:
    if hole.cut_mm is None:
        return "mark, drill by hand"
    return "cut" if hole.cut_mm == hole.finished_mm else "cut small, machine"


def sheet_drawing(sheet: PlateSheet, part: Part, job_name: str, *, side: Seen, revision: str) -> Drawing:
    """Return the dimensioned sheet from one side.

    Args:
        sheet: Of the bench.
        part: To draw.
        job_name: For its title.
        side: ``engine`` or ``gearbox``; of a base plate, from above or from below.
        revision: What the title block says of it, such as ``B, released`` or ``saved revision 7``.
    """
    drawing, sign = drawing_from(sheet, part, job_name, side), 1.0 if side == "engine" else -1.0
    holes = [
        SheetHole(
            id=hole.id,
            finished_mm=hole.finished_mm,
            x_mm=sign * hole.x_mm + 0.0,  # no minus before a zero
            y_mm=hole.y_mm,
            left_mm=sign * hole.x_mm - drawing.least_x_mm,
            bottom_mm=hole.y_mm - drawing.least_y_mm,
            made=_made(hole),
        )
        for hole in part.holes
    ]
    line = cut_line(sheet, part)
    mass = "material not chosen" if line.mass_kg is None else f"{line.mass_kg:.2f} kg"
    block = TitleBlock(
        title=drawing.title,
        rows=(
            ("part number", sheet.plate.part_number or "not given"),
            ("revision", revision),
            ("quantity", str(line.quantity)),
            ("cut by", sheet.plate.process.value),
            ("material", line.material[:34] or "not stated"),
            ("thickness", _thickness_words(part)),
            ("mass", mass),
            ("size", f"{line.width_mm:.1f} × {line.height_mm:.1f} mm"),
            ("tolerance", "ISO 2768-m where none is given"),
        ),
    )
    return dimensioned_sheet(drawing, holes, block)


def cut_line(sheet: PlateSheet, part: Part) -> CutLine:
    """Return a part's line of the cut list: one part's figures, and how many a stock sheet gives."""
    cut = [hole.cut_mm for hole in part.holes if hole.cut_mm is not None]
    area_mm2 = outline_area_mm2(part.vertices) - sum(math.pi / 4 * mm**2 for mm in cut)
    width_mm, height_mm = _size_mm(part)
    mass_kg = None
    if sheet.plate.made_of is not None and part.thickness_mm is not None:
        mass_kg = area_mm2 * part.thickness_mm * 1e-9 * material(sheet.plate.made_of).density_kgm3
    nested = nest_of(sheet, part)
    return CutLine(
        part=part.key,
        title=part.title,
        material=_material_words(sheet),
        thickness_mm=part.thickness_mm,
        quantity=sheet.plate.quantity,
        width_mm=width_mm,
        height_mm=height_mm,
        area_cm2=area_mm2 / 100,
        cut_length_mm=outline_length_mm(part.vertices) + sum(math.pi * mm for mm in cut),
        pierces=1 + len(cut),
        mass_kg=mass_kg,
        per_sheet=nested.count if nested else None,
    )


def nest_of(sheet: PlateSheet, part: Part) -> Nest | None:
    """Return how a part lies on the stock sheet; ``None`` while the sheet's size is not given."""
    long_mm, wide_mm = positive_of(sheet.plate.sheet_long), positive_of(sheet.plate.sheet_wide)
    if long_mm is None or wide_mm is None:
        return None
    width_mm, height_mm = _size_mm(part)
    return nest(part_x_mm=width_mm, part_y_mm=height_mm, sheet_x_mm=long_mm, sheet_y_mm=wide_mm)


def _size_mm(part: Part) -> tuple[float, float]:
    least_x, least_y, greatest_x, greatest_y = outline_bounds_mm(part.vertices)
    return greatest_x - least_x, greatest_y - least_y


def _material_words(sheet: PlateSheet) -> str:
    made_of = sheet.plate.made_of.value if sheet.plate.made_of else ""
    return sheet.plate.material or made_of or "material not stated"


def _thickness_words(part: Part) -> str:
    return f"{part.thickness_mm:g} mm" if part.thickness_mm else "thickness not known"
