"""How long crosses last, what a centre bearing bears, and a live axle that goes by an arc of its own."""

import math
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.cardan.life import centre_force_n, cross_life_h, even_life_h
from driveline.checks import Verdict
from driveline.errors import ImpossibleInput
from tests.benches.axles.jobs import UNKNOWN, check_of, job
from tests.workings.test_workings import faults_of


def place(up: float, ahead: float, nose: float) -> dict[str, Any]:
    return {"up": {"text": f"{up} mm"}, "ahead": {"text": f"{ahead} mm"}, "nose": {"text": f"{nose}°"}}


def arc(*places: dict[str, Any]) -> dict[str, Any]:
    data = job("wren", lines__0__arc=list(places))
    data["sheets"]["axles"]["lines"][0]["goes"] = "measured"
    return data


class LifeTest(TestCase):
    def test_by_hand(self) -> None:
        """1.5e7/(2400 × 3) × 2^(10/3) = 2083 × 10.08 h; half a degree counts as two."""
        self.assertAlmostEqual(
            cross_life_h(capacity_nm=200, torque_nm=100, rpm=2400, angle_deg=3), 1.5e7 / 7200 * 2 ** (10 / 3)
        )
        self.assertEqual(*(cross_life_h(capacity_nm=200, torque_nm=100, rpm=2400, angle_deg=a) for a in (0.5, 2.0)))

    @given(st.floats(1, 2), st.floats(0, 20))
    def test_more_torque_speed_or_angle_never_lasts_longer(self, times: float, angle: float) -> None:
        usual = {"capacity_nm": 200.0, "torque_nm": 100.0, "rpm": 2400.0, "angle_deg": angle}
        before = cross_life_h(**usual)
        for name in ("torque_nm", "rpm", "angle_deg"):
            self.assertLessEqual(cross_life_h(**usual | {name: usual[name] * times}), before * (1 + 1e-12))

    def test_a_cross_is_judged_and_what_is_not_said_is_asked(self) -> None:
        self.assertIs(check_of(job("wren"), "l1.j1.life").verdict, Verdict.HOLDS)
        self.assertIs(check_of(job("wren", lines__0__life_torque="260 N·m"), "l1.j1.life").verdict, Verdict.FAILS)
        for gone in ("life_torque", "life_speed", "life_h", "joints__0__capacity"):
            changes: dict[str, Any] = {f"lines__0__{gone}": None}
            self.assertIs(check_of(job("wren", **changes), "l1.j1.life").verdict, UNKNOWN, gone)


class CentreBearingTest(TestCase):
    def two_piece(self, **bearing: Any) -> dict[str, Any]:
        data = job("wren")
        line = data["sheets"]["axles"]["lines"][0]
        middle = {"x": {"text": "800 mm"}, "y": {"text": "0 mm"}, "z": {"text": "420 mm"}}
        line["joints"].insert(1, {**line["joints"][0], "at": middle})
        line["tubes"].insert(0, {**line["tubes"][0], "slips": False})
        line["bearing"] = bearing
        return data

    def test_by_hand(self) -> None:
        """300 N·m at 4° and 3° over 500 mm: 300 × (0.0699 + 0.0523)/0.5 = 73.4 N."""
        force = centre_force_n(torque_nm=300, before_deg=4, at_deg=3, length_mm=500)
        self.assertAlmostEqual(force, 300 * (math.tan(math.radians(4)) + math.sin(math.radians(3))) / 0.5)

    def test_it_bears_the_couples_and_half_the_shafts_and_turns_with_them(self) -> None:
        strong = {"rating_n": 900.0, "greatest": {"text": "6000 rpm"}}
        force, speed = (check_of(self.two_piece(**strong), f"l1.bearing1.{one}") for one in ("force", "speed"))
        self.assertGreater(force.demand or 0, 7.4 * 9.80665)
        for check in (force, speed):
            self.assertEqual(faults_of(check, check.working), [])
            self.assertIsNot(check.verdict, UNKNOWN)
        self.assertIs(check_of(self.two_piece(rating_n=20.0), "l1.bearing1.force").verdict, Verdict.FAILS)
        for one in ("force", "speed"):
            self.assertIs(check_of(self.two_piece(), f"l1.bearing1.{one}").verdict, UNKNOWN)

    def test_it_is_pushed_in_the_worst_of_every_way_that_the_line_is_driven(self) -> None:
        """Wound down under brakes the joints beside it are bent more: the bearing is judged there, and not at rest."""
        wound = self.two_piece(rating_n=900.0)
        line = wound["sheets"]["axles"]["lines"][0]
        line["joints"][1]["at"]["x"] = {"text": "600 mm"}
        calm = check_of(wound, "l1.bearing1.force")
        line["winds_down"] = {"text": "5°"}
        pushed = check_of(wound, "l1.bearing1.force")
        self.assertGreater(pushed.demand or 0, calm.demand or 1)
        self.assertRegex(pushed.says, "overrun|launch backward|wheels locked")
        line["winds_down"] = None
        self.assertIn(check_of(wound, "l1.bearing1.force").verdict, (UNKNOWN, Verdict.FAILS))


class ArcTest(TestCase):
    WHOLE = (place(-80, -6, 1.5), place(70, -5, -1.0))

    def test_an_arc_as_straight_as_a_line_changes_nothing(self) -> None:
        straight = arc(place(-80, 0, 0), place(70, 0, 0))
        for key in ("l1.slip", "l1.j2.reach", "l1.even"):
            for figure in ("demand", "capacity"):
                self.assertAlmostEqual(
                    getattr(check_of(straight, key), figure), getattr(check_of(job("wren"), key), figure), places=9
                )

    def test_a_nose_that_turns_with_its_travel_bends_its_joint_more(self) -> None:
        before = check_of(job("wren"), "l1.j2.reach").demand or 0
        after = check_of(arc(place(-80, 0, -3), place(70, 0, 3)), "l1.j2.reach").demand or 0
        self.assertGreater(after, before + 1)

    def test_going_away_from_the_box_draws_the_slip_joint_out(self) -> None:
        before = check_of(job("wren"), "l1.slip").margin or 0
        after = check_of(arc(place(-80, -30, 0), place(70, -30, 0)), "l1.slip").margin or 0
        self.assertLess(after, before)

    def test_an_arc_that_is_not_measured_to_its_stops_is_not_known(self) -> None:
        self.assertIsNot(check_of(arc(*self.WHOLE), "l1.slip").verdict, UNKNOWN)
        half = {**place(70, -5, 0), "nose": None}
        for places in ((), self.WHOLE[:1], (self.WHOLE[0], place(40, -2, 0)), (self.WHOLE[0], half)):
            self.assertIs(check_of(arc(*places), "l1.slip").verdict, UNKNOWN)
        self.assertIs(check_of(arc(*self.WHOLE, place(0, 5, 0)), "l1.slip").verdict, UNKNOWN)  # ride is where it begins
        unsaid = job("wren", lines__0__goes=None)
        for key in ("l1.slip", "l1.j2.reach", "l1.even"):
            self.assertIn(check_of(unsaid, key).verdict, (UNKNOWN, Verdict.FAILS), key)


class EvenLifeTest(TestCase):
    """Joints that turn evenly: half shafts' inner and outer ones, and a propshaft's."""

    def test_by_hand(self) -> None:
        """At 1000 rpm both branches give 471 h for A C = T; bent 6° A is 0.8955 × 0.9891."""
        usual = {"capacity_nm": 290.0, "torque_nm": 130.0, "angle_deg": 0.0}
        self.assertAlmostEqual(even_life_h(**usual, rpm=1000) / (290 / 130) ** 3, 470.8, delta=0.2)
        self.assertAlmostEqual(even_life_h(**usual, rpm=1000) / even_life_h(**usual, rpm=1000.001), 1, places=3)
        bent = even_life_h(**usual | {"angle_deg": 6.0}, rpm=400) / even_life_h(**usual, rpm=400)
        self.assertAlmostEqual(bent, (0.895472 * 0.989074) ** 3, places=5)

    @given(
        st.sampled_from(("torque_nm", "rpm", "angle_deg")),
        st.floats(1.0, 1.5),
        st.fixed_dictionaries(
            {"torque_nm": st.floats(10, 900), "rpm": st.floats(10, 6000), "angle_deg": st.floats(0, 55)}
        ),
    )
    def test_more_never_lasts_longer(self, name: str, times: float, given_as: dict[str, float]) -> None:
        before = even_life_h(capacity_nm=300, **given_as)
        after = even_life_h(capacity_nm=300, **given_as | {name: given_as[name] * times})
        self.assertLessEqual(after, before * (1 + 1e-9))

    def test_what_cannot_be_is_refused(self) -> None:
        for wrong in ({"rpm": 0}, {"torque_nm": -1}, {"angle_deg": 90}):
            with self.assertRaises(ImpossibleInput):
                even_life_h(**{"capacity_nm": 300, "torque_nm": 100, "rpm": 400, "angle_deg": 5} | wrong)

    def test_both_joints_of_a_side_are_judged_and_without_a_figure_not_known(self) -> None:
        for end in ("inner", "outer"):
            key = f"a1.left.{end}_life"
            self.assertIs(check_of(job("plover"), key).verdict, Verdict.HOLDS)
            self.assertIs(check_of(job("plover", axles__0__life_torque="200 N·m"), key).verdict, Verdict.FAILS)
            for gone in ("life_torque", "life_speed", "life_h", f"{end}__capacity", "laden", "empty"):
                changes = {f"axles__0__{gone}": None}
                self.assertIs(check_of(job("plover", **changes), key).verdict, UNKNOWN, gone)
        self.assertIs(check_of(job("dunlin"), "l1.j1.life").verdict, Verdict.HOLDS)

    def test_their_workings_come_out(self) -> None:
        for speed in ("480 rpm", "1400 rpm"):
            made = job("plover", axles__0__life_speed=speed)
            for key in ("a1.left.inner_life", "a1.right.outer_life"):
                check = check_of(made, key)
                self.assertEqual(faults_of(check, check.working), [])
