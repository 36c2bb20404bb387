"""Groups of fillet welds as lines, loaded from anywhere."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.welds import THROAT

BASE_SHEAR: Final = 0.40  # of yield
E70_MPA: Final = 482.0
# Thickest plate, and the least leg on it.
LEAST_LEGS_MM: Final = ((6.4, 3.0), (12.7, 5.0), (19.0, 6.0))


@dataclass(frozen=True, kw_only=True)
class _Group:
    """The lines of a group with what bends and twists them."""

    throat_mm: float
    length_mm: float
    centroid_mm: Floats  # (2,)
    unit_x_mm3: float  # second moments of the lines
    unit_y_mm3: float
    unit_xy_mm3: float
    points_mm: Floats  # (p, 2), ends of the lines

    def at_ends_mpa(self, forces_n: Floats, at_mm: Floats, own_nmm: Floats | None = None) -> tuple[Floats, Floats]:
        """The moments of forces, (c, 3), and of their own, at the centroid, and the stress at each end, (c, p, 3)."""
        moments = crossed(at_mm - np.array([*self.centroid_mm, 0.0]), forces_n)
        if own_nmm is not None:
            moments = moments + own_nmm
        x, y = (self.points_mm - self.centroid_mm).T
        even, twist = forces_n / self.length_mm, moments[:, 2:] / (self.unit_x_mm3 + self.unit_y_mm3)
        across = even[:, 2:] + _bending(moments, x, y, self.unit_x_mm3, self.unit_y_mm3, self.unit_xy_mm3)
        parts = np.stack([even[:, :1] - twist * y, even[:, 1:2] + twist * x, across], axis=2)
        return moments, parts / self.throat_mm


@dataclass(frozen=True, kw_only=True)
class WeldStress(_Group):
    """What a group comes to, on the throat; ``at_mm`` is where it is worst."""

    force_n: Floats  # (3,)
    moment_nmm: Floats  # (3,), at the centroid
    sizes_mpa: Floats  # (p,)
    components_mpa: Floats  # (3,), at the worst
    at_mm: Floats  # (2,)
    governing_mpa: float


def weld_stress(
    lines_mm: Floats, *, leg_mm: float, force_n: Floats, at_mm: Floats, moment_nmm: Floats | None = None
) -> WeldStress:
    """Return the stress of a group of fillets in one plane.

    Args:
        lines_mm: Ends of each line in the plane, (n, 2, 2).
        leg_mm: Of the fillet.
        force_n: On the group, (3,), the third square to the plane.
        at_mm: Where it acts, (3,).
        moment_nmm: That acts beside it, (3,).

    Raises:
        ImpossibleInput: If there is no line, or no leg.

    Source:
        Welds as lines: direct force over the length, twist by the polar moment, bending by the general formula with
        I_xy, added as vectors at every end, where it is worst. Worked example weld-group-three-dimensions.
    """
    group = _group_of(lines_mm, leg_mm)
    moments, at_ends = group.at_ends_mpa(force_n[None], at_mm, moment_nmm)
    sizes = np.linalg.norm(at_ends[0], axis=1)
    worst = int(sizes.argmax())
    return WeldStress(
        **vars(group),
        force_n=force_n,
        moment_nmm=moments[0],
        sizes_mpa=sizes,
        components_mpa=at_ends[0, worst],
        at_mm=group.points_mm[worst],
        governing_mpa=float(sizes[worst]),
    )


def _group_of(lines_mm: Floats, leg_mm: float) -> _Group:
    if not len(lines_mm) or not leg_mm > 0:
        raise ImpossibleInput("weld", fig(leg_mm, "mm"), "a line or more, of a leg above 0")
    first, second = lines_mm[:, 0], lines_mm[:, 1]
    along = second - first
    lengths = np.linalg.norm(along, axis=1)
    length = float(lengths.sum())
    middles = (first + second) / 2
    centroid = (lengths[:, None] * middles).sum(axis=0) / length
    off = middles - centroid
    # A line's own second moment about its middle is L d²/12 for its extent d along an axis.
    return _Group(
        throat_mm=THROAT * leg_mm,
        length_mm=length,
        centroid_mm=centroid,
        unit_x_mm3=float((lengths * (off[:, 1] ** 2 + along[:, 1] ** 2 / 12)).sum()),
        unit_y_mm3=float((lengths * (off[:, 0] ** 2 + along[:, 0] ** 2 / 12)).sum()),
        unit_xy_mm3=float((lengths * (off[:, 0] * off[:, 1] + along[:, 0] * along[:, 1] / 12)).sum()),
        points_mm=np.unique(lines_mm.reshape(-1, 2), axis=0),
    )


def weld_sizes_mpa(
    lines_mm: Floats, *, leg_mm: float, forces_n: Floats, at_mm: Floats, moments_nmm: Floats | None = None
) -> Floats:
    """Return the governing stress of a group under each of many forces at one place, (c,).

    Args:
        lines_mm: As in ``weld_stress``.
        leg_mm: The same.
        forces_n: (c, 3).
        at_mm: (3,).
        moments_nmm: That act beside them, (c, 3).

    Source:
        As ``weld_stress``.
    """
    _, found = _group_of(lines_mm, leg_mm).at_ends_mpa(forces_n, at_mm, moments_nmm)
    return np.asarray(np.linalg.norm(found, axis=2).max(axis=1), dtype=np.float64)


def _bending(moments: Floats, x: Floats, y: Floats, unit_x: float, unit_y: float, unit_xy: float) -> Floats:
    """Force per length square to the plane, (c, p); a single straight line bends about nothing but its own."""
    about_x, about_y = moments[:, :1], moments[:, 1:2]
    determinant = unit_x * unit_y - unit_xy**2
    size = max(unit_x, unit_y)
    if determinant > 1e-9 * size**2:
        a = (about_x * unit_y + about_y * unit_xy) / determinant
        b = (about_y * unit_x + about_x * unit_xy) / determinant
        found: Floats = a * y - b * x
        return found
    way = np.array([unit_y, unit_xy]) if unit_y >= unit_x else np.array([unit_xy, unit_x])
    way = way / np.linalg.norm(way)  # the line itself
    along = x * way[0] + y * way[1]
    about = about_x * way[1] - about_y * way[0]
    turning = about_x * way[0] + about_y * way[1]
    hinges = np.abs(turning) > 1e-9 * (np.abs(about) + 1.0)
    return np.where(hinges, math.inf, about * along / (unit_x + unit_y))


def base_shear_mpa(stress: WeldStress, *, thickness_mm: float) -> float:
    """Return the shear of the plate beside the weld.

    Args:
        stress: Of the group.
        thickness_mm: Of the thinner plate.

    Source:
        The weld's force for each length over the plate's thickness.
    """
    return stress.governing_mpa * stress.throat_mm / thickness_mm


def least_leg_mm(thickness_mm: float) -> float:
    """Return the least leg on a plate.

    Args:
        thickness_mm: Of the thicker plate.

    Source:
        AWS D1.1, least fillet by thickness.
    """
    return next((leg for thickest, leg in LEAST_LEGS_MM if thickness_mm <= thickest), 8.0)


def ring_lines(outside_mm: float, sides: int = 48) -> Floats:
    """Return a ring of weld as short lines, (n, 2, 2).

    Args:
        outside_mm: Its diameter.
        sides: Of the polygon.

    Source:
        A polygon of the ring's own length.
    """
    at = 2 * np.pi * np.arange(sides + 1) / sides
    radius = outside_mm / 2 * (np.pi / sides) / math.sin(np.pi / sides)
    points = radius * np.column_stack([np.cos(at), np.sin(at)])
    return np.stack([points[:-1], points[1:]], axis=1)


def frame_lines(breadth_mm: float, depth_mm: float) -> Floats:
    """Return a weld all round a rectangle about its middle, (4, 2, 2).

    Args:
        breadth_mm: Along x.
        depth_mm: Along y.

    Source:
        Plain geometry.
    """
    corners = np.array([(1, 1), (-1, 1), (-1, -1), (1, -1)]) * np.array([breadth_mm, depth_mm]) / 2
    return np.stack([corners, np.roll(corners, -1, axis=0)], axis=1)
