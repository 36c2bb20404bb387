"""How well measured heights fix the arc that a joint travels on."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.suspension.arcs import Arc

LEAST: Final = 1e-9


@dataclass(frozen=True, slots=True, kw_only=True)
class ArcSureness:
    """What readings of a known u leave open of an arc; standard uncertainties."""

    arc: Arc
    radius_u_mm: float | None  # ``None`` of a line
    _in_plane: Floats  # covariance of the centre's height and reach in the plane and of the radius; of a line (2, 2)
    _off_plane: Floats  # covariance of the plane's place and two tilts; of a line (2, 2)

    def covariance_mm2(self, places_mm: Floats) -> Floats:
        """Return the covariance, (n, 3, 3), of the arc's place at the height of each of its places, (n, 3).

        Source:
            First order in the readings: the circle's centre and radius, and the plane it lies in, moved by each; the
            place slides along the arc back to its height.
        """
        arc, off = self.arc, places_mm - self.arc.centre_mm
        level, ones = crossed(arc.along, arc.axis), np.ones(len(off))
        up, out = off @ arc.along, off @ level
        if arc.radius_mm is None:
            held = np.column_stack((ones, up))
            ways = [way - way[2] / arc.along[2] * arc.along for way in (arc.axis, level)]
            spread = (self._off_plane, self._in_plane)
            parts = [_along(held, one, way[None, :]) for one, way in zip(spread, ways, strict=True)]
            return np.asarray(np.sum(parts, axis=0), dtype=float)
        sine, cosine = up / arc.radius_mm, out / arc.radius_mm
        cosine = np.where(np.abs(cosine) > LEAST, cosine, LEAST)
        slope = sine / cosine
        moves = np.column_stack((slope, ones, 1 / cosine))
        lean = arc.axis[2] / arc.along[2]
        aside = arc.axis - lean * arc.along + slope[:, None] * (lean * level)
        held = np.column_stack((ones, up, out))
        return _along(moves, self._in_plane, level[None, :]) + _along(held, self._off_plane, aside)


def _along(held: Floats, spread: Floats, ways: Floats) -> Floats:
    """What a spread comes to along a way at each place, (n, 3, 3)."""
    found: Floats = np.einsum("ni,ij,nj->n", held, spread, held)[:, None, None] * ways[:, :, None] * ways[:, None, :]
    return found


def _covariance(u_mm: float, jacobian: Floats) -> Floats:
    return np.asarray(u_mm**2 * np.linalg.pinv(jacobian.T @ jacobian), dtype=float)


def arc_sureness(arc: Arc, points_mm: Floats, u_mm: float) -> ArcSureness:
    """Return how well an arc is fixed by the places that it was fitted to, (n, 3), each coordinate known to ± u.

    Source:
        Law of propagation of uncertainty (GUM 5.1) through the least squares of ``fit_arc``: u² (JᵀJ)⁻¹.
    """
    off = np.asarray(points_mm, dtype=float) - arc.centre_mm
    level = crossed(arc.along, arc.axis)
    up, out = off @ arc.along, off @ level
    ones = np.ones(len(off))
    if arc.radius_mm is None:
        along = _covariance(u_mm, np.column_stack((ones, up)))
        return ArcSureness(arc=arc, radius_u_mm=None, _in_plane=along, _off_plane=along)
    reach = np.hypot(up, out)
    turned = np.column_stack((up / reach, out / reach, ones))
    plane = np.column_stack((ones, up, out))
    in_plane = _covariance(u_mm, turned)
    return ArcSureness(
        arc=arc,
        radius_u_mm=float(np.sqrt(in_plane[2, 2])),
        _in_plane=in_plane,
        _off_plane=_covariance(u_mm, plane),
    )
