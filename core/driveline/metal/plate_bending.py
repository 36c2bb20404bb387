"""Flat plates bent out of their plane, by finite elements: refined until the greatest move settles."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray
from shapely import Polygon
from skfem import Basis, BilinearForm, ElementTriMorley, FacetBasis, LinearForm, MeshTri, asm, condense, solve
from skfem.helpers import dd, ddot, eye, trace

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.plane_stress import CLAMP_SHARE, FINER, FIRST_SHARE, RoundHole, Where, meshed, off_the_clamp

SETTLED: Final = 0.02  # of the greatest move, from one mesh to the next
MOST_MESHES: Final = 6


@dataclass(frozen=True, kw_only=True)
class PlateBending:
    """A plate bent: its greatest move and its greatest surface stress off the clamp, by von Mises."""

    points_mm: Floats  # (n, 2)
    triangles: NDArray[np.int64]  # (m, 3)
    stress_mpa: Floats  # (m,), at the middle of each
    move_mm: float
    peak_mpa: float
    peak_at_mm: tuple[float, float]
    triangle_counts: tuple[int, ...]
    settled: bool


@dataclass(frozen=True, slots=True)
class _Bent:
    outline: Polygon
    holes: tuple[RoundHole, ...]
    thickness_mm: float
    e_mpa: float
    poisson: float
    is_held: Where
    pressure_mpa: float
    is_pressed: Where
    on_hole_n: float


def _everywhere(x: Any) -> Any:
    return np.ones(x.shape[1:])


def solve_bending(
    outline: Polygon,
    holes: Sequence[RoundHole],
    *,
    thickness_mm: float,
    e_mpa: float,
    poisson: float,
    is_held: Where,
    pressure_mpa: float = 0.0,
    is_pressed: Where = _everywhere,
    on_hole_n: float = 0.0,
    most_meshes: int = MOST_MESHES,
) -> PlateBending:
    """Return how far a thin plate bends, and its stress.

    Args:
        outline: Its edge, without holes.
        holes: In it; what acts in their plane does not count here.
        thickness_mm: Of it.
        e_mpa: Young's modulus.
        poisson: Poisson's ratio.
        is_held: Says of points, (2, n), which are clamped.
        pressure_mpa: On it.
        is_pressed: Says of points, (2, ...), which that acts on.
        on_hole_n: Square to it, along the first hole's edge.
        most_meshes: After so many it is not settled.

    Raises:
        ImpossibleInput: If it has no thickness, or there is nothing to bend it.

    Source:
        Kirchhoff's plate by Morley's triangles (scikit-fem), each mesh finer until the greatest move changes by less
        than 2 %. Held against a cantilever and a clamped ring under pressure in the tests.
    """
    if not thickness_mm > 0:
        raise ImpossibleInput("thickness", fig(thickness_mm, "mm"), "above 0")
    if not pressure_mpa and not (on_hole_n and holes):
        raise ImpossibleInput("load", 0.0, "a pressure, or a force on a hole")
    plate = _Bent(outline, tuple(holes), thickness_mm, e_mpa, poisson, is_held, pressure_mpa, is_pressed, on_hole_n)
    return _refined(plate, most_meshes)


def _refined(plate: _Bent, most_meshes: int) -> PlateBending:
    low_x, low_y, high_x, high_y = plate.outline.bounds
    longer, finer = max(high_x - low_x, high_y - low_y), 1.0
    moves, counts, is_settled = list[float](), list[int](), False
    while not is_settled and len(moves) < most_meshes:
        mesh = meshed(plate.outline, plate.holes, longer * FIRST_SHARE * finer, finer)
        move, stress = _solved(mesh, plate)
        free = off_the_clamp(mesh, plate.is_held, max(plate.thickness_mm, CLAMP_SHARE * longer))[mesh.t].all(axis=0)
        moves.append(move)
        counts.append(int(mesh.t.shape[1]))
        is_settled = len(moves) > 1 and abs(moves[-1] - moves[-2]) < SETTLED * moves[-1]
        finer *= FINER
    worst = int(np.where(free, stress, 0.0).argmax())
    middle = mesh.p[:, mesh.t[:, worst]].mean(axis=1)
    return PlateBending(
        points_mm=mesh.p.T,
        triangles=np.asarray(mesh.t.T, dtype=np.int64),
        stress_mpa=stress,
        move_mm=moves[-1],
        peak_mpa=float(stress[worst]),
        peak_at_mm=(float(middle[0]), float(middle[1])),
        triangle_counts=tuple(counts),
        settled=is_settled,
    )


def _solved(mesh: MeshTri, plate: _Bent) -> tuple[float, Floats]:
    element = ElementTriMorley()
    basis = Basis(mesh, element, intorder=4)
    rigidity = plate.e_mpa * plate.thickness_mm**3 / (12 * (1 - plate.poisson**2))

    def moments(u: Any) -> Any:
        bend = dd(u)
        return rigidity * ((1 - plate.poisson) * bend + plate.poisson * eye(trace(bend), 2))

    def stiffness(u: Any, v: Any, _: Any) -> Any:
        return ddot(moments(u), dd(v))

    def pressed(v: Any, w: Any) -> Any:
        return plate.pressure_mpa * plate.is_pressed(w.x) * v

    load = asm(LinearForm(pressed), basis)
    edge = mesh.boundary_facets()
    middles = mesh.p[:, mesh.facets[:, edge]].mean(axis=1)
    if plate.on_hole_n:
        hole = plate.holes[0]
        radius = hole.diameter_mm / 2
        on_it = edge[np.abs(np.hypot(middles[0] - hole.x_mm, middles[1] - hole.y_mm) - radius) < 0.1 * radius]
        rim = FacetBasis(mesh, element, facets=on_it)

        def lined(v: Any, _: Any) -> Any:
            return plate.on_hole_n / (np.pi * hole.diameter_mm) * v

        load = load + asm(LinearForm(lined), rim)
    held = basis.get_dofs(edge[plate.is_held(middles)])
    moved = solve(*condense(asm(BilinearForm(stiffness), basis), load, D=held))
    across = moments(basis.interpolate(moved)) * 6 / plate.thickness_mm**2
    xx, yy, xy = (across[i, j].mean(axis=1) for i, j in ((0, 0), (1, 1), (0, 1)))
    stress = np.sqrt(xx**2 - xx * yy + yy**2 + 3 * xy**2)
    return float(np.abs(moved[basis.nodal_dofs]).max()), np.asarray(stress, dtype=np.float64)
