"""Shafts that are ordered, and come back."""

import copy
import json
from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.parts.ordered import Order
from driveline.parts.records import Measure
from driveline.parts.release import release_of
from driveline.parts.released import judged
from driveline.shafts.spline_forms import spline_forms
from tests.benches.axles.jobs import AT, check_of, job, part_of, plain


class OrderTest(TestCase):
    def released(self, data: dict[str, Any], key: str = "axles.a1.left_bar") -> Any:
        return release_of(
            part_of(data, key), job_name="Plover", after=None, side="first", by="fabricator", at=AT, revision=1
        )

    def test_a_bar_three_long_is_refused_with_what_it_does_to_the_plunge(self) -> None:
        release = self.released(job("plover"))
        length = next(one for one in release.sizes if one.key == "length")
        measure = Measure.model_validate({"kind": "size", "a": "length", "reading": {"text": "384 mm"}})
        (row,) = judged(release, [measure])
        self.assertIs(row.verdict, Verdict.FAILS)
        self.assertIn(f"takes 3.0 mm of the {length.left_mm:.1f} mm plunge", plain(row.means))
        far = Measure.model_validate({"kind": "size", "a": "length", "reading": {"text": "396 mm"}})
        self.assertIn("plunge runs out by", judged(release, [far])[0].means)

    def test_a_changed_length_differs_from_what_was_released(self) -> None:
        data = job("plover")
        data["build"] = {"releases": [self.released(data).model_dump(mode="json")], "incoming": []}
        as_it_was = evaluate(JobFile.model_validate(data))
        self.assertEqual(_differs(as_it_was), ())
        changed = copy.deepcopy(data)
        changed["sheets"]["axles"]["axles"][0]["left"]["bar"]["length"] = {"text": "383 mm"}
        self.assertIn("seat to seat was", _differs(evaluate(JobFile.model_validate(changed)))[0])

    def test_a_mock_up_is_held_back_and_not_for_the_road(self) -> None:
        data = job("plover", axles__0__left__bar__is_mock_up=True)
        self.assertIn("measuring stick", part_of(data, "axles.a1.left_bar").held_back)
        self.assertIs(check_of(data, "a1.left.made").verdict, Verdict.FAILS)

    def test_an_order_says_what_its_maker_would_have_to_ask_and_where_it_is_entered(self) -> None:
        data = job("plover")
        bar = data["sheets"]["axles"]["axles"][0]["left"]["bar"]
        bar["boots"] = ""
        bar["inner_spline"] |= {"teeth": 26, "outside": {"text": "33.75 mm"}, "form": ""}
        part = part_of(data, "axles.a1.left_bar")
        asked = {one.field.split("bar.")[1]: plain(one.text) for one in part.wanted}
        self.assertEqual(asked["boots"], "its boots")
        self.assertIn("module 1.25, ISO 4156", asked["inner_spline.form"])
        words = " ".join(e.text for e in part.sheet("Plover", "1").entities if hasattr(e, "text"))
        self.assertIn("Not stated yet", words)

    def test_what_a_bar_can_not_be_drawn_without_is_named_one_by_one(self) -> None:
        data = job("plover", axles__0__left__bar__diameter=None)
        (asked,) = [one for one in evaluate(JobFile.model_validate(data)).axles.to_do if "left" in one.field]
        self.assertEqual(asked.field, "axles.axles.0.left.bar.diameter")
        self.assertIn("its diameter", asked.text)
        self.assertNotIn("length", asked.text)

    def test_a_spline_by_count_and_diameter(self) -> None:
        cases = ((26, 33.75, "module 1.25"), (27, 29.63, "24/48"), (30, 31.0, "module 1"), (35, 19.05, "48/96"))
        for teeth, outside, words in cases:
            with self.subTest(teeth=teeth, outside=outside):
                self.assertIn(words, plain(spline_forms(teeth=teeth, outside_mm=outside)[0]))
        self.assertEqual(spline_forms(teeth=6, outside_mm=35.0), ())  # a square-sided one: measure its teeth

    def test_an_order_reads_back_by_its_schema(self) -> None:
        for name, key in (("plover", "axles.a1.right_bar"), ("bittern", "axles.l2.t1_tube")):
            with self.subTest(key):
                order = part_of(job(name), key).order(name, "A")
                raw = json.loads(order.model_dump_json())
                self.assertEqual(Order.model_validate(raw), order)
                self.assertNotIn("⟨", json.dumps(raw, ensure_ascii=False))


def _differs(result: Any) -> tuple[str, ...]:
    part = next(one for one in result.parts if one.key == "axles.a1.left_bar")
    return tuple(one.says for one in part.released.differs)
