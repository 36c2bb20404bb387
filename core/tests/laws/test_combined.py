"""Law 9: states that occur together are judged together: with one of them taken away nothing is asked more."""

import copy
from collections.abc import Iterator
from typing import Any, Final
from unittest import TestCase

from driveline.checks import Check
from driveline.errors import NotDrawnYet
from driveline.job.file import REGISTRY, JobFile
from tests.demo import DEMOS, demo_json
from tests.laws.generated import Job
from tests.laws.test_taking_away import checks_of

SAME: Final = 1e-6
STILL: Final = {"text": "0°"}
REASON: Final = "not on this vehicle, for the test"
CASES: Final = ("overrun", "reverse", "wheels locked", "braking", "over a crest", "cornering left", "cornering right")


def bolted_to_its_rails() -> Job:
    """Bittern, its two rear mounts on brackets of their own, made as its cross tube is."""
    job = copy.deepcopy(demo_json("bittern"))
    sheet = job["sheets"]["mounts"]
    for mount, side in zip(sheet["mounts"][2:], (350, -350), strict=True):
        at = {"x": 1120, "y": side, "z": 420}
        mount["rail"] = {axis: {"text": f"{value} mm"} for axis, value in at.items()}
        mount["bracket"] = {**sheet["crosses"][0]["bracket"], "length": {"text": "153 mm"}, "beside": {"text": "0 mm"}}
        mount["ears"]["stands"] = "end"
        mount["stands_on"] = None
    return job


def without_a_state(data: Job) -> Iterator[tuple[str, Job]]:
    """The job with one state fewer: no wind-up, no wind-down, one case of load left out, one gear that is left in."""
    lines: list[Any] = data["sheets"].get("axles", {}).get("lines", [])
    for k, line in enumerate(lines):
        for name in ("winds_up", "winds_down"):
            if line.get(name):
                changed = copy.deepcopy(data)
                changed["sheets"]["axles"]["lines"][k][name] = STILL
                yield f"line {k + 1} without what it {name.replace('_', ' ')}", changed
    if data["sheets"].get("mounts", {}).get("mounts"):
        for case in CASES:
            changed = copy.deepcopy(data)
            changed["sheets"]["mounts"].setdefault("left_out", []).append({"case": case, "why": REASON})
            yield f"mounts without {case}", changed
    if data["sheets"].get("ratios", {}).get("gearbox"):
        changed = copy.deepcopy(data)
        changed["sheets"]["ratios"]["gearbox"]["use"] = "left_in_one"
        yield "left in one gear", changed


def asked_more(before: dict[str, Check], after: dict[str, Check]) -> list[str]:
    found = []
    for key, check in before.items():
        then = after.get(key)
        if then is None or not key.startswith(("mounts.", "axles.", "coupler.")):
            continue
        one, other = check.margin, then.margin
        if one is not None and other is not None and other < one - SAME * (1 + abs(one)):
            found.append(f"{key}: {one:.6g} becomes {other:.6g}")
    return found


class CombinedTest(TestCase):
    tags = frozenset({"laws"})

    def test_a_state_fewer_never_asks_more(self) -> None:
        seen = 0
        for name in DEMOS:
            data = demo_json(name)
            before = checks_of(data)
            for words, changed in without_a_state(data):
                with self.subTest(name, state=words):
                    self.assertEqual(asked_more(before, checks_of(changed)), [])
                    seen += 1
        self.assertGreater(seen, 10)

    def test_finite_elements_that_are_worse_than_the_sum_say_so(self) -> None:
        seen = set()
        for name in ("bittern", "plover"):
            job = JobFile.model_validate(bolted_to_its_rails() if name == "bittern" else demo_json(name))
            for k in (1, 2, 3, 4):
                for what in ("ear", "landing"):
                    try:
                        found = REGISTRY.sought(job, f"mounts.m{k}_{what}")
                    except NotDrawnYet:  # of a mount without such a part
                        continue
                    if found.picture is None:
                        continue
                    self.assertIn("Not at the clamp", found.says)
                    if "Worse than the sum" in found.says:
                        seen.add((name, what))
        self.assertIn(("bittern", "landing"), seen)  # 97 MPa, where 88 are judged
