"""Which of many things nothing beats, when several qualities count and none can be traded for another."""

from bisect import bisect_left, insort

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats


def beaten_by(good: Floats) -> NDArray[np.int64]:
    """Return for each row another that is at least as good in all three qualities and better in one; -1 for none.

    Args:
        good: (n, 3), more is better in each column; finite.

    Returns:
        (n,) row numbers. Rows that are equal in all do not beat each other.

    Source:
        Kung, Luccio, Preparata: On finding the maxima of a set of vectors, 1975. Rows are taken in falling order of
        the first quality; of the rest, only a staircase of the best so far can beat the next. O(n log n).
    """
    found = np.full(len(good), -1, dtype=np.int64)
    order = np.lexsort((-good[:, 2], -good[:, 1], -good[:, 0]))
    steps: list[tuple[float, float, int]] = []  # second rising, third falling
    for row in order.tolist():
        _, second, third = good[row].tolist()
        at = bisect_left(steps, (second, -np.inf, -1))
        if at < len(steps) and steps[at][1] >= third:
            if not np.array_equal(good[steps[at][2]], good[row]):
                found[row] = steps[at][2]
            continue
        if at < len(steps) and steps[at][0] == second:
            del steps[at]
        while at and steps[at - 1][1] <= third:
            at -= 1
            del steps[at]
        insort(steps, (second, third, row))
    return found
