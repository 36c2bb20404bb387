"""How long a flange survey takes to adjust and to judge, and how that grows: ``python bench/network.py``.

Two ways to grow: more readings over the same 40 holes, and more holes with ten readings each. Beside it stands SciPy's
``splu`` doing as many steps: the same equations and derivatives, a sparse normal matrix, a factor and a solution each,
and nothing judged.
"""

import statistics
import time
from collections.abc import Callable
from functools import partial
from unittest import mock

import numpy as np
from scipy.sparse import csc_array, eye_array
from scipy.sparse.linalg import splu

from driveline.network import Direction, Hole, Kind, Network, Observation, Turning, solve_network
from driveline.network.equations import Equations
from driveline.network.rows import Rows
from driveline.network.start import start_unknowns

ROUNDS = 5
SIZES = ((40, 400), (40, 1000), (40, 10_000), (100, 1000), (1000, 10_000))
U_MM = 0.05


def survey(holes: int, readings: int) -> Network:
    """Holes round a flange, each read to its neighbours; every tenth reading is a radius from the shaft."""
    dice = np.random.default_rng(7)
    angle = np.linspace(0, 2 * np.pi, holes, endpoint=False)
    radius = 150 * (holes / 40) * (1 + 0.05 * np.sin(3 * angle))
    xy = np.column_stack([radius * np.cos(angle), radius * np.sin(angle)])
    found = []
    for k in range(readings):
        a, lap = k % holes, k // holes
        if lap % 10 == 9:
            value, kind, b = float(np.hypot(*xy[a])), Kind.RADIUS, "C"
        else:
            other = (a + 1 + lap % 9) % holes
            value, kind, b = float(np.hypot(*(xy[a] - xy[other]))), Kind.DISTANCE, f"H{other + 1}"
        read_mm = value + dice.normal(0, U_MM)
        found.append(Observation(key=str(k), kind=kind, a=f"H{a + 1}", b=b, value_mm=read_mm, u_mm=U_MM))
    return Network(
        holes=tuple(Hole(f"H{k + 1}", 10.5) for k in range(holes)),
        observations=tuple(found),
        numbered=Turning.ANTICLOCKWISE,
        direction=Direction("H1", 0),
    )


def seconds(run: Callable[[], object]) -> float:
    taken = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        run()
        taken.append(time.perf_counter() - start)
    return statistics.median(taken)


def steps_of(network: Network) -> int:
    """How often the equations are evaluated, refits without a suspect included."""
    with mock.patch.object(Equations, "evaluate", autospec=True, side_effect=Equations.evaluate) as evaluated:
        solve_network(network)
    return evaluated.call_count


def by_splu(network: Network, steps: int) -> None:
    equations = Equations(network)
    unknowns = start_unknowns(equations)
    held = eye_array(equations.count, format="csc") * 1e-6
    for _ in range(steps):
        expected, derivatives = equations.evaluate(unknowns)
        rows = Rows(equations.pattern, derivatives * equations.weight[equations.pattern.rows]).sparse()
        misfit = (equations.value_mm - expected) * equations.weight
        unknowns = unknowns + splu(csc_array(rows.T @ rows) + held).solve(rows.T @ misfit)


def main() -> None:
    print(f"{'holes':>6} {'readings':>9} {'ms':>8} {'µs a reading':>13} {'steps':>6} {'splu ms':>8} {'÷ splu':>7}")
    for holes, readings in SIZES:
        network = survey(holes, readings)
        steps = steps_of(network)
        ours, theirs = seconds(partial(solve_network, network)), seconds(partial(by_splu, network, steps))
        print(
            f"{holes:6} {readings:9} {1e3 * ours:8.1f} {1e6 * ours / readings:13.1f} {steps:6} {1e3 * theirs:8.1f}"
            f" {ours / theirs:7.2f}"
        )


if __name__ == "__main__":
    main()
