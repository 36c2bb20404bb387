import math
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Check
from driveline.gearing.parked import standing_on
from driveline.gearing.road import GRAVITY_MS2, Balance
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.demo import demo_json

shares = st.floats(0.3, 0.7)
heights_mm = st.floats(300, 1200)
grips = st.floats(0.2, 1.1)


def balance_of(front_share: float, cg_height_mm: float, wheelbase_mm: float) -> Balance:
    return Balance(front_share=front_share, cg_height_mm=cg_height_mm, wheelbase_mm=wheelbase_mm)


class ParkedForcesTest(TestCase):
    @given(st.floats(0, 40), st.floats(500, 4000), shares, heights_mm, grips, st.booleans())
    def test_both_axles_carry_the_weight_across_the_grade(
        self, grade_pct: float, mass_kg: float, share: float, height_mm: float, grip: float, on_front: bool
    ) -> None:
        found = standing_on(
            grade_pct, mass_kg=mass_kg, balance=balance_of(share, height_mm, 2600.0), grip=grip, on_front=on_front
        )
        across_n = found.braked_load_n + found.other_load_n
        self.assertAlmostEqual(math.hypot(across_n, found.down_n), mass_kg * GRAVITY_MS2, places=6)
        self.assertGreaterEqual(found.hold_n, 0)

    def test_on_the_grade_that_its_tyres_just_hold_they_hold_what_pulls_it_down(self) -> None:
        """The grade is the handbrake check's own, found another way: tan θ = μ s / (1 + μ h / L)."""
        job = demo_json("wren")
        job["sheets"]["brief"]["parking"]["handbrake_held_pct"] = 90
        result = evaluate(JobFile.model_validate(job))
        check = check_of(result.checks, "parked.handbrake")
        brief = job["sheets"]["brief"]
        assert check.capacity is not None
        laden = next(one for one in result.brief.masses.standings if one.key == "laden")
        balance = balance_of(laden.front_share, laden.cg_height_mm, 2350.0)
        found = standing_on(check.capacity, mass_kg=1560.0, balance=balance, grip=0.9, on_front=False)
        self.assertEqual(brief["vehicle"]["wheelbase"]["text"].split()[0], "2350")
        self.assertAlmostEqual(found.hold_n, found.down_n, delta=0.5)


class TurningPictureTest(TestCase):
    """The kept shaft must turn anticlockwise; whatever reverses between it and the motor turns the motor round."""

    def turns(self, **turning: object) -> dict[str, tuple[str | None, str]]:
        job = demo_json("wren")
        job["sheets"]["ratios"]["turning"] |= turning
        found = evaluate(JobFile.model_validate(job)).ratios.safety.turns
        return {one.what: (one.way, one.note) for one in found}

    def test_motor_and_kept_shaft_on_one_line_turn_alike(self) -> None:
        found = self.turns(kept_input="anticlockwise")
        self.assertEqual(found["Kept shaft"][0], "anticlockwise")
        self.assertEqual(found["Motor"], ("anticlockwise", "against its usual way"))

    def test_a_one_way_pump_turned_backwards_gives_no_oil(self) -> None:
        self.assertEqual(self.turns(kept_input="anticlockwise", oil_pump="one_way")["Oil"][1], "one way: no oil")
        self.assertEqual(self.turns(kept_input="clockwise", oil_pump="one_way")["Oil"][1], "one way: it pumps")

    def test_what_nobody_said_is_not_drawn_as_turning(self) -> None:
        self.assertIsNone(self.turns(kept_input=None)["Motor"][0])


def check_of(checks: tuple[Check, ...], key: str) -> Check:
    return next(check for check in checks if check.key == key)
