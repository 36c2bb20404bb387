"""A whole scan of an axle, and a chain of four crosses with its best twists, as times of what they are made of.

``python bench/shafts.py``: 2 sides x 200 heights x 21 locks x 10 loads, beside as many bare distances; the chain
beside one turn.
"""

import sys
import timeit

import numpy as np

from driveline.cardan.chains import Chain, best_twists, exact_rad_s2
from driveline.cardan.turning import chain_turns_rad
from driveline.suspension.arcs import arm_arc
from driveline.suspension.travel import Corner, scan_travel

HEIGHTS, LOCKS, LOADS = 200, 21, 10


def corner(side: float) -> Corner:
    ride = np.array([0.0, side * 540.0, 280.0])
    pivots = (np.array([430.0, side * 180.0, 320.0]), np.array([450.0, side * 560.0, 300.0]))
    return Corner(
        inner_mm=np.array([-10.0, side * 145.0, 302.0]),
        output=np.array([0.0, side, 0.0]),
        arc=arm_arc(*pivots, ride),
        near_mm=ride,
        ride_mm=280.0,
        spindle=np.array([0.0, 1.0, 0.0]),
        turns_with_arm=True,
        kingpin=np.array([-20.0, -side * 30.0, 240.0]),
        off_kingpin_mm=np.array([5.0, -side * 40.0, 100.0]),
    )


def best_ms(work: object) -> float:
    return 1000 * min(timeit.repeat(work, number=1, repeat=9))  # type: ignore[arg-type]


def main() -> None:
    heights, locks = np.linspace(-80, 75, HEIGHTS), np.linspace(-32, 32, LOCKS)
    moves = np.random.default_rng(1).normal(0, 3, (LOADS, 3))
    turns = np.tile(np.eye(3), (LOADS, 1, 1))
    corners = (corner(1.0), corner(-1.0))
    places = np.random.default_rng(2).normal(0, 400, (2 * HEIGHTS * LOCKS * LOADS, 3))
    scan = best_ms(lambda: [scan_travel(one, heights, locks, moves, turns) for one in corners])
    bare = best_ms(lambda: np.linalg.norm(places, axis=1))
    sys.stdout.write(f"scan of an axle         {scan:6.2f} ms   {scan / bare:5.1f} x its bare distances\n")
    lines = tuple(np.array([1.0, y, z]) for y, z in ((0, 0), (0.07, 0.02), (0.02, 0.09), (-0.05, 0.04), (0.01, 0.0)))
    chain = Chain(lines=lines, is_cross=(True,) * 4, phasing_deg=(0.0, 20.0, -35.0))
    one = best_ms(lambda: chain_turns_rad(lines, chain.phasing_deg, steps=180))
    exact = best_ms(lambda: exact_rad_s2(chain, 3000))
    twists = best_ms(lambda: best_twists(chain, 3000))
    sys.stdout.write(f"four crosses, exact     {exact:6.2f} ms   {exact / one:5.1f} x one turn\n")
    sys.stdout.write(f"with their best twists  {exact + twists:6.2f} ms   {(exact + twists) / one:5.1f} x one turn\n")


if __name__ == "__main__":
    main()
