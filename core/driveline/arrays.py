"""Arrays of figures: the one type that all subjects share."""

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]


def crossed(one: Floats, other: Floats) -> Floats:
    """Return the vector product along the last axis, of three: numpy's own takes three times as long for a few."""
    found = np.empty(np.broadcast_shapes(one.shape, other.shape))
    for k, (m, n) in enumerate(((1, 2), (2, 0), (0, 1))):
        found[..., k] = one[..., m] * other[..., n] - one[..., n] * other[..., m]
    return found


# Freed once, a large array that was never written to teaches the C library's allocator to keep freed memory for the
# next array of a sweep, where it would give it back and be given it again page by page: a third of a sweep's time.
np.empty(1 << 21)
