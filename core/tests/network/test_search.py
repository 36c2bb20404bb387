"""Distances alone: random flanges with any readings that are enough come out in their true shape, never mirrored."""

import os
from itertools import combinations
from unittest import TestCase

import numpy as np

from driveline.arrays import Floats
from driveline.network.align import laid_over
from driveline.network.judge import NetworkResult, solve_network
from driveline.network.observations import Direction, Hole, Kind, Network, Observation, Turning

BORE = "B"
MANY = 2000 if "FERNBACK_FUZZ" in os.environ else 60
RIGHT_MM = 0.02
Pairs = list[tuple[int, int]]


def is_enough(xy: Floats, pairs: Pairs) -> bool:
    """Rigid with any one reading gone, and in one piece with any two points gone: one shape and its mirror image."""

    def rank(kept: Pairs) -> int:
        rows = np.zeros((len(kept), 2 * len(xy)))
        for row, (i, j) in zip(rows, kept, strict=True):
            way = (xy[i] - xy[j]) / np.hypot(*(xy[i] - xy[j]))
            row[2 * i : 2 * i + 2], row[2 * j : 2 * j + 2] = way, -way
        return int(np.linalg.matrix_rank(rows, tol=1e-7))

    def is_one_piece(gone: tuple[int, ...]) -> bool:
        left = set(range(len(xy))) - set(gone)
        seen = {min(left)}
        for _ in left:
            seen |= {b for a, b in (*pairs, *((j, i) for i, j in pairs)) if a in seen and b in left}
        return seen == left

    full = 2 * len(xy) - 3
    return all(rank(pairs[:k] + pairs[k + 1 :]) == full for k in range(len(pairs))) and all(
        is_one_piece(two) for two in combinations(range(len(xy)), 2)
    )


def flange(seed: int) -> tuple[Network, Floats]:
    """A flange of 5 to 12 holes unevenly round a bore off their middle, with readings that are just enough."""
    draws = np.random.default_rng(seed)
    count = int(draws.integers(5, 13))
    xy = np.zeros((count, 2))
    while min(np.hypot(*(xy[i] - xy[j])) for i, j in combinations(range(count), 2)) < 20:
        gaps, radii = draws.uniform(0.15, 1, count), draws.uniform(60, 170, count)
        turns = np.cumsum(gaps) / gaps.sum() * 2 * np.pi
        xy = np.column_stack([radii * np.cos(turns), radii * np.sin(turns)])
    points = np.vstack([xy, [0.0, 0.0]])
    style = int(draws.integers(3))  # round and every second, round and any, any
    pairs: Pairs = [(min(i, (i + 1) % count), max(i, (i + 1) % count)) for i in range(count)] if style < 2 else []
    seconds = [(min(i, (i + 2) % count), max(i, (i + 2) % count)) for i in range(count)] if style == 0 else []
    rest = list(combinations(range(count + 1), 2))
    draws.shuffle(rest)
    for pair in (*seconds, *((int(i), int(j)) for i, j in rest)):
        if len(pairs) >= 2 * len(points) - 2 and is_enough(points, pairs):
            break
        pairs += [pair] if pair not in pairs else []
    diameters = np.append(draws.choice([9.0, 10.5, 12.5], count), draws.uniform(30, 60))
    numbered = Turning.ANTICLOCKWISE
    if draws.random() < 0.5:
        numbered, points = Turning.CLOCKWISE, points * np.array([1.0, -1.0])
    names = [*(f"H{k + 1}" for k in range(count)), BORE]
    return Network(
        holes=(
            *(Hole(names[k], float(diameters[k])) for k in range(count)),
            Hole(BORE, float(diameters[-1]), None, True),
        ),
        observations=tuple(read(k, pair, points, diameters, names, draws) for k, pair in enumerate(pairs)),
        numbered=numbered,
        direction=Direction("H1", 0.0),
    ), points


def read(
    k: int, pair: tuple[int, int], points: Floats, diameters: Floats, names: list[str], draws: np.random.Generator
) -> Observation:
    """A reading of a pair by a caliper, edges inside or outside as they can be reached."""
    i, j = pair
    apart, both = float(np.hypot(*(points[i] - points[j]))), float(diameters[i] + diameters[j]) / 2
    is_inside = apart > both and draws.random() < 0.5
    value = apart - both if is_inside else apart + both
    kind = Kind.INSIDE if is_inside else Kind.OUTSIDE
    return Observation(key=str(k), kind=kind, a=names[i], b=names[j], value_mm=value, u_mm=0.05)


def off_mm(found: NetworkResult, points: Floats) -> float:
    """How far the farthest hole is from where it is, the whole turned and shifted onto it but never mirrored."""
    names = [*(f"H{k + 1}" for k in range(len(points) - 1)), BORE]
    got = np.array([[found.point(name).x_mm, found.point(name).y_mm] for name in names])
    return float(np.abs(laid_over(got, points).placed(got) - points).max())


class DistancesAloneTest(TestCase):
    tags = frozenset({"laws"})  # ./test runs it beside the laws; ./test slow over more flanges

    def test_random_flanges_come_out_in_their_true_shape(self) -> None:
        wrong = []
        for seed in range(MANY):
            network, points = flange(seed)
            found = solve_network(network)
            self.assertFalse(found.is_against_numbering, seed)
            if off_mm(found, points) > RIGHT_MM and found.rival is None:
                wrong.append(seed)
        self.assertLessEqual(len(wrong), 0.005 * MANY, wrong)


class SearchTest(TestCase):
    def test_as_the_tools_read_them_they_are_as_near_as_the_tools(self) -> None:
        for seed in range(10):
            network, points = flange(seed)
            draws = np.random.default_rng(seed)
            noisy = tuple(
                Observation(
                    key=o.key, kind=o.kind, a=o.a, b=o.b, value_mm=o.value_mm + draws.normal(0, 0.05), u_mm=0.05
                )
                for o in network.observations
            )
            found = solve_network(
                Network(holes=network.holes, observations=noisy, numbered=network.numbered, direction=network.direction)
            )
            if found.rival is None:
                self.assertLess(off_mm(found, points), 3.0, seed)

    def test_a_hole_that_could_lie_inside_or_outside_is_said_with_the_reading_that_decides(self) -> None:
        """H2 hangs by two readings to its neighbours: outside the line between them or inside, numbered alike."""
        points = np.array([[100.0, 0], [78, 78], [0, 100], [-100, 0], [0, -100], [0, 0]])
        pairs: Pairs = [*((i, j) for i, j in combinations((0, 2, 3, 4, 5), 2)), (0, 1), (1, 2)]
        names, diameters = ["H1", "H2", "H3", "H4", "H5", BORE], np.array([10.0] * 5 + [40.0])
        draws = np.random.default_rng(1)

        def solved(which: Pairs) -> NetworkResult:
            return solve_network(
                Network(
                    holes=(*(Hole(name, 10.0) for name in names[:-1]), Hole(BORE, 40.0, None, True)),
                    observations=tuple(read(k, p, points, diameters, names, draws) for k, p in enumerate(which)),
                    numbered=Turning.ANTICLOCKWISE,
                    direction=Direction("H1", 0.0),
                )
            )

        rival = solved(pairs).rival
        assert rival is not None
        self.assertIn("H2", rival.pair)
        self.assertGreater(abs(rival.this_mm - rival.other_mm), 5)
        decided = solved([*pairs, (1, 3)])
        self.assertIsNone(decided.rival)
        self.assertLess(off_mm(decided, points), RIGHT_MM)
