"""The sweep of many gearings against each one alone, plain loops, and hand-worked cases."""

import itertools
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from hypothesis.extra import numpy as arrays

from driveline.benches.ratios.candidates import MOST_POINTS
from driveline.benches.ratios.gearing import Sweep, motors_of, rating_shares, road_of
from driveline.benches.ratios.lanes import plan_of
from driveline.benches.ratios.line import station_designs
from driveline.gearing.brief import Brief
from driveline.gearing.motor import Motor
from driveline.gearing.pareto import beaten_by
from driveline.gearing.road import KMH_PER_MS, FrontPull, held_by_each_axle_n, resistance_n
from driveline.gearing.sweep import Figures, road_figures
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.shafts.coupler import CouplerStyle
from tests.demo import demo_job
from tests.jobs import CENTRE, GEARBOX, KEPT, box, brief_of, round_job, said, solved


def swept(job: JobFile) -> tuple[Sweep, Brief, tuple[Motor, ...]]:
    brief = brief_of(job)
    assert brief.motor is not None and brief.rolling is not None
    plan = plan_of(job.sheets.ratios, brief, brief.rolling)
    return Sweep(plan), brief, motors_of(plan, brief, brief.motor)


def many(layout: str, **changes: Any) -> JobFile:
    """Three of everything that the layout has a place for, with ratings and two tyres."""
    ratios: dict[str, Any] = {
        "reductions": [box(f"r{k}", f"{ratio}", rating={"text": "400 Nm"}) for k, ratio in enumerate((1.4, 1.9, 8.2))],
        "final_drives": [box(f"f{k}", f"{ratio}", greatest_rpm={"text": "4000"}) for k, ratio in enumerate((3.2, 4.1))],
        "front_final_drives": [box("g0", "3.3"), box("g1", "4.0")],
        "gearbox": {"gears": [box("1st", "3.5"), box("top", "1.0")], "rating": {"text": "300 Nm"}},
        "tyres": [{"name": "tall", "tyre": {"code": "205/80R16"}}],
        "axle_rating": {"text": "2500 Nm"},
        "split": {"kind": "limited_slip", "bias_ratio": 2},
    }
    return JobFile.model_validate(round_job(layout, ratios, driven="both", **changes))


class SweepTest(TestCase):
    LAYOUTS = ("kept_gearbox", "propshaft_reduction", "axle_unit", "centre_unit", "two_units")

    def test_every_row_is_what_its_own_chain_gives(self) -> None:
        """Columns against stages: speed, pull, the first shaft's limit, and the least rating over design torque."""
        for layout in self.LAYOUTS:
            sweep, brief, motors = swept(many(layout))
            ratings = rating_shares(sweep, brief, motors, 1.5)
            for row in range(0, sweep.plan.count, 5):
                with self.subTest(layout=layout, row=row):
                    one = sweep.gearing(row, motors)
                    self.assertEqual(sweep.row_of(one.pick), row)
                    for k in range(len(motors)):
                        lanes = [lane for lane in one.lanes if lane.motor == k]
                        rpm = sum(lane.share * lane.rpm_per_ms for lane in lanes)
                        pull = sum(
                            lane.chain.driving_multipliers[-1] / (lane.rolling.circumference_mm / 2000 / np.pi)
                            for lane in lanes
                        )
                        self.assertAlmostEqual(sweep.gearings.rpm_per_ms[row, k] / rpm, 1)
                        self.assertAlmostEqual(sweep.gearings.pull_per_nm[row, k] / pull, 1)
                    designs = [
                        (design.design_nm, stage.rating_nm)
                        for lane in one.lanes
                        for stage, design in zip(
                            lane.chain.stages, station_designs(lane, one, brief, CouplerStyle.RIGID), strict=False
                        )
                    ]
                    least = min(rating / design for design, rating in designs if rating)
                    self.assertAlmostEqual(ratings[row] / least, 1)

    def test_many_at_once_are_what_each_is_alone(self) -> None:
        for layout in self.LAYOUTS:
            sweep, brief, motors = swept(many(layout))
            every = road_figures(sweep.gearings, motors, road_of(brief))
            for row in (0, sweep.plan.count // 2, sweep.plan.count - 1):
                alone = road_figures(sweep.gearings.rows(slice(row, row + 1)), motors, road_of(brief))
                for name in Figures.__dataclass_fields__:
                    with self.subTest(layout=layout, row=row, figure=name):
                        np.testing.assert_allclose(getattr(every, name)[row], getattr(alone, name)[0], rtol=1e-12)

    def test_times_agree_with_small_steps_in_time(self) -> None:
        """Wren's choice by stepping dv/dt, 1 ms at a time, straight from torque, slip and resistance."""
        job = demo_job("wren")
        sweep, brief, motors = swept(job)
        assert job.sheets.ratios.choice is not None and brief.kerb is not None
        row = sweep.row_of(job.sheets.ratios.choice)
        assert row is not None
        one = sweep.gearing(row, motors)
        figures = road_figures(one.gearings, motors, road_of(brief))
        rpm_per_ms, pull_per_nm = one.rpm_per_ms(), float(one.gearings.pull_per_nm[0, 0])
        speed_ms, time_s, slip_n = 0.0, 0.0, float(figures.slip_n[0])
        moved_kg = 1080 + (motors[0].inertia_kgm2 or 0) * (rpm_per_ms * np.pi / 30) ** 2
        while speed_ms < 100 / KMH_PER_MS:
            drive_n = min(float(motors[0].peak_nm(np.array(speed_ms * rpm_per_ms))) * pull_per_nm, slip_n)
            speed_ms += (drive_n - float(resistance_n(brief.kerb, speed_ms))) / moved_kg * 0.001
            time_s += 0.001
        self.assertAlmostEqual(float(figures.s_0_100[0]), time_s, delta=0.01)

    def test_what_is_not_reached_is_none(self) -> None:
        one = solved("centre_unit", CENTRE).ratios.candidates[0]  # 22.5 km/h
        self.assertEqual((one.s_0_50, one.s_0_100, one.cruise_share), (None, None, None))

    def test_a_long_sweep_is_thinned_but_keeps_what_nothing_beats(self) -> None:
        ratios = {
            "reductions": [box(f"r{k}", f"{1.2 + 0.1 * k:.1f}") for k in range(20)],
            "gearbox": {"gears": [box(f"g{k}", f"{0.8 + 0.3 * k:.1f}") for k in range(10)]},
            "final_drives": [box(f"f{k}", f"{2.5 + 0.2 * k:.1f}") for k in range(20)],
        }
        result = solved("kept_gearbox", ratios).ratios
        assert result.cloud is not None
        self.assertEqual(result.count, 21 * 10 * 20)
        self.assertLessEqual(len(result.cloud.top_kmh), MOST_POINTS + result.unbeaten + 16)
        self.assertEqual(result.cloud.is_beaten.count(False), result.unbeaten)
        for must, k in zip(result.musts, itertools.count(), strict=False):
            self.assertGreaterEqual(must.count, sum(bits >> k & 1 for bits in result.cloud.does))

    def test_too_many_are_refused_in_words(self) -> None:
        twenty = [box(f"r{k}", f"{1.2 + 0.1 * k:.1f}") for k in range(24)]
        tyres = [{"name": f"t{k}", "tyre": {"code": f"{165 + 10 * k}/70R14"}} for k in range(12)]
        gears = {"gears": [box(f"g{k}", f"{0.8 + 0.3 * k:.1f}") for k in range(12)]}
        result = solved(
            "kept_gearbox", {"reductions": twenty, "final_drives": twenty, "gearbox": gears, "tyres": tyres}
        )
        self.assertIn("leave some parts out", result.ratios.to_do[0].text)
        self.assertIsNone(result.line)

    def test_pins_and_choice_are_shown_whole_and_what_went_is_forgotten(self) -> None:
        ratios = {
            **KEPT,
            "reductions": [box("1.5", "1.5"), box("2.0", "2.0")],
            "compared": [{"reduction": "2.0", "gear": "2nd", "final_drive": "4.0"}, {"gear": "9th"}],
            "choice": {"reduction": "1.5", "gear": "2nd", "final_drive": "4.0", "reason": "because"},
        }
        first, second, *_ = solved("kept_gearbox", ratios).ratios.candidates
        self.assertTrue(first.is_chosen and not first.is_pinned)
        self.assertEqual((first.key, second.key, second.is_pinned), ("1.5 · 2nd · 4.0", "2.0 · 2nd · 4.0", True))

    def test_a_box_with_several_settings_is_an_option_each(self) -> None:
        twin = {**box("twin", "1.4"), "more_ratios": [{"text": "1.9"}, {"text": "2.35"}]}
        result = solved("kept_gearbox", {**KEPT, "reductions": [twin]}).ratios
        self.assertEqual(
            {one.pick.reduction for one in result.candidates}, {None, "twin", "twin at 1.9", "twin at 2.35"}
        )
        at_19 = next(one for one in result.candidates if one.pick.reduction == "twin at 1.9")
        self.assertAlmostEqual(at_19.overall_ratio, 1.9 * 2 * 4)

    def test_the_wanted_margin_decides_who_keeps_every_rating(self) -> None:
        """A rigid hub shocks 200 N·m to 300, less than slips the tyres; an input rated for 330 keeps 1.1."""
        data = round_job("kept_gearbox", {**KEPT, "gearbox": {**GEARBOX, "rating": {"text": "330 Nm"}}})
        for wanted, count in ((1.0, 1), (1.09, 1), (1.11, 0), (1.2, 0)):
            data["sheets"]["margins"] = {"maker_rating": wanted}
            must = next(must for must in evaluate(JobFile.model_validate(data)).ratios.musts if must.key == "rating")
            self.assertEqual(must.count, count)


class ParetoTest(TestCase):
    @given(arrays.arrays(np.float64, st.tuples(st.integers(1, 40), st.just(3)), elements=st.integers(0, 4).map(float)))
    def test_as_by_looking_at_every_pair(self, good: Any) -> None:
        found = beaten_by(good)
        at_least = np.all(good[None] >= good[:, None], axis=2)
        better = at_least & np.any(good[None] > good[:, None], axis=2)
        np.testing.assert_array_equal(found >= 0, better.any(axis=1))
        for row, by in enumerate(found.tolist()):
            if by >= 0:
                self.assertTrue(better[row, by])


class EachAxleTest(TestCase):
    @given(st.floats(0, 20_000), st.floats(0, 20_000), st.floats(0.2, 1.1), st.floats(0.3, 0.7))
    def test_no_axle_pulls_more_than_it_grips_or_was_asked(
        self, front_n: float, rear_n: float, mu: float, share: float
    ) -> None:
        from driveline.gearing.road import Balance

        balance = Balance(front_share=share, cg_height_mm=550, wheelbase_mm=2400)
        front, rear = held_by_each_axle_n(np.array(front_n), np.array(rear_n), mass_kg=1300, balance=balance, mu=mu)
        weight_n, moved_n = 1300 * 9.80665, float(front + rear) * 550 / 2400
        for held, asked, load_n in [
            (float(front), front_n, weight_n * share - moved_n),
            (float(rear), rear_n, weight_n * (1 - share) + moved_n),
        ]:
            self.assertLessEqual(held, asked + 1e-6)
            self.assertLessEqual(held, mu * max(load_n, 0) + 1)
            self.assertTrue(held > asked - 1 or held > mu * max(load_n, 0) - 1)


class MendTest(TestCase):
    def test_bittern_is_mended_by_the_taller_final_drive(self) -> None:
        mend = solved_demo("bittern").mend
        assert mend is not None and mend.pick is not None
        self.assertEqual((mend.pick.final_drive, mend.pick.reduction), ("2.05", "9.1 unit"))
        self.assertRegex(said(mend.text), "Final drive 2.05 does it: 120 km/h")

    def test_without_one_listed_the_ratio_that_would_is_said(self) -> None:
        """60 km/h are 500 wheel rpm; 6000/1.05/500 = 11.43 overall, behind 8:1 a final drive of 1.43."""
        mend = solved("centre_unit", CENTRE).ratios.mend
        assert mend is not None
        self.assertIsNone(mend.pick)
        self.assertIn("overall ratio of 11.43", mend.text)
        self.assertIn("final drive of 1.43", mend.text)

    def test_none_is_offered_where_all_is_done(self) -> None:
        self.assertIsNone(solved_demo("wren").mend)


def solved_demo(name: str) -> Any:
    from driveline.job.evaluate import evaluate

    return evaluate(demo_job(name)).ratios


class FrontPullTest(TestCase):
    def test_rows_of_a_share_that_is_one_figure_for_all(self) -> None:
        sweep, _, _ = swept(many("centre_unit"))
        some = sweep.gearings.rows(slice(2, 5))
        self.assertIsInstance(some.front_pull, FrontPull)
        self.assertEqual(np.shape(some.front_pull.least), (3, 1))
