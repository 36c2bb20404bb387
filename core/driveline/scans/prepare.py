"""A scan made ready once: its surface in blocks, its picture for the screen, and what is known of it."""

import json
import os
import shutil
from collections.abc import Callable
from pathlib import Path
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.sparse import coo_array
from scipy.sparse.csgraph import connected_components

from driveline.arrays import Floats
from driveline.scans.formats import looked_at
from driveline.scans.read import read_triangles
from driveline.space.shapes import Faces
from driveline.space.surface import in_blocks

VIEW_POINTS: Final = 150_000
SPECK: Final = 30  # triangles: fewer, by themselves, are a bit of dust in the scanner's light
GREATEST_16_BIT: Final = 65535


def prepare(source: Path, name: str, made: Path, say: Callable[[float], None]) -> None:
    """Make a scan ready.

    Args:
        source: Its file.
        name: As it was called where it came from.
        made: The folder to leave it in. It is there whole, or not at all.
        say: Told how much of it is done, a share.

    Raises:
        UnreadableFile: If it is no scan that can be taken.
    """
    kind = looked_at(source, name)
    say(0.05)
    vertices, faces, notes = read_triangles(source, kind, name)
    say(0.4)
    specks, bits = specks_of(vertices, faces)
    surface = in_blocks(vertices, faces, specks=specks)
    say(0.8)
    making = made.with_name(f"{made.name}.making")
    shutil.rmtree(making, ignore_errors=True)
    making.mkdir(parents=True)
    for part in ("vertices", "faces", "spans", "middle"):
        np.save(making / f"{part}.npy", getattr(surface, part), allow_pickle=False)
    (making / "view.bin").write_bytes(view_bytes(vertices, faces))
    size = np.ptp(vertices, axis=0).tolist()
    (making / "facts.json").write_text(
        json.dumps({"triangles": len(faces), "size": size, "notes": notes, "bits": bits})
    )
    _hold(source, making / "original")
    shutil.rmtree(made, ignore_errors=True)
    making.rename(made)
    say(1.0)


def specks_of(vertices: Floats, faces: Faces) -> tuple[NDArray[np.bool_], int]:
    """Return which triangles belong to small bits that touch nothing else, (m,), and how many such bits there are.

    Args:
        vertices: (n, 3); corners in one place are one.
        faces: (m, 3).
    """
    _, same = np.unique(vertices, axis=0, return_inverse=True)
    joined = same.reshape(-1)[faces]
    ends = np.concatenate([joined[:, :2], joined[:, 1:]])
    count = int(joined.max()) + 1
    graph = coo_array((np.ones(len(ends), dtype=np.bool_), (ends[:, 0], ends[:, 1])), shape=(count, count))
    _, part = connected_components(graph, directed=False)
    of_face = part[joined[:, 0]]
    sizes = np.bincount(of_face)
    small = (sizes > 0) & (sizes < SPECK)
    if small.sum() == (sizes > 0).sum():  # all of it is: then none is a bit beside the rest
        return np.zeros(len(faces), dtype=np.bool_), 0
    return small[of_face], int(small.sum())


def view_bytes(vertices: Floats, faces: Faces, *, most: int = VIEW_POINTS) -> bytes:
    """Return a scan's picture: points on its surface, evenly by area, and which way it faces there.

    Six single figures (least x, y, z and size along each), then of all points x, y, z as shares of the size in 16 bits,
    then of all the facing in 8 bits with sign, little-endian.

    Args:
        vertices: (n, 3).
        faces: (m, 3).
        most: Points.
    """
    first, second, third = (vertices[faces[:, k]] for k in range(3))
    across = np.cross(second - first, third - first)
    areas = np.linalg.norm(across, axis=1)
    to = np.cumsum(areas)
    at = (np.arange(most) + 0.5) / most * to[-1]
    which = np.minimum(np.searchsorted(to, at), len(faces) - 1)
    # Two shares that fill a triangle evenly and are the same each time: the golden ratio's steps.
    u, v = np.modf(np.arange(most) * 0.7548776662)[0], np.modf(np.arange(most) * 0.5698402910)[0]
    u, v = np.where(u + v > 1, 1 - u, u)[:, None], np.where(u + v > 1, 1 - v, v)[:, None]
    points = first[which] + u * (second - first)[which] + v * (third - first)[which]
    least, size = vertices.min(axis=0), np.maximum(np.ptp(vertices, axis=0), 1e-9)
    places = np.round((points - least) / size * GREATEST_16_BIT).astype("<u2")
    facing = np.round(across[which] / areas[which][:, None] * 127).astype("i1")
    head = np.concatenate([least, size]).astype("<f4")
    return b"".join(part.tobytes() for part in (head, places, facing))


def _hold(source: Path, to: Path) -> None:
    """The file itself, without a copy where it lies on the same disk."""
    try:
        os.link(source, to)
    except OSError:
        shutil.copyfile(source, to)
