"""Arrays of figures: the one type that all subjects share."""

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]

# Freed once, a large array that was never written to teaches the C library's allocator to keep freed memory for the
# next array of a sweep, where it would give it back and be given it again page by page: a third of a sweep's time.
np.empty(1 << 21)
