"""Where are the holes? Mixed readings over a flange, adjusted together by least squares.

``observations`` says what was read, ``equations`` what it should have been, ``start`` and ``adjust``
find the best coordinates, ``shape`` tells what is loose or can flip, ``judge`` finds the reading that does
not fit, ``centre`` reduces an indicator sweep.
"""

from driveline.network.centre import IndicatorSweep, indicator_sweep
from driveline.network.judge import NetworkResult, PointEstimate, ReadingFit, Suspect, solve_network
from driveline.network.observations import Direction, Hole, Kind, Network, Observation, Turning

__all__ = [
    "Direction",
    "Hole",
    "IndicatorSweep",
    "Kind",
    "Network",
    "NetworkResult",
    "Observation",
    "PointEstimate",
    "ReadingFit",
    "Suspect",
    "Turning",
    "indicator_sweep",
    "solve_network",
]
