from collections.abc import Callable, Collection, Sequence
from unittest import TestCase

import numpy as np

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.job.drawn import DRAWS, FIRST, Drawn, draw
from driveline.job.moved import Margins, Steps
from driveline.job.places import Place
from driveline.job.slopes import Move, Slopes, slopes_of
from driveline.sheet import Length

Formula = Callable[[Floats], float]  # a margin, of how many u each reading is off


def planes(z: Floats) -> float:
    """Two cases of load: the worse counts."""
    return float(min(3.0 + z[0] + 0.5 * z[1], 3.2 - 0.7 * z[0] + 0.3 * z[2]))


FORMULAS: dict[str, Formula] = {
    "folded": lambda z: 3.0 - abs(z[0]) - 0.2 * z[1],
    "planes": planes,
    "aside": lambda z: 5.0 - float(np.hypot(z[0], z[1])),
    "farthest": lambda z: 4.0 - float(np.abs(z[:3]).max()),
    "bowed": lambda z: 2.0 + 0.5 * z[3] - 0.2 * z[3] ** 2,
}
READINGS = 5


class Bench:
    """Margins by formula, with a note of what was asked for."""

    def __init__(self, formulas: dict[str, Formula]) -> None:
        self.formulas = formulas
        self.asked: list[tuple[set[int], Collection[str] | None]] = []

    def work(self, moves: Sequence[Steps], benches: Collection[str] | None) -> list[Margins]:
        found: list[Margins] = []
        for steps in moves:
            z = np.zeros(READINGS)
            for path, step in steps:
                z[int(path[-1])] += step
            self.asked.append(({int(path[-1]) for path, _ in steps}, benches))
            found.append({key: formula(z) for key, formula in self.formulas.items() if f"of {key}" in (benches or ())})
        return found

    def drawn(self) -> tuple[Drawn, dict[str, tuple[Check, Slopes]]]:
        none = np.zeros(READINGS)
        checks = [
            Check(
                key=key,
                bench=f"of {key}",
                title=key,
                demand=1.0,
                capacity=formula(none),
                unit="",
                wanted_margin=formula(none) - 1.0,
                says="",
            )
            for key, formula in self.formulas.items()
        ]
        moves = []
        for k in range(READINGS):
            place = Place(("sheet", k), Length(text="100 mm", u=1.0), f"reading {k}")
            up, down = (
                {key: formula(none + side * np.eye(READINGS)[k]) for key, formula in self.formulas.items()}
                for side in (1.0, -1.0)
            )
            moves.append(Move(place, up, down))
        bent = [(check, slopes_of(check, moves)) for check in checks]
        return draw(self.work, bent, moves), {check.key: (check, slopes) for check, slopes in bent}


class DrawnTest(TestCase):
    def test_a_range_is_that_of_two_hundred_thousand_draws(self) -> None:
        many = np.random.default_rng(5).standard_normal((200_000, READINGS))
        drawn, bent = Bench(FORMULAS).drawn()
        for key, formula in FORMULAS.items():
            values = np.array([formula(row) for row in many])
            least, greatest = np.quantile(values, (0.025, 0.975)).tolist()
            check, slopes = bent[key]
            found = drawn.spread(check, slopes)
            assert found is not None
            with self.subTest(key, takes_every=key in drawn.every):
                self.assertAlmostEqual(found.least, least, delta=0.05 * (greatest - least))
                self.assertAlmostEqual(found.greatest, greatest, delta=0.05 * (greatest - least))
                self.assertAlmostEqual(found.fails_chance, float(np.mean(values < check.wanted_margin)), delta=0.04)

    def test_only_what_readings_make_together_takes_all_the_draws(self) -> None:
        bench = Bench(FORMULAS)
        drawn, _ = bench.drawn()
        self.assertNotIn("folded", drawn.every)
        self.assertNotIn("bowed", drawn.every)
        self.assertIn("farthest", drawn.every)
        self.assertEqual(len(bench.asked), DRAWS)
        rest = bench.asked[FIRST:]
        self.assertTrue(all(4 not in readings and 3 not in readings for readings, _ in rest))
        self.assertTrue(all(benches == {f"of {key}" for key in drawn.every} for _, benches in rest))

    def test_where_each_reading_acts_by_itself_the_first_few_do(self) -> None:
        bench = Bench({key: FORMULAS[key] for key in ("folded", "bowed")})
        drawn, _ = bench.drawn()
        self.assertEqual((len(bench.asked), drawn.every), (FIRST, frozenset()))

    def test_a_draw_without_an_answer_leaves_no_range(self) -> None:
        bench = Bench({"folded": FORMULAS["folded"]})
        drawn, bent = bench.drawn()
        lost = Drawn(columns=drawn.columns, normals=drawn.normals, margins=(*drawn.margins[:-1], {}), every=drawn.every)
        self.assertIsNone(lost.spread(*bent["folded"]))
