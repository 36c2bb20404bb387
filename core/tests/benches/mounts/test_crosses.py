"""A cross member from rail to rail, with two mounts on it."""

import copy
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.benches.mounts.cross_loads import CrossLoaded
from driveline.benches.mounts.crosses import crosses_of
from driveline.benches.mounts.needs import HeldUnit, MountsNeeds
from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import MountsSheet
from driveline.checks import Check, Verdict
from tests.benches.mounts.test_mounts import BITTERN, NOT_KNOWN, changed, mm, solved
from tests.workings.test_workings import faults_of

NOWHERE = MountsNeeds(
    unit=HeldUnit(placed=None, mass_kg=None, cg_mm=None, inertia_kgm2=None, farthest_mm=None, missing=()),
    launch_nm=None,
    overrun_nm=None,
    locked_nm=None,
    torque_unsaid="",
    turns_wheels=False,
    turning=(),
    wanted_kmh=None,
    points=(),
    around=None,
    around_missing=(),
    counted_travel_mm=None,
    counted_is_usual=False,
)
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

    def test_an_end_is_judged_with_its_rails_firm_and_giving_way(self) -> None:
        """Off the middle the farther end bears more across where rails give way: P a/L, not P a² (3 b + a)/L³."""
        (cross,) = crosses_of(MountsSheet.model_validate(BITTERN["sheets"]["mounts"]), NOWHERE)
        assert cross.member is not None
        load = np.array([[[0.0, 0.0, -1000.0, 0.0, 0.0, 0.0]]])
        one = CrossLoaded(
            cross=cross,
            key="x",
            mounts=(),
            x_mm=np.array([200.0]),
            loads=load,
            spread_from=1,
            names=("launch",),
            missing=(),
        )
        near, far = one.ends
        self.assertEqual(near.names, ("launch", "launch"))
        length = 700.0
        self.assertAlmostEqual(-near.forces_n[0, 2], 1000 * 500**2 * (3 * 200 + 500) / length**3, 6)
        self.assertAlmostEqual(-far.forces_n[1, 2], 1000 * 200 / length, 6)
        self.assertAlmostEqual(float(np.abs(near.moments_nmm[1]).max()), 0.0, 6)

    def test_extremes_of_several_mounts_add_up_whatever_their_senses(self) -> None:
        (cross,) = crosses_of(MountsSheet.model_validate(BITTERN["sheets"]["mounts"]), NOWHERE)
        against = np.array([[[0.0, 0.0, 1000.0, 0, 0, 0], [0.0, 0.0, -1000.0, 0, 0, 0]]])
        most = [
            max(
                cut.stress.judged_mpa
                for cut in CrossLoaded(
                    cross=cross,
                    key="x",
                    mounts=(),
                    x_mm=np.array([300.0, 400.0]),
                    loads=against,
                    spread_from=spread_from,
                    names=("launch",),
                    missing=(),
                ).cuts
            )
            for spread_from in (1, 0)
        ]
        self.assertGreater(most[1], 3 * most[0])

    def test_a_torque_arm_acts_where_it_meets_the_member(self) -> None:
        link = {
            "mounts.2.kind": "arm",
            "mounts.2.rail": {axis: mm(at) for axis, at in zip("xyz", (1120, 200, 350), strict=True)},
        }
        found = checks(link)["mounts.x1.stands"]
        self.assertIs(found.verdict, Verdict.HOLDS, found.says)

    def test_a_member_of_kilometres_is_asked_for_its_ends(self) -> None:
        found = checks({"crosses.0.other.y": mm(-9e6)})["mounts.x1.arm"]
        self.assertIs(found.verdict, NOT_KNOWN)
        self.assertIn("its two ends, looked at again", " ".join(found.missing))

    def test_both_landing_plates_are_in_the_scene(self) -> None:
        (cross,) = solved(BITTERN)[0].crosses
        self.assertEqual([piece.kind for piece in cross.pieces], ["round", "box", "box"])
        ends = sorted(max(abs(y) for _, y, _ in piece.corners_mm) for piece in cross.pieces[1:])
        self.assertEqual(ends, [350.0, 350.0])

    def test_an_arm_on_it_is_welded_to_its_wall(self) -> None:
        """A short tube up from the member: hollow whatever is said of a rail, and its wall is asked about."""
        arm = {
            "kind": "tube",
            "depth": mm(40),
            "wall": mm(4),
            "beside": mm(0),
            "leg": mm(4),
            "base": mm(8),
            "is_inspected": True,
            "landing": {"is_there": False},
            "rail": {"is_hollow": False},
        }
        rail = {axis: mm(at) for axis, at in zip("xyz", (1120, 130, 355), strict=True)}
        job = changed(BITTERN, {"mounts.2.bracket": arm, "mounts.2.rail": rail, "mounts.2.ears.stands": "end"})
        result, found = solved(job)
        self.assertIs(found["mounts.m3.rail_face"].verdict, NOT_KNOWN)
        self.assertIs(found["mounts.x1.stands"].verdict, Verdict.HOLDS, found["mounts.x1.stands"].says)
        self.assertTrue(any("Which is it?" in one.text for one in result.queries))

    def test_two_of_one_name_are_asked_about(self) -> None:
        data = copy.deepcopy(BITTERN)
        data["sheets"]["mounts"]["crosses"] *= 2
        result, found = solved(data)
        self.assertIn("Two cross members are called cross tube. Rename one.", [one.text for one in result.queries])
        self.assertIs(found["mounts.x1.arm"].verdict, NOT_KNOWN)

    def test_a_box_may_fold_and_both_landing_plates_are_cut(self) -> None:
        box = {"crosses.0.bracket.kind": "box", "crosses.0.bracket.breadth": mm(80), "crosses.0.bracket.depth": mm(76)}
        self.assertIsNot(checks(box)["mounts.x1.walls"].verdict, NOT_KNOWN)
        part = next(
            one
            for one in parts_of(MountsSheet.model_validate(BITTERN["sheets"]["mounts"]))
            if one.key == "mounts.x1_landing"
        )
        self.assertEqual(part.stock.quantity, 2)
