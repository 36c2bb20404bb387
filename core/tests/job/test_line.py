"""The Line: what the slider reads, at every station and for every case."""

import math
from unittest import TestCase

from driveline.gearing.road import GRAVITY_MS2
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.job.line import Line
from tests.demo import DEMOS, demo_job, demo_json

STATIONS = ["motor", "plate", "coupler", "gearbox", "propshaft", "final_drive", "axle", "wheel"]


def line_of(name: str = "wren", **motor: object) -> Line:
    data = demo_json(name)
    data["sheets"]["brief"]["motor"] |= motor
    line = evaluate(JobFile.model_validate(data)).line
    assert line is not None
    return line


def at(line: Line, case: str, station: str, kmh: float) -> float:
    """Torque at a station, at a tabulated speed."""
    row = [one.key for one in line.stations].index(station)
    torque_nm = next(one for one in line.cases if one.key == case).torque_nm[row][line.speed_kmh.index(kmh)]
    assert torque_nm is not None
    return torque_nm


class LineTest(TestCase):
    def test_stations_run_from_motor_to_wheel(self) -> None:
        self.assertEqual([station.key for station in line_of().stations], STATIONS)
        self.assertEqual([s.key for s in line_of("plover").stations], ["motor", "drive_unit", "axle", "wheel"])

    def test_speeds_by_hand_at_80_kmh(self) -> None:
        """80 km/h on 1835 mm is 726.6 wheel rpm; × 37/9 at the propshaft, × 1.37 at the motor."""
        line = line_of()
        k = line.speed_kmh.index(80.0)
        rpm = {station.key: row[k] for station, row in zip(line.stations, line.rpm, strict=True) if row}
        for station, expected in [("wheel", 726.6), ("propshaft", 2987.2), ("gearbox", 4092.4), ("motor", 4092.4)]:
            self.assertAlmostEqual(rpm[station] / expected, 1, delta=0.001)

    def test_cruise_is_the_level_resistance_and_climb_the_hills(self) -> None:
        """By hand: 1080 kg, C_rr 0.012, C_dA 0.95; and 1560 kg on 25 %."""
        line, k = line_of(), 40
        self.assertEqual(line.speed_kmh[k], 80.0)
        drag_n = 0.5 * 1.225 * 0.95 * (80 / 3.6) ** 2
        road_n = {one.key: one.road_n[k] for one in line.cases}
        self.assertAlmostEqual((road_n["cruise"] or 0) / (1080 * GRAVITY_MS2 * 0.012 + drag_n), 1, delta=0.001)
        slope = math.atan(0.25)
        hill_n = 1560 * GRAVITY_MS2 * (0.012 * math.cos(slope) + math.sin(slope)) + drag_n
        self.assertAlmostEqual((road_n["climb"] or 0) / hill_n, 1, delta=0.001)

    def test_losses_run_with_the_power(self) -> None:
        """Driving, each mesh passes on less than its ratio; on overrun the box sees more than the motor makes of it."""
        line = line_of()
        driving = at(line, "launch", "propshaft", 40.0) / at(line, "launch", "gearbox", 40.0)
        overrun = at(line, "overrun", "propshaft", 40.0) / at(line, "overrun", "gearbox", 40.0)
        self.assertAlmostEqual(driving, 1.37 * 0.96, delta=0.002)
        self.assertAlmostEqual(overrun, 1.37 / 0.96, delta=0.002)
        self.assertAlmostEqual(at(line, "overrun", "motor", 40.0), -60)
        self.assertAlmostEqual(at(line, "reverse", "wheel", 40.0), -at(line, "launch", "wheel", 40.0))

    def test_launch_is_held_by_the_tyres(self) -> None:
        """With eight times the torque the launch is what the tyres grip, the same at any torque above it."""
        strong = line_of(peak_torque={"text": "1880 Nm"}, peak_power={"text": "720 kW"})
        stronger = line_of(peak_torque={"text": "2350 Nm"}, peak_power={"text": "900 kW"})
        self.assertAlmostEqual(at(strong, "launch", "wheel", 20.0), at(stronger, "launch", "wheel", 20.0))

    def test_past_the_motors_reach_there_is_nothing(self) -> None:
        line = line_of()
        past = next(k for k, kmh in enumerate(line.speed_kmh) if kmh > 176.5)
        for case in line.cases:
            for torque, verdicts in zip(case.torque_nm, case.verdict, strict=True):
                self.assertIsNone(torque[past])
                self.assertEqual(verdicts[past], "-")

    def test_letters_are_the_verdicts_of_the_margins(self) -> None:
        letters, line = set(), line_of()
        for case in line.cases:
            for station, margins, verdicts in zip(line.stations, case.margin, case.verdict, strict=True):
                if station.key == "plate":
                    continue  # by its checks, whatever the speed
                for margin, letter in zip(margins, verdicts, strict=True):
                    letters.add(letter)
                    if margin is None or min(abs(margin - 1), abs(margin - 1.1)) < 0.01:
                        continue  # shown to three digits: at an edge the letter knows better
                    known = "f" if margin < 1 else "t" if margin < 1.1 else "h"
                    self.assertIn(letter, {known, *("" if known == "f" else "?.")})
        self.assertEqual(letters, set("htf?-."))

    def test_a_station_whose_rating_is_not_known_never_holds(self) -> None:
        data = demo_json("wren")
        data["sheets"]["ratios"]["gearbox"].pop("rating")
        line = evaluate(JobFile.model_validate(data)).line
        assert line is not None
        row = [station.key for station in line.stations].index("gearbox")
        for case in line.cases:
            self.assertLessEqual(set(case.verdict[row]), set("?f-"), case.key)

    def test_a_margin_is_the_tighter_of_torque_and_speed(self) -> None:
        """The gearbox at 80 km/h cruise: 9900 over 4092 rpm, since 320 N·m over 24 is far more."""
        line = line_of()
        row, k = STATIONS.index("gearbox"), line.speed_kmh.index(80.0)
        cruise = next(one for one in line.cases if one.key == "cruise")
        self.assertAlmostEqual(cruise.margin[row][k] or 0, 9900 / 4092.4, delta=0.01)

    def test_ticks_stand_where_limits_bite(self) -> None:
        """By hand: 0.7 × 6400 rpm at the propshaft, 9000 at the motor; 0.00011 km/h a rpm mm."""
        kmh = {tick.text: tick.kmh for tick in line_of().ticks}
        per_rpm = 1.835 * 60 / 1000
        self.assertAlmostEqual(kmh["top speed: propshaft 0.7 critical"], 4480 / (37 / 9) * per_rpm, delta=0.1)
        self.assertAlmostEqual(kmh["motor top speed"], 9000 / (37 / 9 * 1.37) * per_rpm, delta=0.1)

    def test_cases_that_need_a_missing_figure_are_left_out(self) -> None:
        keys = {case.key for case in line_of(overrun_torque=None, continuous_torque=None).cases}
        self.assertEqual(keys, {"launch", "climb", "cruise", "reverse"})

    def test_each_station_shows_both_candidates_for_its_design_torque(self) -> None:
        for station in line_of("plover", peak_torque={"text": "1800 Nm"}, peak_power={"text": "700 kW"}).stations:
            assert station.slip_limited_nm is not None
            self.assertEqual(station.design_nm, min(station.motor_limited_nm or 0, station.slip_limited_nm))
            self.assertEqual(station.governed_by, "tyres")
        self.assertEqual({station.governed_by for station in line_of().stations if station.kind != "plate"}, {"motor"})

    def test_the_whole_answer_holds_no_nan(self) -> None:
        for name in DEMOS:
            self.assertNotRegex(evaluate(demo_job(name)).model_dump_json(), "NaN|Infinity")
