"""The trade's classic slips: each is asked about, and none is acted on in silence."""

import copy
from typing import Any
from unittest import TestCase

from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.jobs import KEPT, box, check_of, round_job, solved


def asked(result: JobResult) -> str:
    return " | ".join((*result.brief.queries, *result.ratios.queries))


def changed(data: dict[str, Any], path: str, value: Any) -> JobResult:
    data = copy.deepcopy(data)
    *parents, last = path.split(".")
    place = data["sheets"]
    for name in parents:
        place = place[name]
    place[last] = value
    return evaluate(JobFile.model_validate(data))


ENGINE = {
    "peak_torque": {"text": "100 Nm"},
    "peak_torque_at": {"text": "2500 rpm"},
    "peak_power": {"text": "45 kW"},
    "peak_power_at": {"text": "5000 rpm"},
    "gears": [{"name": "1st", "ratio": {"text": "3.8"}}, {"name": "2nd", "ratio": {"text": "1.0"}}],
    "final_drive": {"text": "4.0"},
}
JOB = round_job("kept_gearbox", {**KEPT, "coupler": "rigid"})
UNIT = round_job("axle_unit", {"reductions": [box("unit", "8.0")]})
UNIT["sheets"]["brief"]["motor"]["peak_power"] = {"text": "80 kW"}
# What was done, where it shows, what is put there, and words of the question.
SLIPS: list[tuple[str, dict[str, Any], str, Any, str]] = [
    (
        "free diameter taken for the rolling one, as a roll-out",
        JOB,
        "brief.tyre",
        {"code": "195/65R15", "roll_out": {"text": "1993 mm"}},  # π × 634.5
        "π × the free diameter",
    ),
    (
        "free radius taken for the loaded one",
        JOB,
        "brief.tyre",
        {"code": "195/65R15", "loaded_radius": {"text": "317 mm"}},
        "half the free diameter",
    ),
    ("π·D mis-multiplied", JOB, "brief.tyre", {"roll_out": {"text": "5505 mm"}}, "no road tyre's"),
    ("crank torque compared with motor torque", JOB, "brief.was", ENGINE, "at the crank misleads"),
    (
        "reduction counted twice: torque of the unit's output",
        UNIT,
        "brief.motor.peak_torque",
        {"text": "2400 Nm"},
        "Counted twice",
    ),
    (
        "reduction left out: speed of the unit's output",
        UNIT,
        "brief.motor",
        {"peak_torque": {"text": "1600 Nm"}, "greatest_rpm": {"text": "1500 rpm"}},
        "reduction is left out",
    ),
    (
        "the same reduction in the unit and behind it",
        round_job("centre_unit", {"reductions": [box("unit", "4.1")], "final_drives": [box("f", "4.1")]}),
        "name_not_used",
        None,
        "counted twice",
    ),
    ("final drive upside down", JOB, "ratios.final_drives", [box("back", "0.37")], "Turned over it is 2.7"),
    (
        "gear upside down",
        JOB,
        "ratios.gearbox",
        {"gears": [box("low", "0.27")]},
        "Was output counted over input",
    ),
    ("direct gear taken as a reduction", JOB, "ratios.reductions", [box("box", "1.0")], "direct gear"),
    (
        "gears counted at the wheels",
        JOB,
        "ratios.gearbox",
        {"gears": [box("top", "4.0")]},
        "final drive is in it twice",
    ),
    (
        "a low gear counted at the wheels",
        JOB,
        "ratios.gearbox",
        {"gears": [box("2nd", "2.0"), box("1st", "8.0")]},
        "counted at the wheels",
    ),
    (
        "wanted speed in mph, cruise in km/h",
        JOB,
        "brief.wanted",
        {"top_speed": {"text": "60"}, "cruise_speed": {"text": "96"}},
        "in mph",
    ),
]


class ClassicSlipsTest(TestCase):
    def test_each_is_asked_about(self) -> None:
        for name, data, path, value, words in SLIPS:
            with self.subTest(name):
                result = evaluate(JobFile.model_validate(data)) if value is None else changed(data, path, value)
                self.assertIn(words, asked(result))

    def test_a_sound_job_is_asked_nothing(self) -> None:
        self.assertEqual(asked(evaluate(JobFile.model_validate(JOB))), "")
        self.assertEqual(asked(evaluate(JobFile.model_validate(UNIT))), "")

    def test_an_implausible_turn_is_never_used(self) -> None:
        result = changed(JOB, "brief.tyre", {"roll_out": {"text": "5505 mm"}})
        self.assertIsNone(result.brief.rolling_circumference_mm)
        self.assertIsNone(result.line)

    def test_a_wanted_speed_that_is_the_old_one_in_the_other_unit(self) -> None:
        """The engine's 5000 rpm through 4.0 in top is 150 km/h; 93 is that in mph."""
        data = copy.deepcopy(JOB)
        data["sheets"]["brief"]["was"] = {**ENGINE, "peak_power": {"text": "50 kW"}}
        data["sheets"]["brief"]["wanted"] = {"top_speed": {"text": "93"}}
        self.assertIn("Is the wanted speed in mph", asked(evaluate(JobFile.model_validate(data))))

    def test_torque_is_compared_at_the_wheels(self) -> None:
        """200 N·m × 8 × 0.9² × shaft and axle is more than 100 × 3.8 × 4.0 × 0.9 = 1368: no question then."""
        data = copy.deepcopy(JOB)
        data["sheets"]["brief"]["was"] = {**ENGINE, "gears": [{"name": "1st", "ratio": {"text": "3.0"}}]}
        result = evaluate(JobFile.model_validate(data))
        self.assertNotIn("crank", asked(result))
        assert result.ratios.was is not None
        self.assertAlmostEqual(result.ratios.was.launch_wheel_nm, 100 * 3.0 * 4.0 * 0.9)

    def test_a_rating_of_the_other_shaft_is_taken_back_through_the_box(self) -> None:
        """800 N·m at the output of 2.0 at 0.9 are 444.4 at its input; of 200 × 1.5 = 300 that is 1.48."""
        for at, rating_nm in [("input", 800.0), ("output", 800 / (2 * 0.9))]:
            with self.subTest(at):
                gearbox = {**KEPT["gearbox"], "rating": {"text": "800 Nm"}, "rating_at": at}
                check = check_of(changed(JOB, "ratios.gearbox", gearbox), "gearbox.torque")
                self.assertAlmostEqual(check.capacity or 0, rating_nm)
                self.assertAlmostEqual(check.demand or 0, 300)

    def test_a_hypoid_on_its_coast_flank_keeps_four_fifths(self) -> None:
        finals = [{**box("4.0", "4.0"), "rating": {"text": "1000 Nm"}, "on_coast_flank": True}]
        check = check_of(solved("kept_gearbox", {**KEPT, "final_drives": finals}), "final_drive.torque")
        self.assertAlmostEqual(check.capacity or 0, 800)
        self.assertIn("coast flank", check.working.note)
