"""The arc on which a joint's centre travels, from the heights at which it was measured."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from scipy.optimize import least_squares

from driveline.arrays import Floats, crossed
from driveline.errors import ImpossibleInput
from driveline.figures import fig

STRAIGHT: Final = 1e-6  # a rise of less than this of the points' spread is a line


@dataclass(frozen=True, slots=True)
class Arc:
    """A circle in space, or a line (``radius_mm`` None) through ``centre_mm`` along ``along``.

    ``axis`` is what a circle turns about; ``along`` is the way it goes up. Both unit, (3,).
    """

    centre_mm: Floats
    axis: Floats
    along: Floats
    radius_mm: float | None
    misses_mm: Floats

    def at_height_mm(self, heights_mm: Floats, near_mm: Floats) -> Floats:
        """Return the point of the arc at each height above the ground's zero, on the side of ``near_mm``, (n, 3).

        Raises:
            ImpossibleInput: If the arc does not reach a height.
        """
        rise = float(self.along[2])
        if self.radius_mm is None:
            straight: Floats = self.centre_mm + ((heights_mm - self.centre_mm[2]) / rise)[:, None] * self.along
            return straight
        sine = (heights_mm - self.centre_mm[2]) / (self.radius_mm * rise)
        if np.abs(sine).max(initial=0.0) > 1:
            low, high = (float(self.centre_mm[2] + sign * self.radius_mm * rise) for sign in (-1, 1))
            worst = float(heights_mm[np.argmax(np.abs(sine))])
            far = f"{fig(low, 'mm', 0)} to {fig(high, 'mm', 0)}, which is as far as the arc goes"
            raise ImpossibleInput("height_mm", fig(worst, "mm", 0), far)
        level = crossed(self.along, self.axis)
        side = 1.0 if float((near_mm - self.centre_mm) @ level) >= 0 else -1.0
        cosine = side * np.sqrt(1 - sine**2)
        round_it: Floats = self.centre_mm + self.radius_mm * (sine[:, None] * self.along + cosine[:, None] * level)
        return round_it


def _up(axis: Floats) -> Floats:
    """Return the steepest direction square to an axis."""
    up = np.array([0.0, 0.0, 1.0]) - axis[2] * axis
    length = float(np.linalg.norm(up))
    if length < STRAIGHT:
        raise ImpossibleInput("points_mm", "level", "at different heights")
    steepest: Floats = up / length
    return steepest


def fit_arc(points_mm: Floats) -> Arc:
    """Return the circle that points in space stand on, by least squares of distance; the line if they are straight.

    Args:
        points_mm: (n, 3), at three heights or more.

    Raises:
        ImpossibleInput: If there are fewer than three points, or they are all in one place or at one height.

    Source:
        Plane by the points' least spread, then the circle in it by least squares of distance (geometric, not
        algebraic), Gander, Golub and Strebel 1994.
    """
    points = np.asarray(points_mm, dtype=float)
    if len(points) < 3:
        raise ImpossibleInput("points_mm", len(points), "three or more heights")
    mean = points.mean(axis=0)
    _, spread, ways = np.linalg.svd(points - mean, full_matrices=True)
    if not spread[0] > STRAIGHT:
        raise ImpossibleInput("points_mm", tuple(mean), "at different heights, not all in one place")
    if spread[1] < STRAIGHT * spread[0]:
        along = ways[0] if ways[0][2] >= 0 else -ways[0]
        if along[2] < STRAIGHT:
            raise ImpossibleInput("points_mm", "level", "at different heights")
        off = points - mean - ((points - mean) @ along)[:, None] * along
        return Arc(mean, ways[2], along, None, np.linalg.norm(off, axis=1))
    flat = (points - mean) @ ways[:2].T
    lifted = np.column_stack((2 * flat, np.ones(len(flat))))
    x, y, rest = np.linalg.lstsq(lifted, (flat**2).sum(axis=1), rcond=None)[0]
    start = np.array([x, y, np.sqrt(max(rest + x * x + y * y, 0.0))])

    def off_by(circle: Floats) -> Floats:
        off: Floats = np.hypot(flat[:, 0] - circle[0], flat[:, 1] - circle[1]) - circle[2]
        return off

    def turned(circle: Floats) -> Floats:
        off = circle[:2] - flat
        reach = np.maximum(np.linalg.norm(off, axis=1, keepdims=True), STRAIGHT)
        return np.column_stack((off / reach, -np.ones(len(off))))

    # Levenberg-Marquardt is compiled: every keystroke asks for a fit.
    found = least_squares(off_by, start, jac=turned, method="lm", xtol=1e-14, ftol=1e-14, gtol=1e-14)
    if not found.success:
        raise ImpossibleInput("points_mm", len(points), "on one arc: no circle settles on them")
    axis = ways[2]
    misses = np.hypot(off_by(found.x), (points - mean) @ axis)
    return Arc(mean + found.x[:2] @ ways[:2], axis, _up(axis), float(found.x[2]), misses)


def arm_arc(pivot_a_mm: Floats, pivot_b_mm: Floats, ride_mm: Floats) -> Arc:
    """Return the circle on which a point of an arm goes that turns about a line through two pivots.

    Raises:
        ImpossibleInput: If the pivots are one place, stand one above the other, or the point is on their line.

    Source:
        The foot of the square from the point to the line is the circle's centre.
    """
    line = pivot_b_mm - pivot_a_mm
    length = float(np.linalg.norm(line))
    if not length > STRAIGHT:
        raise ImpossibleInput("pivot_b", tuple(pivot_b_mm), "away from the other pivot")
    axis = line / length
    centre = pivot_a_mm + float((ride_mm - pivot_a_mm) @ axis) * axis
    radius = float(np.linalg.norm(ride_mm - centre))
    if not radius > STRAIGHT:
        raise ImpossibleInput("ride", tuple(ride_mm), "away from the line through the pivots")
    return Arc(centre, axis, _up(axis), radius, np.zeros(1))
