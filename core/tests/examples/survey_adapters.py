"""What maps the examples of flange surveys to the core, by kind."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.network.judge import solve_network
from driveline.network.observations import Direction, Hole, Kind, Network, Observation, Turning

Given = Mapping[str, Any]
Found = dict[str, Any]
KINDS: Final = {"inside": Kind.INSIDE, "outside": Kind.OUTSIDE, "tape": Kind.DISTANCE}


def from_distances(given: Given, _every: Mapping[str, Given]) -> Found:
    """Holes about the bore, the first of them on the x axis."""
    bore = given["bore"]
    network = Network(
        holes=(
            *(Hole(one["id"], one["diameter_mm"]) for one in given["holes"]),
            Hole(bore["id"], bore["diameter_mm"], None, True),
        ),
        observations=tuple(
            Observation(
                key=str(k), kind=KINDS[one["kind"]], a=one["a"], b=one["b"], value_mm=one["value_mm"], u_mm=one["u_mm"]
            )
            for k, one in enumerate(given["observations"])
        ),
        numbered=Turning(given["numbered"]),
        direction=Direction(given["holes"][0]["id"], 0.0),
    )
    solved = solve_network(network)
    assert solved.converged and solved.rival is None
    ids = [one["id"] for one in given["holes"]]
    middle = solved.point(bore["id"])
    about = np.array([(solved.point(name).x_mm - middle.x_mm, solved.point(name).y_mm - middle.y_mm) for name in ids])
    x, y = about[0] / np.hypot(*about[0])
    places = about @ np.array([[x, -y], [y, x]])
    readings = len(given["observations"])
    return {
        "coordinates_mm": dict(zip(ids, places.tolist(), strict=True)),
        "radius_mm": dict(zip(ids, np.hypot(*about.T).tolist(), strict=True)),
        "readings": readings,
        "unknowns": readings - solved.redundancy,
        "redundancy": solved.redundancy,
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {"flange-from-distances": from_distances}
