"""What is cut for a cradle: its two plates, and the strap laid flat with its bends."""

import math
from collections.abc import Iterator
from typing import Final

from shapely import Polygon
from shapely import box as rectangle
from shapely.geometry import Point

from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.sheet import Mount
from driveline.benches.mounts.sheet_parts import sheet_hole, sheet_part
from driveline.drawing.plate import Bend
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.flat.folds import unfolded
from driveline.metal.bolts import thread
from driveline.parts.made import FlatPart
from driveline.sheet import positive_of, value_of

ARC_SEGMENTS: Final = 48  # of a quarter turn
EDGE_FACTOR: Final = 1.5  # hole diameters from a foot's hole to its end
CLEARANCE_MM: Final = 1.0  # of a hole on its bolt
SHARP: Final = 1.0  # inside radius of a foot's bend over the strap's thickness


def cradle_parts(mount: Mount, k: int) -> Iterator[FlatPart]:
    """Return the plates of a mount's cradle and its strap, as far as they can be drawn."""
    if mount.grip is not Grip.STRAP:
        return
    yield from _plate(mount, k)
    yield from _strap(mount, k)


def _plate(mount: Mount, k: int) -> Iterator[FlatPart]:
    cradle = mount.cradle
    cylinder, plate, width, height = (
        positive_of(one) for one in (cradle.cylinder, cradle.plate, cradle.width, cradle.height)
    )
    angle = value_of(cradle.angle)
    if cylinder is None or plate is None or width is None or height is None or angle is None:
        return
    radius = cylinder / 2
    rim = height - radius * math.cos(math.radians(angle / 2))
    outline = rectangle(-width / 2, 0, width / 2, rim).difference(
        Point(0, height).buffer(radius, quad_segs=ARC_SEGMENTS)
    )
    if height <= radius or width <= 2 * radius * math.sin(math.radians(angle / 2)) or outline.geom_type != "Polygon":
        return
    assert isinstance(outline, Polygon)
    words = f"for a cylinder of {fig(cylinder, 'mm', 1)}, its middle {fig(height, 'mm', 1)} over the foot"
    yield sheet_part(f"mounts.m{k}_cradle", f"Cradle plate of {mount.name}", f"M{k}C", outline, plate, 2, (), (words,))


def _strap(mount: Mount, k: int) -> Iterator[FlatPart]:
    cradle = mount.cradle
    cylinder, breadth, thick, foot, flange = (
        positive_of(one) for one in (cradle.cylinder, cradle.breadth, cradle.thickness, cradle.foot, cradle.flange)
    )
    if cylinder is None or breadth is None or thick is None or foot is None or flange is None or not cradle.thread:
        return
    hole = thread(cradle.thread).diameter_mm + CLEARANCE_MM
    out = thick + foot + EDGE_FACTOR * hole  # over the outside of its bend, from the inner face of the upright
    over = 2 * flange + math.pi * (cylinder + thick) / 2
    try:
        flat = unfolded((out, over, out), thickness_mm=thick, inside_mm=SHARP * thick)
    except ImpossibleInput:  # a foot too short for its bend
        return
    long, bend = flat.width_mm, SHARP * thick
    holes = [
        sheet_hole(f"H{n}", x, breadth / 2, hole, thick)
        for n, x in enumerate((EDGE_FACTOR * hole, long - EDGE_FACTOR * hole), start=1)
    ]
    words = f"BEND 90° R{bend:g} AWAY FROM THE CYLINDER"
    yield sheet_part(
        f"mounts.m{k}_strap",
        f"Strap over {mount.name}",
        f"M{k}S",
        Polygon([(0, 0), (long, 0), (long, breadth), (0, breadth)]),
        thick,
        1,
        holes,
        (
            f"rolled half round to {fig(cylinder, 'mm', 1)} inside, uprights {fig(flange, 'mm', 1)} down to its feet",
            "with its lining in place it must not touch the cradle when tightened",
        ),
        bends=tuple(
            Bend(id=f"B{n}", from_mm=(at, 0.0), to_mm=(at, breadth), words=words)
            for n, at in enumerate(flat.bends_mm, start=1)
        ),
    )
