"""Masses and axle loads, the engine that came out, and how sure the headline figures are; by hand."""

import math
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.brief.masses import solve_masses
from driveline.benches.brief.masses_sheet import MassesSheet
from driveline.benches.brief.sheet import Vehicle
from driveline.checks import Verdict
from driveline.errors import ImpossibleInput
from driveline.gearing.axle_loads import Load, axle_loads_kg, cg_height_by_lifting_mm, combined
from driveline.gearing.engine import engine_from_peaks, engine_from_points, wheel_torques_nm
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.jobs import KEPT, check_of, round_job, solved

VEHICLE: dict[str, Any] = {
    "kerb_mass": {"text": "1000 kg"},
    "front_share": 0.5,
    "cg_height": {"text": "500 mm"},
    "wheelbase": {"text": "2500 mm"},
}


def item(name: str, mass: str, x: str | None = None, z: str | None = None, **more: Any) -> dict[str, Any]:
    places = {axis: {"text": text} for axis, text in (("x", x), ("z", z)) if text is not None}
    return {"name": name, "mass": {"text": mass}, **places, **more}


class MassesTest(TestCase):
    ITEMS = (
        item("engine", "200 kg", "2500 mm", "700 mm", is_on=False),
        item("battery", "300 kg", "500 mm", "400 mm"),
        item("load", "400 kg", "0 mm", "900 mm", only_laden=True),
    )

    def test_off_on_and_laden_by_hand(self) -> None:
        """Moments about the rear: 1000 × 1250 − 200 × 2500 + 300 × 500 = 900 000 over 1100 kg: x 818.2, front 360 kg.
        Heights: (1000 × 500 − 200 × 700 + 300 × 400)/1100 = 436.4. Laden the front keeps 360, the rear 740 + 400."""
        sheet = MassesSheet.model_validate({"items": self.ITEMS})
        weights = solve_masses(sheet, Vehicle.model_validate(VEHICLE), None)
        was, kerb, laden = weights.result.standings
        self.assertEqual((was.mass_kg, kerb.mass_kg, laden.mass_kg), (1000, 1100, 1500))
        self.assertAlmostEqual(kerb.front_kg or 0, 360)
        self.assertAlmostEqual(kerb.cg_height_mm or 0, 436.364, places=2)
        self.assertAlmostEqual(laden.front_kg or 0, 360)
        self.assertAlmostEqual(laden.rear_kg or 0, 1140)
        assert weights.balance is not None and weights.laden_balance is not None
        self.assertAlmostEqual(float(weights.laden_balance.front_share), 360 / 1500)

    def test_a_load_by_its_name_is_asked_about_until_it_is_said(self) -> None:
        cases: tuple[tuple[str, dict[str, Any], bool], ...] = (
            ("two people and bags", {}, True),
            ("two people and bags", {"only_laden": False}, False),
            ("two people and bags", {"only_laden": True}, False),
            ("battery", {}, False),
        )
        for name, said, is_asked in cases:
            with self.subTest(name, **said):
                sheet = MassesSheet.model_validate({"items": [item(name, "180 kg", **said)]})
                queries = solve_masses(sheet, Vehicle.model_validate(VEHICLE), None).queries
                self.assertEqual(any(one.startswith(f"{name}: is it") for one in queries), is_asked)

    def test_an_item_without_a_place_leaves_the_balance_unknown(self) -> None:
        sheet = MassesSheet.model_validate({"items": [item("battery", "300 kg")]})
        weights = solve_masses(sheet, Vehicle.model_validate(VEHICLE), None)
        self.assertEqual(weights.kerb_kg, 1300)
        self.assertIsNone(weights.balance)
        self.assertIn("forward and height", weights.result.to_do[0].text)

    def test_it_feeds_the_slip_limit_and_the_loads_are_judged(self) -> None:
        data = round_job("kept_gearbox", KEPT)
        data["sheets"]["brief"]["masses"] = {
            "items": [{**one, "y": {"text": "0 mm"}} for one in self.ITEMS],
            "front_axle_rating": {"text": "600 kg"},
            "rear_axle_rating": {"text": "1150 kg"},
            "tyre_rating": {"text": "700 kg"},
            "left_side": {"text": "500 kg"},
            "track": {"text": "1400 mm"},
        }
        result = evaluate(JobFile.model_validate(data))
        lever = 0.9 * 436.3636 / 2500
        expected_n = 0.9 * 1100 * 9.80665 * (740 / 1100) / (1 - lever)
        self.assertAlmostEqual((result.ratios.slip_nm or 0) * math.pi / expected_n, 1, places=5)
        for key, demand, verdict in [
            ("masses.front_axle", 360, Verdict.HOLDS),
            ("masses.rear_axle", 1140, Verdict.FAILS),  # 1.05 wanted of a load rating
            ("masses.tyre", 570, Verdict.HOLDS),
        ]:
            check = check_of(result, key)
            self.assertAlmostEqual(check.demand or 0, demand)
            self.assertIs(check.verdict, verdict)

    def test_axle_weights_stand_in_for_mass_and_share_and_the_sides_are_told(self) -> None:
        sheet = {
            "front_axle": {"text": "600 kg"},
            "rear_axle": {"text": "400 kg"},
            "left_side": {"text": "520 kg"},
            "track": {"text": "1400 mm"},
        }
        vehicle = Vehicle.model_validate({"wheelbase": VEHICLE["wheelbase"]})
        (kerb,) = solve_masses(MassesSheet.model_validate(sheet), vehicle, None).result.standings
        self.assertEqual((kerb.mass_kg, kerb.front_share), (1000, 0.6))
        self.assertAlmostEqual(kerb.left_share or 0, 0.52)

    def test_height_by_lifting(self) -> None:
        """ΔW L/(W tanθ) = 40 × 2500/(1000 × tan 10°) = 567.1 above the wheel centres at 300."""
        height = cg_height_by_lifting_mm(
            gained_kg=40, wheelbase_mm=2500, mass_kg=1000, lift_deg=10, wheel_centre_mm=300
        )
        self.assertAlmostEqual(height, 300 + 567.128, places=2)
        sheet = {"lift_angle": {"text": "10 deg"}, "lift_gain": {"text": "40 kg"}}
        vehicle = Vehicle.model_validate({**VEHICLE, "cg_height": None})
        weights = solve_masses(MassesSheet.model_validate(sheet), vehicle, 300)
        self.assertAlmostEqual(weights.result.standings[0].cg_height_mm or 0, height, places=2)
        for wrong in (0, 45, math.nan):
            with self.assertRaises(ImpossibleInput):
                cg_height_by_lifting_mm(
                    gained_kg=1, wheelbase_mm=2500, mass_kg=1000, lift_deg=wrong, wheel_centre_mm=300
                )

    def test_more_off_than_there_is_is_impossible(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "above 0 with everything"):
            solve_masses(
                MassesSheet.model_validate({"items": [item("all", "1200 kg", is_on=False)]}),
                Vehicle.model_validate(VEHICLE),
                None,
            )

    @given(st.lists(st.tuples(st.floats(1, 500), st.floats(-1000, 4000)), min_size=1, max_size=8))
    def test_axle_loads_add_up_and_balance(self, found: list[tuple[float, float]]) -> None:
        whole = combined(Load(mass_kg=m, x_mm=x, y_mm=0, z_mm=0) for m, x in found)
        loads = axle_loads_kg(whole, 2500)
        assert loads is not None
        self.assertAlmostEqual(sum(loads), sum(m for m, _ in found))
        self.assertAlmostEqual(loads[0] * 2500, sum(m * x for m, x in found), places=3)


class EngineTest(TestCase):
    PEAKS = {"peak_nm": 100.0, "peak_nm_rpm": 2500.0, "peak_kw": 45.0, "peak_kw_rpm": 5000.0, "greatest_rpm": 5500.0}

    def test_the_curve_passes_both_peaks(self) -> None:
        engine = engine_from_peaks(**self.PEAKS)
        at = engine.at(np.array([2500.0, 5000.0, 5600.0]))
        self.assertAlmostEqual(at[0], 100)
        self.assertAlmostEqual(at[1] * 5000 * math.pi / 30, 45_000)
        self.assertTrue(np.isnan(at[2]))

    def test_contradictions_are_refused_by_name(self) -> None:
        for wrong in ({"peak_kw": 60.0}, {"peak_nm_rpm": 5200.0}, {"greatest_rpm": 4000.0}):
            with self.subTest(wrong), self.assertRaisesRegex(ImpossibleInput, "was.peak"):
                engine_from_peaks(**{**self.PEAKS, **wrong})
        with self.assertRaises(ImpossibleInput):
            engine_from_points(np.array([1000.0, 1000.0]), np.array([50.0, 60.0]))

    def test_wheel_torque_in_each_gear(self) -> None:
        """Flat 100 N·m from 1000 to 5000 rpm; 8:1 at 0.9 on 2 m a turn: 720 N·m to 20.83 m/s, clutch slipping below."""
        engine = engine_from_points(np.array([5000.0, 1000.0]), np.array([100.0, 100.0]))
        torque = wheel_torques_nm(
            engine,
            overall_ratios=np.array([8.0, 4.0]),
            efficiency=0.9,
            circumference_mm=2000,
            speed_ms=np.array([0.0, 20.8, 20.9]),
        )
        np.testing.assert_allclose(torque, np.array([[720, 720, np.nan], [360, 360, 360]]))

    def test_what_it_did_is_in_the_answer(self) -> None:
        was = {
            "curve": [{"rpm": 1000, "torque_nm": 100}, {"rpm": 5000, "torque_nm": 100}],
            "gears": [{"name": "1st", "ratio": {"text": "2.0"}}, {"name": "2nd", "ratio": {"text": "1.0"}}],
        }
        found = solved("kept_gearbox", KEPT, was=was).ratios.was
        assert found is not None
        self.assertEqual([gear.name for gear in found.gears], ["1st", "2nd"])
        self.assertAlmostEqual(found.launch_wheel_nm, 100 * 2 * 4 * 0.9)  # the first final drive listed is taken
        self.assertIn("final drive 4.0, the first one listed", [a.text for a in found.assumed])
        # 5000 rpm through 4.0 is 150 km/h, where 100 N·m × 4 × 0.9 × π N outpull 117.7 + 744 N: engine speed sets it.
        self.assertAlmostEqual(found.top_kmh, 150, delta=0.5)

    def test_without_an_engine_there_is_nothing_to_compare(self) -> None:
        self.assertIsNone(solved("kept_gearbox", KEPT).ratios.was)


class SpreadsTest(TestCase):
    def spreads(self, **brief: Any) -> dict[str, Any]:
        found = solved("kept_gearbox", KEPT, **brief).ratios.spreads
        assert found is not None
        return {spread.figure: spread for spread in found.spreads}

    def test_speeds_by_motor_go_with_the_roll_out_alone(self) -> None:
        """A roll-out of 2000 mm taped to u 1.0 over one turn: 0.05 %, so 90 km/h ± 1.96 × 0.045."""
        spread = self.spreads(tyre={"roll_out": {"text": "2000 mm", "tool": "tape"}})["top_kmh"]
        self.assertAlmostEqual(spread.plus_minus, 1.96 * 90 * 0.0005, places=3)
        self.assertEqual([share.what for share in spread.shares], ["rolling circumference"])

    def test_a_stated_uncertainty_goes_before_the_usual_one(self) -> None:
        """Level cruise rpm knows only the tyre; hill start F/(m g) − C_rr mostly torque and laden mass."""
        vehicle = {**round_job("x", {})["sheets"]["brief"]["vehicle"]}
        rough = {**vehicle, "laden_mass": {"text": "1200 kg", "u": 120}, "tyre_grip": 2.0}
        fine = {**vehicle, "laden_mass": {"text": "1200 kg", "u": 1}, "tyre_grip": 2.0}
        wide, narrow = (self.spreads(vehicle=v)["hill_start_pct"] for v in (rough, fine))
        self.assertGreater(wide.plus_minus, 2 * narrow.plus_minus)
        self.assertEqual(wide.shares[0].what, "laden mass")

    def test_shares_are_parts_of_the_whole(self) -> None:
        for spread in self.spreads().values():
            self.assertLessEqual(sum(share.share for share in spread.shares), 1 + 1e-9)
            self.assertGreaterEqual(spread.plus_minus, 0)

    def test_0_50_by_first_principles(self) -> None:
        """Drive far above resistance: the time goes as mass over torque, so 3 % of torque and 1 % of mass make
        1.96 × 3.2 % of it, the little resistance and the rotor aside."""
        spread = self.spreads()["s_0_50"]
        self.assertAlmostEqual(spread.plus_minus / spread.value, 1.96 * math.hypot(0.03, 0.01), delta=0.006)
