"""Sheets: what is typed is kept, whatever is in it, and evaluating never falls over."""

from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from driveline.benches.contract import Progress
from driveline.checks import Verdict
from driveline.errors import DrivelineError
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from driveline.sheet import Angle, Coordinate, Length, Ratio, Torque, positive_of, value_of
from tests.demo import DEMOS, demo_job, demo_json


def without(data: Any, path: tuple[str, ...]) -> Any:
    """Take a value out of a demo job's sheets."""
    place = data["sheets"]
    for name in path[:-1]:
        place = place[name]
    place.pop(path[-1], None)
    return data


OPTIONAL = [
    ("brief", "vehicle", name)
    for name in ("kerb_mass", "laden_mass", "front_share", "cg_height", "wheelbase", "cda_m2")
] + [
    ("brief", "tyre"),
    ("brief", "wanted"),
    ("brief", "motor", "peak_power"),
    ("brief", "motor", "continuous_torque"),
    ("brief", "motor", "overrun_torque"),
    ("brief", "motor", "inertia_kgm2"),
    ("ratios", "coupler"),
    ("ratios", "gearbox", "rating"),
    ("ratios", "propshaft"),
    ("ratios", "choice"),
    ("plate", "face"),
    ("plate", "plate"),
    ("plate", "survey"),
]
lengths = st.one_of(
    st.floats(0, 2000).map(lambda mm: f"{mm:.2f}"),
    st.integers(1, 60).map(lambda parts: f"{parts // 8} {parts % 8}/8 in" if parts % 8 else f"{parts} in"),
)


class ReadingTest(TestCase):
    def test_keeps_its_text_and_knows_its_value(self) -> None:
        reading = Length.model_validate({"text": " 8-1/4” ", "tool": "caliper"})
        self.assertAlmostEqual(reading.mm, 209.55)
        self.assertEqual(
            reading.model_dump(mode="json"), {"text": " 8-1/4” ", "unit": None, "tool": "caliper", "u": None}
        )

    def test_a_bare_number_may_mean_inches(self) -> None:
        self.assertAlmostEqual(Length(text="8 1/4", unit="in").mm, 209.55)

    def test_only_coordinates_and_angles_go_below_zero(self) -> None:
        self.assertEqual((Coordinate(text="-12").mm, Angle(text="-12").deg), (-12, -12))
        for kind in (Length, Torque):
            with self.assertRaisesRegex(ValidationError, "below zero"):
                kind(text="-12")

    def test_a_ratio_may_be_typed_as_teeth(self) -> None:
        self.assertAlmostEqual(Ratio(text="37/9").value, 4.1111, places=4)
        with self.assertRaisesRegex(ValidationError, "input turns over output turns"):
            Ratio(text="0.01")

    def test_zero_is_no_size(self) -> None:
        self.assertIsNone(positive_of(Length(text="0")))
        self.assertEqual((value_of(None), value_of(Length(text="0"))), (None, 0))


class JobFileTest(TestCase):
    def test_a_job_file_reads_back_as_it_was_written(self) -> None:
        for name in DEMOS:
            job = demo_job(name)
            written = job.model_dump_json(indent=1)
            self.assertEqual(JobFile.model_validate_json(written).model_dump_json(indent=1), written)

    def test_an_empty_job_has_everything_to_do_and_nothing_that_holds(self) -> None:
        result = evaluate(JobFile(name="New"))
        self.assertEqual(([one.key for one in result.checks], result.line), (["ratios.choice"], None))
        self.assertIs(result.worst, Verdict.NOT_KNOWN)
        self.assertEqual({state.progress for state in result.benches}, {Progress.NOTHING_YET})
        self.assertTrue(all(state.to_do for state in result.benches))

    def test_progress_goes_from_nothing_to_measured_to_designed(self) -> None:
        def progress(result: JobResult) -> list[Progress]:
            return [state.progress for state in result.benches]

        designed = [Progress.DESIGNED] * 7
        self.assertEqual(progress(evaluate(demo_job("wren"))), designed)
        begun = evaluate(
            JobFile.model_validate(without(without(demo_json("wren"), ("ratios", "choice")), ("plate", "face")))
        )
        self.assertEqual(
            progress(begun),
            [
                Progress.DESIGNED,
                Progress.MEASURED,
                Progress.DESIGNED,
                Progress.DESIGNED,
                Progress.MEASURED,
                Progress.MEASURED,  # what a gearing that is only shown gives out moves no mount
                Progress.DESIGNED,
            ],
        )


class RobustnessTest(TestCase):
    @settings(max_examples=40, deadline=None)
    @given(st.sets(st.sampled_from(OPTIONAL), max_size=8))
    def test_whatever_is_missing_the_job_evaluates_and_never_calls_it_fine(self, gone: set[tuple[str, ...]]) -> None:
        data = demo_json("wren")
        for path in sorted(gone, key=len):  # parts of a sheet before the sheet that holds them
            try:
                without(data, path)
            except KeyError:
                continue
        result = evaluate(JobFile.model_validate(data))
        for check in result.checks:
            if check.missing or (check.is_so is None and None in (check.capacity, check.demand)):
                self.assertIn(check.verdict, (Verdict.NOT_KNOWN, Verdict.FAILS))
        if ("ratios", "gearbox", "rating") in gone:
            verdicts = {check.key: check.verdict for check in result.checks}
            self.assertIs(verdicts.get("gearbox.torque", Verdict.NOT_KNOWN), Verdict.NOT_KNOWN)

    @settings(max_examples=40, deadline=None)
    @given(st.lists(st.tuples(st.integers(0, 27), lengths), max_size=6))
    def test_whatever_lengths_are_typed_the_survey_answers_or_names_the_reading(
        self, typed: list[tuple[int, str]]
    ) -> None:
        data = demo_json("wren")
        for k, text in typed:
            data["sheets"]["plate"]["survey"]["readings"][k]["reading"]["text"] = text
        try:
            result = evaluate(JobFile.model_validate(data))
        except (ValidationError, DrivelineError) as error:
            self.assertRegex(str(error), "reading")
            return
        self.assertEqual(len(result.plate.survey.readings), 28)
        self.assertNotRegex(result.model_dump_json(), "NaN|Infinity")

    @settings(max_examples=25, deadline=None)
    @given(st.floats(1.01, 3))
    def test_a_heavier_load_never_betters_the_hill_start_and_more_torque_never_eases_the_gearbox(
        self, factor: float
    ) -> None:
        def margins(mass_kg: float, peak_nm: float) -> dict[str, float]:
            data = demo_json("wren")
            data["sheets"]["brief"]["vehicle"]["laden_mass"]["text"] = f"{mass_kg} kg"
            data["sheets"]["brief"]["motor"]["peak_torque"]["text"] = f"{peak_nm} Nm"
            return {check.key: check.margin or 0.0 for check in evaluate(JobFile.model_validate(data)).checks}

        base, heavier, stronger = margins(1560, 235), margins(1560 * factor, 235), margins(1560, 235 * factor)
        self.assertLessEqual(heavier["road.hill_start"], base["road.hill_start"])
        self.assertLessEqual(stronger["gearbox.torque"], base["gearbox.torque"])
