"""A cross member from rail to rail, with two mounts on it."""

import copy
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import MountsSheet
from driveline.checks import Check, Verdict
from tests.benches.mounts.test_mounts import BITTERN, NOT_KNOWN, changed, mm, solved
from tests.workings.test_workings import faults_of

ENDS = ("weld", "base", "fatigue", "landing_bolts", "landing_plate", "root_gap")


def checks(change: dict[str, Any] | None = None) -> dict[str, Check]:
    return {key: one for key, one in solved(changed(BITTERN, change or {}))[1].items() if key.startswith("mounts.x1")}


class CrossTest(TestCase):
    def test_the_tube_and_both_its_ends_are_judged_under_both_mounts_at_once(self) -> None:
        found = checks()
        for key in ("mounts.x1.arm", "mounts.x1.reach", "mounts.x1.stands"):
            self.assertIs(found[key].verdict, Verdict.HOLDS, found[key].says)
        for end in "ab":
            for key in ENDS:
                with self.subTest(end=end, key=key):
                    one = found[f"mounts.x1{end}.{key}"]
                    self.assertIsNot(one.verdict, NOT_KNOWN, one.missing)
                    self.assertEqual(faults_of(one, one.working), [])
        self.assertEqual(faults_of(found["mounts.x1.arm"], found["mounts.x1.arm"].working), [])

    def test_welded_to_hollow_rails_the_wall_of_each_is_judged(self) -> None:
        rail = {"is_hollow": True, "face": mm(110), "runs": "across"}
        found = checks({"crosses.0.bracket.landing": {"is_there": False}, "crosses.0.bracket.rail": rail})
        for key in ("mounts.x1a.rail_face", "mounts.x1b.rail_face"):
            self.assertIsNot(found[key].verdict, NOT_KNOWN, found[key].missing)
            self.assertEqual(faults_of(found[key], found[key].working), [])
        self.assertNotIn("mounts.x1a.landing_bolts", found)

    def test_with_nothing_on_it_the_tube_is_not_known(self) -> None:
        none = checks({"mounts.2.stands_on": None, "mounts.3.stands_on": None})
        self.assertIs(none["mounts.x1.arm"].verdict, NOT_KNOWN)
        self.assertIn("cross tube: which mounts stand on it", none["mounts.x1.arm"].missing)

    def test_a_mount_on_what_is_not_listed_is_not_held(self) -> None:
        emptied = copy.deepcopy(BITTERN)
        emptied["sheets"]["mounts"]["crosses"] = []
        result, found = solved(emptied)
        self.assertIn("cross tube is not among the cross members", result.mounts[2].missing[0])
        self.assertIs(found["mounts.m1.load"].verdict, NOT_KNOWN)

    def test_a_thinner_tube_gives_more_and_bears_less(self) -> None:
        thick, thin = (
            solved(BITTERN)[0].mounts[2],
            solved(changed(BITTERN, {"crosses.0.bracket.wall": mm(2)}))[0].mounts[2],
        )
        assert thick.stiffness_n_per_mm is not None and thin.stiffness_n_per_mm is not None
        self.assertTrue((np.array(thin.stiffness_n_per_mm) < thick.stiffness_n_per_mm).all())
        margins = [checks({"crosses.0.bracket.wall": mm(wall)})["mounts.x1.arm"].margin or 0 for wall in (1, 2, 5)]
        self.assertEqual(margins, sorted(margins))
        self.assertLess(margins[0], margins[-1])

    def test_what_of_it_is_not_known_is_named_and_nothing_holds(self) -> None:
        for path, words in (
            ("crosses.0.first", "its one end on the vehicle"),
            ("crosses.0.other.y", "its other end on the vehicle: left"),
            ("crosses.0.bracket.kind", "a round tube or a box"),
            ("crosses.0.bracket.depth", "the depth"),
        ):
            with self.subTest(path):
                found = checks({path: {} if path.endswith("first") else None})
                self.assertTrue(
                    any(words in text for text in found["mounts.x1.arm"].missing), found["mounts.x1.arm"].missing
                )
                for key, one in found.items():
                    if key.split(".")[-1] in ("arm", "weld", "landing_bolts", "stands"):
                        self.assertIs(one.verdict, NOT_KNOWN, key)

    def test_a_mount_beside_it_does_not_stand_on_it(self) -> None:
        found = checks({"crosses.0.first.z": mm(200), "crosses.0.other.z": mm(200)})["mounts.x1.stands"]
        self.assertIs(found.verdict, Verdict.FAILS)
        self.assertIn("from its middle", found.says)

    def test_a_box_may_fold_and_both_landing_plates_are_cut(self) -> None:
        box = {"crosses.0.bracket.kind": "box", "crosses.0.bracket.breadth": mm(80), "crosses.0.bracket.depth": mm(76)}
        self.assertIsNot(checks(box)["mounts.x1.walls"].verdict, NOT_KNOWN)
        part = next(
            one
            for one in parts_of(MountsSheet.model_validate(BITTERN["sheets"]["mounts"]))
            if one.key == "mounts.x1_landing"
        )
        self.assertEqual(part.stock.quantity, 2)
