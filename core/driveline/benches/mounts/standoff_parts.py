"""What is cut for a plate on standoffs: the plate, with a small hole over each leg, and what its legs are sawn to."""

from collections.abc import Iterator
from typing import Final

from shapely import box as rectangle

from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.sheet import ArmKind, Mount
from driveline.benches.mounts.sheet_parts import sheet_hole, sheet_part
from driveline.benches.mounts.standoffs import CORNER_WORDS, legs_of
from driveline.figures import fig
from driveline.parts.made import FlatPart
from driveline.sheet import positive_of

VENT_MM: Final = 8.0  # over each leg: it places the leg, and lets the tube breathe while it is welded


def standoff_parts(mount: Mount, k: int) -> Iterator[FlatPart]:
    """Return the plate of a mount's standoffs, as far as it can be drawn."""
    bracket = mount.bracket
    length, breadth, depth, plate = (
        positive_of(one) for one in (bracket.length, bracket.breadth, bracket.depth, bracket.wall)
    )
    if bracket.kind is not ArmKind.STANDOFFS or length is None or breadth is None or depth is None or plate is None:
        return
    standing = legs_of(bracket, mount.name, length, STEEL.modulus_mpa)
    if standing.legs is None or standing.missing:
        return
    legs = standing.legs
    lengths = legs.lengths_mm.tolist()
    is_level = max(lengths) == min(lengths)
    each = [f"{corner} {fig(one, 'mm', 1)}" for corner, one in zip(CORNER_WORDS, lengths, strict=True)]
    yield sheet_part(
        f"mounts.m{k}_standoff",
        f"Plate of {mount.name}'s standoffs",
        f"M{k}P",
        rectangle(0, 0, breadth, depth),
        plate,
        1,
        tuple(
            sheet_hole(f"H{n}", breadth / 2 + x, depth / 2 + y, VENT_MM, plate)
            for n, (x, y) in enumerate(legs.places_mm.tolist(), start=1)
        ),
        (
            f"a leg of {fig(legs.section.depth_mm, 'mm', 1)} under each hole, which places and vents it",
            f"saw four of {fig(lengths[0], 'mm', 1)}" if is_level else f"saw them to: {', '.join(each)}",
        ),
    )
