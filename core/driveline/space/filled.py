"""An envelope filled evenly: a stand-in for an inertia that nobody stated."""

from collections.abc import Sequence

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.shapes import Box, Cylinder
from driveline.space.solids import Weighed, box_inertia_kgm2, cylinder_inertia_kgm2, together, turned


def evenly_filled_kgm2(pieces: Sequence[Piece], *, mass_kg: float) -> Floats | None:
    """Return the inertia about its own middle of pieces that share a mass by their volume, (3, 3); ``None`` of none.

    Args:
        pieces: Boxes and round ones; others by the box that holds them. Where two overlap both count.
        mass_kg: Of all together.

    Source:
        Uniform boxes and cylinders, put together about their common middle (parallel axes).
    """
    volumes = [_volume_mm3(one) for one in pieces]
    if not volumes or mass_kg <= 0:
        return None
    whole = sum(volumes)
    parts = [_weighed(one, mass_kg * volume / whole) for one, volume in zip(pieces, volumes, strict=True)]
    return together(parts).inertia_kgm2


def _volume_mm3(piece: Piece) -> float:
    if isinstance(piece.shape, Cylinder):
        return float(np.pi * piece.shape.radius_mm**2 * piece.shape.length_mm)
    return float(np.prod(_size_mm(piece)))


def _size_mm(piece: Piece) -> tuple[float, float, float]:
    if isinstance(piece.shape, Box):
        return piece.shape.size_mm
    x, y, z = np.ptp(piece.shape.corners_mm, axis=0).tolist()
    return x, y, z


def _weighed(piece: Piece, mass_kg: float) -> Weighed:
    if isinstance(piece.shape, Cylinder):
        own = cylinder_inertia_kgm2(
            mass_kg=mass_kg,
            radius_mm=piece.shape.radius_mm,
            bore_radius_mm=0.0,
            length_mm=piece.shape.length_mm,
        )
        middle = piece.placed.at_mm
    else:
        own = box_inertia_kgm2(mass_kg=mass_kg, size_mm=_size_mm(piece))
        corners = piece.shape.corners_mm
        middle = piece.placed.points((corners.min(axis=0) + corners.max(axis=0)) / 2)
    return Weighed(kg=mass_kg, cg_mm=middle, inertia_kgm2=turned(own, piece.placed.turn))
