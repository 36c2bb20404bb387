from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from driveline.checks import Check, Verdict, worst_first, worst_verdict
from driveline.margins import with_wanted


def check(demand: float | None, capacity: float | None, wanted: float = 1.0, **more: object) -> Check:
    return Check(
        key="k",
        bench="b",
        title="t",
        demand=demand,
        capacity=capacity,
        unit="mm",
        wanted_margin=wanted,
        says="",
        **more,
    )


class CheckTest(TestCase):
    def test_verdicts_at_their_edges(self) -> None:
        for demand, capacity, wanted, verdict in [
            (100, 110, 1.0, Verdict.HOLDS),
            (100, 109.9, 1.0, Verdict.TIGHT),
            (100, 100, 1.0, Verdict.TIGHT),
            (100, 99.9, 1.0, Verdict.FAILS),
            (100, 165, 1.5, Verdict.HOLDS),
            (100, 149, 1.5, Verdict.FAILS),
            (0, 5, 1.0, Verdict.HOLDS),
            (None, 5, 1.0, Verdict.NOT_KNOWN),
            (5, None, 1.0, Verdict.NOT_KNOWN),
        ]:
            with self.subTest(demand=demand, capacity=capacity):
                self.assertIs(check(demand, capacity, wanted).verdict, verdict)

    def test_what_is_missing_is_never_fine(self) -> None:
        self.assertIs(check(1, 100, missing=("Depth",)).verdict, Verdict.NOT_KNOWN)

    def test_nan_never_enters(self) -> None:
        with self.assertRaises(ValidationError):
            check(float("nan"), 1)

    def test_the_worst_comes_first(self) -> None:
        checks = [check(1, 2), check(1, None), check(1, 0.5), check(1, 1.05), check(1, 0.9)]
        ordered = [one.margin for one in worst_first(checks)]
        self.assertEqual(ordered, [0.5, 0.9, None, 1.05, 2])
        self.assertIs(worst_verdict(checks), Verdict.FAILS)
        self.assertIs(worst_verdict([]), Verdict.NOT_KNOWN)

    @given(st.floats(0.1, 1e6), st.floats(0.1, 1e6), st.floats(1, 3))
    def test_more_demand_never_betters_a_verdict(self, demand: float, capacity: float, more: float) -> None:
        order = [Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS]
        self.assertLessEqual(
            order.index(check(demand, capacity).verdict), order.index(check(demand * more, capacity).verdict)
        )


class WantedTest(TestCase):
    def test_a_check_whose_figures_stand_there_says_what_is_wanted_all_the_same(self) -> None:
        for says, missing, whole in (
            ("13.0° at the most.", ("How the unit is held",), "13.0° at the most. Still wanted: how the unit is held."),
            ("", ("Its length",), "Still wanted: its length."),
            ("Measure the depth to finish this check.", ("Its depth",), "Measure the depth to finish this check."),
            ("5 of 9", (), "5 of 9"),
        ):
            self.assertEqual(with_wanted(says, missing), whole)
