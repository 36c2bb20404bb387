"""Released parts: what is frozen, what is told when it no longer fits, and what comes back from the cutter."""

import hashlib
import io
import json
from typing import Any
from unittest import TestCase

import ezdxf.filemanagement
from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.contract import Progress
from driveline.checks import Verdict
from driveline.errors import NotDrawnYet, UnknownFeature
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.network import Turning
from driveline.parts.records import BuildRecords, Incoming, Measure, Release
from driveline.parts.release import letter_after, release_of, runs_seen_from
from driveline.parts.released import expected_of, features_of, general_tolerance_mm, judged
from driveline.parts.results import PartResult
from tests.demo import demo_job, demo_json, plate_parts, wren_measured_again
from tests.jobs import check_of, keys_of, said

AT = "2026-10-12T09:40:00+00:00"


def released(job: JobFile) -> Release:
    newest = job.build.newest("plate.plate")
    part = REGISTRY.part(job, "plate.plate")
    after = newest.letter if newest else None
    return release_of(part, job_name=job.name, after=after, side="second", by="owner", at=AT, revision=3)


def wren_released(**incoming: Any) -> JobFile:
    """Wren measured again, with a release of just that and perhaps a delivery."""
    job = wren_measured_again().model_copy(update={"build": BuildRecords()})
    deliveries = (
        [Incoming.model_validate({"part": "plate.plate", "letter": "A", "by": "owner", "at": AT, **incoming})]
        if incoming
        else []
    )
    return job.model_copy(update={"build": BuildRecords(releases=[released(job)], incoming=deliveries)})


def part_of(result: JobResult) -> PartResult:
    (part,) = plate_parts(result)
    return part


def changed(job: JobFile, *path: str | int, to: Any) -> JobResult:
    data = json.loads(job.model_dump_json())
    place = data["sheets"]["plate"]
    for name in path[:-1]:
        place = place[name]
    place[path[-1]] = to
    return evaluate(JobFile.model_validate(data))


class FreezingTest(TestCase):
    def test_the_bytes_are_hashed_lettered_and_of_the_side_that_was_confirmed(self) -> None:
        one = released(wren_measured_again().model_copy(update={"build": BuildRecords()}))
        self.assertEqual(one.sha256, hashlib.sha256(one.dxf.encode()).hexdigest())
        self.assertEqual((one.letter, one.side, one.revision, len(one.readings)), ("A", "second", 3, 28))
        self.assertIn("Seen from the gearbox side", one.dxf)
        self.assertIn("REV A", one.dxf)
        self.assertEqual(
            len(ezdxf.filemanagement.read(io.StringIO(one.dxf)).modelspace().query("CIRCLE[layer=='CUT']")), 15
        )
        self.assertEqual(Release.model_validate_json(one.model_dump_json()), one)

    def test_letters_follow_and_leave_out_i_and_o(self) -> None:
        letters, letter = [], None
        for _ in range(26):
            letter = letter_after(letter)
            letters.append(letter)
        self.assertEqual("".join(letters[:24]), "ABCDEFGHJKLMNPQRSTUVWXYZ")
        self.assertEqual(letters[24:], ["AA", "AB"])
        self.assertEqual(letter_after("AZ"), "BA")
        self.assertEqual(released(wren_released()).letter, "B")

    def test_what_can_not_be_drawn_is_not_released(self) -> None:
        with self.assertRaisesRegex(NotDrawnYet, "the build-up has none of that name"):
            REGISTRY.part(demo_job("wren"), "plate.ring")
        with self.assertRaises(NotDrawnYet):
            REGISTRY.part(demo_job("wren"), "sails.mainsail")

    def test_a_side_tells_which_way_the_numbers_run(self) -> None:
        part = REGISTRY.part(demo_job("wren"), "plate.plate")
        self.assertIs(runs_seen_from(part, "first"), Turning.ANTICLOCKWISE)
        self.assertIs(runs_seen_from(part, "second"), Turning.CLOCKWISE)
        data = demo_json("wren")
        data["sheets"]["plate"]["survey"] |= {"numbered": "clockwise", "direction_at": {"text": "175 deg"}}
        mirrored = REGISTRY.part(JobFile.model_validate(data), "plate.plate")
        self.assertIs(runs_seen_from(mirrored, "first"), Turning.CLOCKWISE)


class DifferenceTest(TestCase):
    def test_as_it_was_released_nothing_differs(self) -> None:
        result = evaluate(wren_released())
        state = part_of(result).released
        assert state is not None
        self.assertEqual((state.differs, state.readings_since), ((), ()))
        self.assertIs(check_of(result, "plate.released_plate").verdict, Verdict.HOLDS)
        self.assertIs(next(one.progress for one in result.benches if one.bench == "plate"), Progress.RELEASED)

    def test_the_demos_later_reading_is_told_with_what_it_moved(self) -> None:
        result = evaluate(demo_job("wren"))
        state = part_of(result).released
        assert state is not None
        self.assertEqual({one.feature for one in state.differs[:2]}, {"H4", "H5"})
        self.assertEqual(tuple(map(said, state.readings_since)), ("H4–H5 inside: was 96.47, is 98.47 mm",))
        check = check_of(result, "plate.released_plate")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("differs from released A: H5 moved 0.66 mm", said(check.says))

    def test_each_kind_of_change_is_named(self) -> None:
        job = wren_released()
        for path, to, words in [
            (("plate", "thickness", "text"), "12 mm", "thickness was 10 mm, is 12 mm"),
            (("plate", "material"), "steel S235", "material was aluminium plate, EN AW-6082 T6, is steel S235"),
            (("plate", "process"), "plasma", "process was waterjet, is plasma"),
            (("face", "plate_hole", "text"), "11.5", "M1 was Ø11.00 mm, is Ø11.50 mm"),
            (("face", "register_size", "text"), "131", "bore was Ø130.00 mm, is Ø131.00 mm"),
            (("face", "count"), 5, "M6 is gone"),
            (("face", "count"), 7, "M7 is new"),
            (("plate", "turned", "text"), "-4 deg", "M1 moved 2.34 mm"),
            (("plate", "edge_factor"), 2.2, "outline moved up to"),
        ]:
            with self.subTest(words):
                state = part_of(changed(job, *path, to=to)).released
                assert state is not None
                self.assertTrue(
                    any(said(one.says).startswith(words) for one in state.differs),
                    [one.says for one in state.differs],
                )

    def test_readings_left_out_added_or_taken_away_since(self) -> None:
        job = wren_released()
        reading = {"kind": "inside", "a": "H2", "b": "H7", "reading": {"text": "250"}}
        readings = json.loads(job.model_dump_json())["sheets"]["plate"]["survey"]["readings"]
        for to, words in [
            ([*readings, reading], "taken since"),
            ([*readings[:-1], {**readings[-1], "left_out": True}], "left out since"),
            (readings[:-1], "1 readings fewer"),
        ]:
            state = part_of(changed(job, "survey", "readings", to=to)).released
            assert state is not None
            self.assertTrue(any(words in one for one in state.readings_since), state.readings_since)

    def test_a_released_part_that_the_build_has_no_more_is_not_forgotten(self) -> None:
        result = changed(wren_released(), "build_up", "kind", to="base")
        self.assertNotIn("plate", [part.key for part in result.parts])
        check = check_of(result, "plate.released_plate")
        self.assertIs(check.verdict, Verdict.NOT_KNOWN)
        self.assertIn("released A by owner, and no longer part of this build", check.says)

    def test_a_part_never_released_has_no_such_check(self) -> None:
        self.assertNotIn("plate.released_plate", keys_of(evaluate(demo_job("bittern"))))


class DeliveryTest(TestCase):
    RELEASE = released(wren_measured_again().model_copy(update={"build": BuildRecords()}))

    def measure(self, kind: str, text: str, a: str = "", b: str = "") -> Measure:
        return Measure.model_validate({"kind": kind, "a": a, "b": b, "reading": {"text": text}})

    def test_features_reach_every_hole_once_the_longest_first(self) -> None:
        features = features_of(self.RELEASE)
        spans = [one for one in features if one.kind == "inside"]
        self.assertEqual(len({name for one in spans for name in (one.a, one.b)}), 14)
        self.assertEqual(features[-1].kind, "thickness")
        for one in spans:
            self.assertAlmostEqual(one.expected_mm, expected_of(self.RELEASE, "inside", one.b, one.a))

    def test_tolerances_are_those_of_the_standard(self) -> None:
        table = [
            (3, 0.1),
            (6, 0.1),
            (6.1, 0.2),
            (30, 0.2),
            (100, 0.3),
            (120, 0.3),
            (121, 0.5),
            (400, 0.5),
            (900, 0.8),
            (1500, 1.2),
        ]
        for size_mm, allowed_mm in table:
            self.assertEqual(general_tolerance_mm(size_mm), allowed_mm)

    def test_verdicts_by_hand(self) -> None:
        # 10 mm thick, ± 0.2: a tenth of room is wanted for Holds.
        for text, verdict in [("10.1", Verdict.HOLDS), ("9.81", Verdict.TIGHT), ("10.25", Verdict.FAILS)]:
            (row,) = judged(self.RELEASE, [self.measure("thickness", text)])
            self.assertIs(row.verdict, verdict)
        # M1 and M4 stand opposite on Ø268, 11 mm holes: 257 inside, 279 outside, 268 between centres.
        for kind, mm in [("inside", 257), ("outside", 279), ("distance", 268)]:
            (row,) = judged(self.RELEASE, [self.measure(kind, str(mm + 0.2), "M1", "M4")])
            self.assertAlmostEqual(row.off_mm, 0.2, places=6)

    def test_what_the_release_does_not_have_is_refused_by_name(self) -> None:
        for kind, a, b in [("inside", "H1", "H99"), ("diameter", "M9", ""), ("inside", "H1", "")]:
            with self.assertRaises(UnknownFeature):
                judged(self.RELEASE, [self.measure(kind, "10", a, b)])

    @given(st.floats(-0.4, 0.4), st.floats(1.01, 3))
    def test_farther_off_is_never_better(self, off_mm: float, factor: float) -> None:
        order = [Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS]
        near, far = (
            judged(self.RELEASE, [self.measure("thickness", f"{10 + off_mm * by:.6f}")])[0].verdict
            for by in (1, factor)
        )
        self.assertLessEqual(order.index(near), order.index(far))

    def test_a_delivery_stands_in_the_ledger_and_proves_the_bench(self) -> None:
        good = {"measures": [self.measure("thickness", "10.02").model_dump()], "runs_as_drawn": True, "accepted": True}
        result = evaluate(wren_released(**good))
        self.assertIs(check_of(result, "plate.delivered_plate").verdict, Verdict.HOLDS)
        self.assertIs(next(one.progress for one in result.benches if one.bench == "plate"), Progress.PROVED)
        bad = evaluate(wren_released(runs_as_drawn=False, accepted=False, why="mirrored"))
        check = check_of(bad, "plate.delivered_plate")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertIn("not accepted: mirrored", check.says)
