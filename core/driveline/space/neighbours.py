"""How near two bodies come, whatever they are made of."""

import numpy as np

from driveline.space.bodies import Body
from driveline.space.distance import Near, bounds_apart_mm, nearest
from driveline.space.on_surface import nearest_on


def nearest_bodies(first: Body, second: Body, *, within_mm: float = np.inf, is_deep: bool = True) -> Near | None:
    """Return how near two bodies come; ``None`` where it is more than ``within_mm``.

    Args:
        first: Where it stands.
        second: Where it stands.
        within_mm: Farther is of no interest.
        is_deep: How deep one stands in the other's surface is asked too: it takes longest.

    Source:
        The least over all pairs of their pieces; overlap counts as its depth, the deepest first. Of two surfaces one
        is pieces already, see ``lumps``.
    """
    bounds = sorted(
        (
            (float(bounds_apart_mm(one.bounds_mm, other.bounds_mm)), k, m)
            for k, one in enumerate(first.pieces)
            for m, other in enumerate(second.pieces)
        )
    )
    best = _to_surface(first, second, within_mm, is_deep=is_deep)
    for least_mm, k, m in bounds:
        if least_mm > within_mm or (best is not None and least_mm > best.gap_mm):
            break
        found = nearest(first.pieces[k], second.pieces[m])
        if best is None or (found.gap_mm, -found.depth_mm) < (best.gap_mm, -best.depth_mm):
            best = found
    return None if best is None or best.gap_mm > within_mm else best


def _to_surface(first: Body, second: Body, within_mm: float, *, is_deep: bool) -> Near | None:
    best: Near | None = None
    if second.surface is not None:
        for piece in first.pieces:
            found = nearest_on(piece, second.surface, within_mm=within_mm, is_deep=is_deep)
            if found is not None and (best is None or (found.gap_mm, -found.depth_mm) < (best.gap_mm, -best.depth_mm)):
                best = found
    return best
