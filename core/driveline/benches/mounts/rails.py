"""The section of a rail as it is entered: its plates, and what they come to."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.notched import notched_walls
from driveline.benches.mounts.sheet import CutStation, RailKind, RailShape
from driveline.errors import ImpossibleInput
from driveline.metal.frames import Cell, FrameSection, Strip, frame_section
from driveline.metal.outlined import outlined
from driveline.metal.panels import Panel
from driveline.metal.sections import tube
from driveline.metal.walls import Wall, panels_of, walled
from driveline.sheet import positive_of, value_of

RING_SIDES: Final = 48


@dataclass(frozen=True, kw_only=True)
class Rail:
    """A section, and its plates as they are drawn: of each its outside, then its hollows, (n, 2)."""

    section: FrameSection
    plates_mm: tuple[tuple[Floats, ...], ...]
    panels: tuple[Panel, ...]  # what of it may fold


def rail_of(shape: RailShape, what: str, old: RailShape | None = None) -> tuple[Rail | None, tuple[str, ...]]:
    """Return a rail's section, or what it lacks in words; ``what`` names it, a notch is cut into ``old``."""
    if shape.kind is RailKind.NOTCHED:
        if old is None or not isinstance(shape, CutStation):
            return None, (f"A section of its own, of {what}: a notch is cut into it",)
        return _notched(shape, old, what)
    by_kind = {RailKind.PLATES: _plates, RailKind.TUBE: _tube, RailKind.OUTLINE: _outline}
    return by_kind.get(shape.kind, _rolled)(shape, what)


def _rolled(shape: RailShape, what: str) -> tuple[Rail | None, tuple[str, ...]]:
    """A trough or a channel, closed or open, with a plate below it or without."""
    breadth, depth, wall = (positive_of(one) for one in (shape.breadth, shape.depth, shape.wall))
    lid, under = value_of(shape.lid), value_of(shape.under)
    under_breadth = positive_of(shape.under_breadth)
    closes = "the top" if shape.kind is RailKind.TROUGH else "its open side"
    missing = [
        f"{word} of {what}"
        for word, value in (
            ("Breadth", breadth),
            ("Depth", depth),
            ("Wall", wall),
            (f"What closes {closes}, 0 for open,", lid),
            ("The plate below, 0 for none,", under),
        )
        if value is None
    ]
    if under and under_breadth is None:
        missing.append(f"How broad the plate below is, of {what}")
    if missing or breadth is None or depth is None or wall is None or lid is None or under is None:
        return None, tuple(missing)
    if shape.kind is RailKind.TROUGH:
        if 2 * wall >= breadth or wall + lid >= depth:
            return None, (f"A wall below half of the breadth, of {what}",)
        strips, cell = _trough(breadth, depth, wall, lid)
        panels = _trough_panels(breadth, depth, wall, lid)
    else:
        if 2 * wall >= depth or wall + lid >= breadth:
            return None, (f"A wall below half of the depth, of {what}",)
        strips, cell = _channel(breadth, depth, wall, lid)
        panels = _channel_panels(breadth, depth, wall, lid)
    if under and under_breadth is not None:
        left = (breadth - under_breadth) / 2
        strips.append(Strip(x_mm=left, y_mm=-under, breadth_mm=under_breadth, height_mm=under, is_outside=True))
        panels += _below_panels(breadth, under_breadth, under)
    try:
        section = frame_section(strips, cell if lid else None)
    except ImpossibleInput as error:
        return None, (f"A section that can be made, of {what}: {error}",)
    return Rail(section=section, plates_mm=tuple((_edge(one),) for one in strips), panels=tuple(panels)), ()


def _trough(breadth: float, depth: float, wall: float, lid: float) -> tuple[list[Strip], Cell]:
    web = depth - wall - lid
    strips = [
        Strip(x_mm=0.0, y_mm=0.0, breadth_mm=breadth, height_mm=wall),
        Strip(x_mm=0.0, y_mm=wall, breadth_mm=wall, height_mm=web),
        Strip(x_mm=breadth - wall, y_mm=wall, breadth_mm=wall, height_mm=web),
    ]
    if lid:
        strips.append(Strip(x_mm=0.0, y_mm=wall + web, breadth_mm=breadth, height_mm=lid))
    left, right, low, high = wall / 2, breadth - wall / 2, wall / 2, depth - lid / 2
    corners = np.array([(left, low), (right, low), (right, high), (left, high)])
    return strips, Cell(corners_mm=corners, walls_mm=np.array([wall, wall, lid or wall, wall]))


def _channel(breadth: float, depth: float, wall: float, lid: float) -> tuple[list[Strip], Cell]:
    """Web at the left, closed at the right."""
    flange = breadth - wall - lid
    strips = [
        Strip(x_mm=0.0, y_mm=0.0, breadth_mm=wall, height_mm=depth),
        Strip(x_mm=wall, y_mm=0.0, breadth_mm=flange, height_mm=wall),
        Strip(x_mm=wall, y_mm=depth - wall, breadth_mm=flange, height_mm=wall),
    ]
    if lid:
        strips.append(Strip(x_mm=breadth - lid, y_mm=0.0, breadth_mm=lid, height_mm=depth))
    left, right, low, high = wall / 2, breadth - lid / 2, wall / 2, depth - wall / 2
    corners = np.array([(left, low), (right, low), (right, high), (left, high)])
    return strips, Cell(corners_mm=corners, walls_mm=np.array([wall, lid or wall, wall, wall]))


def _trough_panels(breadth: float, depth: float, wall: float, lid: float) -> list[Panel]:
    found = [
        Panel(words="bottom", breadth_mm=breadth - 2 * wall, thickness_mm=wall),
        Panel(words="side", breadth_mm=depth - wall - lid, thickness_mm=wall, has_free_edge=not lid),
    ]
    return [*found, Panel(words="lid", breadth_mm=breadth - 2 * wall, thickness_mm=lid)] if lid else found


def _channel_panels(breadth: float, depth: float, wall: float, lid: float) -> list[Panel]:
    found = [
        Panel(words="web", breadth_mm=depth - 2 * wall, thickness_mm=wall),
        Panel(words="flange", breadth_mm=breadth - wall - lid, thickness_mm=wall, has_free_edge=not lid),
    ]
    return [*found, Panel(words="lid", breadth_mm=depth - 2 * wall, thickness_mm=lid)] if lid else found


def _below_panels(breadth: float, under_breadth: float, under: float) -> list[Panel]:
    """A plate below is held where it is welded, along its edges or the rail's; what stands out past these is free."""
    found = [Panel(words="plate below", breadth_mm=min(breadth, under_breadth), thickness_mm=under)]
    past = (under_breadth - breadth) / 2
    if past > 0:
        found.append(Panel(words="edge of the plate below", breadth_mm=past, thickness_mm=under, has_free_edge=True))
    return found


def _edge(one: Strip) -> Floats:
    x, y, b, h = one.x_mm, one.y_mm, one.breadth_mm, one.height_mm
    return np.array([(x, y), (x + b, y), (x + b, y + h), (x, y + h)])


def _tube(shape: RailShape, what: str) -> tuple[Rail | None, tuple[str, ...]]:
    outside, wall = positive_of(shape.depth), positive_of(shape.wall)
    sizes = (("Diameter", outside), ("Wall", wall))
    if value_of(shape.under):
        return None, (f"A drawing of {what}: what a plate below adds to a round tube hangs on how it lies on it",)
    if outside is None or wall is None:
        return None, tuple(f"{word} of {what}" for word, value in sizes if value is None)
    try:
        found = tube(outside_mm=outside, wall_mm=wall)
    except ImpossibleInput as error:
        return None, (f"A tube that can be made, of {what}: its {error}",)
    section = FrameSection(
        area_mm2=found.area_mm2,
        centroid_mm=(outside / 2, outside / 2),
        level_mm4=found.upright_mm4,
        sideways_mm4=found.across_mm4,
        modulus_mm3=found.modulus_mm3,
        torsion_mm4=found.torsion_mm4,
        is_closed=True,
        cells=1,
    )
    at = np.linspace(0, 2 * np.pi, RING_SIDES + 1)
    rings = [
        outside / 2 + radius * np.column_stack([np.cos(at), np.sin(at)]) for radius in (outside / 2, outside / 2 - wall)
    ]
    wall_panel = Panel(words="wall", breadth_mm=(outside - wall) / 2, thickness_mm=wall, is_round=True)
    return Rail(section=section, plates_mm=(tuple(rings),), panels=(wall_panel,)), ()


def _outline(shape: RailShape, what: str) -> tuple[Rail | None, tuple[str, ...]]:
    """Which of its walls fold, a drawing does not say."""
    if not shape.rings:
        return None, (f"A drawing of {what}",)
    rings = [np.array([(at.x_mm, at.y_mm) for at in ring.points]).reshape(-1, 2) for ring in shape.rings]
    try:
        section = outlined(rings)
    except ImpossibleInput as error:
        return None, (f"A section that can be made, of {what}: its {error}",)
    return Rail(section=section, plates_mm=(tuple(rings),), panels=()), ()


def _notched(cut: CutStation, old: RailShape, what: str) -> tuple[Rail | None, tuple[str, ...]]:
    try:
        walls, missing = notched_walls(cut, old, what)
        if not walls:
            return None, missing
        section = walled(walls)
    except ImpossibleInput as error:
        return None, (f"A section that can be made, of {what}: {error}",)
    return Rail(section=section, plates_mm=tuple((one.corners_mm,) for one in walls), panels=panels_of(walls)), ()


def _plates(shape: RailShape, what: str) -> tuple[Rail | None, tuple[str, ...]]:
    plates = shape.plates
    if not plates:
        return None, (f"Plates of {what}",)
    walls, missing = list[Wall](), list[str]()
    for k, one in enumerate(plates, start=1):
        ends = [value_of(at) for at in (one.across_1, one.up_1, one.across_2, one.up_2)]
        known = [end for end in ends if end is not None]
        thickness = positive_of(one.thickness)
        if thickness is None:
            missing.append(f"Thickness of plate {k} of {what}")
        if len(known) < len(ends):
            missing.append(f"Both ends of plate {k} of {what}")
        if thickness is None or len(known) < len(ends):
            continue
        try:
            walls.append(Wall(start_mm=(known[0], known[1]), end_mm=(known[2], known[3]), thickness_mm=thickness))
        except ImpossibleInput as error:
            missing.append(f"Plate {k} of {what}: its {error}")
    if missing:
        return None, tuple(missing)
    try:
        section = walled(walls)
    except ImpossibleInput as error:
        return None, (f"A section that can be made, of {what}: {error}",)
    return Rail(section=section, plates_mm=tuple((one.corners_mm,) for one in walls), panels=panels_of(walls)), ()
