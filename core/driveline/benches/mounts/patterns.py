"""What is cut from sheet for the brackets: ears, and the four sides of a boxed arm; each as a flat part."""

from collections.abc import Iterator
from typing import Final

from shapely import Polygon
from shapely.geometry import Point

from driveline.benches.mounts.box_plates import box_plates
from driveline.benches.mounts.cradle_parts import cradle_parts
from driveline.benches.mounts.ears import ears_of
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.landings import landing_of
from driveline.benches.mounts.sheet import ArmKind, Landing, Mount, MountKind, MountsSheet
from driveline.benches.mounts.sheet_parts import sheet_hole, sheet_part
from driveline.benches.mounts.standoff_parts import standoff_parts
from driveline.drawing.plate import Bend
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.flat.folds import unfolded
from driveline.metal.ears import Ear
from driveline.parts.made import FlatPart
from driveline.sheet import positive_of

ARC_SEGMENTS: Final = 24  # of a quarter turn


def ear_polygon(ear: Ear) -> Polygon:
    """Return an ear's outline: its foot along y = 0, its end round the hole."""
    end = Point(0.0, ear.height_mm).buffer(ear.hole_mm / 2 + ear.edge_mm, quad_segs=ARC_SEGMENTS)
    half = ear.root_mm / 2
    foot = Polygon([(-half, 0.0), (half, 0.0), (half, 1.0), (-half, 1.0)])
    return Polygon(end.union(foot).convex_hull.exterior)


def parts_of(sheet: MountsSheet) -> tuple[FlatPart, ...]:
    """Return every part that can be drawn so far."""
    found: list[FlatPart] = []
    for k, mount in enumerate(sheet.mounts, start=1):
        if mount.kind in (None, MountKind.ARM):
            continue
        found += _ears(mount, k) if mount.grip is Grip.EARS else cradle_parts(mount, k)
        found += _box(mount, k)
        found += _fold(mount, k)
        found += _shelf(mount, k)
        found += standoff_parts(mount, k)
        found += _landing(mount.bracket.landing, f"m{k}", mount.name, 1)
    for k, cross in enumerate(sheet.crosses, start=1):
        found += _landing(cross.bracket.landing, f"x{k}", cross.name, 2)
    return tuple(found)


def _ears(mount: Mount, k: int) -> Iterator[FlatPart]:
    ear, _ = ears_of(mount.ears, mount.name)
    if ear is None or not mount.ears.count:
        return
    hole = sheet_hole("H1", 0.0, ear.height_mm, ear.hole_mm, ear.thickness_mm)
    yield sheet_part(
        f"mounts.m{k}_ear",
        f"Ear of {mount.name}",
        f"M{k}E",
        ear_polygon(ear),
        ear.thickness_mm,
        mount.ears.count,
        (hole,),
        (f"bolt {fig(ear.bolt_mm, 'mm', 1)} through {fig(ear.hole_mm, 'mm', 1)}; welded by its foot",),
    )


def _box(mount: Mount, k: int) -> Iterator[FlatPart]:
    bracket = mount.bracket
    length, breadth, depth, wall = (
        positive_of(one) for one in (bracket.length, bracket.breadth, bracket.depth, bracket.wall)
    )
    if bracket.kind is not ArmKind.BOX or None in (length, breadth, depth, wall):
        return
    if length is None or breadth is None or depth is None or wall is None or 2 * wall >= min(breadth, depth):
        return
    plates = box_plates(length_mm=length, breadth_mm=breadth, depth_mm=depth, wall_mm=wall, has_tabs=bracket.has_tabs)
    tabbed = "; tabs welded over flush, its strength counts on whole seams" if bracket.has_tabs else ""
    for name, (outline, count) in plates.items():
        fits = "outside, full depth" if name == "side" else "top and bottom, between the sides"
        yield sheet_part(
            f"mounts.m{k}_{name}",
            f"{name.capitalize()} of {mount.name}'s arm",
            f"M{k}{name[0].upper()}",
            outline,
            wall,
            count,
            (),
            (f"boxed arm, {fits}{tabbed}; try it in card at 1:1 first",),
        )


def _fold(mount: Mount, k: int) -> Iterator[FlatPart]:
    bracket = mount.bracket
    length, breadth, depth, wall, bend = (
        positive_of(one) for one in (bracket.length, bracket.breadth, bracket.depth, bracket.wall, bracket.bend)
    )
    if bracket.kind is not ArmKind.FOLDED or length is None or breadth is None:
        return
    if depth is None or wall is None or bend is None:
        return
    try:
        flat = unfolded((breadth, depth, breadth), thickness_mm=wall, inside_mm=bend)
    except ImpossibleInput:  # said where its section is judged
        return
    words = f"BEND 90° R{bend:g} TO INSIDE"
    yield sheet_part(
        f"mounts.m{k}_fold",
        f"Folded arm of {mount.name}",
        f"M{k}F",
        Polygon([(0, 0), (length, 0), (length, flat.width_mm), (0, flat.width_mm)]),
        wall,
        1,
        (),
        (
            f"folded on both lines to {fig(depth, 'mm')} over the web, flanges of {fig(breadth, 'mm')}",
            f"bend allowance {fig(flat.allowance_mm, 'mm', 2)} (DIN 6935): try it on a scrap of the same sheet first",
        ),
        bends=tuple(
            Bend(id=f"B{n}", from_mm=(0.0, at), to_mm=(length, at), words=words)
            for n, at in enumerate(flat.bends_mm, start=1)
        ),
    )


def _shelf(mount: Mount, k: int) -> Iterator[FlatPart]:
    bracket, count = mount.bracket, mount.bracket.gussets
    length, breadth, shelf, gusset, depth, nose = (
        positive_of(one)
        for one in (bracket.length, bracket.breadth, bracket.wall, bracket.gusset, bracket.depth, bracket.nose)
    )
    if bracket.kind is not ArmKind.GUSSETED or count is None or length is None or breadth is None or shelf is None:
        return
    if gusset is None or depth is None or nose is None or not shelf <= nose <= depth or not depth > shelf:
        return
    gussets = {
        1: "one gusset, below its middle",
        2: "two gussets, flush with its edges",
        3: "three gussets, below its middle and flush with its edges",
    }[count]
    root, end = depth - shelf, nose - shelf  # of a gusset, below the shelf
    upright = Polygon([(0, -root), (length, -end), (length, 0), (0, 0)]).buffer(0)  # to a point it has three corners
    flat = Polygon([(0, 0), (length, 0), (length, breadth), (0, breadth)])
    for name, outline, thickness, many, words in (
        ("shelf", flat, shelf, 1, f"carries {mount.name}; on {gussets}"),
        ("gusset", upright, gusset, count, f"{gussets}, long edge against the shelf; try it in card at 1:1 first"),
    ):
        yield sheet_part(
            f"mounts.m{k}_{name}",
            f"{name.capitalize()} of {mount.name}'s bracket",
            f"M{k}{name[0].upper()}",
            outline,
            thickness,
            many,
            (),
            (words,),
        )


def _landing(landing: Landing, key: str, name: str, count: int) -> Iterator[FlatPart]:
    found = landing_of(landing)
    hole = positive_of(landing.hole)
    if not landing.is_there or found is None or hole is None or min(found.edges_mm) <= hole / 2:
        return
    breadth, depth = found.size_mm
    yield sheet_part(
        f"mounts.{key}_landing",
        f"Landing plate of {name}",
        f"{key.upper()}L",
        Polygon([(0, 0), (breadth, 0), (breadth, depth), (0, depth)]),
        found.thickness_mm,
        count,
        tuple(
            sheet_hole(f"H{n}", breadth / 2 + x, depth / 2 + y, hole, found.thickness_mm)
            for n, (x, y) in enumerate(found.bolts_mm.tolist(), start=1)
        ),
        (f"bolted to the vehicle by its four holes; {name} is welded on its middle",),
    )
