"""Flat plates under loads in their own plane, by finite elements: refined until the peak settles."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray
from shapely import Polygon, contains_xy
from skfem import (
    Basis,
    BilinearForm,
    ElementTriP2,
    ElementVector,
    FacetBasis,
    LinearForm,
    MeshTri,
    asm,
    condense,
    solve,
)
from skfem.helpers import ddot, eye, sym_grad, trace
from skfem.models.elasticity import lame_parameters

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.meshes import along, grid, triangles_over

SETTLED: Final = 0.02  # of the peak, from one mesh to the next
MOST_MESHES: Final = 4
FIRST_SHARE: Final = 1 / 12  # of the plate's longer side: spacing of the first mesh
FINER: Final = 0.62
NEAR_HOLE: Final = 0.06  # of a hole's diameter, on its edge, where the first mesh is
GROWS: Final = 0.3  # from ring to ring about it
CLAMP_SHARE: Final = 0.04  # of the longer side


@dataclass(frozen=True, slots=True)
class RoundHole:
    """A round hole, and the force on its edge from what is in it, N."""

    x_mm: float
    y_mm: float
    diameter_mm: float
    force_n: tuple[float, float] = (0.0, 0.0)


@dataclass(frozen=True, kw_only=True)
class PlaneStress:
    """The stress of a plate: von Mises at the middle of each triangle's corners, and where it is greatest."""

    points_mm: Floats  # (n, 2)
    triangles: NDArray[np.int64]  # (m, 3)
    stress_mpa: Floats  # (n,), von Mises, at the points
    move_mm: Floats  # (n, 2)
    peak_mpa: float
    peak_at_mm: tuple[float, float]
    peaks_mpa: tuple[float, ...]  # of each mesh, the finest last
    triangle_counts: tuple[int, ...]
    settled: bool


Traction = Callable[[Any], Any]  # over points of an edge, (2, ...): force for each area, (2, ...)
Where = Callable[[Any], Any]


def solve_plate(
    outline: Polygon,
    holes: Sequence[RoundHole],
    *,
    thickness_mm: float,
    e_mpa: float,
    poisson: float,
    is_held: Where,
    pull: tuple[Where, Traction] | None = None,
    most_meshes: int = MOST_MESHES,
) -> PlaneStress:
    """Return the stress of a plate.

    Args:
        outline: Its edge, without holes.
        holes: In it; a bolt in one presses its edge by the cosine, on the half that it is pushed against.
        thickness_mm: Of it.
        e_mpa: Young's modulus.
        poisson: Poisson's ratio.
        is_held: Says of points, (2, n), which are clamped.
        pull: Which points of the edge are pulled, and by what stress.
        most_meshes: After so many it is not settled.

    Raises:
        ImpossibleInput: If a size is not above nought or a hole breaks the edge.

    Source:
        Plane stress with quadratic triangles (scikit-fem), each mesh finer until the peak moves by less than 2 %. Held
        against a bar, a cantilever and a plate with a hole in the tests.
    """
    if not thickness_mm > 0:
        raise ImpossibleInput("thickness", fig(thickness_mm, "mm"), "above 0")
    for hole in holes:
        if not hole.diameter_mm > 0 or not outline.contains(_disc(hole)):
            raise ImpossibleInput("hole", fig(hole.diameter_mm, "mm"), "within the plate")
    plate = _Plate(outline, tuple(holes), thickness_mm, e_mpa, poisson, is_held, pull)
    return _refined(plate, most_meshes)


@dataclass(frozen=True, slots=True)
class _Plate:
    outline: Polygon
    holes: tuple[RoundHole, ...]
    thickness_mm: float
    e_mpa: float
    poisson: float
    is_held: Where
    pull: tuple[Where, Traction] | None


def _refined(plate: _Plate, most_meshes: int) -> PlaneStress:
    low_x, low_y, high_x, high_y = plate.outline.bounds
    longer = max(high_x - low_x, high_y - low_y)
    peaks, counts, finer = list[float](), list[int](), 1.0
    is_settled = False
    while not is_settled and len(peaks) < most_meshes:
        mesh = meshed(plate.outline, plate.holes, longer * FIRST_SHARE * finer, finer)
        stress, moves = _solved(mesh, plate)
        free = off_the_clamp(mesh, plate.is_held, max(plate.thickness_mm, CLAMP_SHARE * longer))
        peaks.append(float(stress[free].max()))
        counts.append(int(mesh.t.shape[1]))
        is_settled = len(peaks) > 1 and abs(peaks[-1] - peaks[-2]) < SETTLED * peaks[-1]
        finer *= FINER
    points, worst = mesh.p.T, int(np.where(free, stress, 0.0).argmax())
    return PlaneStress(
        points_mm=points,
        triangles=np.asarray(mesh.t.T, dtype=np.int64),
        stress_mpa=stress,
        move_mm=moves,
        peak_mpa=peaks[-1],
        peak_at_mm=(float(points[worst, 0]), float(points[worst, 1])),
        peaks_mpa=tuple(peaks),
        triangle_counts=tuple(counts),
        settled=is_settled,
    )


def _disc(hole: RoundHole) -> Polygon:
    at = np.linspace(0, 2 * np.pi, 96, endpoint=False)
    radius = hole.diameter_mm / 2
    return Polygon(np.column_stack([hole.x_mm + radius * np.cos(at), hole.y_mm + radius * np.sin(at)]))


def off_the_clamp(mesh: MeshTri, is_held: Where, clear_mm: float) -> NDArray[np.bool_]:
    """Return which points lie off what is clamped: corners there are sharper than any weld's, their stress endless.

    Args:
        mesh: Of the plate.
        is_held: Says of points which are clamped.
        clear_mm: Nearer than that to what is clamped does not count.

    Source:
        A re-entrant or clamped corner has no finite elastic stress.
    """
    edge = mesh.boundary_facets()
    held = mesh.p[:, mesh.facets[:, edge]].mean(axis=1)
    held = held[:, is_held(held)]
    off = np.min(np.hypot(mesh.p[0][:, None] - held[0], mesh.p[1][:, None] - held[1]), axis=1)
    return np.asarray(off > clear_mm, dtype=np.bool_)


def meshed(outline: Polygon, holes: Sequence[RoundHole], spacing: float, finer: float) -> MeshTri:
    """Return triangles over points that lie closer round holes.

    Args:
        outline: Of the plate, without holes.
        holes: In it.
        spacing: Between points away from holes and edges, mm.
        finer: A share by which the points on holes lie closer than on the first mesh.

    Source:
        Delaunay triangles of those points; those whose middle is outside are dropped.
    """
    near = [min(NEAR_HOLE * hole.diameter_mm * finer, spacing) for hole in holes]
    rings = [_ring(hole, step) for hole, step in zip(holes, near, strict=True)]
    solid = Polygon(outline.exterior.coords, [ring.tolist() for ring in rings])
    edge = along(np.array(outline.exterior.coords), spacing * 0.5)
    inner = _inside(outline, holes, spacing, near)
    points, triangles = triangles_over(np.vstack([edge, *rings, inner]), solid, spacing)
    return MeshTri(np.ascontiguousarray(points.T), np.ascontiguousarray(triangles.T))


def _ring(hole: RoundHole, spacing: float) -> Floats:
    count = max(int(math.ceil(math.pi * hole.diameter_mm / spacing / 4)) * 4, 24)
    at = 2 * np.pi * np.arange(count) / count
    radius = hole.diameter_mm / 2
    return np.asarray(np.column_stack([hole.x_mm + radius * np.cos(at), hole.y_mm + radius * np.sin(at)]))


def _inside(outline: Polygon, holes: Sequence[RoundHole], spacing: float, near: Sequence[float]) -> Floats:
    """A hexagonal grid within, and rings round each hole that grow wider outward."""
    points = grid(outline.bounds, spacing)
    reach = [_rings_round(hole, spacing, step) for hole, step in zip(holes, near, strict=True)]
    for hole, (rings, out) in zip(holes, reach, strict=True):
        away = np.hypot(points[:, 0] - hole.x_mm, points[:, 1] - hole.y_mm) > out
        points = np.vstack([points[away], *rings]) if rings else points[away]
    room = outline.buffer(-0.35 * spacing * 0.5)
    points = points[contains_xy(room, points[:, 0], points[:, 1])]
    for hole, step in zip(holes, near, strict=True):
        off = np.hypot(points[:, 0] - hole.x_mm, points[:, 1] - hole.y_mm) - hole.diameter_mm / 2
        points = points[off > 0.4 * step]
    return np.asarray(points, dtype=np.float64)


def _rings_round(hole: RoundHole, spacing: float, step: float) -> tuple[list[Floats], float]:
    rings, radius, k = list[Floats](), hole.diameter_mm / 2, 0
    while step < spacing:
        radius, k = radius + step, k + 1
        count = max(int(2 * math.pi * radius / step), 12)
        at = 2 * np.pi * (np.arange(count) + 0.5 * (k % 2)) / count
        rings.append(np.column_stack([hole.x_mm + radius * np.cos(at), hole.y_mm + radius * np.sin(at)]))
        step *= 1 + GROWS
    return rings, radius + 0.6 * step


def _solved(mesh: MeshTri, plate: _Plate) -> tuple[Floats, Floats]:
    element = ElementVector(ElementTriP2())
    basis = Basis(mesh, element)
    lame, shear = lame_parameters(plate.e_mpa, plate.poisson)
    lame = 2 * lame * shear / (lame + 2 * shear)  # of plane stress

    def stiffness(u: Any, v: Any, _: Any) -> Any:
        strain = sym_grad(u)
        return ddot(lame * eye(trace(strain), 2) + 2 * shear * strain, sym_grad(v))

    forces = np.zeros(basis.N)
    edge = mesh.boundary_facets()
    middles = mesh.p[:, mesh.facets[:, edge]].mean(axis=1)
    for hole in plate.holes:
        if any(hole.force_n):
            forces += _pressed(mesh, element, edge, middles, hole, plate.thickness_mm)
    if plate.pull is not None:
        forces += _pulled(mesh, element, edge[plate.pull[0](middles)], plate.pull[1])
    held = edge[plate.is_held(middles)]
    moves = solve(*condense(asm(BilinearForm(stiffness), basis), forces, D=basis.get_dofs(held)))
    stress = _von_mises(basis, moves, lame, shear)
    at_points = moves[basis.nodal_dofs].T
    return stress, at_points


def _pressed(mesh: MeshTri, element: Any, edge: Any, middles: Floats, hole: RoundHole, thickness: float) -> Floats:
    """A bolt's push on the half of a hole's edge that it is pressed against: by the cosine."""
    size = math.hypot(*hole.force_n)
    way = np.array(hole.force_n) / size
    radius = hole.diameter_mm / 2
    off = middles - np.array([[hole.x_mm], [hole.y_mm]])
    on_it = np.abs(np.hypot(*off) - radius) < 0.1 * radius
    peak = 4 * size / (math.pi * hole.diameter_mm * thickness)

    def traction(x: Any) -> Any:
        out = np.stack([x[0] - hole.x_mm, x[1] - hole.y_mm]) / radius
        cosine = np.maximum(out[0] * way[0] + out[1] * way[1], 0.0)
        return peak * cosine * out

    return _pulled(mesh, element, edge[on_it], traction)


def _pulled(mesh: MeshTri, element: Any, facets: Any, traction: Traction) -> Floats:
    basis = FacetBasis(mesh, element, facets=facets)

    def load(v: Any, w: Any) -> Any:
        force = traction(w.x)
        return force[0] * v[0] + force[1] * v[1]

    return np.asarray(asm(LinearForm(load), basis), dtype=np.float64)


def _von_mises(basis: Any, moves: Floats, lame: float, shear: float) -> Floats:
    """At each point of the mesh: of every triangle that has it, the mean of its own."""
    mesh = basis.mesh
    corners = Basis(mesh, basis.elem, quadrature=(np.array([[0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]), np.ones(3) / 6))
    strain = sym_grad(corners.interpolate(moves))
    stress = lame * eye(trace(strain), 2) + 2 * shear * strain
    total, count = np.zeros((3, mesh.p.shape[1])), np.zeros(mesh.p.shape[1])
    for corner in range(3):
        at = mesh.t[corner]
        for k, (i, j) in enumerate(((0, 0), (1, 1), (0, 1))):
            np.add.at(total[k], at, stress[i, j][:, corner])
        np.add.at(count, at, 1.0)
    xx, yy, xy = total / count
    return np.asarray(np.sqrt(xx**2 - xx * yy + yy**2 + 3 * xy**2), dtype=np.float64)
