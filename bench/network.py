"""How long a flange survey takes to adjust, and how that grows with its readings: ``python bench/network.py``.

Two ways to grow: more readings over the same 40 holes, and more holes with ten readings each.
"""

import statistics
import time

import numpy as np

from driveline.network import Direction, Hole, Kind, Network, Observation, Turning, solve_network

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


def seconds(network: Network) -> float:
    taken = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        solve_network(network)
        taken.append(time.perf_counter() - start)
    return statistics.median(taken)


def main() -> None:
    print(f"{'holes':>6} {'readings':>9} {'ms':>8} {'µs a reading':>13} {'against 400':>12}")
    base = None
    for holes, readings in SIZES:
        per_reading = seconds(survey(holes, readings)) / readings
        base = base or per_reading
        print(
            f"{holes:6} {readings:9} {1e3 * per_reading * readings:8.1f} {1e6 * per_reading:13.1f}"
            f" {per_reading / base:11.2f}×"
        )


if __name__ == "__main__":
    main()
