"""A shelf on gussets: a plate that carries the mount, with upright plates below that grow deeper toward the root."""

import math
from collections.abc import Sequence

import numpy as np

from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.metal.sections import Section


def gusset_places_mm(*, breadth_mm: float, gusset_mm: float, count: int) -> tuple[float, ...]:
    """Return how far each gusset's middle lies beside the shelf's: one below its middle, two at its edges, three both.

    Args:
        breadth_mm: Of the shelf.
        gusset_mm: Thickness of a gusset.
        count: Of gussets, 1 to 3.

    Source:
        As they are made.
    """
    outer = (breadth_mm - gusset_mm) / 2
    return {1: (0.0,), 2: (-outer, outer), 3: (-outer, 0.0, outer)}[count]


def gusseted(*, breadth_mm: float, shelf_mm: float, gusset_mm: float, count: int, depth_mm: float) -> Section:
    """Return a shelf with gussets below it. Open, it twists easily.

    Args:
        breadth_mm: Of the shelf.
        shelf_mm: Its thickness.
        gusset_mm: Thickness of a gusset.
        count: Of gussets, 1 to 3.
        depth_mm: Over all: the shelf and what is below it.

    Raises:
        ImpossibleInput: If a size is not above nought, the gussets are wider than the shelf, or all is less deep than
            the shelf is thick.

    Source:
        Rectangles about their common centroid; the outer fibre farthest from it counted on both sides; J = Σ b t³/3,
        τ = T t_max/J; shear centre of two or more as of a channel, t_f b² h²/(4 I) above the shelf's middle (Roark). A
        load across, in line with the centroid, twists it by that and by how far the centroid lies below.
    """
    if count not in (1, 2, 3):
        raise ImpossibleInput("gussets", count, "one to three")
    for name, value in (("breadth", breadth_mm), ("shelf", shelf_mm), ("gusset", gusset_mm)):
        if not (math.isfinite(value) and value > 0):
            raise ImpossibleInput(name, value, "above 0")
    if count * gusset_mm > breadth_mm:
        raise ImpossibleInput(
            "gusset", fig(gusset_mm, "mm"), f"no more than {fig(breadth_mm / count, 'mm')} thick, to fit the shelf"
        )
    below = depth_mm - shelf_mm
    if not below >= 0:
        raise ImpossibleInput("depth", fig(depth_mm, "mm"), f"{fig(shelf_mm, 'mm')} or more, which the shelf is thick")
    shelf, gussets = breadth_mm * shelf_mm, count * gusset_mm * below
    low = (shelf * shelf_mm / 2 + gussets * (shelf_mm + below / 2)) / (shelf + gussets)  # centroid, from the top
    upright = (
        breadth_mm * shelf_mm**3 / 12
        + shelf * (low - shelf_mm / 2) ** 2
        + count * gusset_mm * below**3 / 12
        + gussets * (shelf_mm + below / 2 - low) ** 2
    )
    places = gusset_places_mm(breadth_mm=breadth_mm, gusset_mm=gusset_mm, count=count)
    across = shelf_mm * breadth_mm**3 / 12 + sum(below * gusset_mm**3 / 12 + below * gusset_mm * y**2 for y in places)
    torsion = (breadth_mm * shelf_mm**3 + count * below * gusset_mm**3) / 3
    return Section(
        words=(
            f"shelf {num(breadth_mm, 'mm')} x {fig(shelf_mm, 'mm')} on {count} gusset{'s' if count > 1 else ''} "
            f"of {fig(gusset_mm, 'mm')}, {fig(depth_mm, 'mm')} deep"
        ),
        area_mm2=shelf + gussets,
        upright_mm4=upright,
        across_mm4=across,
        depth_mm=2 * max(low, depth_mm - low),
        breadth_mm=breadth_mm,
        torsion_mm4=torsion,
        shear_per_nmm=max(shelf_mm, gusset_mm if below > 0 else 0.0) / torsion,
        shear_centre_mm=0.0,
        is_closed=False,
        webs_mm2=(count * gusset_mm * depth_mm, breadth_mm * shelf_mm),
        rise_mm=low - shelf_mm / 2 + _above_mm(breadth_mm, shelf_mm, gusset_mm, count, below),
    )


def _above_mm(breadth_mm: float, shelf_mm: float, gusset_mm: float, count: int, below_mm: float) -> float:
    """How far the shear centre lies above the shelf's middle line."""
    if count == 1 or below_mm == 0:
        return 0.0
    flange, web = below_mm + shelf_mm / 2, breadth_mm - gusset_mm
    on_lines = shelf_mm * web**3 / 12 + gusset_mm * flange * web**2 / 2
    return gusset_mm * flange**2 * web**2 / (4 * on_lines)


def tapered_stiffness_n_per_mm(
    sections: Sequence[tuple[float, Section]], *, e_mpa: float
) -> tuple[float, float, float]:
    """Return what a tapered cantilever holds its end with along itself, across and upright.

    Args:
        sections: Each with how far it is from the load, the farthest first, which is the root; the last is at the load.
        e_mpa: Young's modulus.

    Source:
        Flexibilities along it by the trapezium rule, ∫ ds/(E A) and ∫ s² ds/(E I).
    """
    at = np.array([lever for lever, _ in sections])[::-1]
    area, across, upright = (
        np.array([getattr(one, name) for _, one in sections])[::-1]
        for name in ("area_mm2", "across_mm4", "upright_mm4")
    )
    along, level, up = (float(np.trapezoid(each, at)) / e_mpa for each in (1 / area, at**2 / across, at**2 / upright))
    return 1 / along, 1 / level, 1 / up
