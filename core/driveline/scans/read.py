"""Triangles out of a scan's file. Called in a process of its own, with limits: a parser may be led astray."""

import tempfile
from pathlib import Path
from typing import Final

import numpy as np
import trimesh
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.reading.csv_in import UnreadableFile
from driveline.scans.formats import MOST_TRIANGLES, SAVE_AGAIN, Kind
from driveline.space.shapes import Faces

GREATEST_SIZE: Final = 1e6  # in the file's own unit: a kilometre in mm
FINENESS_MM: Final = 0.1  # of a solid's round faces
MM_PER_M: Final = 1000.0


def read_triangles(path: Path, kind: Kind, name: str) -> tuple[Floats, Faces, tuple[str, ...]]:
    """Return corners, (n, 3), and triangles, (m, 3), of a file that was looked at, and what was left out of it.

    Args:
        path: Of the file.
        kind: Of it.
        name: As it was called where it came from.

    Raises:
        UnreadableFile: If it can't be read, or what it holds is no surface of finite size.
    """
    try:
        mesh = _solid(path) if kind is Kind.STEP else _loaded(path, kind.value)
        vertices = np.asarray(mesh.vertices, dtype=np.float64).reshape(-1, 3)
        faces = np.asarray(mesh.faces, dtype=np.int64).reshape(-1, 3)
    except MemoryError:
        raise
    except Exception as error:  # a parser of other people's files fails in ways of its own
        raise UnreadableFile(name, f"{name} can't be read as {kind.words}.", SAVE_AGAIN) from error
    return _checked(vertices, faces, name)


def _checked(vertices: Floats, faces: NDArray[np.int64], name: str) -> tuple[Floats, Faces, tuple[str, ...]]:
    if not len(faces) or not len(vertices):
        raise UnreadableFile(name, f"{name} has no triangles.", SAVE_AGAIN)
    if len(faces) > MOST_TRIANGLES:
        problem = f"{name} has {len(faces) / 1e6:.1f} million triangles; up to 2 million can be taken."
        raise UnreadableFile(name, problem, "Thin the scan, or crop it to the room that matters.")
    if faces.min() < 0 or faces.max() >= len(vertices):
        raise UnreadableFile(name, f"{name} names corners that it does not hold.", SAVE_AGAIN)
    used, faces = np.unique(faces, return_inverse=True)
    vertices, faces = vertices[used], faces.reshape(-1, 3)
    if not np.isfinite(vertices).all():
        raise UnreadableFile(name, f"{name} has corners that are no number.", SAVE_AGAIN)
    size = float(np.ptp(vertices, axis=0).max())
    if size > GREATEST_SIZE or float(np.abs(vertices).max()) > 100 * GREATEST_SIZE:
        raise UnreadableFile(name, f"{name} reaches {size:.3g} across.", "Delete the stray points that lie far off.")
    first, second, third = (vertices[faces[:, k]] for k in range(3))
    has_area = np.linalg.norm(np.cross(second - first, third - first), axis=1) > (1e-9 * max(size, 1e-9)) ** 2
    if not has_area.any():
        raise UnreadableFile(name, f"{name} has no triangle with an area.", SAVE_AGAIN)
    flat = int(len(faces) - has_area.sum())
    notes = (f"{flat} triangles without an area were left out.",) if flat else ()
    return vertices, faces[has_area].astype(np.int32), notes


def _loaded(path: Path, kind: str) -> trimesh.Trimesh:
    with path.open("rb") as file:  # never by its path: an OBJ could then name other files to be read
        found = trimesh.load_mesh(file, file_type=kind, process=False, skip_materials=True)
    return one_of(found)


def _solid(path: Path) -> trimesh.Trimesh:
    import cascadio  # noqa: PLC0415 - 100 MB of it: only where a solid comes in

    with tempfile.TemporaryDirectory() as folder:
        made = Path(folder) / "solid.glb"
        if cascadio.step_to_glb(str(path), str(made), tol_linear=FINENESS_MM, use_parallel=False) != 0:
            raise ValueError("no solid")
        with made.open("rb") as file:
            scene = trimesh.load_scene(file, file_type="glb")
    mesh = one_of(scene)
    mesh.vertices *= MM_PER_M
    return mesh


def one_of(found: trimesh.Trimesh | trimesh.Scene) -> trimesh.Trimesh:
    """Return everything of a file as one mesh."""
    mesh: trimesh.Trimesh = found if isinstance(found, trimesh.Trimesh) else found.to_mesh()
    return mesh
