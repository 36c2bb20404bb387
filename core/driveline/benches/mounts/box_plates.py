"""The plates of a boxed arm, plain or with tabs that hold them to each other while they are tacked."""

from typing import Final

from shapely import Polygon, union_all
from shapely import box as rectangle

TAB_SHARE: Final = 1 / 8  # of the arm's length, each of two on a seam
TAB_WALLS: Final = 2.0  # a tab is no shorter than that many walls
PLAY_MM: Final = 0.2  # that a notch is longer than its tab


def tabs_mm(length_mm: float, wall_mm: float) -> tuple[tuple[float, float], ...]:
    """Return where tabs begin and end along an arm; none where it is too short for them.

    Args:
        length_mm: Of the arm.
        wall_mm: Of its plates.

    Source:
        Two to a seam, about a quarter of the length from either end, clear of the root's weld.
    """
    long = max(TAB_SHARE * length_mm, TAB_WALLS * wall_mm)
    if long > length_mm / 4:
        return ()
    return tuple((middle - long / 2, middle + long / 2) for middle in (length_mm / 4, 3 * length_mm / 4))


def box_plates(
    *, length_mm: float, breadth_mm: float, depth_mm: float, wall_mm: float, has_tabs: bool = False
) -> dict[str, tuple[Polygon, int]]:
    """Return the plates of a boxed arm, and how many of each; top and bottom lie between the sides.

    Args:
        length_mm: Of the arm.
        breadth_mm: Outside, across.
        depth_mm: Outside, upright.
        wall_mm: Of all four.
        has_tabs: Top and bottom reach through notches in the sides' edges, flush with their outside.

    Source:
        Plain geometry of four plates at right angles.
    """
    inside = breadth_mm - 2 * wall_mm
    side, top = rectangle(0, 0, length_mm, depth_mm), rectangle(0, 0, length_mm, inside)
    spans = tabs_mm(length_mm, wall_mm) if has_tabs else ()
    for begins, ends in spans:
        low, high = begins - PLAY_MM / 2, ends + PLAY_MM / 2
        notches = [rectangle(low, 0, high, wall_mm), rectangle(low, depth_mm - wall_mm, high, depth_mm)]
        side = side.difference(union_all(notches))
        tabs = [rectangle(begins, -wall_mm, ends, 0), rectangle(begins, inside, ends, inside + wall_mm)]
        top = union_all([top, *tabs])
    return {"side": (Polygon(side.exterior), 2), "top": (Polygon(top.exterior), 2)}
