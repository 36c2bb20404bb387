"""A section of any outline: area and bending by its edge, torsion by finite elements."""

from collections.abc import Sequence
from typing import Final

import numpy as np
from numpy.typing import NDArray
from shapely import Polygon, contains_xy

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.memory import kept
from driveline.metal.frames import FrameSection, section_of
from driveline.metal.meshes import along, grid, triangles_over

ACROSS_WALL: Final = 0.7  # of a mean wall, 2 A over the length of its edge: between points of the first mesh
FINER: Final = 0.7
SETTLED: Final = 0.01  # of J, from one mesh to the next
MOST_MESHES: Final = 5
MOST_POINTS: Final = 8_000
MOST_LOOKED_AT: Final = 400_000  # of the rectangle about it, for those within
AREA_OFF: Final = 0.005  # of the area, that a mesh may lack


def outlined(rings_mm: Sequence[Floats]) -> FrameSection:
    """Return the figures of a section by its edge.

    Args:
        rings_mm: Its outside, then each hollow in it, corners in order, (n, 2); x to the right, y up.

    Raises:
        ImpossibleInput: If the rings enclose no sound area, or its torsion constant does not settle.

    Source:
        Green's theorem along the edge for A, ∫x, ∫x², ∫xy; Z about the section's skew axes; ``torsion_constant_mm4``.
    """
    solid = shape_of(rings_mm)
    area, middle, second = _moments(solid)
    fibres = np.array(solid.exterior.coords) - middle
    torsion = torsion_constant_mm4(solid)
    return section_of(area, middle, second, fibres, torsion_mm4=torsion, cells=len(rings_mm) - 1)


def shape_of(rings_mm: Sequence[Floats]) -> Polygon:
    """Return a section's metal.

    Args:
        rings_mm: As in ``outlined``.

    Raises:
        ImpossibleInput: If they enclose no sound area.

    Source:
        Plain geometry.
    """
    if not rings_mm or any(len(ring) < 3 for ring in rings_mm):
        raise ImpossibleInput("outline", len(rings_mm), "a closed ring of three corners or more")
    solid = Polygon(rings_mm[0], rings_mm[1:])
    if not solid.is_valid or not solid.area > 0:
        raise ImpossibleInput("outline", fig(float(solid.area), "mm²"), "a ring that does not cross itself, or others")
    return solid


def _moments(solid: Polygon) -> tuple[float, Floats, Floats]:
    """Area, middle, and ∫x², ∫xy, ∫y² about it."""
    area, first, second = 0.0, np.zeros(2), np.zeros((2, 2))
    for k, ring in enumerate((solid.exterior, *solid.interiors)):
        x, y = np.array(ring.coords).T
        cross = x[:-1] * y[1:] - x[1:] * y[:-1]
        sense = np.sign(cross.sum()) * (1.0 if k == 0 else -1.0)
        cross = sense * cross
        sums = np.array([x[:-1] + x[1:], y[:-1] + y[1:]])
        area += float(cross.sum()) / 2
        first += (sums * cross).sum(axis=1) / 6
        for i, a in enumerate((x, y)):
            for j, b in enumerate((x, y)):
                even = 2 * (a[:-1] * b[:-1] + a[1:] * b[1:]) + a[:-1] * b[1:] + a[1:] * b[:-1]
                second[i, j] += float((cross * even).sum()) / 24
    middle = first / area
    return area, middle, second - area * np.outer(middle, middle)


@kept(50)
def torsion_constant_mm4(solid: Polygon) -> float:
    """Return the torsion constant of a section of any shape, with hollows or without.

    Args:
        solid: Its metal, mm.

    Raises:
        ImpossibleInput: If its walls are too thin for so long an edge, or it does not settle.

    Source:
        St. Venant's warping function by quadratic triangles (scikit-fem), J = ∫ (x² + y² + x ∂ω/∂y - y ∂ω/∂x), each
        mesh finer until J moves by less than 1 %. Held against closed forms and Bredt's in the tests.
    """
    spacing = ACROSS_WALL * 2 * float(solid.area) / float(solid.length)
    found = list[float]()
    for _ in range(MOST_MESHES):
        if max(float(solid.area) / MOST_POINTS, _box_mm2(solid) / MOST_LOOKED_AT) > spacing**2:
            break
        points, triangles = _meshed(solid, spacing)
        spacing *= FINER
        corners = points[triangles]
        x, y = corners[..., 0], corners[..., 1]
        areas = np.abs((x[:, 1] - x[:, 0]) * (y[:, 2] - y[:, 0]) - (x[:, 2] - x[:, 0]) * (y[:, 1] - y[:, 0])) / 2
        if abs(float(areas.sum()) / float(solid.area) - 1) > AREA_OFF:
            continue
        found.append(_by_warping(points, triangles))
        if len(found) > 1 and abs(found[-1] - found[-2]) < SETTLED * found[-1]:
            return found[-1]
    thin = fig(2 * float(solid.area) / float(solid.length), "mm", 1)
    raise ImpossibleInput("outline", thin, "walls thick enough, for their length, to be worked out")


def _box_mm2(solid: Polygon) -> float:
    low_x, low_y, high_x, high_y = solid.bounds
    return float((high_x - low_x) * (high_y - low_y))


def _meshed(solid: Polygon, spacing: float) -> tuple[Floats, NDArray[np.int64]]:
    """Triangles over points along the edge and within it."""
    edges = [along(np.array(ring.coords), spacing) for ring in (solid.exterior, *solid.interiors)]
    room, inner = solid.buffer(-0.4 * spacing), grid(solid.bounds, spacing)
    points = np.vstack([*edges, inner[contains_xy(room, inner[:, 0], inner[:, 1])]])
    return triangles_over(points, solid, spacing)


def _by_warping(points: Floats, triangles: NDArray[np.int64]) -> float:
    # Takes a while to load: only where a section was drawn.
    from skfem import Basis, BilinearForm, ElementTriP2, Functional, LinearForm, MeshTri, asm, condense, solve  # noqa: PLC0415
    from skfem.helpers import dot, grad  # noqa: PLC0415

    mesh = MeshTri(np.ascontiguousarray((points - points.mean(axis=0)).T), np.ascontiguousarray(triangles.T))
    basis = Basis(mesh, ElementTriP2())
    stiffness = asm(BilinearForm(lambda u, v, _: dot(grad(u), grad(v))), basis)
    load = asm(LinearForm(lambda v, w: w.x[1] * grad(v)[0] - w.x[0] * grad(v)[1]), basis)
    warped = basis.interpolate(solve(*condense(stiffness, load, D=np.array([0]))))

    def twisted(w: Functional) -> Floats:
        x, y = w.x
        found: Floats = x**2 + y**2 + x * grad(w["warped"])[1] - y * grad(w["warped"])[0]
        return found

    return float(asm(Functional(twisted), basis, warped=warped))
