"""The wall that ears are welded on: a torque arm's rail, and the top of a boxed arm."""

import math
from typing import Any
from unittest import TestCase

from driveline.checks import Check
from tests.benches.mounts.test_mounts import BITTERN, FAILS, HOLDS, NOT_KNOWN, PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of


def face(mount: int, changes: dict[str, Any]) -> Check | None:
    job = changed(PLOVER, {f"mounts.{mount}.{name}": value for name, value in changes.items()})
    return solved(job)[1].get(f"mounts.m{mount + 1}.ear_face")


def margin(mount: int, changes: dict[str, Any]) -> float:
    found = face(mount, changes)
    assert found is not None and found.margin is not None
    return found.margin


class LinkTest(TestCase):
    """Plover's torque arm: ears of 10, 48 apart, 60 at the foot and 36 high, on a rail 100 wide of 8 mm."""

    def test_by_hand(self) -> None:
        """The rail runs along the bolt: h = 68, b = 60, β 0.6, η 0.68 of f 225; the arm has no force along its bolt."""
        once, beta, eta = 225 * 64, 0.6, 0.68
        pull = once / (1 - beta) * (2 * eta + 4 * math.sqrt(1 - beta))
        tips = once * (68 * (1 + beta) / (2 * (1 - beta)) + math.sqrt(2 * 100 * 60 * (1 + beta) / (1 - beta)))
        bears = 1 / math.hypot(1 / pull, 36 / tips)
        found = solved(PLOVER)[1]
        force = float(found["mounts.m3.strut"].demand or 0)
        self.assertAlmostEqual(found["mounts.m3.ear_face"].demand or 0, force / bears, places=6)

    def test_a_thin_wall_bends_in_and_a_solid_one_does_not(self) -> None:
        self.assertGreater(margin(2, {}), margin(2, {"ears.on": mm(4)}))
        thin = face(2, {"ears.on": mm(2)})
        assert thin is not None
        self.assertIs(thin.verdict, FAILS)
        solid = face(2, {"bracket.rail": {"is_hollow": False}})
        assert solid is not None
        self.assertIs(solid.verdict, HOLDS)

    def test_what_nobody_looked_at_is_not_known(self) -> None:
        for name in ("bracket.rail.is_hollow", "bracket.rail.face", "bracket.rail.runs", "ears.on", "ears.root"):
            found = face(2, {name: None})
            assert found is not None
            self.assertIs(found.verdict, NOT_KNOWN, name)


class BoxTest(TestCase):
    def test_ears_on_top_of_a_boxed_arm_bend_its_wall_and_those_on_its_end_do_not(self) -> None:
        self.assertIsNone(face(0, {}))
        for stands in ("top", "under"):
            self.assertGreater(margin(0, {"ears.stands": stands, "ears.on": mm(8)}), margin(0, {"ears.stands": stands}))
        unsaid = face(0, {"ears.stands": None})
        assert unsaid is not None
        self.assertIs(unsaid.verdict, NOT_KNOWN)

    def test_their_workings_come_out(self) -> None:
        for mount, changes in (
            (2, {}),
            (2, {"bracket.rail.runs": "upright"}),
            (2, {"ears.count": 1}),
            (0, {"ears.stands": "top"}),
        ):
            found = face(mount, changes)
            assert found is not None
            self.assertEqual(faults_of(found, found.working), [], changes)


class MemberTest(TestCase):
    """Bittern's rear ears: two of 8, 60.1 apart, 60 at the foot and 55 high, on a cross tube of 76.1 by 5."""

    def found(self, changes: dict[str, Any] | None = None) -> Check:
        return solved(changed(BITTERN, changes or {}))[1]["mounts.m3.ear_face"]

    def test_by_hand(self) -> None:
        """The bolt lies along the vehicle, so the ears lie along the tube."""
        one = 5 * 225 * 25 * (1 + 0.25 * 60 / 76.1)
        in_plane, aside = 1 / math.hypot(1 / (2 * one), 55 / (2 * one * 60)), one * (60.1 + 8) / 55
        left = solved(BITTERN)[0].mounts[2]
        shares = [math.hypot(y, z) / in_plane + abs(x) / aside for x, y, z in (case.force_n for case in left.cases)]
        self.assertAlmostEqual(self.found().demand or 0, max(shares), places=6)
        self.assertEqual(faults_of(self.found(), self.found().working), [])

    def test_a_thin_tube_bends_in_and_a_box_is_judged_by_its_wider_face(self) -> None:
        self.assertLess(self.found({"mounts.2.ears.on": mm(3)}).margin or 0, self.found().margin or 0)
        box = {"crosses.0.bracket.kind": "box", "crosses.0.bracket.breadth": mm(80), "crosses.0.bracket.depth": mm(76)}
        wider = {**box, "crosses.0.bracket.breadth": mm(120)}
        self.assertLess(self.found(wider).margin or 0, self.found(box).margin or 0)

    def test_the_tubes_own_wall_counts_where_nothing_else_is_stated(self) -> None:
        self.assertAlmostEqual(self.found({"mounts.2.ears.on": None}).margin or 0, self.found().margin or 1)

    def test_what_no_rule_is_for_is_not_known(self) -> None:
        for changes, words in (
            ({"mounts.2.ears.count": 1}, "one by itself bears nothing aside"),
            ({"mounts.2.ears.on": mm(1)}, "10 to 50"),
            ({"mounts.2.tube.gap": None}, "the gap between its ears"),
            ({"crosses.0.bracket.depth": None}, "the face of cross tube"),
        ):
            with self.subTest(words):
                found = self.found(changes)
                self.assertIs(found.verdict, NOT_KNOWN)
                self.assertIn(words, " ".join(found.missing))
