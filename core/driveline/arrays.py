"""Arrays of figures: the one type that all subjects share."""

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
