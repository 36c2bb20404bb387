"""A flange by caliper alone: the bore may stand for the shaft, and what did not settle is not drawn."""

import copy
import math
from itertools import combinations
from typing import Any
from unittest import TestCase

from driveline.benches.plate.lay_out import lay_out
from driveline.benches.plate.sheet import PlateSheet
from driveline.survey.sheet import Survey
from driveline.survey.solve import solve_survey
from tests.demo import demo_json
from tests.survey.test_survey_bench import BORE, PAIRS, TRUE, survey


class BoreTest(TestCase):
    def test_without_a_word_the_shaft_is_loose_and_with_it_the_bore_stands_for_it(self) -> None:
        alone = solve_survey(survey(*PAIRS, *BORE)).result
        self.assertTrue(next(hole for hole in alone.holes if hole.id == "C").is_loose)
        self.assertIn("say how true B1 is", " ".join(alone.says))
        true = solve_survey(survey(*PAIRS, *BORE, bore_true={"text": "0.1 mm"})).result
        self.assertEqual(true.about, "the shaft's centre")
        places = {hole.id: hole for hole in true.holes}
        self.assertAlmostEqual(places["C"].x_mm, places["B1"].x_mm, places=3)
        for name, (x, y) in TRUE.items():
            if name not in ("C", "B1"):
                bore = TRUE["B1"]
                far = ((x - bore[0]) ** 2 + (y - bore[1]) ** 2) ** 0.5
                self.assertAlmostEqual((places[name].x_mm ** 2 + places[name].y_mm ** 2) ** 0.5, far, places=3)
        assert true.centre_u_mm is not None
        self.assertGreater(true.centre_u_mm, 0.09)  # never surer than what is said of it

    def test_saying_that_it_is_truer_never_makes_the_centre_less_sure(self) -> None:
        u_mm = [
            solve_survey(survey(*PAIRS, *BORE, bore_true={"text": f"{true} mm"})).result.centre_u_mm
            for true in (0.02, 0.1, 0.5)
        ]
        self.assertEqual(u_mm, sorted(u_mm, key=lambda u: u or 0.0))


class NoFileTest(TestCase):
    def plate(self, found: dict[str, Any]) -> Any:
        sheet = copy.deepcopy(demo_json("wren")["sheets"]["plate"])
        sheet["survey"] = found
        return lay_out(PlateSheet.model_validate(sheet))

    def test_two_shapes_that_fit_are_not_drawn_and_the_reading_that_decides_is_asked_for(self) -> None:
        """H2 hangs by two readings: outside the line of its neighbours or inside it, between them either way."""
        at = {"H1": (100.0, 0.0), "H2": (78.0, 78.0), "H3": (0.0, 100.0), "H4": (-100.0, 0.0), "H5": (0.0, -100.0)}
        others = list(combinations(("H1", "H3", "H4", "H5"), 2))
        found = self.surveyed(at, *others, ("H1", "H2"), ("H2", "H3"))
        laid = self.plate(found)
        self.assertEqual(laid.parts, ())
        self.assertIn("Two shapes fit", " ".join(one.text for one in laid.to_do))
        asked = solve_survey(Survey.model_validate(found)).result.next_reading
        assert asked is not None
        self.assertIn("H2", (asked.a, asked.b))
        decided = self.surveyed(at, *others, ("H1", "H2"), ("H2", "H3"), ("H2", "H4"))
        self.assertTrue(solve_survey(Survey.model_validate(decided)).result.is_settled)
        self.assertTrue(self.plate(decided).parts)

    def surveyed(self, at: dict[str, tuple[float, float]], *pairs: tuple[str, str]) -> dict[str, Any]:
        read = [
            {"kind": "distance", "a": a, "b": b, "reading": {"text": f"{math.dist(at[a], at[b]):.5f}"}}
            for a, b in pairs
        ]
        return {"holes": [{"id": name, "diameter": {"text": "10"}} for name in at], "readings": read}
