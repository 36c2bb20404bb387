"""Law 5 at its edge: the largest jobs that are let in are answered in the time that is allowed."""

import copy
import math
import random
from typing import Any
from unittest import TestCase

from pydantic import ValidationError

from driveline.checks import Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from tests.demo import demo_json
from tests.laws.fuzz import EVALUATE_S, clock

SLACK = 2.0  # the seconds of a machine that does much else are longer


def _box(name: str, ratio: float) -> dict[str, Any]:
    return {"name": name, "ratio": {"text": f"{ratio:.2f}"}}


def many_gearings() -> dict[str, Any]:
    job = demo_json("wren")
    ratios = job["sheets"]["ratios"]
    ratios["gearbox"]["gears"] = [_box(f"g{k}", 0.7 + 0.3 * k) for k in range(12)]
    ratios["reductions"] = [_box(f"r{k}", 1.1 + 0.1 * k) for k in range(24)]
    ratios["final_drives"] = [_box(f"f{k}", 2 + 0.1 * k) for k in range(22)]
    codes = [f"{155 + 10 * k}/70R13" for k in range(5)]
    ratios["tyres"] = [{"name": code, "tyre": {"code": code}} for code in codes]
    ratios["choice"] = None
    return job


def many_readings(frames: int) -> dict[str, Any]:
    job, chance = demo_json("wren"), random.Random(2)
    place = [(200 * math.cos(math.pi * k / 30), 200 * math.sin(math.pi * k / 30)) for k in range(60)]
    survey = job["sheets"]["plate"]["survey"]
    survey.update(
        direction_of="H0", holes=[{"id": f"H{k}", "diameter": {"text": "5", "tool": "caliper"}} for k in range(60)]
    )
    survey["readings"] = []
    for n in range(1000):
        a, b = chance.sample(range(60), 2)
        apart = math.dist(place[a], place[b]) + chance.gauss(0, 0.05)
        survey["readings"].append({"kind": "distance", "a": f"H{a}", "b": f"H{b}", "reading": {"text": f"{apart:.3f}"}})
        if n < 10 * frames:
            kind, value = ("x", place[a][0]) if n % 2 else ("y", place[a][1])
            row = {"kind": kind, "a": f"H{a}", "frame": f"F{n % frames}", "reading": {"text": f"{value:.2f}"}}
            survey["readings"][-1] = row
    job["sheets"]["plate"]["face"]["count"] = 60
    return job


def holes_at_the_centre() -> dict[str, Any]:
    job = demo_json("wren")
    holes = [{"id": f"M{k}", "x": {"text": x}, "y": {"text": "0"}} for k, x in enumerate(("0", "13"))]
    job["sheets"]["plate"]["face"].update(count=0, bolt_circle=None, holes=holes)
    return job


def many_records() -> dict[str, Any]:
    job = demo_json("wren")
    release = job["build"]["releases"][0]
    job["build"]["releases"] = [{**release, "letter": chr(65 + k // 26) + chr(65 + k % 26)} for k in range(100)]
    measures = [{"kind": "inside", "a": "H1", "b": "H2", "reading": {"text": "100"}}] * 60
    delivery = {"part": "plate.plate", "letter": "AA", "by": "x", "at": "2026-01-01T00:00:00Z", "runs_as_drawn": True}
    job["build"]["incoming"] = [{**delivery, "accepted": True, "measures": measures}] * 200
    return job


def many_hoses(many: int) -> dict[str, Any]:
    """Hoses of twelve points beside the unit, that go with the wheels."""
    job = demo_json("bittern")
    bodies = [one for one in job["sheets"]["placement"]["bodies"] if one["shape"] != "scan"]
    for k in range(many):
        points = [(300 + 60 * j, -420 + 90 * math.sin(j / 2) + 25 * k, 350 + 60 * math.sin(j + k)) for j in range(12)]
        along = [{axis: {"text": f"{mm:.1f} mm"} for axis, mm in zip("xyz", at, strict=True)} for at in points]
        travel = {"up": {"text": "60 mm"}, "down": {"text": "80 mm"}, "aside": {"text": "25 mm"}}
        hose = {"name": f"hose {k}", "shape": "round", "nature": "steering", "along": along, "travel": travel}
        bodies.append({**hose, "width": {"text": "18 mm"}})
    job["sheets"]["placement"]["bodies"] = bodies
    return job


class LargestTest(TestCase):
    def test_each_is_answered_in_time(self) -> None:
        evaluate(JobFile.model_validate(demo_json("wren")))  # what is worked out once is not theirs
        made = {
            "gearings": many_gearings(),
            "readings": many_readings(1),
            "frames": many_readings(40),
            "a hole at the centre": holes_at_the_centre(),
            "records": many_records(),
            "hoses": many_hoses(6),
            "more hoses than are swept": many_hoses(50),
        }
        for name, data in made.items():
            with self.subTest(name):
                job = JobFile.model_validate(data)
                with clock(SLACK * EVALUATE_S):
                    evaluate(job).model_dump_json()

    def test_more_squares_and_traces_than_are_adjusted_together_are_refused(self) -> None:
        data = many_readings(40)
        reading = next(one for one in data["sheets"]["plate"]["survey"]["readings"] if one["kind"] == "x")
        data["sheets"]["plate"]["survey"]["readings"][-1] = {**copy.deepcopy(reading), "frame": "one more"}
        with self.assertRaisesRegex(ValidationError, "more than the 40"):
            JobFile.model_validate(data)

    def test_hoses_past_those_that_are_swept_leave_the_gap_not_known_and_say_why(self) -> None:
        checks = {one.key: one for one in evaluate(JobFile.model_validate(many_hoses(12))).checks}
        found = checks["placement.gap_steering"]
        self.assertIn(found.verdict, (Verdict.NOT_KNOWN, Verdict.FAILS))
        self.assertIn("fewer points", " ".join(found.missing))
