"""The independently computed values of the engineering reference, as far as the core goes."""

import contextlib
import io
import json
import tempfile
from pathlib import Path
from unittest import TestCase

from tests.examples.__main__ import main
from tests.examples.adapters import ADAPTERS
from tests.examples.compare import agrees, run_file

FILES = [
    Path(__file__).parent / "data" / name
    for name in ("worked_examples.json", "worked_examples_2.json", "worked_examples_3.json")
]
EXAMPLES = [one for path in FILES for one in json.loads(path.read_text())["examples"]]


class WorkedExamplesTest(TestCase):
    def test_every_example_of_the_kinds_that_are_built_agrees(self) -> None:
        for path in FILES:
            run = run_file(path)
            self.assertEqual([f"{line.example} {line.name}: {line.got}" for line in run.disagreeing], [])
            built = [one for one in EXAMPLES if one["kind"] in ADAPTERS]
            self.assertGreater(len(run.lines), 10)
        self.assertEqual({one["kind"] for one in built}, set(ADAPTERS))

    def test_a_wrong_value_ends_in_1_and_a_kind_not_built_is_named(self) -> None:
        example = next(one for one in EXAMPLES if one["kind"] == "tyre-section-code")
        wrong = {**example, "expect": {**example["expect"], "free_diameter_mm": 600}}
        strange = {**example, "id": "s", "kind": "selector-lever"}
        for examples, code, words in [
            ([example, strange], 0, "not built yet: selector-lever"),
            ([wrong], 1, "DISAGREES"),
        ]:
            with (
                tempfile.NamedTemporaryFile("w", suffix=".json") as file,
                contextlib.redirect_stdout(io.StringIO()) as out,
            ):
                json.dump({"examples": examples}, file)
                file.flush()
                self.assertEqual(main([file.name]), code)
            self.assertIn(words, out.getvalue())

    def test_lists_compare_within_their_largest_and_words_exactly(self) -> None:
        self.assertTrue(agrees("x", [100.0, 0.0], [100.0, 0.05], 1e-3, {}))
        self.assertFalse(agrees("x", [100.0, 0.0], [100.0, 0.2], 1e-3, {}))
        self.assertTrue(agrees("x", [100.0, 0.0], [100.0, 0.2], 1e-3, {"x": 0.5}))
        self.assertFalse(agrees("holds", True, False, 1.0, {}))
