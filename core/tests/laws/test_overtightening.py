"""Law 7: no screw is ever the better for being overtightened, and one past proof holds nothing by friction."""

import copy
from collections.abc import Iterator
from typing import Any
from unittest import TestCase

from driveline.checks import Verdict
from tests.benches.mounts.test_cradles import job as strapped
from tests.demo import DEMOS, demo_json
from tests.laws.generated import BOLTS, HUB, KEPT_CLUTCH, Job
from tests.laws.test_taking_away import checks_of

WITHIN = {
    "length": {"text": "30 mm"},
    "washer": {"text": "2 mm"},
    "head": {"text": "20 mm"},
    "countersink": {"text": "0 mm"},
    "thread_depth": {"text": "20 mm"},
    "depth_behind": {"text": "30 mm"},
    "is_blind": False,
}


def joints_in(node: Any, path: tuple[str | int, ...] = ()) -> Iterator[tuple[str | int, ...]]:
    """Where a job has screws with a thread and a strength, and says how tight they are."""
    if isinstance(node, dict):
        is_joint = node.get("thread") and node.get("property_class") and "tapped" in node
        is_bolt = path[-1:] in (("screw",), ("screws",)) and node.get("condition")
        if is_joint or is_bolt or "clamps" in node:
            yield path
        for name, child in node.items():
            yield from joints_in(child, (*path, name))
    elif isinstance(node, list):
        for k, child in enumerate(node):
            yield from joints_in(child, (*path, k))


def tightened(data: Job, path: tuple[str | int, ...], nm: float) -> Job:
    changed = copy.deepcopy(data)
    place: Any = changed["sheets"]
    for part in path:
        place = place[part]
    place["tightening"] = {"text": f"{nm:g} Nm"}
    return changed


def of_styles() -> Iterator[tuple[str, Job]]:
    for name in DEMOS:
        yield name, demo_json(name)
    for style in ("rigid", "clutch"):
        data = demo_json("wren")
        coupler = data["sheets"]["coupler"]
        coupler["hub"].update(copy.deepcopy(HUB))
        coupler["clutch"] = copy.deepcopy(KEPT_CLUTCH)
        for bolts in ("bolts", "flywheel_bolts"):
            coupler[bolts] = {**BOLTS, "joint": {**BOLTS["joint"], **WITHIN, "property_class": "8.8"}}
        data["sheets"]["ratios"]["coupler"] = style
        yield style, data
    yield "strap", strapped()


class OvertighteningTest(TestCase):
    tags = frozenset({"laws"})

    def test_screws_tightened_past_proof_fail_in_every_joint_and_hold_nothing(self) -> None:
        seen = set()
        for name, data in of_styles():
            before = checks_of(data)
            for path in joints_in(data["sheets"]):
                with self.subTest(name, joint=".".join(map(str, path))):
                    after = checks_of(tightened(data, path, 2000))
                    moved = [key for key, check in after.items() if check.says != before[key].says]
                    if not moved:
                        continue  # of a style or build-up that is not chosen
                    joint = next(key for key in moved if key.endswith("_proof")).removesuffix("_proof")
                    seen.add(joint)
                    by_friction = ("friction",) if f"{joint}_friction" in after else ()
                    for what in ("proof", "head", "strip", *by_friction):
                        self.assertIs(after[f"{joint}_{what}"].verdict, Verdict.FAILS, what)
        self.assertLessEqual({"plate.motor", "plate.flange", "coupler.bolts", "coupler.flywheel_bolts"}, seen)
        self.assertLessEqual({"axles.f1_shaft", "mounts.m2.landing", "mounts.m1.ear", "mounts.m1.strap"}, seen)

    def test_more_torque_on_a_screw_never_gives_its_proof_head_or_thread_a_better_margin(self) -> None:
        for name, data in of_styles():
            for path in joints_in(data["sheets"]):
                last: dict[str, float] = {}
                for nm in (5, 15, 40, 120):
                    margins = {
                        key: check.margin
                        for key, check in checks_of(tightened(data, path, nm)).items()
                        if key.endswith(("_proof", "_head", "_strip")) and check.margin is not None
                    }
                    worse = [key for key, margin in last.items() if margins.get(key, margin) > margin * (1 + 1e-9)]
                    self.assertEqual(worse, [], (name, path, nm))
                    last = margins
