"""Reliefs: by hand first, then through the whole bench."""

from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from shapely import Point

from driveline.checks import Check, Verdict
from driveline.drawing.model import Layer, Path
from driveline.errors import ImpossibleInput
from driveline.flat.relief import cutout, outline_of
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.demo import demo_json
from tests.jobs import check_of
from tests.laws.test_taking_away import checks_of, flattered_without


def mm(value: float) -> dict[str, str]:
    return {"text": f"{value} mm"}


def job(relief: dict[str, Any], **plate: Any) -> dict[str, Any]:
    """Wren, its plate of 10 mm bored 130, with one thing that stands out."""
    data = demo_json("wren")
    data["sheets"]["plate"]["plate"] |= {"reliefs": [relief], "bore": mm(130)} | plate
    return data


def at(x: float, y: float) -> dict[str, Any]:
    return {"x": mm(x), "y": mm(y)}


SENSOR = {
    "name": "speed sensor",
    "side": "gearbox",
    "points": [at(0, 90)],
    "width": mm(14),
    "stands_out": mm(6),
    "cut": "pocket",
    "room": mm(3),
    "depth": mm(7),
}


def said(relief: dict[str, Any], **plate: Any) -> tuple[JobResult, Check]:
    result = evaluate(JobFile.model_validate(job(relief, **plate)))
    return result, check_of(result, "plate.relief_1")


class ReliefTest(TestCase):
    def test_the_room_is_kept_all_round(self) -> None:
        for points, width in (([[0, 0]], 14), ([[0, 0], [30, 10]], 8), ([[0, 0], [40, 0], [40, 20], [0, 30]], 0)):
            shape = outline_of(np.array(points, dtype=float), width)
            cut = cutout("P1", 1, shape, room_mm=3.0, depth_mm=None)
            self.assertGreaterEqual(cut.shape.exterior.distance(shape), 3.0 - 1e-6)
            self.assertLess(cut.shape.exterior.hausdorff_distance(shape.exterior), 3.0 + 0.2 + width)

    @given(st.floats(-80, 80), st.floats(-80, 80), st.floats(4, 40), st.floats(0, 10))
    def test_a_round_one_is_as_wide_as_it_and_its_room(self, x: float, y: float, width: float, room: float) -> None:
        cut = cutout("P1", 0, outline_of(np.array([[x, y]]), width), room_mm=room, depth_mm=None)
        radii = np.hypot(*(cut.corners_mm - [x, y]).T)
        self.assertGreaterEqual(float(cut.shape.exterior.distance(Point(x, y))), (width / 2 + room) * 0.993)
        self.assertLess(float(radii.max()), width / 2 + room * 1.03 + 1e-9)

    def test_an_outline_that_crosses_itself_is_refused(self) -> None:
        for points in ([], [[0, 0]], [[0, 0], [10, 10], [10, 0], [0, 10]]):
            with self.assertRaises(ImpossibleInput):
                outline_of(np.array(points, dtype=float).reshape(-1, 2), None)

    def test_a_pocket_by_hand(self) -> None:
        """1 mm past its end; 3 mm of floor; Ø20 at 90: 15 to the bore, and far from every hole."""
        result, check = said(SENSOR)
        self.assertEqual((check.demand, check.capacity), (1.0, 1.0))
        part = next(one for one in result.parts if one.key == "plate.plate")
        (path,) = [e for e in part.views[0].drawing.entities if isinstance(e, Path) and e.part == "relief:P1"]
        self.assertIs(path.layer, Layer.NOTES)
        through = said(SENSOR | {"cut": "through"})[0]
        part = next(one for one in through.parts if one.key == "plate.plate")
        (path,) = [e for e in part.views[0].drawing.entities if isinstance(e, Path) and e.part == "relief:P1"]
        self.assertIs(path.layer, Layer.CUT)

    def test_each_way_of_being_too_little_fails(self) -> None:
        cases: tuple[tuple[dict[str, Any], str], ...] = (
            ({"cut": "nothing"}, "nothing is cut"),
            ({"depth": mm(6.5)}, "past its end"),
            ({"depth": mm(8)}, "of floor"),
            ({"room": mm(1)}, "round it"),
            ({"points": [at(0, 75)]}, "to bore"),  # its relief begins where the bore ends
            ({"points": [at(0, 150)]}, "runs out"),
            ({"stands_out": mm(12), "cut": "through"}, "past its end"),  # right through the plate and out of it
        )
        for change, words in cases:
            with self.subTest(**change):
                check = said(SENSOR | change)[1]
                self.assertIs(check.verdict, Verdict.FAILS, check.says)
                self.assertIn(words, check.says)
                self.assertTrue(check.guards_release)

    def test_what_is_inside_the_bore_needs_nothing(self) -> None:
        check = said(SENSOR | {"points": [at(0, 40)], "cut": "nothing"})[1]
        self.assertIs(check.verdict, Verdict.HOLDS)
        self.assertAlmostEqual(check.capacity or 0.0, 130 / 2 - 47, places=1)

    def test_the_motors_turns_with_it(self) -> None:
        """Seen looking at the motor x is the other way; turned by 90° what was at the side is above."""
        motor = SENSOR | {"side": "motor", "points": [at(90, 0)]}
        result, _ = said(motor, turned={"text": "90 deg"})
        part = next(one for one in result.parts if one.key == "plate.plate")
        (path,) = [e for e in part.views[0].drawing.entities if isinstance(e, Path) and e.part == "relief:P1"]
        middle = np.mean([[v.x_mm, v.y_mm] for v in path.vertices], axis=0)
        np.testing.assert_allclose(middle, (0, -90), atol=0.1)

    def test_nothing_that_is_left_out_flatters(self) -> None:
        for cut in ("pocket", "through", "nothing"):
            data = job(SENSOR | {"cut": cut})
            before = checks_of(data)
            for name in [*SENSOR][1:]:
                path = ("plate", "plate", "reliefs", 0, name)
                self.assertEqual(flattered_without(data, path, before), [], (cut, name))
